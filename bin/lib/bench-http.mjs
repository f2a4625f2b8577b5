// A bench edit over HTTP against a signed-in page of the same server that reads one row.
import { Client, median, named } from './client.mjs';

const client = new Client(process.argv[2]);
const ask = (method, path, body) => client.ask(method, path, body);

async function throughput(connections, seconds, run) {
    let done = 0;
    const end = performance.now() + seconds * 1000;
    await Promise.all(
        Array.from({ length: connections }, async () => {
            while (performance.now() < end) {
                await run();
                done++;
            }
        }),
    );
    return done / seconds;
}

await client.signIn('ines@saltmarsh.test', 'tide-and-stone');
// The trivial page: signed in, one row read, a few bytes out.
const trivial = () => ask('GET', '/me');
let page = await median(120, trivial);
const times = (value) => `${(value / page).toFixed(1)} trivial pages`;

async function edits() {
    const { jobs } = await client.page('/');
    const job = jobs.find(({ title }) => title === 'Skarn Hill commuter').id;
    const { plan } = (await client.page(`/jobs/${job}/bench`)).state;
    let { version } = JSON.parse(await ask('GET', `/plans/${plan}`));
    const queue = named();
    let bytes = 0;

    // Every edit gives a build that was not there before (a Gray code over seven parts), so nothing kept answers it: the second
    // and the third stage are estimated anew each time.
    const parts = [
        ['inlet-pipe', 'fjellvent-inlet-63'],
        ['mid-pipe', 'brimstall-mid'],
        ['cat-back', 'brimstall-catback-quiet'],
        ['high-pump', 'pellaworks-h2'],
        ['rods', 'orsken-rods'],
        ['gearbox', 'tarnstone-gears'],
        ['brakes', 'hollinwick-pads'],
    ];
    const fitted = parts.map(() => false);
    const gray = (i) => Math.min(parts.length - 1, 31 - Math.clz32((i + 1) & -(i + 1)));
    const toggle = async (place) => {
        const [slot, part] = parts[place];
        fitted[place] = !fitted[place];
        const command = fitted[place] ? { do: 'fit', stage: 's2', part } : { do: 'clear', stage: 's2', slot };
        const answer = await ask('POST', `/plans/${plan}/edits`, {
            request: named(),
            queue,
            seen: version,
            commands: [command],
        });
        bytes = Buffer.byteLength(answer);
        version = JSON.parse(answer).state.version;
    };
    const candidates = () => ask('GET', `/plans/${plan}/cell?slot=intercooler&stage=2`);

    const editing = await median(120, (i) => toggle(gray(i)));
    const returning = await median(60, () => toggle(0));
    const listing = await median(60, candidates);
    // Before and after: a machine is not equally quick all the time.
    page = (page + (await median(120, trivial))) / 2;
    const trivialRate = await throughput(8, 5, trivial);
    const viewRate = await throughput(8, 5, () => ask('GET', `/plans/${plan}`));
    console.log('over HTTP, medians');
    console.log(`  trivial signed-in page, one row            ${page.toFixed(1)} ms`);
    console.log(`  bench edit, a build never seen before       ${editing.toFixed(1)} ms  ${times(editing)}`);
    console.log(
        `  bench edit back to a build seen before     ${returning.toFixed(1)} ms  ${times(returning)}`,
    );
    console.log(`  an edit’s answer                           ${(bytes / 1000).toFixed(1)} KB`);
    console.log(`  candidates of a slot                       ${listing.toFixed(1)} ms  ${times(listing)}`);
    console.log('with 8 connections');
    console.log(`  trivial page                               ${trivialRate.toFixed(0)} requests a second`);
    console.log(
        `  estimate of a plan, draws included         ${viewRate.toFixed(0)} requests a second, ${(viewRate / trivialRate).toFixed(2)} of the trivial`,
    );
}

async function counter(many) {
    const show = async (what, path) => {
        const taken = await median(60, () => ask('GET', path));
        console.log(`  ${what.padEnd(42)} ${taken.toFixed(1)} ms  ${times(taken)}`);
    };
    // Three words that some twenty of 200 jobs have, so that both pages are about full.
    console.log(`the counter with ${many} jobs`);
    await show('the latest', '/');
    await show('found by three words', '/?q=lyre%20skarn%20hill');
    await show('by what is due, by customer', '/?due=limit&sort=customer');
    await show('found by two letters', '/?q=el');
}

await (process.argv[3] === 'counter' ? counter(process.argv[4]) : edits());
