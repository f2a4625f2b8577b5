import { expect, type Browser, type BrowserContext, type Cookie, type Page } from '@playwright/test';

export const people = {
    advisor: { email: 'ines@saltmarsh.test', password: 'tide-and-stone' },
    owner: { email: 'odd@saltmarsh.test', password: 'harbour-light' },
};

/** Who signed in before, as the browser kept it: signing in anew each time would take a minute of all journeys. */
const signedIn = new Map<keyof typeof people, Cookie[]>();

export async function signIn(page: Page, who: keyof typeof people = 'advisor') {
    await page.context().addCookies(signedIn.get(who) ?? []);
    await page.goto('/');
    if (new URL(page.url()).pathname === '/sign-in') await signInAnew(page, who);
    await expect(page.getByRole('heading', { name: 'Saltmarsh Speed Works' })).toBeVisible();
}

async function signInAnew(page: Page, who: keyof typeof people) {
    await page.getByLabel('Email').fill(people[who].email);
    await page.getByLabel('Password').fill(people[who].password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await expect(page.getByRole('heading', { name: 'Saltmarsh Speed Works' })).toBeVisible();
    signedIn.set(who, await page.context().cookies());
}

export async function openBench(page: Page, job: string) {
    await page.goto('/');
    await page.getByRole('link', { name: `Bench of ${job}` }).click();
    await expect(page.getByRole('heading', { name: `Bench: ${job}` })).toBeAttached();
}

/** A second person in a browser of their own. */
export async function another(browser: Browser, who: keyof typeof people): Promise<Page> {
    const page = await (await browser.newContext()).newPage();
    await signIn(page, who);
    return page;
}

export function cell(page: Page, slot: string, stage: number) {
    return page.locator(`[role=gridcell][aria-label^="${slot}, stage ${stage}:"]`);
}

export function foot(page: Page, stage: number) {
    return page.locator('tfoot [role=gridcell]').nth(stage);
}

/** ms; letters that follow each other faster are a word, not commands. */
const PAUSE = 550;

/** A letter that is meant as a command: after a pause, as somebody presses it who has read what the last one did. */
export async function strike(page: Page, key: string) {
    await page.waitForTimeout(PAUSE);
    await page.keyboard.press(key);
}

/** A further stage, behind the last one. */
export async function addStage(page: Page, name = '') {
    await strike(page, 'n');
    await page.keyboard.type(name);
    await page.keyboard.press('Enter');
}

export async function settled(page: Page) {
    await expect(page.getByRole('button', { name: /^saved / })).toBeVisible();
}

/** Addresses that answer nothing, and the page's greeting with them: hearing the server it would try again by itself. */
export async function cutOff(context: BrowserContext, address: string): Promise<() => Promise<void>> {
    const cut = [address, '**/presence'];
    for (const one of cut) await context.route(one, (route) => route.abort());
    return async () => {
        for (const one of cut) await context.unroute(one);
    };
}

/** At once, unless the page has noticed by itself that the server is back. */
export async function tryNow(page: Page) {
    await page
        .getByRole('button', { name: 'Try now' })
        .click({ timeout: 3000 })
        .catch(() => undefined);
}
