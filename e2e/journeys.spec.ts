import { expect, test } from '@playwright/test';
import { another, cell, foot, openBench, settled, signIn } from './bench';

const JOB = 'Skarn Hill commuter';

test('the intercooler moves a stage with the keyboard: power, limit and money change, and undo brings them back', async ({
    page,
}) => {
    await signIn(page);
    await openBench(page, JOB);
    const before = await foot(page, 2).innerText();
    await cell(page, 'Intercooler', 2).click();
    await expect(cell(page, 'Intercooler', 2)).toContainText('Top cooler, 6 L');
    await page.keyboard.press(']');
    await expect(cell(page, 'Intercooler', 3)).toContainText('Top cooler, 6 L');
    await settled(page);
    const after = await foot(page, 2).innerText();
    const number = (text: string, pattern: RegExp) => Number(pattern.exec(text)?.[1]?.replaceAll(',', ''));
    expect(number(after, /^(\d+)\s*whp/)).toBeLessThan(number(before, /^(\d+)\s*whp/));
    expect(number(after, /€\s([\d,]+)/)).toBeLessThan(number(before, /€\s([\d,]+)/));
    const weakest = (text: string) => /[A-Z][^€%]*\d+ %, .+$/m.exec(text)?.[0];
    expect(weakest(before)).toMatch(/^Gearbox low down \d+ %, close$/);
    expect(weakest(after)).toMatch(/^Charge temperature \d+ %/);
    await expect(cell(page, 'Intercooler', 3)).toBeFocused();
    await page.keyboard.press('u');
    await expect(cell(page, 'Intercooler', 2)).toContainText('Top cooler, 6 L');
    await expect(foot(page, 2)).toHaveText(before, { useInnerText: true });
    await page.keyboard.press('Shift+U');
    await expect(cell(page, 'Intercooler', 3)).toContainText('Top cooler, 6 L');
    await page.keyboard.press('u');
    await expect(cell(page, 'Intercooler', 2)).toContainText('Top cooler, 6 L');
    await settled(page);
});

test('a part is chosen among candidates and cleared again without touching the mouse', async ({ page }) => {
    await signIn(page);
    await openBench(page, JOB);
    await cell(page, 'Cat-back', 2).focus();
    await cell(page, 'Cat-back', 2).click();
    await page.keyboard.press('Enter');
    const first = page.locator('[data-candidate]').first();
    await expect(first).toBeFocused();
    await expect(first).toContainText(/[+−-]\d+ whp/);
    await expect(first).toContainText(/€\s\d+/);
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await expect(cell(page, 'Cat-back', 2)).toHaveAttribute('aria-label', /new/);
    await expect(cell(page, 'Cat-back', 2)).toBeFocused();
    await expect(cell(page, 'Cat-back', 3)).toHaveAttribute('aria-label', /carried/);
    await page.keyboard.press('Delete');
    await expect(cell(page, 'Cat-back', 2)).toHaveAttribute('aria-label', /stock/);
    await settled(page);
});

test('what is missing offers itself in place and one key accepts it', async ({ page }) => {
    await signIn(page);
    await openBench(page, JOB);
    await cell(page, 'High-pressure pump', 3).click();
    await page.locator('[data-candidate]').first().click();
    await expect(cell(page, 'High-pressure pump', 3)).toContainText('Pump H2');
    await page.keyboard.press('Delete');
    await cell(page, 'Fuel', 3).click();
    await page.getByRole('button', { name: /Strong blend, 50 %/ }).click();
    await expect(cell(page, 'High-pressure pump', 3)).toContainText('needs Pump H2');
    await expect(page.getByRole('button', { name: /thing is open|things are open/ })).toBeVisible();
    await cell(page, 'High-pressure pump', 3).click();
    await page.keyboard.press('a');
    await expect(cell(page, 'High-pressure pump', 3)).toHaveAttribute('aria-label', /new/);
    await expect(page.getByRole('button', { name: /Everything has what it needs/ })).toBeVisible();
    for (let i = 0; i < 4; i++) await page.keyboard.press('u');
    await expect(cell(page, 'Fuel', 3)).toContainText('Strong blend, 30 %');
    await settled(page);
});

test('any figure opens where it comes from', async ({ page }) => {
    await signIn(page);
    await openBench(page, JOB);
    await cell(page, 'Downpipe', 2).click();
    const panel = page.getByRole('complementary', { name: 'Candidates and reasons' });
    await expect(panel).toContainText('Why: Catalysed 76 mm pipe');
    await expect(panel).toContainText('Reference: 252 whp and 305 lb-ft before the part');
    await expect(panel).toContainText('Covered by Dyno map, soft ramp');
    await foot(page, 3).click();
    await expect(panel).toContainText(
        /Gearbox low down, close: nine cars in ten stay under \d+ lb-ft near [\d,]+ rpm/,
    );
    await page.getByRole('button', { name: /\d+ whp likely/ }).click();
    await expect(panel).toContainText(/Eight cars in ten land between \d+ whp and \d+ whp/);
});

