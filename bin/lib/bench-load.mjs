// Fifty advisors at work on one server: counter, bench, candidates and edits, each on a job of their own; as fast as answers come, and
// with the pauses that people make.
//   bench-load.mjs ADDRESS NAME SECONDS [PID…]   the processes whose memory is watched
import { readFileSync, readdirSync } from 'node:fs';
import { setTimeout as pause } from 'node:timers/promises';
import { Client, named } from './client.mjs';

const [base, name, seconds, ...watched] = process.argv.slice(2);
const ADVISORS = 50;
const people = [
    ['ines@saltmarsh.test', 'tide-and-stone'],
    ['odd@saltmarsh.test', 'harbour-light'],
    ['tove@saltmarsh.test', 'lantern-and-keel'],
];
const words = ['/', '/?q=lyre%20skarn', '/?due=limit&sort=customer', '/?page=7', '/?q=ssen%204'];

const signedIn = [];
for (const person of people) signedIn.push(await new Client(base).signIn(...person));
const jobs = [];
for (let page = 2; jobs.length < ADVISORS; page++)
    jobs.push(...(await signedIn[0].page(`/?page=${page}`)).jobs);

/** With some parts at hand that fit the second stage, of several slots. */
async function arrive(place) {
    const client = signedIn[place % people.length].sameCookies();
    const job = jobs[place].id;
    const { state } = await client.page(`/jobs/${job}/bench`);
    const stage = state.estimate.stages.at(-1);
    const slots = state.estimate.lanes
        .flatMap((lane) => lane.slots.map(({ key }) => key))
        .filter((key) => key !== 'fuel-in-tank');
    const choices = [];
    for (const slot of slots) {
        const { candidates } = JSON.parse(
            await client.ask('GET', `/plans/${state.plan}/cell?slot=${slot}&stage=${stage.index}`),
        );
        const found = candidates.find(({ chosen }) => !chosen);
        if (found) choices.push({ slot, part: found.part });
        if (choices.length === 5) break;
    }
    const fitted = choices.map(() => false);
    return {
        client,
        job,
        plan: state.plan,
        version: state.version,
        queue: named(),
        stage,
        choices,
        fitted,
        edits: 0,
    };
}

/** Every edit gives another build: a Gray code over the choices. */
async function edit(advisor) {
    const n = ++advisor.edits;
    const place = Math.min(advisor.choices.length - 1, 31 - Math.clz32(n & -n));
    const { slot, part } = advisor.choices[place];
    advisor.fitted[place] = !advisor.fitted[place];
    const answer = await advisor.client.ask('POST', `/plans/${advisor.plan}/edits`, {
        request: named(),
        queue: advisor.queue,
        seen: advisor.version,
        commands: [
            advisor.fitted[place]
                ? { do: 'fit', stage: advisor.stage.key, part }
                : { do: 'clear', stage: advisor.stage.key, slot },
        ],
    });
    advisor.version = JSON.parse(answer).state.version;
}

/** Ten things in the proportion of a day at the counter. */
const day = [
    ['counter', (a, n) => a.client.ask('GET', words[n % words.length])],
    ['edit', edit],
    ['bench', (a) => a.client.ask('GET', `/jobs/${a.job}/bench`)],
    ['edit', edit],
    ['candidates', (a) => a.client.ask('GET', `/plans/${a.plan}/cell?slot=${a.choices[0].slot}&stage=1`)],
    ['reasons', (a) => a.client.ask('GET', `/plans/${a.plan}/reasons?subject=limits`)],
    ['edit', edit],
    ['counter', (a, n) => a.client.ask('GET', words[(n + 2) % words.length])],
    ['stage', (a) => a.client.ask('GET', `/plans/${a.plan}/stage?stage=1`)],
    ['history', (a) => a.client.ask('GET', `/plans/${a.plan}/revisions`)],
];

/** MB that the watched processes and their children hold. */
function memory() {
    const parents = new Map(
        readdirSync('/proc')
            .filter((pid) => /^\d+$/.test(pid))
            .flatMap((pid) => {
                try {
                    const status = readFileSync(`/proc/${pid}/status`, 'utf8');
                    const rss = /RssAnon:\s+(\d+)/.exec(status)?.[1] ?? 0;
                    return [[pid, { parent: /PPid:\s+(\d+)/.exec(status)[1], mb: rss / 1024 }]];
                } catch {
                    return [];
                }
            }),
    );
    const ours = (pid) => watched.includes(pid) || (parents.has(pid) && ours(parents.get(pid).parent));
    let sum = 0;
    for (const [pid, { mb }] of parents) if (ours(pid)) sum += mb;
    return sum;
}

/** @param {number} think  s between an answer and the next request, twice that at the most */
async function during(length, run, think = 0) {
    const until = performance.now() + length * 1000;
    const taken = [];
    await Promise.all(
        Array.from({ length: ADVISORS }, async (_, place) => {
            for (let n = place; performance.now() < until; n++) {
                await pause(2000 * think * Math.random());
                const began = performance.now();
                await run(place, n);
                taken.push(performance.now() - began);
            }
        }),
    );
    taken.sort((a, b) => a - b);
    return {
        rate: taken.length / length,
        p50: taken[taken.length >> 1],
        p95: taken[Math.floor(taken.length * 0.95)],
    };
}

const advisors = [];
for (let place = 0; place < ADVISORS; place++) advisors.push(await arrive(place));
const trivial = await during(Math.min(10, seconds / 3), (place) => advisors[place].client.ask('GET', '/me'));
const samples = [];
const sampling = watched.length > 0 && setInterval(() => samples.push(memory()), 2000);
const work = (place, n) => day[n % day.length][1](advisors[place], n);
const mixed = await during(seconds, work);
clearInterval(sampling);
const figures = ({ rate, p50, p95 }) =>
    `${rate.toFixed(0)} requests a second, half within ${p50.toFixed(0)} ms, 95 % within ${(p95 / p50).toFixed(1)} times that`;
console.log(`  ${name}`);
console.log(`    trivial page                  ${figures(trivial)}`);
console.log(
    `    mixed work, without pauses    ${figures(mixed)}; ${(mixed.rate / trivial.rate).toFixed(2)} of the trivial page’s rate`,
);
if (samples.length === 0)
    console.log(`    with pauses of 4 s            ${figures(await during(Math.min(30, seconds), work, 4))}`);
if (samples.length > 10) {
    const mean = (list) => list.reduce((sum, one) => sum + one, 0) / list.length;
    const tenth = Math.ceil(samples.length / 10);
    const early = mean(samples.slice(tenth, 2 * tenth));
    const late = mean(samples.slice(-tenth));
    console.log(
        `    memory, second and last tenth ${early.toFixed(0)} MB, ${late.toFixed(0)} MB: ${(late / early).toFixed(2)}`,
    );
}
