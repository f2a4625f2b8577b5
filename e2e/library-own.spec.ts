import { expect, test, type Locator, type Page } from '@playwright/test';
import { addStage, cell, settled, signIn, strike } from './bench';

// A stranger's first day, by keyboard: a car that the library lacks, thirteen parts for it, three stages, a customer who comes back, and
// a supplier's list. What it takes is counted.

/** What a person did: fields filled in, and buttons pressed. */
const steps = { fields: 0, presses: 0 };

/** Goes to the field of that name and types over what is there. */
async function type(
    page: Page,
    label: string | RegExp,
    text: string,
    within: Locator = page.locator('body'),
) {
    const field = within.getByLabel(label, { exact: true }).first();
    await field.focus();
    await page.keyboard.press('Control+A');
    await page.keyboard.type(text);
    steps.fields++;
}

/** Goes to the choice of that name and chooses by its first letters. */
async function pick(
    page: Page,
    label: string | RegExp,
    words: string,
    within: Locator = page.locator('body'),
) {
    const field = within.getByLabel(label).first();
    await field.focus();
    await page.keyboard.type(words, { delay: 15 });
    steps.fields++;
}

/** Leaves the field, which ends the word, for a button. */
async function press(page: Page, button: Locator) {
    await page.keyboard.press('Tab');
    await button.focus();
    await page.keyboard.press('Enter');
    steps.presses++;
}

/** Slot, maker, name, price; and what stands there on the stock car and what this one bears or carries, where it is asked. */
const parts: [string, string, string, string, { part: RegExp; figures: [string, string][] }?][] = [
    ['Map', 'Saltmarsh Speed Works', 'Own dyno map', '240'],
    ['Air: Filter', 'Fjellvent', 'Washable panel', '45'],
    ['Air: Inlet', 'Fjellvent', 'Smooth inlet pipe', '160'],
    ['Boost: Turbo', 'Nullarc', 'Hybrid turbo', '1450'],
    ['Charge: Charge cooler', 'Kolvane', 'Larger top cooler', '430'],
    [
        'Charge: Charge pipe',
        'Kolvane',
        'Aluminium pipes',
        '205',
        {
            part: /^Charge pipe/,
            figures: [
                ['Safe to', '2,8'],
                ['Breaks at', '3,2'],
            ],
        },
    ],
    ['Exhaust: Downpipe', 'Brimstall', 'Catalysed 70 mm pipe', '690'],
    ['Exhaust: Cat', 'Brimstall', 'Quiet cat-back', '520'],
    ['Engine: Spark', 'Orsken', 'Colder plugs', '60'],
    [
        'Fuel system: Feed',
        'Pellaworks',
        'Larger feed pump',
        '190',
        { part: /^Feed pump/, figures: [['Good for, whp', '420']] },
    ],
    ['Fuel system: Injectors', 'Pellaworks', 'Larger injectors', '480'],
    [
        'Drive: Clutch',
        'Tarnstone',
        'Organic clutch',
        '610',
        {
            part: /^Clutch/,
            figures: [
                ['Safe to', '360'],
                ['Breaks at', '410'],
            ],
        },
    ],
    ['Chassis: Brakes', 'Hollinwick', 'Pads and fluid', '220'],
];

