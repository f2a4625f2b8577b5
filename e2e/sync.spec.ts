import { execFileSync } from 'node:child_process';
import { environment } from './site';
import { expect, test, type Page } from '@playwright/test';
import { addStage, another, cell, cutOff, openBench, settled, signIn, strike, tryNow } from './bench';

// Nothing typed is lost: while the database is away, in two tabs, beside another person; and who returns is found.

const JOB = 'Skarn Hill commuter';
const database = (what: 'stop' | 'start') =>
    execFileSync('bin/lib/database.sh', [what], { stdio: 'ignore', env: environment });

async function openBrief(page: Page, job: string) {
    await page.goto('/');
    await page.getByRole('link', { name: `Brief of ${job}` }).click();
    await expect(page.getByRole('heading', { name: /^Brief/ })).toBeVisible();
}

const saved = (page: Page) => expect(page.getByText(/^saved, revision/)).toBeVisible();

test('edits of plan and brief made while the database is away are all there when it is back', async ({
    page,
}) => {
    await signIn(page);
    await openBrief(page, 'Works hauler');
    try {
        database('stop');
        await page.getByLabel('Used for').fill('Hauls at dawn');
        await page.getByLabel('Used for').press('Tab');
        await expect(page.getByRole('alert')).toContainText('One change is kept here');
        await page.getByLabel('Contact').fill('555 0177');
        await page.getByLabel('Contact').press('Tab');
        await expect(page.getByRole('alert')).toContainText('2 changes are kept here');
    } finally {
        database('start');
    }
    await tryNow(page);
    await expect(page.getByRole('alert')).toHaveCount(0, { timeout: 30_000 });
    await saved(page);
    await page.reload();
    await expect(page.getByLabel('Used for')).toHaveValue('Hauls at dawn');
    await expect(page.getByLabel('Contact')).toHaveValue('555 0177');

    await openBench(page, 'Works hauler');
    const stages = page.getByRole('columnheader', { name: /^Stage/ });
    const before = await stages.count();
    try {
        database('stop');
        await addStage(page);
        await addStage(page);
        await expect(page.getByRole('alert')).toContainText('2 changes are kept here');
    } finally {
        database('start');
    }
    await expect(stages).toHaveCount(before + 2, { timeout: 30_000 });
    await settled(page);
    await page.reload();
    await expect(stages).toHaveCount(before + 2);
    await strike(page, 'u');
    await page.keyboard.press('u');
    await settled(page);
    await expect(stages).toHaveCount(before);
});

test('two tabs of one person send each other’s changes once, and show them', async ({ page, context }) => {
    await signIn(page);
    await openBench(page, JOB);
    const other = await context.newPage();
    await openBench(other, JOB);
    const restore = await cutOff(context, '**/plans/*/edits');
    await cell(page, 'Intercooler', 2).click();
    await page.keyboard.press(']');
    await expect(page.getByRole('alert')).toContainText('One change is kept here');
    await expect(cell(other, 'Intercooler', 3)).toContainText('Top cooler, 6 L');
    await addStage(other);
    await expect(other.getByRole('alert')).toContainText('2 changes are kept here');
    await restore();
    await tryNow(page);
    for (const tab of [page, other]) {
        await expect(tab.getByRole('columnheader', { name: /^Stage/ })).toHaveCount(4, { timeout: 20_000 });
        await expect(cell(tab, 'Intercooler', 3)).toContainText('Top cooler, 6 L');
        await settled(tab);
    }
    await other.close();
    for (let i = 0; i < 2; i++) {
        await strike(page, 'u');
        await settled(page);
    }
    await expect(page.getByRole('columnheader', { name: /^Stage/ })).toHaveCount(3);
    await expect(cell(page, 'Intercooler', 2)).toContainText('Top cooler, 6 L');
});

