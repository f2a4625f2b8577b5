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
await light.getByRole('button', { name: /New job/ }).click();
await light.getByLabel(/^Platform/).selectOption('new');
await keep(light, 'new-car');
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
// What a gain and a limit rest on, by the pages' own addresses.
const sent = (address, documents) =>
    light.evaluate(
        async ([to, all]) => {
            const token = decodeURIComponent(document.cookie.match(/XSRF-TOKEN=([^;]+)/)?.[1] ?? '');
            const headers = {
                'Content-Type': 'application/json',
                Accept: 'application/json',
                'X-XSRF-TOKEN': token,
            };
            for (const one of all) {
                const request = crypto.randomUUID().replaceAll('-', '').slice(0, 16);
                const answer = await fetch(to, {
                    method: 'POST',
                    headers,
                    body: JSON.stringify({ request, ...one }),
                });
                if (!answer.ok) throw new Error(`${to}: ${await answer.text()}`);
            }
        },
        [address, documents],
    );
const read = (address) =>
    light.evaluate(
        (from) => fetch(from, { headers: { Accept: 'application/json' } }).then((answer) => answer.json()),
        address,
    );
const evidence = `${lyre}/parts/brimstall-dp-cat/evidence`;
const [gain] = await read(evidence);
const about = { build: 'stock turbo, dyno map', frame: 'load roller, J1349', note: null };
await sent(evidence, [
    {
        ...about,
        case: gain.id,
        kind: 'maker',
        power: [12, 18, 22],
        torque: [12, 16, 20],
        on: '2025-03-02',
        source: 'sheet of the pipe',
    },
    {
        ...about,
        case: gain.id,
        kind: 'other-dyno',
        power: [4, 9, 14],
        torque: [5, 9, 13],
        on: '2026-04-18',
        frame: 'inertia roller',
        source: 'run 41',
    },
    {
        ...about,
        case: gain.id,
        kind: 'shop-dyno',
        power: [4, 7, 10],
        torque: [5, 8, 11],
        on: '2026-09-03',
        source: 'runs 118 and 119',
    },
    {
        ...about,
        case: gain.id,
        kind: 'shop-dyno',
        power: [6, 9, 12],
        torque: [6, 9, 12],
        on: '2026-10-21',
        source: 'run 131',
    },
]);
await light.goto(`${lyre}/parts/brimstall-dp-cat`);
await light
    .getByRole('img', { name: /Records of this gain/ })
    .first()
    .scrollIntoViewIfNeeded();
await keep(light, 'evidence');
const limits = await read(`${lyre}/outcomes`);
const clutch = limits.find((limit) => limit.key === 'clutch').id;
await sent(
    `${lyre}/outcomes`,
    [
        [280, false, 26],
        [300, false, 18],
        [310, false, 14],
        [320, false, 13],
        [335, true, 2],
        [350, true, 1],
    ].map(([load, broke, months]) => ({
        limit: clutch,
        load,
        broke,
        months,
        on: '2026-10-01',
        how: broke ? 'slipped in fourth' : '',
    })),
);
await sent(`${lyre}/limit-records`, [
    {
        ...about,
        limit: clutch,
        kind: 'maker',
        safe: 330,
        edge: 360,
        on: '2025-03-02',
        source: 'sheet of the clutch',
    },
    { ...about, limit: clutch, kind: 'other-dyno', safe: 300, edge: 325, on: '2026-04-18', source: 'run 44' },
]);
await light.goto(`${lyre}/platform`);
await light.getByRole('region', { name: 'Outcomes of Clutch' }).scrollIntoViewIfNeeded();
await light
    .getByRole('region', { name: 'Outcomes of Clutch' })
    .evaluate((one) => one.scrollIntoView({ block: 'center' }));
await keep(light, 'limits');
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
await light.getByRole('button', { name: 'Preview the changes' }).click();
await light.getByRole('button', { name: /refused/ }).waitFor();
await keep(light, 'price-list');
const dark = await signedIn('dark');
await open(dark, 'Bench of No strong pump near');
await dark.locator('tfoot [role=gridcell]').nth(2).click();
await keep(dark, 'bench-dark');
const owner = await signedIn('light', 'odd@saltmarsh.test', 'harbour-light');
await owner.goto(`${base}/people`);
await keep(owner, 'people');
await owner.goto(`${base}/shop`);
await keep(owner, 'shop');
await owner.goto(`${base}/account`);
await keep(owner, 'account');
await browser.close();