test('a stranger enters a car that the library lacks, with thirteen parts, and plans three stages on it', async ({
    page,
}) => {
    test.setTimeout(240_000);
    Object.assign(steps, { fields: 0, presses: 0 });
    await signIn(page);

    // A way in from New job.
    await page.getByRole('heading', { name: 'Saltmarsh Speed Works' }).click();
    await strike(page, 'n');
    steps.presses++;
    const sheet = page.getByRole('dialog', { name: 'New job' });
    await expect(sheet).toBeVisible();
    await type(page, 'Customer', 'Runa Vik', sheet);
    await type(page, 'Job', 'Vale for the coast', sheet);
    await pick(page, /^Platform/, 'a car', sheet);
    await type(page, 'Make', 'Orrin', sheet);
    await type(page, 'Model', 'Vale 1.8T', sheet);
    await type(page, 'Model years from', '2016', sheet);
    // A comma is what it is meant as, here and everywhere: never eighteen litres.
    await type(page, 'Displacement, L', '1,8', sheet);
    await type(page, 'Power, hp', '220', sheet);
    await type(page, 'Torque, lb-ft', '245', sheet);
    const peak = sheet.getByLabel('at rpm').first();
    await peak.focus();
    await page.keyboard.press('Control+A');
    await page.keyboard.type('6900');
    await page.keyboard.press('Enter');
    await expect(sheet.getByRole('alert')).toContainText('The power peak must be below the rev limit.');
    await peak.focus();
    await page.keyboard.press('Control+A');
    await page.keyboard.type('5600');
    steps.fields++;
    await page.keyboard.press('Enter');
    steps.presses++;
    await page.waitForURL(/\/jobs\/\d+\/brief/);
    const job = page.url().replace('/brief', '');

    // Its platform is typical of such engines and says so; own figures replace them one by one.
    await page.goto('/library');
    await page.getByRole('link', { name: /^Orrin Vale 1\.8T/ }).click();
    await expect(page.getByRole('heading', { name: 'Orrin Vale 1.8T' })).toBeVisible();
    await press(page, page.getByRole('link', { name: 'Platform and curve' }));
    await expect(page.getByLabel('Displacement, L')).toHaveValue('1.8');
    await expect(page.getByText('Hard to believe')).toHaveCount(0);
    await expect(page.getByText(/^Mass with driver, kg/).first()).toContainText('typical');
    await expect(page.getByText(/wheel torque, safe to 270, breaks at/)).toContainText('typical of its kind');
    const gearbox = page.getByRole('group', { name: 'limit 1' });
    await type(page, 'Safe to', '190', gearbox);
    await expect(page.getByText(/Gearbox: the stock car uses \d+ % of what is safe/)).toBeVisible();
    await type(page, 'Safe to', '285', gearbox);
    await type(page, 'Note', 'two boxes seen here', gearbox);
    await expect(page.getByText(/Gearbox: the stock car uses/)).toHaveCount(0);
    await expect(gearbox.getByLabel('Rests on')).toHaveValue('judgement');
    await type(page, /^Mass with driver/, '1390');
    await expect(page.getByText(/^Mass with driver, kg/).first()).not.toContainText('typical');
    await page.keyboard.press('Control+s');
    steps.presses++;
    await expect(page.getByRole('status').filter({ hasText: 'Saved.' })).toBeVisible();

    // Thirteen parts: what they usually give is a beginning, marked as such.
    await page.getByRole('link', { name: 'Orrin Vale 1.8T' }).click();
    await page.getByRole('heading', { name: 'Library' }).click();
    await strike(page, 'n');
    steps.presses++;
    for (const [i, [slot, maker, name, price, asked]] of parts.entries()) {
        await expect(page.getByRole('heading', { name: 'New part' })).toBeVisible();
        await expect(page.getByLabel('Maker', { exact: true })).toBeFocused();
        await type(page, 'Maker', maker);
        await type(page, 'Name', name);
        await pick(page, 'Slot 1', slot);
        await page.keyboard.press('Tab');
        await press(page, page.getByRole('button', { name: /^Begin with what is typical/ }));
        if (slot === 'Map') await pick(page, 'Written', 'on the');
        await type(page, 'New, likely', price);
        if (asked) {
            const there = page.getByRole('group', { name: asked.part });
            const stays = page.getByRole('listitem').filter({ hasText: /stays: |stays as it is/ });
            await expect(stays).not.toHaveCount(0);
            await pick(page, /what becomes of it/, 'this', there);
            for (const [label, figure] of asked.figures) await type(page, label, figure, there);
            await expect(stays).toHaveCount(0);
        }
        const save = page.getByRole('button', {
            name: i === parts.length - 1 ? 'Save' : 'Save and next',
            exact: true,
        });
        await expect(save).toBeEnabled();
        const done = page.waitForURL(i === parts.length - 1 ? /\/parts\/(?!new)/ : /\/parts\/new/, {
            waitUntil: 'commit',
        });
        await press(page, save);
        await done;
        await expect(page.getByLabel('Name', { exact: true })).toHaveValue(
            i === parts.length - 1 ? name : '',
        );
    }
    await page.getByRole('link', { name: 'Orrin Vale 1.8T' }).click();
    await expect(page.locator('[data-part]')).toHaveCount(13);
    await press(page, page.getByRole('button', { name: 'Publish version 2' }));
    await press(page, page.getByRole('button', { name: 'Publish all the same' }));
    await expect(page.getByText('Version 2 is published.')).toBeVisible();
    expect(steps.fields, 'fields filled in').toBeLessThanOrEqual(90);
    expect(steps.presses, 'buttons pressed').toBeLessThanOrEqual(45);

    // Three stages, with the parts that came since the job was begun.
    await page.goto(`${job}/bench`);
    await page.getByRole('button', { name: 'The library was revised' }).click();
    await page.getByRole('button', { name: /^Take version 2/ }).click();
    await settled(page);
    await addStage(page, 'Breathing');
    await addStage(page, 'Turbo');
    await settled(page);
    for (const [slot, stage, name] of [
        ['Map', 1, 'Own dyno map'],
        ['Downpipe', 2, 'Catalysed 70 mm pipe'],
        ['Clutch', 3, 'Organic clutch'],
    ] as const) {
        const at = cell(page, slot, stage);
        // Lanes in which nothing is planned are folded.
        const folded = page
            .locator('tr', { hasText: slot.toLowerCase() })
            .getByRole('button', { name: 'show' });
        await expect(async () => {
            if ((await at.count()) === 0) await folded.first().click();
            await expect(at).toBeVisible({ timeout: 1000 });
        }).toPass();
        await at.click();
        await page.keyboard.press('Enter');
        await page.locator('[data-candidate]', { hasText: name }).focus();
        await page.keyboard.press('Enter');
        await expect(at).toHaveAttribute('aria-label', new RegExp(name));
    }
    await settled(page);
});