test('a brief answered by two people at once: what they agree on follows, and where not, both sides are shown', async ({
    page,
    browser,
}) => {
    await signIn(page);
    await openBrief(page, 'Natural first');
    const other = await another(browser, 'owner');
    await openBrief(other, 'Natural first');
    await expect(other.getByText('Ines Harrow here too')).toBeVisible();
    await other.getByLabel('Used for').fill('Sundays');
    await other.getByLabel('Used for').press('Tab');
    await other.getByRole('spinbutton', { name: 'Wheel power' }).fill('440');
    await other.getByRole('spinbutton', { name: 'Wheel power' }).press('Tab');
    await saved(other);

    await page.getByRole('radiogroup', { name: 'Risk' }).getByText('Bold: over safe').click();
    await page.getByRole('spinbutton', { name: 'Wheel power' }).fill('420');
    await page.getByRole('spinbutton', { name: 'Wheel power' }).press('Tab');
    // The first answer brought theirs along, so the second was made in sight of it, or is asked about.
    const dialog = page.getByRole('dialog');
    await expect(dialog.or(page.getByText(/420 whp asked/)).first()).toBeVisible();
    if (await dialog.isVisible()) {
        await expect(dialog).toContainText('Odd Lindqvar changed this brief meanwhile');
        await expect(dialog.getByLabel('Target: 440 whp')).toBeChecked();
        await dialog.getByLabel('Target: 420 whp').check();
        await dialog.getByRole('button', { name: 'Save the choice' }).click();
    }
    await expect(page.getByText(/420 whp asked/)).toBeVisible();
    await expect(page.getByLabel('Used for')).toHaveValue('Sundays');
    await expect(page.getByRole('radiogroup', { name: 'Risk' }).getByRole('radio').nth(2)).toBeChecked();
    // An open page hears of it.
    await expect(other.getByRole('spinbutton', { name: 'Wheel power' })).toHaveValue('420', {
        timeout: 20_000,
    });
    await other.context().close();
});

test('two people who answer the same at the same moment choose between both sides', async ({
    page,
    browser,
    context,
}) => {
    await signIn(page);
    await openBrief(page, 'Top end only');
    const other = await another(browser, 'owner');
    await openBrief(other, 'Top end only');
    const restore = await cutOff(context, '**/brief/edits');
    await page.getByRole('spinbutton', { name: 'Total' }).fill('18000');
    await page.getByRole('spinbutton', { name: 'Total' }).press('Tab');
    await expect(page.getByRole('alert')).toContainText('One change is kept here');
    await other.getByRole('spinbutton', { name: 'Total' }).fill('21000');
    await other.getByRole('spinbutton', { name: 'Total' }).press('Tab');
    await saved(other);
    await restore();
    await tryNow(page);
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText('Odd Lindqvar changed this brief meanwhile');
    await expect(dialog.getByLabel('Budget, total: € 21,000')).toBeChecked();
    await dialog.getByRole('button', { name: 'Keep theirs, drop all mine' }).click();
    await expect(page.getByRole('spinbutton', { name: 'Total' })).toHaveValue('21000');
    await page.getByRole('spinbutton', { name: 'Total' }).fill('19500');
    await page.getByRole('spinbutton', { name: 'Total' }).press('Tab');
    await saved(page);
    await other.context().close();
});

test('an answer that is refused stays in its field with the reason, until it is given right', async ({
    page,
}) => {
    await signIn(page);
    await openBrief(page, 'Quiet and quick');
    const from = page.getByRole('spinbutton', { name: 'From' });
    const before = await from.inputValue();
    await from.fill('90000');
    await from.press('Tab');
    const told = page.getByRole('alert');
    await expect(told).toContainText('Not done: Answer: rpm range.');
    await page.reload();
    await expect(told).toContainText('rpm range');
    await expect(from).toHaveValue('90000');
    await from.fill(before);
    await from.press('Tab');
    await saved(page);
    await expect(told).toHaveCount(0);
});

test('what waits for a job is sent from the counter too', async ({ page, context }) => {
    await signIn(page);
    await openBench(page, 'A bit each month');
    const restore = await cutOff(context, '**/plans/*/edits');
    await addStage(page);
    await expect(page.getByRole('alert')).toContainText('One change is kept here');
    await page.goto('/');
    await expect(page.getByRole('alert')).toContainText('A bit each month. Not saved yet: Add a stage.');
    await expect(page.getByRole('button', { name: 'Try now' })).toBeVisible();
    await restore();
    // By itself, after one of the growing pauses.
    await expect(page.getByRole('alert')).toHaveCount(0, { timeout: 30_000 });
    await openBench(page, 'A bit each month');
    await strike(page, 'u');
    await settled(page);
});

