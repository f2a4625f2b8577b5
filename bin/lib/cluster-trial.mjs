// Advisors who go on working while a node and then the primary are killed: nothing that was confirmed may be lost, and nobody signs in again.
import { execFile } from 'node:child_process';
import { setTimeout as pause } from 'node:timers/promises';
import { promisify } from 'node:util';
import { Client, named } from './client.mjs';

const [base, cluster] = process.argv.slice(2);
const command = (...words) => promisify(execFile)(cluster, words);
const people = [
    ['ines@saltmarsh.test', 'tide-and-stone'],
    ['odd@saltmarsh.test', 'harbour-light'],
    ['tove@saltmarsh.test', 'lantern-and-keel'],
];
const ADVISORS = 8;
const began = performance.now();
const seconds = () => (performance.now() - began) / 1000;
let working = true;

/** The same request again, under its own name, until an answer comes: as the browser's queue does. */
async function persist(advisor, method, path, body) {
    for (;;) {
        try {
            const answer = await advisor.client.send(method, path, body);
            if (answer.status === 401 || answer.status === 302) advisor.signedOut++;
            if (![429, 502, 503, 504].includes(answer.status)) return answer;
        } catch {
            // No answer came.
        }
        advisor.again++;
        await pause(150);
    }
}

async function work(advisor) {
    for (let n = 1; working; n++) {
        const name = `step ${advisor.place}-${n}`;
        const answer = await persist(advisor, 'POST', `/plans/${advisor.plan}/edits`, {
            request: named(),
            queue: advisor.queue,
            seen: advisor.version,
            commands: [{ do: 'rename-plan', name }],
        });
        if (answer.status !== 200)
            throw new Error(`an edit was answered ${answer.status}: ${answer.text.slice(0, 200)}`);
        advisor.confirmed.push({ name, at: seconds() });
        advisor.version = JSON.parse(answer.text).state.version;
        // A list is never older than what its reader did.
        const list = await persist(advisor, 'GET', '/');
        if (list.status !== 200) throw new Error(`the counter was answered ${list.status}`);
        advisor.lists++;
    }
}

async function arrive(place) {
    const client = await new Client(base).signIn(...people[place % people.length]);
    const { jobs } = await client.page('/');
    const { plan } = (await client.page(`/jobs/${jobs[place].id}/bench`)).state;
    const { version } = JSON.parse(await client.ask('GET', `/plans/${plan}`));
    return { place, client, plan, version, queue: named(), confirmed: [], lists: 0, again: 0, signedOut: 0 };
}

async function history(advisor) {
    const labels = [];
    for (let before = ''; ;) {
        const page = JSON.parse(await advisor.client.ask('GET', `/plans/${advisor.plan}/revisions${before}`));
        labels.push(...page.map(({ label }) => label));
        if (page.length < 60) return labels;
        before = `?before=${page.at(-1).number}`;
    }
}

/** The longest time that an advisor waited for a confirmation, of those that ended after a moment. */
const longest = (advisors, from, until) =>
    Math.max(
        ...advisors.flatMap(({ confirmed }) =>
            confirmed.slice(1).map(({ at }, i) => (at > from && at < until ? at - confirmed[i].at : 0)),
        ),
    );

const advisors = [];
for (let place = 0; place < ADVISORS; place++) advisors.push(await arrive(place));
const start = seconds();
const all = Promise.all(advisors.map(work));
const moments = { start };
async function events() {
    await pause(2500);
    moments.node = seconds();
    await command('kill', 'node-1');
    await pause(3000);
    moments.back = seconds();
    await command('start');
    await pause(1000);
    moments.primary = seconds();
    await command('kill', 'primary');
    await command('promote');
    moments.promoted = seconds();
    await pause(5000);
    working = false;
}
await Promise.race([Promise.all([events(), all]), all]);

let lost = 0;
for (const advisor of advisors) {
    const labels = new Set((await history(advisor)).flatMap((label) => /"(.*)"/.exec(label)?.[1] ?? []));
    lost += advisor.confirmed.filter(({ name }) => !labels.has(name)).length;
}
const sum = (of) => advisors.reduce((total, advisor) => total + of(advisor), 0);
const signedOut = sum((advisor) => advisor.signedOut);
const rate = (from, until) =>
    sum(({ confirmed }) => confirmed.filter(({ at }) => at > from && at < until).length) / (until - from);
const after = sum(({ confirmed }) => confirmed.filter(({ at }) => at > moments.promoted).length);
console.log(
    `  edits confirmed                       ${sum(({ confirmed }) => confirmed.length)}, ${lost} of them lost`,
);
console.log(`  signed out                            ${signedOut} times`);
console.log(`  lists read                            ${sum(({ lists }) => lists)}`);
console.log(`  tries again                           ${sum(({ again }) => again)}`);
console.log(`  edits a second, both nodes            ${rate(moments.start, moments.node).toFixed(1)}`);
console.log(`  edits a second, a node killed         ${rate(moments.node, moments.back).toFixed(1)}`);
console.log(
    `  longest wait, a node killed           ${longest(advisors, moments.node, moments.primary).toFixed(1)} s`,
);
console.log(
    `  longest wait, primary killed          ${longest(advisors, moments.primary, Infinity).toFixed(1)} s, promoted after ${(moments.promoted - moments.primary).toFixed(1)} s`,
);
console.log(`  edits after the promotion             ${after}`);
if (lost > 0 || signedOut > 0 || after === 0) process.exit(1);
