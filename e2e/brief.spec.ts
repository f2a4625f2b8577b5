import { expect, test, type Page } from '@playwright/test';
import { cell, openBench, signIn } from './bench';

// The brief as a conversation: left half done and resumed, what came with the car, what is not accepted, what was told.

const JOB = 'Natural first';

async function openBrief(page: Page, job: string) {
    await page.goto('/');
    await page.getByRole('link', { name: `Brief of ${job}` }).click();
    await expect(page.getByRole('heading', { name: /^Brief/ })).toBeVisible();
}

async function saved(page: Page) {
    await expect(page.getByText(/^saved, revision/)).toBeVisible();
}

test('a brief left half done is resumed where it was, and counts what is open', async ({ page }) => {
    await signIn(page);
    await openBrief(page, JOB);
    const open = page.getByText(/of 15 answered; open: .*noise/);
    await expect(open).toBeVisible();
    const before = await open.innerText();
    await page.getByRole('radiogroup', { name: 'Noise' }).getByText('Loud is fine').click();
    await expect(page.getByText(/open: noise/)).toHaveCount(0);
    await saved(page);
    await openBrief(page, JOB);
    await expect(page.getByRole('radiogroup', { name: 'Noise' }).getByRole('radio').nth(2)).toBeChecked();
    const after = await page.getByText(/of 15 answered/).innerText();
    expect(Number(/^\d+/.exec(after)?.[0])).toBe(Number(/^\d+/.exec(before)?.[0]) + 1);
});

test('what is being typed is saved at a pause, and when the page is left in the middle of it', async ({
    page,
}) => {
    await signIn(page);
    await openBrief(page, JOB);
    const notes = page.getByLabel('Notes on the customer');
    await notes.fill('rings back ');
    await expect(page.getByText('saving…')).toBeVisible();
    await saved(page);
    await expect(notes, 'the space that was just typed stays').toHaveValue('rings back ');
    await notes.pressSequentially('at six');
    await page.reload();
    await expect(notes).toHaveValue('rings back at six');
    await notes.fill('');
    await page.getByRole('link', { name: 'Bench', exact: true }).click();
    await expect(page.getByRole('grid')).toBeVisible();
    await openBrief(page, JOB);
    await expect(notes).toHaveValue('');
});

test('a warning told is noted with day and name, and stays so', async ({ page }) => {
    await signIn(page);
    await openBrief(page, JOB);
    const insurer = page.getByRole('checkbox', { name: /^The insurer must be told/ });
    await expect(insurer).not.toBeChecked();
    await insurer.check();
    await saved(page);
    await expect(page.getByText(/^given \d+ \w+ \d{4} by Ines Harrow$/)).toBeVisible();
    await page.reload();
    await expect(insurer).toBeChecked();
    await insurer.uncheck();
    await saved(page);
    await expect(page.getByText(/by Ines Harrow/)).toHaveCount(0);
});

test('what came with the car stands in column zero, unknown things too', async ({ page }) => {
    await signIn(page);
    await openBrief(page, JOB);
    const summary = page.getByText(/^Fitted already/);
    const before = await summary.innerText();
    await summary.click();
    await page
        .getByRole('combobox', { name: 'Filter', exact: true })
        .selectOption({ label: 'Panel filters' });
    await saved(page);
    await page.getByRole('combobox', { name: 'Clutch', exact: true }).selectOption({ label: 'not known' });
    await saved(page);
    await expect(page.getByText(/^Fitted already: .*filter.*clutch/)).toBeVisible();
    await openBench(page, JOB);
    await expect(page.locator('[aria-label^="Filter, as received: Panel filters"]')).toBeVisible();
    await expect(page.locator('[aria-label^="Clutch, as received: not known"]')).toBeVisible();
    await expect(cell(page, 'Clutch', 1)).toBeVisible();
    await openBrief(page, JOB);
    await page.getByText(/^Fitted already/).click();
    await page.getByRole('combobox', { name: 'Filter', exact: true }).selectOption({ index: 0 });
    await saved(page);
    await page.getByRole('combobox', { name: 'Clutch', exact: true }).selectOption({ index: 0 });
    await saved(page);
    await expect(summary).toHaveText(before);
});

test('what a check found comes before any power, and what is not accepted is a fault', async ({ page }) => {
    await signIn(page);
    await openBrief(page, 'Top end only');
    await page.getByText(/^Health:/).click();
    await page
        .getByRole('radiogroup', { name: 'Check of compression or leak-down' })
        .getByText('found something')
        .click();
    await expect(
        page.getByText(/the check of compression or leak-down found something/).first(),
    ).toBeVisible();
    await expect(page.getByText(/no chance is stated/)).toBeVisible();
    await page.getByRole('button', { name: 'All good' }).click();
    await expect(page.getByText(/found something\. Put that right/)).toHaveCount(0);

    await page.getByRole('radiogroup', { name: 'Noise' }).getByText('No louder than stock').click();
    await expect(page.getByText(/makes the car louder, and the customer refuses that/)).toBeVisible();
    await page.getByRole('radiogroup', { name: 'Noise' }).getByText('Loud is fine').click();
    await expect(page.getByText(/the customer refuses that/)).toHaveCount(0);
});

test('each fuel says what it would give and what would make it up', async ({ page }) => {
    await signIn(page);
    await openBrief(page, 'Skarn Hill commuter');
    await expect(
        page.getByText(/Pump 98: the same parts, mapped for it, likely give \d+ whp, \d+ whp short; .+ \+ €/),
    ).toBeVisible();
    await expect(page.getByText(/^Cautious: refuses .+ in stage \d/)).toBeVisible();
    await expect(page.getByText(/^The plan is there after stage 3, at €/)).toBeVisible();
});

test('a time is a target too, and says what power it asks', async ({ page }) => {
    await signIn(page);
    await openBrief(page, 'A time up Skarn Hill');
    const kind = page.getByRole('radiogroup', { name: 'Target' });
    await kind.getByText('A quarter mile').click();
    // Nothing is saved before a time was entered.
    await expect(page.getByRole('spinbutton', { name: 'Quarter mile in' })).toHaveValue('');
    await expect(page.getByText('saved, revision 1')).toBeVisible();
    await page.getByRole('spinbutton', { name: 'Quarter mile in' }).fill('13.2');
    await page.getByRole('spinbutton', { name: 'Quarter mile in' }).press('Tab');
    await expect(page.getByText(/whp for 13\.2 s/)).toBeVisible();
    await kind.getByText('Wheel power').click();
    await page.getByRole('spinbutton', { name: 'Wheel power' }).fill('192');
    await page.getByRole('spinbutton', { name: 'Wheel power' }).press('Tab');
    await expect(page.getByText(/192 whp asked/)).toBeVisible();
});