test('a returning customer is found while one types, and comes with a second car', async ({ page }) => {
    await signIn(page);
    await strike(page, 'n');
    const dialog = page.getByRole('dialog');
    await dialog.getByRole('combobox', { name: 'Customer' }).fill('tollef');
    const car = dialog.getByRole('option', { name: /PE 21 417, \d+ jobs?/ });
    const jobs = Number(/(\d+) jobs?/.exec(await car.innerText())?.[1]);
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Enter');
    await expect(dialog.getByRole('status')).toHaveText('Known customer, another car.');
    await expect(dialog.getByRole('combobox', { name: 'Customer' })).toHaveValue('Maren Tollef');
    await dialog.getByLabel('Job').fill('Weekend car');
    await dialog.getByLabel('Platform').selectOption({ label: 'Marlow Tern 2.4' });
    await dialog.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByRole('heading', { name: /^Brief/ })).toBeVisible();
    const theirs = (count: number) =>
        count === 1 ? 'One more job is theirs' : `${count} more jobs are theirs`;
    await expect(page.getByText(theirs(jobs))).toBeVisible();
    await page.getByLabel('Registration').fill('PE 21 555');
    await page.getByLabel('Registration').press('Tab');
    await saved(page);

    // By its registration the car is found, and stands in the brief of its next job.
    await page.goto('/');
    await expect(page.getByRole('heading', { name: 'Saltmarsh Speed Works' })).toBeVisible();
    await strike(page, 'n');
    await dialog.getByRole('combobox', { name: 'Customer' }).fill('21555');
    await dialog.getByRole('option', { name: /PE 21 555/ }).click();
    await dialog.getByLabel('Job').fill('Weekend car again');
    await dialog.getByRole('button', { name: 'Start' }).click();
    await expect(page.getByLabel('Registration')).toHaveValue('PE 21 555');
    await expect(page.getByText(theirs(jobs + 1))).toBeVisible();
    await page.goto('/?q=tollef');
    await expect(
        page.getByRole('list', { name: 'Jobs' }).getByRole('link', { name: /^Bench of/ }),
    ).toHaveCount(jobs + 2);
});

test('a job gets a second plan, which is compared on its own bench and chosen to stand for it', async ({
    page,
}) => {
    await signIn(page);
    await openBench(page, 'Quiet and quick');
    const first = await page.getByRole('button', { name: 'Plans of this job' }).innerText();
    await strike(page, 'l');
    const panel = page.getByRole('complementary');
    await panel.getByLabel('A further plan').fill('Cheaper');
    await panel.getByRole('button', { name: 'Start from this plan' }).click();
    await expect(page.getByRole('button', { name: 'Plans of this job' })).toContainText('Cheaper');
    await page.getByRole('columnheader', { name: /Stage 2/ }).click();
    await page.keyboard.press('Delete');
    await settled(page);
    await strike(page, 'l');
    await panel.getByRole('button', { name: 'Make it the current plan' }).click();
    await expect(panel.getByText(/the current plan, open here/)).toBeVisible();
    await openBench(page, 'Quiet and quick');
    await expect(page.getByRole('button', { name: 'Plans of this job' })).toContainText('Cheaper');
    await strike(page, 'l');
    await panel.getByRole('link', { name: /^Open/ }).click();
    await expect(page.getByRole('button', { name: 'Plans of this job' })).toContainText(
        first.split(' (')[0] ?? '',
    );
    await strike(page, 'l');
    await panel.getByRole('button', { name: 'Make it the current plan' }).click();
    await panel.getByRole('button', { name: 'Delete' }).click();
    await expect(panel.getByRole('status')).toContainText('Plan “Cheaper” is deleted.');
    await panel.getByRole('button', { name: 'Undo' }).click();
    await expect(panel.getByRole('link', { name: 'Open Cheaper' })).toBeVisible();
    await panel.getByRole('button', { name: 'Delete' }).click();
    await expect(panel.getByRole('link', { name: 'Open Cheaper' })).toHaveCount(0);
});

test('figures that nobody keeps in what one reads in are worked out in the background', async ({
    browser,
}) => {
    const owner = await another(browser, 'owner');
    await owner.getByRole('button', { name: 'Odd' }).click();
    const sheet = owner.getByRole('dialog');
    await sheet.getByLabel('Power').selectOption('PS');
    await sheet.getByRole('button', { name: 'Save' }).click();
    await expect(sheet).toHaveCount(0);
    await owner.goto('/');
    await expect(owner.getByText(/wheel PS likely/).first()).toBeVisible({ timeout: 20_000 });
    await expect(owner.getByText('No figures yet.')).toHaveCount(0);
    await owner.getByRole('button', { name: 'Odd' }).click();
    await sheet.getByLabel('Power').selectOption('hp');
    await sheet.getByRole('button', { name: 'Save' }).click();
    await expect(sheet).toHaveCount(0);
    await owner.context().close();
});
