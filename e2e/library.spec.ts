import { expect, test } from '@playwright/test';
import { openBench, signIn, strike } from './bench';

test('the shelf is walked by the arrows, and a new price reaches a plan', async ({ page }) => {
    await signIn(page);
    await openBench(page, 'Skarn Hill commuter');
    const total = page.getByRole('button', { name: /€ [\d,]+ of € 6,500/ }).first();
    const before = Number(/€ ([\d,]+) of/.exec((await total.textContent()) ?? '')?.[1]?.replace(',', ''));

    await page.goto('/');
    await page.getByRole('link', { name: 'Library' }).click();
    await page.getByRole('link', { name: /Corvane Lyre/ }).click();
    const panel = page.getByRole('complementary', { name: 'The part that is chosen' });
    await page.locator('[data-part="nullarc-shelf-a"]').focus();
    await expect(panel.getByRole('heading', { name: 'Shelf map A' })).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await expect(panel.getByRole('heading', { name: 'Shelf map B' })).toBeVisible();
    await page.keyboard.press('ArrowDown');
    await expect(panel.getByRole('heading', { name: 'Dyno map, soft ramp' })).toBeVisible();
    await page.keyboard.press('End');
    await page.keyboard.press('Home');
    await expect(panel.getByRole('heading', { name: 'Shelf map A' })).toBeVisible();

    await page.locator('[data-part="fjellvent-panel"]').focus();
    await expect(panel).toContainText("shop's dyno");
    await expect(panel).toContainText('€ 48');
    await panel.getByLabel('New price, €').fill('148');
    await panel.getByLabel('From whom').fill('Fjellvent, by phone');
    await panel.getByLabel('From whom').press('Enter');
    await expect(panel).toContainText('Every plan uses it now.');
    await expect(panel).toContainText('of today');
    await expect(panel).toContainText('Fjellvent, by phone, Ines Harrow');
    await expect(page.locator('[data-part="fjellvent-panel"]')).toContainText('€ 148');

    await panel.getByLabel('New price, €').fill('10');
    await panel.getByRole('spinbutton', { name: /^day/ }).click();
    await page.keyboard.type('02022020');
    await panel.getByLabel('New price, €').press('Enter');
    await expect(panel).toContainText('Kept as history: a newer price is in use.');
    await expect(panel).toContainText('2 Feb 2020');
    await expect(page.locator('[data-part="fjellvent-panel"]')).toContainText('€ 148');

    await openBench(page, 'Skarn Hill commuter');
    // A hundred more, taxed at 20 %, with a reserve of 8 %.
    const after = (before + 130).toLocaleString('en');
    await expect(
        page
            .getByRole('button', {
                name: new RegExp(`€ (${after}|${(before + 129).toLocaleString('en')}) of`),
            })
            .first(),
    ).toBeVisible();
});

test('a limit is put on record, comes from it by the rule, and a plan from a file is a job', async ({
    page,
}) => {
    await signIn(page);
    await page.goto('/library');
    await page.getByRole('link', { name: /Marlow Tern/ }).click();
    await page.locator('[data-part="fjellvent-tern-panel"]').waitFor();
    await strike(page, 'p');
    const gearbox = page.getByRole('region', { name: 'Outcomes of Gearbox', exact: true });
    await gearbox.getByRole('button', { name: 'Put one on record: Gearbox' }).click();
    await gearbox.getByLabel('Who says so').selectOption({ label: "shop's dyno" });
    await gearbox.getByLabel(/^Safe to/).fill('205');
    await gearbox.getByLabel(/^Breaks at/).fill('228');
    await gearbox.getByLabel('File or run').fill('run 77');
    await gearbox.getByLabel('File or run').press('Enter');
    await expect(page.getByText('On record. The limit is what it was.')).toBeVisible();
    await expect(gearbox).toContainText("shop's dyno: safe to 205, breaks at 228");
    await gearbox.getByRole('button', { name: /Write what the rule says into the limit/ }).click();
    await expect(page.getByText('Written into the limit: keep it, if it is right.')).toBeVisible();
    await page.keyboard.press('Control+s');
    await expect(page.getByText('not saved yet')).toHaveCount(0);
    await page.reload();
    await expect(gearbox).toContainText('by the rule, from one record (by the rule)');

    // A plan goes out as a file, and comes in as another job.
    await openBench(page, 'Top end only');
    const plan = await page.evaluate(async () => {
        const found = /\/plans\/(\d+)/.exec(document.body.innerHTML)?.[1] ?? '1';
        return (await fetch(`/plans/${found}/bundle`, { headers: { Accept: 'application/json' } })).text();
    });
    await page.goto('/');
    await page.getByRole('button', { name: /New job/ }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('combobox', { name: 'Customer' }).fill('Edda Rask');
    await dialog.getByLabel('Job').fill('From a file');
    await dialog
        .getByLabel('Or from a plan in a file')
        .setInputFiles({ name: 'plan.json', mimeType: 'application/json', buffer: Buffer.from(plan) });
    await dialog.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByRole('heading', { name: /^Brief/ })).toBeVisible();
    await openBench(page, 'From a file');
    await expect(page.getByRole('grid').first()).toBeVisible();
});

test('a library in which everything is called the same does not stop the bench', async ({ page }) => {
    const faults: string[] = [];
    page.on('pageerror', (fault) => faults.push(fault.message));
    await signIn(page);
    await openBench(page, 'Top end only');
    const plan = await page.evaluate(async () => {
        const found = /\/plans\/(\d+)/.exec(document.body.innerHTML)?.[1] ?? '1';
        const bundle = await (
            await fetch(`/plans/${found}/bundle`, { headers: { Accept: 'application/json' } })
        ).json();
        Object.assign(bundle.platform, { key: 'marlow-twin', name: 'Marlow Twin' });
        for (const part of bundle.parts) Object.assign(part, { name: 'The same', maker: 'Fjellvent' });
        for (const one of [...bundle.platform.limits, ...(bundle.platform.ceilings ?? [])])
            one.name = 'The same';
        for (const stage of bundle.plan.stages) stage.name = 'The same';
        return JSON.stringify(bundle);
    });
    await page.goto('/');
    await page.getByRole('button', { name: /New job/ }).click();
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('combobox', { name: 'Customer' }).fill('Edda Rask');
    await dialog.getByLabel('Job').fill('All the same');
    await dialog
        .getByLabel('Or from a plan in a file')
        .setInputFiles({ name: 'plan.json', mimeType: 'application/json', buffer: Buffer.from(plan) });
    await dialog.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByRole('heading', { name: /^Brief/ })).toBeVisible();
    await openBench(page, 'All the same');
    await expect(page.getByRole('grid').first()).toContainText('The same');
    await page.keyboard.press('Enter');
    await expect(page.getByText(/Candidates|whp/).first()).toBeVisible();
    await page.keyboard.press('Escape');
    await strike(page, 'g');
    await expect(page.getByRole('dialog')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.goto('/library');
    await page.getByRole('link', { name: /Marlow Twin/ }).click();
    await expect(page.getByText('The same').first()).toBeVisible();
    expect(faults).toEqual([]);
});
