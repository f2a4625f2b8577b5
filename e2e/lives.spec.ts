import { expect, test } from '@playwright/test';
import { cell, foot, openBench, signIn, strike } from './bench';

// How far a stage is, by keyboard: from accepted to done, on the counter and in the car's ledger.

const JOB = 'A time up Skarn Hill';

test('a stage is accepted and done, stands in the ledger, and stays in the plan', async ({ page }) => {
    await signIn(page);
    await openBench(page, JOB);
    await foot(page, 1).click();
    const life = page.getByRole('form', { name: 'How far it is' });
    await expect(life).toContainText('planned');
    await strike(page, 'd');
    const choice = life.getByLabel('Now it is');
    await expect(choice).toBeFocused();
    await page.keyboard.type('acc', { delay: 20 });
    await expect(choice).toHaveValue('accepted');
    await page.keyboard.press('Tab');
    await life.getByRole('button', { name: 'Save' }).press('Enter');
    await expect(life).toContainText(/accepted since .+, by Ines Harrow/);
    await expect(foot(page, 1)).toContainText('accepted');

    await choice.focus();
    await page.keyboard.type('don', { delay: 20 });
    await life.getByLabel('Mileage, km').fill('90500');
    await life.getByLabel('Old parts are').fill('shelf 4');
    await page.keyboard.press('Tab');
    await life.getByRole('button', { name: 'Save' }).press('Enter');
    await expect(life).toContainText(/done since .+, by Ines Harrow/);

    await page.goto('/');
    await expect(page.getByRole('listitem').filter({ hasText: JOB }).first()).toContainText('stage 1 done');
    await page.getByRole('link', { name: `Brief of ${JOB}` }).click();
    await page.locator('summary', { hasText: 'The car’s ledger' }).click();
    await expect(page.getByRole('row').filter({ hasText: JOB }).first()).toContainText('90,500');
    await expect(page.getByRole('row').filter({ hasText: JOB }).first()).toContainText('old parts: shelf 4');

    // What is done is on the car: no key takes it out of the plan.
    await openBench(page, JOB);
    const before = await cell(page, 'Map', 1).innerText();
    expect(before).not.toBe('');
    await cell(page, 'Map', 1).click();
    await strike(page, 'Delete');
    await expect(page.getByText(/Stage 1 is done, and its parts are on the car/)).toBeVisible();
    await expect(cell(page, 'Map', 1)).toHaveText(before);
});
