import { expect, test, type Page } from '@playwright/test';
import { cell, openBench, settled, signIn, strike } from './bench';

// A name typed behind any key, at any pace, is no command but the first: the words are made by dice with a seed.

function dice(seed: number) {
    let state = seed;
    return (below: number) => {
        state = (state * 1103515245 + 12345) % 2147483648;
        return Math.floor((state / 2147483648) * below);
    };
}

/** Letters that mean something on the bench come often. */
const LETTERS = 'tubnvashrlicobfmgwpdek';

function word(roll: (below: number) => number, not: string) {
    const letters = [...Array(4 + roll(5))].map(() => LETTERS[roll(LETTERS.length)] ?? 'e');
    if (letters[0]?.toLowerCase() === not.toLowerCase()) letters[0] = 'x';
    return letters.join('');
}

/** What is asked of the server besides reading, by the words of the edits. */
function asked(page: Page): string[] {
    const edits: string[] = [];
    page.on('request', (request) => {
        if (request.method() === 'POST' && request.url().includes('/edits'))
            edits.push(JSON.stringify(request.postDataJSON().commands ?? request.postDataJSON().step));
    });
    return edits;
}

async function type(page: Page, text: string, roll: (below: number) => number) {
    for (const letter of text) {
        await page.waitForTimeout(roll(2) === 0 ? 0 : roll(151));
        await page.keyboard.press(letter);
    }
}

/** Keys of the bench, how many edits each may make by itself, and what it opens: a panel, a sheet, or nothing, and the cell's panel stays. */
const KEYS: [key: string, edits: number, opens?: string][] = [
    ['n', 0],
    ['v', 0, 'Variants'],
    ['t', 0],
    ['.', 0, 'sheet'],
    ['/', 0, 'sheet'],
    ['h', 0, 'History'],
    ['l', 0, 'Plans of this job'],
    ['i', 0],
    ['r', 0, 'Calculation settings'],
    ['g', 0, 'sheet'],
    ['?', 0, 'sheet'],
    ['w', 0],
    ['Enter', 0],
    ['o', 1],
    ['b', 1],
    ['f', 1],
    ['u', 1],
    ['U', 1],
    ['s', 1],
];

test('a word typed behind any key of the bench runs nothing but that key', async ({ page }) => {
    await signIn(page);
    await openBench(page, 'A bit each month');
    await settled(page);
    const edits = asked(page);
    const roll = dice(23);
    for (const [key, most, opens] of [...KEYS, ...KEYS]) {
        await page.keyboard.press('Escape');
        await page.keyboard.press('Escape');
        await cell(page, 'Downpipe', 1).click();
        const before = edits.length;
        const text = word(roll, key);
        await strike(page, key);
        await type(page, text, roll);
        await page.waitForTimeout(200);
        expect(
            edits.length - before,
            `${key} and then ${text}: ${edits.slice(before).join(' ')}`,
        ).toBeLessThanOrEqual(most);
        const sheets = await page.getByRole('dialog').count();
        expect(sheets, `sheets after ${key} and ${text}`).toBe(opens === 'sheet' ? 1 : 0);
        const told = `the panel after ${key} and ${text}`;
        const heading = page.getByRole('complementary').getByRole('heading').first();
        if (opens && opens !== 'sheet') await expect(heading, told).toHaveText(opens);
        else if (['o', 'b', 'f', 'u', 'U', 'n', 'w'].includes(key))
            await expect(heading, told).toHaveText('Downpipe, stage 1');
        await page.keyboard.press('Escape');
        await settled(page);
    }
});

test('a name typed at once behind what asks for it is in its field, whole', async ({ page }) => {
    await signIn(page);
    await openBench(page, 'No strong pump near');
    const head = page.getByRole('columnheader', { name: /^Stage 2/ });
    await head.dblclick();
    await page.keyboard.type('Turbo');
    await expect(page.getByLabel('Name of stage 2')).toHaveValue('Turbo');
    await page.keyboard.press('Escape');
    await expect(head).toBeFocused();
    await strike(page, 'Enter');
    await page.keyboard.type('Turbo', { delay: 20 });
    await expect(page.getByLabel('Name of stage 2')).toHaveValue('Turbo');
    await page.keyboard.press('Escape');
    for (const [key, field] of [
        ['n', 'Name of the new stage'],
        ['v', 'Name of the variant'],
        ['.', 'Command or place'],
        ['/', 'Part, platform, customer, car, job or what a figure rests on'],
    ] as const) {
        await strike(page, key);
        await page.keyboard.type('Turbo');
        await expect(page.getByLabel(field)).toHaveValue('Turbo');
        await page.keyboard.press('Escape');
    }
    await cell(page, 'Map', 1).click();
    await strike(page, 't');
    await page.keyboard.type('295');
    await expect(page.getByLabel(/^(Hold|Cap) at/)).toHaveValue('295');
    await page.keyboard.press('Escape');
    await cell(page, 'Turbo', 2).click();
    await page.keyboard.press('Enter');
    await page.keyboard.type('kol');
    await expect(page.locator('[data-candidate]:focus')).toContainText(/kol/i);
});

test('what is typed while the page comes in late is no command', async ({ page, context }) => {
    await signIn(page);
    const edits = asked(page);
    const address =
        (await page.getByRole('link', { name: 'Bench of A bit each month' }).getAttribute('href')) ?? '';
    let late = true;
    await context.route('**/*.js', async (route) => {
        if (late) await new Promise((end) => setTimeout(end, 700));
        await route.continue();
    });
    const roll = dice(5);
    const coming = page.goto(address);
    for (let i = 0; i < 40; i++) await type(page, LETTERS[roll(LETTERS.length)] ?? 'e', roll);
    await coming;
    late = false;
    await settled(page);
    expect(edits).toEqual([]);
    await expect(page.getByRole('dialog')).toHaveCount(0);
});
