import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { cell, openBench, settled, signIn, strike } from './bench';

/** What depends on the theme is asked in both, all else in one. */
const OF_COLOUR = ['color-contrast', 'link-in-text-block'];

/** @param within  what is new on a page that was looked at as a whole before: asking all of it again takes seconds each time */
async function check(page: Page, theme: 'light' | 'dark', within?: string) {
    const axe = within ? new AxeBuilder({ page }).include(within) : new AxeBuilder({ page });
    const found = (await (theme === 'light' ? axe : axe.withRules(OF_COLOUR)).analyze()).violations;
    expect(
        found.map((one) => `${one.id}: ${one.nodes.map((node) => node.target.join(' ')).join(', ')}`),
    ).toEqual([]);
}

for (const theme of ['light', 'dark'] as const) {
    test.describe(`${theme} theme`, () => {
        test.use({ colorScheme: theme });
        // Every page is asked some ninety rules: it may take as long as it takes.
        test.beforeEach(() => test.slow());
        const clean = (page: Page, within?: string) => check(page, theme, within);

        test('sign-in, counter, brief and bench have no accessibility fault', async ({ page }) => {
            await page.goto('/sign-in');
            await clean(page);
            await signIn(page);
            await clean(page);
            await page.getByRole('link', { name: 'Library' }).click();
            await expect(page.getByRole('heading', { name: 'What it gives' })).toBeVisible();
            await clean(page);
            const base =
                (await page.getByRole('link', { name: 'Platform and curve' }).getAttribute('href')) ?? '';
            await page.goto(base);
            await expect(page.getByRole('heading', { name: 'What the curve says' })).toBeVisible();
            await clean(page);
            await page.goto(base.replace(/platform$/, 'parts/new'));
            await expect(page.getByRole('heading', { name: 'New part' })).toBeVisible();
            await clean(page);
            await page.goto('/price-lists');
            await expect(page.getByRole('heading', { name: 'Price lists' })).toBeVisible();
            await clean(page);
            await strike(page, '/');
            await page.getByRole('dialog').getByRole('combobox').fill('panel');
            await expect(page.getByRole('dialog').getByRole('option').first()).toBeVisible();
            await clean(page, '[role=dialog]');
            await page.goto('/');
            await page.getByRole('link', { name: 'Brief of Skarn Hill commuter' }).click();
            await expect(page.getByRole('heading', { name: 'Brief' })).toBeVisible();
            await clean(page);
            await openBench(page, 'Skarn Hill commuter');
            await expect(page.locator('[data-candidate]').first()).toBeVisible();
            await clean(page);
            await strike(page, '?');
            await expect(page.getByRole('dialog')).toBeVisible();
            await clean(page, '[role=dialog]');
        });

        test('panels, sheets and menus of the bench have no accessibility fault', async ({ page }) => {
            await signIn(page);
            await strike(page, 'n');
            await expect(page.getByRole('dialog', { name: 'New job' })).toBeVisible();
            await page.getByLabel(/^Platform/).selectOption('new');
            await clean(page, '[role=dialog]');
            await page.getByRole('combobox', { name: 'Customer' }).fill('tollef');
            await expect(page.getByRole('option', { name: /PE 21 417/ })).toBeVisible();
            await clean(page);
            await page.keyboard.press('Escape');
            await page.keyboard.press('Escape');
            await page.getByRole('button', { name: 'Ines' }).click();
            await expect(page.getByRole('dialog', { name: 'Ines Harrow' })).toBeVisible();
            await clean(page, '[role=dialog]');
            await page.keyboard.press('Escape');
            await openBench(page, 'A bit each month');
            for (const key of ['r', 'v', 'h', 'l']) {
                await page.keyboard.press('Escape');
                await strike(page, key);
                await expect(page.getByRole('complementary').getByRole('heading').first()).toBeVisible();
                await clean(page, 'aside');
            }
            await strike(page, 'g');
            await expect(page.getByRole('dialog')).toContainText('8 cars in 10');
            await expect(page.getByRole('dialog')).toContainText('Limits here');
            await clean(page, '[role=dialog]');
            await page.keyboard.press('Escape');
            await page.locator('tfoot [role=gridcell]').nth(3).click();
            await expect(page.getByText('What would move it').first()).toBeVisible();
            await clean(page, 'aside');
            await openBench(page, 'Skarn Hill commuter');
            await cell(page, 'Fuel', 3).click();
            await page.getByRole('button', { name: /E50/ }).click();
            await page.getByRole('button', { name: /thing is open|things are open/ }).click();
            await expect(page.getByRole('button', { name: 'Apply' }).first()).toBeVisible();
            await clean(page, 'aside');
            await strike(page, 'u');
            await settled(page);
            await strike(page, '.');
            await expect(page.getByRole('combobox')).toBeFocused();
            await clean(page);
            await page.keyboard.press('Escape');
            await page.locator('[data-slot="map"][data-column="1"]').click({ button: 'right' });
            await expect(page.getByRole('menu')).toBeVisible();
            await clean(page);
        });

        test('the page of the shop has no accessibility fault, and fits a phone', async ({ page }) => {
            await signIn(page, 'owner');
            await page.goto('/shop');
            await expect(page.getByRole('heading', { name: 'Opening hours' })).toBeVisible();
            await clean(page);
            await page.setViewportSize({ width: 390, height: 844 });
            expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
        });

        test('the phone and the sheet of paper have no accessibility fault', async ({ page }) => {
            await signIn(page);
            await page.setViewportSize({ width: 390, height: 844 });
            await openBench(page, 'Skarn Hill commuter');
            await expect(page.getByRole('heading', { name: /^Stage 3/ })).toBeVisible();
            expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
            await clean(page);
            await page.setViewportSize({ width: 1280, height: 800 });
            await page.emulateMedia({ media: 'print' });
            await expect(page.getByRole('banner')).toBeHidden();
            await expect(page.getByRole('grid')).toBeVisible();
            await clean(page);
        });
    });
}

test('the bench fits a window of 1280 × 800 and of 1024 × 768 without page scroll', async ({ page }) => {
    await signIn(page);
    for (const size of [
        { width: 1280, height: 800 },
        { width: 1024, height: 768 },
    ]) {
        await page.setViewportSize(size);
        await openBench(page, 'Skarn Hill commuter');
        const over = await page.evaluate(() => ({
            x: document.documentElement.scrollWidth - innerWidth,
            y: document.documentElement.scrollHeight - innerHeight,
        }));
        expect(over).toEqual({ x: 0, y: 0 });
    }
});

test('nothing on any page breaks the content security policy or logs an error', async ({ page }) => {
    const complaints: string[] = [];
    page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()));
    page.on('pageerror', (fault) => complaints.push(fault.message));
    await signIn(page);
    await page.goto('/jobs/1/brief');
    await page.goto('/library');
    await openBench(page, 'Skarn Hill commuter');
    await strike(page, '?');
    await expect(page.getByRole('dialog')).toBeVisible();
    expect(complaints).toEqual([]);
});
