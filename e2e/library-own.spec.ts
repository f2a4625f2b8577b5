import { expect, test, type Page } from '@playwright/test';
import { cell, signIn, strike } from './bench';

// A shop enters its own platform and ten parts from nothing and plans a job on it, by keyboard.

/** Goes to the field of that name and types over what is there. */
async function type(page: Page, label: string | RegExp, text: string, within = page.locator('body')) {
    const field = within.getByLabel(label).first();
    await field.focus();
    await page.keyboard.press('Control+A');
    await page.keyboard.type(text);
}

/** Goes to the choice of that name and chooses by its first letters. */
async function pick(page: Page, label: string | RegExp, words: string, within = page.locator('body')) {
    const field = within.getByLabel(label).first();
    await field.focus();
    await page.keyboard.type(words, { delay: 15 });
}

const parts: [string, string, string, string[], string[], string][] = [
    ['Map', 'Own dyno map', 'Saltmarsh Speed Works', ['18', '28', '36'], ['25', '38', '50'], '240'],
    ['Air: Filter', 'Washable panel', 'Fjellvent', ['0', '1', '3'], ['0', '1', '3'], '45'],
    ['Air: Inlet', 'Smooth inlet pipe', 'Fjellvent', ['2', '4', '7'], ['1', '3', '6'], '160'],
    ['Charge: Intercooler', 'Larger top cooler', 'Kolvane', ['2', '5', '8'], ['2', '5', '8'], '430'],
    ['Charge: Charge', 'Aluminium pipes', 'Kolvane', ['0', '1', '3'], ['0', '1', '3'], '205'],
    ['Exhaust: Downpipe', 'Catalysed 70 mm pipe', 'Brimstall', ['5', '10', '16'], ['6', '12', '18'], '690'],
    ['Exhaust: Cat', 'Quiet cat-back', 'Brimstall', ['1', '3', '6'], ['1', '3', '6'], '520'],
    ['Engine: Spark', 'Colder plugs', 'Orsken', [], [], '60'],
    ['Drive: Clutch', 'Organic clutch', 'Tarnstone', [], [], '610'],
    ['Chassis: Brakes', 'Pads and fluid', 'Hollinwick', [], [], '220'],
];

test('a shop enters its own platform and ten parts from nothing and plans a job on it', async ({ page }) => {
    test.setTimeout(180_000);
    await signIn(page);
    await page.goto('/library');
    await page.getByRole('heading', { name: 'Library' }).click();
    await strike(page, 'm');
    const sheet = page.getByRole('dialog', { name: 'New platform' });
    for (const [label, text] of [
        ['Name', 'Orrin Vale 1.8T'],
        ['Make', 'Orrin'],
        ['Model', 'Vale 1.8T'],
        // A comma is what it is meant as, here and everywhere: never eighteen litres.
        ['Displacement, L', '1,8'],
        ['Wheel torque, lb-ft', '200'],
        ['Wheel power, hp', '178'],
        ['Rev limit, rpm', '6800'],
    ] as const)
        await type(page, label, text, sheet);
    const speeds = sheet.getByLabel('at rpm');
    await speeds.nth(0).focus();
    await page.keyboard.type('2600');
    await speeds.nth(1).focus();
    await page.keyboard.type('6900');
    await page.keyboard.press('Enter');
    await expect(sheet.getByRole('alert')).toContainText('The power peak must be below the rev limit.');
    await speeds.nth(1).focus();
    await page.keyboard.press('Control+A');
    await page.keyboard.type('5800');
    await page.keyboard.press('Enter');

    // The platform's page: what is missing is said, the curve is drawn as one types.
    await expect(page.getByRole('heading', { name: 'Orrin Vale 1.8T' })).toBeVisible();
    await expect(page.getByText('No limit is given', { exact: false })).toBeVisible();
    await expect(page.getByLabel('Displacement, L')).toHaveValue('1.8');
    const curve = page.getByRole('img', { name: /Torque and power of the stock car/ });
    await expect(curve).toContainText('178');
    await type(page, 'Power, hp', '186');
    await expect(curve).toContainText('186');
    await page.getByRole('button', { name: 'Add a limit' }).focus();
    await page.keyboard.press('Enter');
    const limit = page.getByRole('group', { name: 'limit 1' });
    await type(page, 'Limit', 'Gearbox', limit);
    await pick(page, /^Of/, 'Gearbox', limit);
    await pick(page, /^In/, 'wheel t', limit);
    await type(page, 'Safe to', '190', limit);
    await type(page, 'Breaks at', '340', limit);
    await type(page, 'What happens past it', 'third gear strips', limit);
    await expect(page.getByText(/Gearbox: the stock car uses 105 % of what is safe/)).toBeVisible();
    await type(page, 'Safe to', '290', limit);
    await expect(page.getByText(/Gearbox: the stock car uses/)).toHaveCount(0);
    await page.keyboard.press('Control+s');
    await expect(page.getByRole('status').filter({ hasText: 'Saved.' })).toBeVisible();

    for (const [slot, name, maker, power, torque, price] of parts) {
        await page.goto(page.url().replace(/\/(platform|parts\/.*)$/, '/parts/new'));
        await type(page, 'Maker', maker);
        await type(page, 'Name', name);
        await pick(page, 'Slot 1', slot);
        await page.keyboard.press('Tab');
        if (power.length > 0) {
            await page.getByRole('button', { name: 'Add a gain on another set-up' }).focus();
            await page.keyboard.press('Enter');
            for (const [figure, values] of [
                ['Power', power],
                ['Torque', torque],
            ] as const)
                for (const [i, end] of ['at least', 'likely', 'at most'].entries())
                    await type(page, `${figure}, ${end}`, values[i] ?? '');
        }
        if (slot === 'Map') await pick(page, 'Written', 'on the');
        await type(page, 'New, likely', price);
        await type(page, 'To fit, h', '1.5');
        await expect(page.getByText('What it adds here')).toBeVisible();
        await page.keyboard.press('Control+s');
        await expect(page).toHaveURL(/\/parts\/(?!new)/);
    }

    // Looked at and published.
    await page.getByRole('link', { name: 'Orrin Vale 1.8T' }).click();
    await expect(page.locator('[data-part]')).toHaveCount(10);
    await page.getByRole('button', { name: 'Publish version 1' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'Publish all the same' }).focus();
    await page.keyboard.press('Enter');
    await expect(page.getByText('Version 1 is published.')).toBeVisible();

    // A job on it.
    await page.goto('/');
    await page.getByRole('button', { name: /New job/ }).focus();
    await page.keyboard.press('Enter');
    const job = page.getByRole('dialog');
    await type(page, /Customer/, 'Runa Vik', job);
    await type(page, 'Job', 'Vale for the coast', job);
    await job.getByLabel(/^Platform/).selectOption({ label: 'Orrin Vale 1.8T' });
    await page.keyboard.press('Tab');
    await job.getByRole('button', { name: 'Start' }).focus();
    await page.keyboard.press('Enter');
    await page.waitForURL(/\/jobs\/\d+\/brief/);
    await page.goto(page.url().replace('/brief', '/bench'));
    await page.locator('tr', { hasText: 'downpipe, mid pipe' }).getByRole('button', { name: 'show' }).click();
    const downpipe = cell(page, 'Downpipe', 1);
    await downpipe.click();
    await page.keyboard.press('Enter');
    await page.locator('[data-candidate]', { hasText: 'Catalysed 70 mm pipe' }).focus();
    await page.keyboard.press('Enter');
    await expect(downpipe).toHaveAttribute('aria-label', /Catalysed 70 mm pipe/);
});