test('two people on one plan: the later save is refused, both sides are shown, and one chooses', async ({
    page,
    browser,
}) => {
    await signIn(page);
    await openBench(page, JOB);
    const other = await another(browser, 'owner');
    await openBench(other, JOB);
    await cell(other, 'Mid pipe', 2).click();
    await other.locator('[data-candidate]').first().click();
    await settled(other);

    await cell(page, 'Intercooler', 2).click();
    await page.keyboard.press(']');
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText('Odd Lindqvar changed this plan meanwhile');
    await expect(dialog).toContainText('Fit 70 mm mid pipe in stage 2');
    await expect(dialog).toContainText('Move Top cooler, 6 L from stage 2 to stage 3');
    await dialog.getByRole('button', { name: 'Put mine on top of theirs' }).click();
    await expect(cell(page, 'Intercooler', 3)).toContainText('Top cooler, 6 L');
    await expect(cell(page, 'Mid pipe', 2)).toContainText('70 mm mid pipe');

    await other.keyboard.press('u');
    await expect(other.getByRole('dialog')).toContainText('Ines Harrow changed this plan meanwhile');
    await other.getByRole('button', { name: 'Keep theirs, drop mine' }).click();
    await expect(cell(other, 'Intercooler', 3)).toContainText('Top cooler, 6 L');
    await settled(other);
    await page.keyboard.press('u');
    await page.keyboard.press('u');
    await expect(cell(page, 'Intercooler', 2)).toContainText('Top cooler, 6 L');
    await settled(page);
    await other.context().close();
});

test('a lost connection keeps the edit and sends it when it is back', async ({ page, context }) => {
    await signIn(page);
    await openBench(page, JOB);
    await cell(page, 'Intercooler', 2).click();
    await context.setOffline(true);
    await page.keyboard.press(']');
    await expect(page.getByRole('alert')).toContainText('The server does not answer');
    await context.setOffline(false);
    await expect(cell(page, 'Intercooler', 3)).toContainText('Top cooler, 6 L');
    await settled(page);
    await page.keyboard.press('u');
    await expect(cell(page, 'Intercooler', 2)).toContainText('Top cooler, 6 L');
    await settled(page);
});

test('an answer in the brief changes the verdict beside it and on the bench', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Brief of A bit each month' }).click();
    await expect(page.getByText('no chance stated: not measured yet').first()).toBeVisible();
    await page.getByRole('spinbutton', { name: 'Wheel torque' }).fill('420');
    await page.getByRole('spinbutton', { name: 'Wheel torque' }).press('Tab');
    await expect(page.getByText(/lb-ft likely falls short of 420 lb-ft at 3,000 rpm/)).toBeVisible();
    await page.getByRole('link', { name: 'Bench', exact: true }).click();
    await expect(page.getByRole('button', { name: /falls short of 420 lb-ft/ })).toBeVisible();
    await page.getByRole('link', { name: 'Brief', exact: true }).click();
    await page.getByRole('spinbutton', { name: 'Wheel torque' }).fill('285');
    await page.getByRole('spinbutton', { name: 'Wheel torque' }).press('Tab');
    await expect(page.getByText(/lb-ft likely, 285 lb-ft at 3,000 rpm asked/)).toBeVisible();
});

test('stages are added, named and removed with the keyboard', async ({ page }) => {
    await signIn(page);
    await openBench(page, 'No strong pump near');
    await cell(page, 'Turbo', 2).click();
    await page.keyboard.press('n');
    await expect(page.getByRole('columnheader', { name: /Stage 3/ })).toBeVisible();
    await page.getByRole('columnheader', { name: /Stage 3/ }).click();
    await page.keyboard.press('Enter');
    await page.getByLabel('Name of stage 3').fill('someday');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('columnheader', { name: 'Stage 3 someday' })).toBeFocused();
    await page.keyboard.press('Delete');
    await expect(page.getByRole('columnheader', { name: /Stage 3/ })).toHaveCount(0);
});

test('the keys are listed under ?', async ({ page }) => {
    await signIn(page);
    await openBench(page, JOB);
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toContainText(
        'move the part a stage earlier or later',
    );
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('a wrong password says so and lets one try again', async ({ page }) => {
    await page.goto('/sign-in');
    await page.getByLabel('Email').fill('ines@saltmarsh.test');
    await page.getByLabel('Password').fill('guess');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert')).toHaveText('This address and password do not belong together.');
    await expect(page.getByLabel('Email')).toHaveValue('ines@saltmarsh.test');
});
