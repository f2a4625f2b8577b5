import { expect, test } from '@playwright/test';
import { openBench, settled, signIn, strike } from './bench';

const list = [
    'Artikel;Hersteller;Bezeichnung;Preis;Lieferzeit',
    'T-10;Tarnstone;Organic sport clutch;612,50;3',
    'T-11;Brimstall;Catalysed 76 mm pipe;701,00;5',
    'T-12;Tarnstone;Short shifter;89,00;4',
    'T-13;;;12,00;',
    'T-14;Tarnstone;Lever;auf Anfrage;',
    ';;;9,00;',
    'T-15;Tarnstone;Clamp;1.50;',
    'T-10;Tarnstone;Organic sport clutch;613,00;',
].join('\n');

test('a price list with five bad rows is told line by line, taken in without them and taken back', async ({
    page,
}) => {
    await signIn(page);
    await page.goto('/price-lists');
    await page.getByLabel('Its name').fill('Tarnstone Direct');
    await page
        .getByLabel('List, as CSV')
        .setInputFiles({ name: 'autumn.csv', mimeType: 'text/csv', buffer: Buffer.from(list) });
    await page.getByRole('button', { name: 'Send' }).press('Enter');
    await expect(page.getByText('separated by semicolons')).toBeVisible();
    await expect(page.getByLabel('Column Preis holds')).toHaveValue('price');
    await page.getByRole('button', { name: 'Preview the changes' }).press('Enter');
    await expect(page.getByRole('button', { name: /5 refused/ })).toBeVisible();
    for (const words of [
        'The article "T-13" is not known here',
        '"auf Anfrage" is no figure here',
        'It names no part',
        'write decimals with a comma',
        'The same part is on line 2',
    ])
        await expect(page.getByRole('cell', { name: words })).toBeVisible();
    await page.getByRole('button', { name: /2 change/ }).press('Enter');
    await expect(page.getByRole('row', { name: /^2 Tarnstone Organic sport clutch/ })).toContainText(
        '612.50',
    );
    await page.getByRole('button', { name: /leave 5 lines out and take 3 in/ }).press('Enter');
    await expect(page.getByText('Taken in: every plan uses its prices.')).toBeVisible();

    await openBench(page, 'Skarn Hill commuter');
    await expect(page.getByRole('button', { name: 'Prices changed' })).toBeVisible();
    await strike(page, 'i');
    await expect(page.getByText(/Organic sport clutch: [+−] € \d+/)).toBeVisible();

    await page.goto('/price-lists');
    await page.getByRole('link', { name: /Tarnstone Direct/ }).click();
    await page.getByRole('button', { name: 'Take the whole list back' }).press('Enter');
    await expect(page.getByText('Taken back: prices are what they were.')).toBeVisible();
});

test('a revised gain reaches a plan when it is taken, and undo gives it back', async ({ page }) => {
    await signIn(page);
    await page.goto('/library');
    await page.getByRole('link', { name: /Ondra Meridian/ }).click();
    await expect(page.getByRole('heading', { name: 'Ondra Meridian 4.8' })).toBeVisible();
    await page.locator('[data-part="brimstall-mer-catback"]').focus();
    const name = 'Cat-back, twin 63 mm';
    await page.keyboard.press('Enter');
    await page.getByLabel('Power, likely').first().fill('9.5');
    await page.getByLabel('Power, at most').first().fill('14');
    await page.getByLabel('How it was found').first().fill('four more cars this autumn');
    await expect(page.getByText('not saved yet')).toBeVisible();
    await page.keyboard.press('Control+s');
    await expect(page.getByText('Saved. Plans see it once it is published.')).toBeVisible();
    await page.getByRole('link', { name: 'Ondra Meridian 4.8' }).click();
    await expect(page.getByRole('region', { name: 'Not published yet' })).toContainText(`${name}: gain`);
    await page.getByRole('button', { name: 'Publish version 2' }).press('Enter');
    const anyway = page.getByRole('button', { name: 'Publish all the same' });
    const told = page.getByText('Version 2 is published.');
    await expect(anyway.or(told)).toBeVisible();
    if (await anyway.isVisible()) await anyway.press('Enter');
    await expect(told).toBeVisible();

    await openBench(page, 'Natural first');
    await page.getByRole('button', { name: 'The library was revised' }).press('Enter');
    await page.getByRole('button', { name: 'Take version 2' }).press('Enter');
    await settled(page);
    await expect(page.getByRole('button', { name: 'The library was revised' })).toHaveCount(0);
    await strike(page, 'u');
    await expect(page.getByRole('button', { name: 'The library was revised' })).toBeVisible();
});

test('a part in use is retired with a successor, and a plan tells so', async ({ page }) => {
    await signIn(page);
    await page.goto('/library');
    await page.getByRole('link', { name: /Pindle Mule/ }).click();
    await expect(page.getByRole('heading', { name: 'Pindle Mule 212' })).toBeVisible();
    await page.locator('[data-part]').first().focus();
    await page.keyboard.press('Enter');
    await page.getByRole('button', { name: 'No longer offered…' }).press('Enter');
    const sheet = page.getByRole('dialog', { name: 'No longer offered' });
    await sheet.getByLabel('What takes its place').selectOption({ index: 2 });
    await sheet.getByRole('button', { name: 'Retire it' }).press('Enter');
    await expect(page.getByText(/^No longer offered;.*takes its place\.$/)).toBeVisible();
    await page.getByRole('button', { name: /^Undo/ }).first().press('Enter');
    await expect(page.getByText(/^No longer offered;/)).toHaveCount(0);
});

test('the library goes out in files and comes in again with a look first; anything is found under /', async ({
    page,
}) => {
    await signIn(page);
    await page.goto('/library');
    await page.getByRole('link', { name: /Marlow Tern/ }).click();
    await expect(page.getByRole('heading', { name: 'Marlow Tern 2.4' })).toBeVisible();
    await page.getByRole('heading', { name: 'Library' }).click();
    await strike(page, 'f');
    const files = page.getByRole('dialog', { name: 'Files' });
    const texts: string[] = [];
    for (const words of ['the platform', 'its parts']) {
        const address = await files
            .getByRole('link', { name: `Marlow Tern 2.4: ${words}`, exact: true })
            .getAttribute('href');
        texts.push(await (await page.request.get(address ?? '')).text());
    }
    const [platform = '', parts = ''] = texts;
    const sent = async (text: string) => {
        await files
            .getByLabel('A platform')
            .setInputFiles({ name: 'p.json', mimeType: 'application/json', buffer: Buffer.from(platform) });
        await files
            .getByLabel('Its parts')
            .setInputFiles({ name: 'q.json', mimeType: 'application/json', buffer: Buffer.from(text) });
        await files.getByRole('button', { name: 'Preview' }).click();
    };
    await sent(parts.slice(0, 900));
    await expect(files.getByRole('alert')).toContainText('breaks off');
    await sent(parts.replace('"Panel filter"', '"Panel filter, washable"'));
    await expect(files.getByText(/Marlow Tern 2.4 would be version 2/)).toBeVisible();
    await expect(files.getByText('1 changed: fjellvent-tern-panel')).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(files).toBeHidden();

    await strike(page, '/');
    const find = page.getByRole('dialog', { name: 'Find' });
    await expect(find.getByRole('combobox')).toBeFocused();
    await page.keyboard.type('fjelvent panle');
    await expect(find.getByRole('option').first()).toContainText('Panel filter');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(page).toHaveURL(/\/library\/\d+\/parts\//);
});
