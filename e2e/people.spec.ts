import AxeBuilder from '@axe-core/playwright';
import { createHmac } from 'node:crypto';
import { expect, test, type Page } from '@playwright/test';
import { openBench, signIn } from './bench';

const WORDS = 'seven herons over salt';

async function enter(page: Page, email: string, password: string) {
    await page.goto('/sign-in');
    await page.getByLabel('Email').fill(email);
    await page.getByLabel('Password').fill(password);
    await page.keyboard.press('Enter');
}

/** The code that an authenticator would show for a secret in base 32 (RFC 6238). */
function code(secret: string, ahead = 0): string {
    const bits = [...secret.replaceAll(' ', '')]
        .map((letter) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(letter).toString(2).padStart(5, '0'))
        .join('');
    const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2)));
    const step = Buffer.alloc(8);
    step.writeBigUInt64BE(BigInt(Math.floor(Date.now() / 30_000) + ahead));
    const hash = createHmac('sha1', key).update(step).digest();
    const number = hash.readUInt32BE((hash[19] ?? 0) & 15) & 0x7fffffff;
    return String(number % 1_000_000).padStart(6, '0');
}

test('a person is invited, comes in by the mail, is let go and finds the door shut', async ({
    page,
    browser,
}) => {
    await signIn(page, 'owner');
    await page.getByRole('button', { name: 'Odd' }).click();
    await page.getByRole('link', { name: 'People' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Mael Orrin');
    await page.getByLabel('Email').fill('Mael@Saltmarsh.test');
    await page
        .getByRole('region', { name: 'Invite a person' })
        .getByRole('combobox')
        .selectOption('technician');
    await page.getByRole('button', { name: 'Invite' }).click();
    await expect(page.getByText('Mael@Saltmarsh.test is sent an invitation.')).toBeVisible();
    expect((await new AxeBuilder({ page }).analyze()).violations.map((one) => one.id)).toEqual([]);

    await expect(async () => {
        await page.goto('/caught-mail');
        await expect(page.getByText('you are invited to Pebblerun').first()).toBeVisible({ timeout: 500 });
    }).toPass();
    const said = (await page.locator('pre').first().textContent()) ?? '';
    const link = /https?:\S+\/password\/\S+/.exec(said)?.[0] ?? 'no link';
    const guest = await (await browser.newContext()).newPage();
    await guest.goto(link);
    expect((await new AxeBuilder({ page: guest }).analyze()).violations.map((one) => one.id)).toEqual([]);
    await guest.getByLabel('Password, 12').fill(WORDS);
    await guest.getByLabel('Once more').fill(WORDS);
    await guest.keyboard.press('Enter');
    await guest.getByLabel('Email').fill('mael@saltmarsh.test');
    await guest.getByLabel('Password').fill(WORDS);
    await guest.keyboard.press('Enter');
    await expect(guest.getByRole('heading', { name: 'Saltmarsh Speed Works' })).toBeVisible();
    await expect(guest.getByRole('button', { name: /New job/ })).toHaveCount(0);
    await openBench(guest, 'Quiet and quick');
    await expect(guest.getByText('You read this plan')).toBeVisible();

    await page.goto('/people');
    await page
        .getByRole('row', { name: /Mael Orrin/ })
        .getByRole('button', { name: 'Deactivate' })
        .click();
    await expect(page.getByText('Mael Orrin has no access any more')).toBeVisible();
    await expect(page.getByText('deactivated a person: person: Mael Orrin')).toBeVisible();
    await guest.reload();
    await expect(guest).toHaveURL(/\/sign-in/);
    await enter(guest, 'mael@saltmarsh.test', WORDS);
    await expect(guest.getByRole('alert')).toHaveText('This address and password do not belong together.');
    await guest.context().close();
});

test('a second factor is set up, asked for and turned off again', async ({ browser }) => {
    const page = await (await browser.newContext()).newPage();
    await enter(page, 'tove@saltmarsh.test', 'lantern-and-keel');
    await expect(page.getByRole('heading', { name: 'Saltmarsh Speed Works' })).toBeVisible();
    await page.goto('/account');
    const factor = page.getByRole('region', { name: 'Second factor' });
    await factor.getByLabel('Your password').fill('lantern-and-keel');
    await factor.getByRole('button', { name: 'Set it up' }).click();
    const secret = (await factor.locator('p span').last().textContent()) ?? '';
    expect((await new AxeBuilder({ page }).analyze()).violations.map((one) => one.id)).toEqual([]);
    await factor.getByLabel('The code that it shows now').fill(code(secret));
    await factor.getByRole('button', { name: 'Turn it on' }).click();
    await expect(factor.getByText('10 recovery codes are left')).toBeVisible();
    await page.getByRole('button', { name: 'Sign out' }).click();
    await expect(page).toHaveURL(/\/sign-in/);
    await page.goBack();
    await expect(page.getByText('10 recovery codes')).toHaveCount(0);

    await enter(page, 'tove@saltmarsh.test', 'lantern-and-keel');
    await page.getByLabel('Code of your authenticator').fill(code(secret, 1));
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Saltmarsh Speed Works' })).toBeVisible();
    await page.goto('/account');
    await factor.getByLabel('Your password').fill('lantern-and-keel');
    await factor.getByRole('button', { name: 'Turn it off' }).click();
    await expect(page.getByText('The second factor is off.')).toBeVisible();
    await page.context().close();
});

test('a session is ended from another place, and its page is on its way to the sign-in', async ({
    browser,
}) => {
    const comeIn = async () => {
        const page = await (await browser.newContext()).newPage();
        await enter(page, 'jorun@saltmarsh.test', 'rope-and-spanner');
        await expect(page.getByRole('heading', { name: 'Saltmarsh Speed Works' })).toBeVisible();
        return page;
    };
    const here = await comeIn();
    const there = await comeIn();
    await here.goto('/account');
    const sessions = here.getByRole('region', { name: 'Signed in' });
    await expect(sessions.getByRole('listitem')).toHaveCount(2);
    await sessions.getByRole('button', { name: 'End it' }).click();
    await expect(sessions.getByRole('listitem')).toHaveCount(1);
    await there.goto('/');
    await expect(there).toHaveURL(/\/sign-in/);
    await here.reload();
    await expect(here.getByRole('heading', { name: 'Account' })).toBeVisible();
});