/** Prices of a supplier with a comma before their decimals, as parts of the library are called. */
const listed = [
    ['Fjellvent', '63 mm silicone pipe', '171,60'],
    ['Fjellvent', '70 mm inlet pipe', '1.244,40'],
    ['Kolvane', 'Hybrid H2, 49 mm', '1.757,60'],
    ['Kolvane', 'Hybrid H3, 52 mm', '2.069,60'],
    ['Nullarc', 'Three-port solenoid', '98,80'],
    ['Kolvane', 'Top cooler, 6 L', '447,20'],
    ['Kolvane', 'Front cooler, 9 L', '852,80'],
    ['Kolvane', 'Water cooler', '1.830,40'],
    ['Kolvane', 'Aluminium pipes', '213,20'],
    ['Brimstall', 'Catalysed 76 mm pipe', '592,80'],
    ['Brimstall', 'Open 76 mm pipe', '436,80'],
    ['Brimstall', '70 mm mid pipe', '239,20'],
    ['Brimstall', 'Quiet cat-back, 70 mm', '686,40'],
    ['Brimstall', 'Open cat-back, 76 mm', '582,40'],
    ['Pellaworks', 'Pump L1, in tank', '176,80'],
    ['Pellaworks', 'Pump H2, cam driven', '384,80'],
    ['Tarnstone', 'Organic sport clutch', '374,40'],
    ['Tarnstone', 'Third and fourth gears', '1.289,60'],
    ['Orsken', 'Coils and colder plugs', '218,40'],
];

test('a customer comes back, and a list of thirty lines with two faults and an unknown part is taken in', async ({
    page,
}) => {
    await signIn(page);
    await page.getByRole('heading', { name: 'Saltmarsh Speed Works' }).click();
    await strike(page, 'n');
    const sheet = page.getByRole('dialog', { name: 'New job' });
    await expect(sheet.getByRole('combobox', { name: 'Customer' })).toBeFocused();
    await page.keyboard.type('tollef', { delay: 30 });
    await expect(sheet.getByRole('option').first()).toContainText('Maren Tollef');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(sheet.getByText(/^Known car: Corvane Lyre 1\.6T/)).toBeVisible();
    await type(page, 'Job', 'Back for a clutch', sheet);
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/jobs\/\d+\/brief/);
    await expect(page.getByLabel('Registration')).toHaveValue('PE 21 417');

    // Nineteen known parts, eight that are new, two faults, and one that the library is to know at once.
    const lines = [
        ...listed.map(([maker, name, price], i) => `T-${i};${maker};${name};${price}`),
        ...Array.from({ length: 8 }, (_, i) => `N-${i};Ravnhall;Bracket ${i + 1};${10 + i},50`),
        'X-1;Kolvane;Water cooler, large;on request',
        'X-2;;;99,00',
        'Z-1;Kolvane;Oil cooler, 19 rows;286,00',
    ];
    await page.goto('/price-lists');
    await type(page, 'Its name', 'Ravnhall Parts');
    await page.getByLabel('List, as CSV').setInputFiles({
        name: 'winter.csv',
        mimeType: 'text/csv',
        buffer: Buffer.from(['Artikel;Hersteller;Bezeichnung;Preis', ...lines].join('\n')),
    });
    await press(page, page.getByRole('button', { name: 'Send' }));
    await expect(page.getByLabel('Decimals with')).toHaveValue('comma');
    await press(page, page.getByRole('button', { name: 'Preview the changes' }));
    await expect(page.getByRole('button', { name: '2 refused' })).toBeVisible();
    await expect(page.getByRole('cell', { name: /“?"on request" is no figure here/ })).toBeVisible();
    await press(page, page.getByRole('button', { name: '19 change' }));
    await expect(page.getByRole('row', { name: /^3 Fjellvent 70 mm inlet/ })).toContainText('1,244.40');
    await press(page, page.getByRole('button', { name: '9 new parts' }));
    // The unknown one goes into the library with what the line knows.
    const lists = page.url();
    await page
        .getByLabel('Enter Kolvane Oil cooler, 19 rows in the library')
        .selectOption({ label: 'Corvane Lyre 1.6T' });
    await expect(page.getByRole('heading', { name: 'New part' })).toBeVisible();
    await expect(page.getByLabel('Maker', { exact: true })).toHaveValue('Kolvane');
    await expect(page.getByLabel('New, likely')).toHaveValue('286');
    await pick(page, 'Slot 1', 'Charge: I');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Control+s');
    await expect(page).toHaveURL(/\/parts\/(?!new)/);
    await page.goto(lists);
    await press(page, page.getByRole('button', { name: 'Preview again' }));
    await expect(page.getByRole('button', { name: '8 new parts' })).toBeVisible();
    await press(page, page.getByRole('button', { name: /leave 2 lines out and take 27 in/ }));
    await expect(page.getByText('Taken in: every plan uses its prices.')).toBeVisible();
});
