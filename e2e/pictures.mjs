// Refreshes docs/screenshots from the running demo: `npm run pictures` (BASE_URL to choose the server).
import { chromium } from '@playwright/test';

const base = process.env.BASE_URL ?? 'http://127.0.0.1:8800';
const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
    ],
});

async function signedIn(colorScheme, email = 'ines@saltmarsh.test', password = 'tide-and-stone') {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme });
    await page.goto(`${base}/sign-in`);
    await page.getByLabel('Email').fill(email);
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL(`${base}/`);
    return page;
}

async function keep(page, name) {
    await page.waitForLoadState('networkidle');
    await page.waitForTimeout(500);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
}

async function open(page, link) {
    await page.goto(base);
    await page.getByRole('link', { name: link }).click();
}

const light = await signedIn('light');
await keep(light, 'counter');
await open(light, 'Brief of Skarn Hill commuter');
await keep(light, 'brief');
await open(light, 'Bench of Skarn Hill commuter');
await light.locator('[aria-label^="Downpipe, stage 2"]').click();
await keep(light, 'bench');
await open(light, 'Bench of No strong pump near');
await light.locator('tfoot [role=gridcell]').nth(2).click();
await light.keyboard.press('g');
await light.getByText('Limits here').waitFor();
await light.keyboard.press('ArrowRight');
await keep(light, 'curves');
await light.goto(`${base}/library`);
await light.getByRole('link', { name: /Corvane Lyre/ }).click();
await light.locator('[data-part="brimstall-dp-cat"]').click();
await keep(light, 'library');
const lyre = light.url();
await light.goto(`${lyre}/platform`);
await keep(light, 'platform');
await light.goto(`${lyre}/parts/kolvane-h2`);
await keep(light, 'part');
await light.goto(`${base}/price-lists`);
await light.getByLabel('Its name').fill('Tarnstone Direct');
const list = [
    'Artikel;Hersteller;Bezeichnung;Preis;Lieferzeit',
    'T-10;Tarnstone;Organic sport clutch;612,50;3',
    'T-11;Brimstall;Catalysed 76 mm pipe;701,00;5',
    'T-12;Tarnstone;Short shifter;89,00;4',
    'T-13;;;12,00;',
    'T-14;Tarnstone;Lever;auf Anfrage;',
    'T-15;Tarnstone;Clamp;1.50;',
];
await light.getByLabel('List, as CSV').setInputFiles({
    name: 'autumn.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(list.join('\n')),
});
await light.getByRole('button', { name: 'Send' }).click();
await light.getByRole('button', { name: 'Look what it would change' }).click();
await light.getByRole('button', { name: /refused/ }).waitFor();
await keep(light, 'price-list');
const dark = await signedIn('dark');
await open(dark, 'Bench of No strong pump near');
await dark.locator('tfoot [role=gridcell]').nth(2).click();
await keep(dark, 'bench-dark');
const owner = await signedIn('light', 'odd@saltmarsh.test', 'harbour-light');
await owner.goto(`${base}/people`);
await keep(owner, 'people');
await owner.goto(`${base}/account`);
await keep(owner, 'account');
await browser.close();
