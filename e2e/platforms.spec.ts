import { expect, test } from '@playwright/test';
import { cell, foot, openBench, settled, signIn, strike } from './bench';

const jobs = [
    { job: 'Skarn Hill commuter', car: 'Corvane Lyre 1.6T', last: 3 },
    { job: 'A time up Skarn Hill', car: 'Marlow Tern 2.4', last: 2 },
    { job: 'Caravan along the coast', car: 'Brackmoor Stag 2.8D', last: 2 },
    { job: 'Quiet and quick', car: 'Ondra Meridian 4.8', last: 2 },
];

for (const { job, car, last } of jobs) {
    test(`the bench of ${job} shows its verdict, run, curves, board and feet`, async ({ page }) => {
        const complaints: string[] = [];
        page.on('pageerror', (fault) => complaints.push(fault.message));
        await signIn(page);
        await openBench(page, job);
        await expect(page.getByText(car).first()).toBeVisible();
        await expect(page.getByRole('region', { name: 'Verdict' }).getByRole('button')).toHaveCount(6);
        const run = page.getByRole('group', { name: /The run/ });
        await expect(run.getByRole('button')).toHaveCount(last + 1);
        await expect(run).toContainText(new RegExp(`\\d+\\s+whp, stage ${last}`));
        await expect(
            page.getByRole('slider', { name: /Wheel torque and power over engine speed/ }),
        ).toBeVisible();
        await expect(foot(page, last)).toContainText(/^\d+\s*whp · \d+ lb-ft/);
        await expect(foot(page, last)).toContainText(/€\s[\d,]+ · [\d.]+ h/);
        expect(complaints).toEqual([]);
    });
}

test('a kit spans its slots on the board, and changing one of its places breaks it with a word', async ({
    page,
}) => {
    await signIn(page);
    await openBench(page, 'Natural first');
    await cell(page, 'Filter', 1).click();
    await page.getByRole('button', { name: /Intake and filters kit/ }).click();
    await expect(cell(page, 'Intake pipe', 1)).toContainText('in Intake and filters kit');
    await settled(page);
    await cell(page, 'Filter', 2).click();
    await page.getByRole('button', { name: /Twin cones/ }).click();
    await expect(cell(page, 'Intake pipe', 2)).toContainText('from the kit');
    await cell(page, 'Intake pipe', 2).click();
    await expect(page.getByRole('complementary')).toContainText(
        'is broken up, so its measured gain no longer holds',
    );
    await strike(page, 'u');
    await strike(page, 'u');
    await expect(cell(page, 'Intake pipe', 1)).toContainText('Cold intake');
    await settled(page);
});

test('a turbo comes with what it needs; without its map it gates the stage, and one key brings what is missing', async ({
    page,
}) => {
    await signIn(page);
    await openBench(page, 'A bit each month');
    await cell(page, 'Turbo', 2).click();
    const turbo = page.locator('[data-candidate]', { hasText: 'Hybrid H2' });
    await expect(turbo).toContainText(/with Three-port solenoid.* and Dyno map/);
    await turbo.click();
    await expect(cell(page, 'Boost control', 2)).toHaveAttribute('aria-label', /Three-port solenoid, new/);
    await expect(foot(page, 2)).toContainText('RON over the fuel');
    await expect(foot(page, 2)).not.toContainText('gated');
    for (const slot of ['Map', 'Boost control']) {
        await cell(page, slot, 2).click();
        await page.getByRole('button', { name: /^Remove from this stage/ }).click();
        await settled(page);
    }
    await expect(foot(page, 2)).toContainText('gated: no full load, no stop here');
    await expect(cell(page, 'Boost control', 2)).toContainText('needs Three-port solenoid');
    await cell(page, 'Boost control', 2).click();
    await strike(page, 'a');
    await expect(cell(page, 'Boost control', 2)).toHaveAttribute('aria-label', /new/);
    await settled(page);
    for (let i = 0; i < 4; i++) await strike(page, 'u');
    await expect(cell(page, 'Turbo', 2)).not.toHaveAttribute('aria-label', /Hybrid/);
    await settled(page);
});

test('another fuel than the map was written on is a fault, and mapping again settles it', async ({
    page,
}) => {
    await signIn(page);
    await openBench(page, 'Skarn Hill commuter');
    await cell(page, 'Map', 3).click();
    await page.keyboard.press('Delete');
    await expect(page.getByRole('complementary')).toContainText(
        'was written on Pump 98: E30 is 11.4 % leaner than it was written for, more than the 6 % that can be followed: it runs lean',
    );
    await expect(page.getByRole('button', { name: /thing is open|things are open/ })).toBeVisible();
    await page.getByRole('button', { name: 'Fit Dyno map, soft ramp' }).click();
    await expect(page.getByRole('button', { name: /Everything has what it needs/ })).toBeVisible();
    await strike(page, 'u');
    await strike(page, 'u');
    await settled(page);
});

test('a part is dragged to another stage with the pointer', async ({ page }) => {
    await signIn(page);
    await openBench(page, 'Skarn Hill commuter');
    await cell(page, 'Intercooler', 2).dragTo(cell(page, 'Intercooler', 3));
    await expect(cell(page, 'Intercooler', 3)).toContainText('Top cooler, 6 L');
    await settled(page);
    await strike(page, 'u');
    await expect(cell(page, 'Intercooler', 2)).toContainText('Top cooler, 6 L');
    await settled(page);
});

test('the history names every change with who and when', async ({ page }) => {
    await signIn(page);
    await openBench(page, 'Works hauler');
    await cell(page, 'Radiator and fans', 1).click();
    await page.getByRole('button', { name: /Stronger fans/ }).click();
    await settled(page);
    await strike(page, 'h');
    const panel = page.getByRole('complementary');
    await expect(panel).toContainText('Fit Stronger fans in stage 1');
    await expect(panel).toContainText('Ines Harrow');
    await strike(page, 'u');
    await expect(panel).toContainText('Undo: fit Stronger fans in stage 1');
    await settled(page);
});
