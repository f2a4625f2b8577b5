import { expect, test } from '@playwright/test';
import { openBench, signIn } from './bench';

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
    await panel.getByLabel('Of', { exact: true }).fill('2020-02-02');
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
