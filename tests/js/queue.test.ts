import fc from 'fast-check';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import type { Answer, Command } from '@/generated/answers';
import * as api from '@/lib/api';
import { EditStore, waitingJobs, type Asked } from '@/lib/sync/edits';
import { EditQueue } from '@/lib/sync/queue.svelte';
import schemas from '../../schemas/commands.json';
import { Browser } from './storage';

// The queue of edits against a server that answers well, badly, late or not at all: over reloads, sign-ins and tabs, beside others.

/** What happens to one sending: what the server does, and what of its answer arrives. */
const FATES = [
    'saved',
    'answer lost',
    'no answer',
    'signed out',
    408,
    429,
    500,
    503,
    403,
    404,
    413,
    422,
] as const;
type Fate = (typeof FATES)[number];
const REFUSED: readonly Fate[] = [403, 404, 413, 422];

type Sent = { request: string; queue: string; seen: number; person: number } & Asked;

/** Under one name one outcome, for ever; who changed a place since it was seen, from another queue, is asked about. */
class Server {
    version = 1;
    done: { request: string; what: string; asked: Asked }[] = [];
    /** Who wrote a place last. */
    places = new Map<string, { queue: string; version: number; value: string }>();
    outcomes = new Map<string, { status: number; body: Record<string, unknown> }>();

    constructor(private readonly fates: Fate[] = []) {}

    answer(sent: Sent): { state: null } {
        const fate = this.fates.shift() ?? 'saved';
        if (fate === 'no answer') throw new api.Offline('No answer.');
        if (fate === 'signed out') throw new api.SignedOut('Sign in again.');
        const known = this.outcomes.get(sent.request);
        if (!known && typeof fate === 'number' && !REFUSED.includes(fate))
            throw new api.Refusal(fate, `The server answered ${fate}.`, {});
        const outcome = known ?? this.decide(sent, typeof fate === 'number' ? fate : null);
        this.outcomes.set(sent.request, outcome);
        if (fate === 'answer lost') throw new api.Offline('No answer.');
        if (outcome.status !== 200)
            throw new api.Refusal(outcome.status, String(outcome.body.message), outcome.body);
        return { state: null };
    }

    private decide(sent: Sent, refusal: number | null): { status: number; body: Record<string, unknown> } {
        if (refusal) return { status: refusal, body: { message: 'It cannot be.' } };
        const places = placesOf(sent);
        const clashing = places.map(({ place, value }) => {
            const last = this.places.get(place);
            return (
                last !== undefined &&
                last.version > sent.seen &&
                last.queue !== sent.queue &&
                last.value !== value
            );
        });
        if (clashing.includes(true)) {
            const fields = clashing.map((clashes) => ({ mine: '', theirs: '', clashes, can: true }));
            return {
                status: 409,
                body: { message: 'Changed meanwhile.', version: this.version, theirs: [], fields },
            };
        }
        this.version++;
        for (const { place, value } of places)
            this.places.set(place, { queue: sent.queue, version: this.version, value });
        this.done.push({
            request: sent.request,
            asked: askedOf(sent),
            what: places.map((one) => `${one.place}=${one.value}`).join(','),
        });
        return { status: 200, body: {} };
    }

    /** Somebody else changes a place. */
    other(place: string, value: string) {
        this.version++;
        this.places.set(place, { queue: 'another', version: this.version, value });
    }
}

function placesOf(sent: Asked): { place: string; value: string }[] {
    if ('answers' in sent) return sent.answers.map((one) => ({ place: one.place, value: String(one.value) }));
    if ('step' in sent) return [{ place: '*', value: `${sent.step.do} ${sent.step.of}` }];
    return sent.commands.map((one) => ({
        place: 'stage' in one ? one.stage : one.do,
        value: 'name' in one ? String(one.name) : JSON.stringify(one),
    }));
}

function askedOf(sent: Asked): Asked {
    if ('answers' in sent) return { answers: sent.answers };
    return 'step' in sent ? { step: sent.step } : { commands: sent.commands };
}

let browser: Browser;

beforeEach(() => {
    vi.useFakeTimers();
    browser = new Browser();
});
afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
});

const serve = (server: Server) =>
    vi.spyOn(api, 'post').mockImplementation(async (_url, body) => server.answer(body as Sent) as never);

const ADDRESS = { plan: '/plans/3/edits', brief: '/jobs/7/brief/edits' };

/** A page of the job: what shows there is as new as the server was when it was opened, or answered last. */
function open(server: Server, person = 1): EditQueue & { close: () => void; page: { refreshed: number } } {
    let version = server.version;
    const page = { refreshed: 0 };
    const queue = new EditQueue(7, person, {
        shown: { show: 'nothing' },
        version: () => version,
        take: () => (version = server.version),
        refresh: () => {
            version = server.version;
            page.refreshed++;
        },
    });
    const close = queue.listen();
    return Object.assign(queue, { close, page });
}

const rename = (stage: string, name: string): Asked => ({
    commands: [{ do: 'rename-stage', stage, name }] as Command[],
});
const answer = (place: string, value: string): Asked => ({ answers: [{ place, value }] as Answer[] });
const settle = () => vi.advanceTimersByTimeAsync(10);

/** Opened again and signed in again, as often as it takes. */
async function untilEmpty(server: Server, tabs: ReturnType<typeof open>[]) {
    let last = tabs.at(-1) ?? open(server);
    for (let i = 0; i < 60; i++) {
        await vi.advanceTimersByTimeAsync(120_000);
        if (last.waiting.length === 0) break;
        if (!last.trouble) {
            last.close();
            last = open(server);
        }
    }
    expect(last.waiting).toEqual([]);
    return last;
}

/** Every kind of command that there is, with the fields that its schema takes. */
const commands: fc.Arbitrary<Command> = fc.oneof(
    ...Object.values(schemas.$defs).map((schema) =>
        fc.record(
            Object.fromEntries(
                Object.entries(schema.properties as Record<string, Field>).map(([name, field]) => [
                    name,
                    values(name, field),
                ]),
            ),
            { requiredKeys: schema.required },
        ),
    ),
) as fc.Arbitrary<never>;

type Field = { const?: string; enum?: unknown[]; type?: string | string[] };

function values(name: string, field: Field): fc.Arbitrary<unknown> {
    if (field.const) return fc.constant(field.const);
    if (field.enum) return fc.constantFrom(...field.enum);
    if (['stage', 'to', 'key'].includes(name)) return fc.constantFrom('s1', 's2', 's3');
    if (field.type === 'array') return fc.array(fc.constantFrom('a part', 'another'), { minLength: 1 });
    return String(field.type).includes('string') ? fc.string({ minLength: 1, maxLength: 8 }) : fc.nat(9);
}

const changes: fc.Arbitrary<Asked> = fc.oneof(
    { weight: 5, arbitrary: fc.record({ commands: fc.array(commands, { minLength: 1, maxLength: 4 }) }) },
    {
        weight: 3,
        arbitrary: fc.record({
            answers: fc.array(
                fc.record({ place: fc.constantFrom('s1', 's2', 'use'), value: fc.string({ maxLength: 4 }) }),
                { minLength: 1, maxLength: 3 },
            ),
        }),
    },
    {
        weight: 1,
        arbitrary: fc.record({
            step: fc.record({
                do: fc.constantFrom('undo' as const, 'redo' as const, 'restore' as const, 'take' as const),
                of: fc.nat(9),
            }),
        }),
    },
);

type Act =
    | { do: 'edit'; tab: number; asked: Asked }
    | { do: 'reload'; tab: number }
    | { do: 'other'; place: string }
    | { do: 'wait' };

const acts = fc.array(
    fc.oneof(
        {
            weight: 5,
            arbitrary: fc.record({
                do: fc.constant('edit' as const),
                tab: fc.nat(1),
                asked: changes,
            }),
        },
        { weight: 1, arbitrary: fc.record({ do: fc.constant('reload' as const), tab: fc.nat(1) }) },
        {
            weight: 1,
            arbitrary: fc.record({ do: fc.constant('other' as const), place: fc.constantFrom('s1', 's2') }),
        },
        { weight: 2, arbitrary: fc.constant({ do: 'wait' as const }) },
    ),
    { minLength: 1, maxLength: 14 },
);

test('whatever the server answers, over reloads, tabs and others, every change ends on it exactly once and in order, or is told', async () => {
    await fc.assert(
        fc.asyncProperty(
            acts,
            fc.array(fc.constantFrom(...FATES), { maxLength: 24 }),
            async (script: Act[], fates) => {
                browser = new Browser();
                const server = new Server([...fates]);
                serve(server);
                const tabs = [browser.tab(), browser.tab()];
                const pages = tabs.map((inside) => inside(() => open(server)));
                const made: { request: string; asked: Asked }[] = [];
                for (const act of script) {
                    if (act.do === 'edit') {
                        const { asked } = act;
                        const address = 'answers' in asked ? ADDRESS.brief : ADDRESS.plan;
                        tabs[act.tab]?.(() => {
                            const edit = pages[act.tab]?.add(address, asked, 'Change');
                            made.push({ request: edit?.request ?? '', asked });
                        });
                    } else if (act.do === 'reload') {
                        pages[act.tab]?.close();
                        pages[act.tab] = (tabs[act.tab] as ReturnType<Browser['tab']>)(() => open(server));
                    } else if (act.do === 'other') server.other(act.place, 'theirs');
                    await vi.advanceTimersByTimeAsync(act.do === 'wait' ? 5000 : 3);
                }
                pages[0]?.close();
                const last = await untilEmpty(server, [pages[1] as ReturnType<typeof open>]);
                const done = server.done.map((one) => one.request);
                const told = last.aside.map((one) => one.edit);
                const all = [...server.done, ...told].sort((a, b) => (a.request < b.request ? -1 : 1));
                expect(all.map(({ request, asked }) => ({ request, asked }))).toEqual(
                    [...made].sort((a, b) => (a.request < b.request ? -1 : 1)),
                );
                expect(done).toEqual(
                    made.map((one) => one.request).filter((request) => done.includes(request)),
                );
                expect(last.aside.every((one) => one.reason !== '')).toBe(true);
                last.close();
            },
        ),
        { numRuns: 500, seed: 20261126 },
    );
}, 60_000);

for (const status of [500, 503, 429, 408] as const)
    test(`after ${status} nothing is dropped, and the pauses grow`, async () => {
        const server = new Server(Array<Fate>(4).fill(status));
        serve(server);
        const queue = open(server);
        queue.add(ADDRESS.plan, rename('s1', 'one'), 'one');
        queue.add(ADDRESS.brief, answer('use', 'track'), 'two');
        await settle();
        expect(queue.waiting).toHaveLength(2);
        expect(queue.trouble).toContain(String(status));
        const sent = () => vi.mocked(api.post).mock.calls.length;
        await vi.advanceTimersByTimeAsync(4000);
        expect(sent()).toBe(2);
        await vi.advanceTimersByTimeAsync(7000);
        expect(sent(), 'twice as long').toBe(2);
        await vi.advanceTimersByTimeAsync(60_000);
        expect(server.done).toHaveLength(2);
        expect(queue.trouble).toBe('');
    });

test('a refused change is set aside with its reason, what stands behind it goes, and it can be tried again', async () => {
    const server = new Server([422]);
    serve(server);
    const queue = open(server);
    queue.add(ADDRESS.plan, rename('s1', 'one'), 'Rename one');
    queue.add(ADDRESS.plan, rename('s2', 'two'), 'Rename two');
    await settle();
    expect(server.done.map((one) => one.what)).toEqual(['s2=two']);
    expect(queue.aside).toMatchObject([
        { edit: { words: 'Rename one' }, reason: 'It cannot be.', conflict: null },
    ]);
    // Told over a reload too, until somebody has seen to it.
    const again = open(server);
    expect(again.aside).toHaveLength(1);
    for (const one of again.aside) again.again(one);
    await settle();
    expect(server.done.map((one) => one.what)).toEqual(['s2=two', 's1=one']);
    expect(again.aside).toEqual([]);
    expect([...browser.store.keys()].filter((key) => !key.includes('/queue/'))).toEqual([]);
});

test('where others changed the same, the rest goes on, and what is picked is sent on what they left', async () => {
    const server = new Server();
    serve(server);
    const queue = open(server);
    server.other('target', '300');
    queue.add(
        ADDRESS.brief,
        {
            answers: [
                { place: 'target', value: '260' },
                { place: 'risk', value: 'bold' },
            ],
        },
        'Answer',
    );
    queue.add(ADDRESS.plan, rename('s1', 'one'), 'Rename one');
    await settle();
    expect(server.done.map((one) => one.what)).toEqual(['s1=one']);
    const [aside] = queue.aside;
    expect(aside?.conflict?.fields.map((field) => field.clashes)).toEqual([true, false]);
    if (aside) queue.follow(aside, [false, true]);
    await settle();
    expect(server.done.map((one) => one.what)).toEqual(['s1=one', 'risk=bold']);
    expect(server.places.get('target')?.value).toBe('300');
    expect(queue.aside).toEqual([]);
});

test('a refusal whose answer was lost is the same when it is asked for again, however the world has changed', async () => {
    const server = new Server(['answer lost']);
    serve(server);
    const queue = open(server);
    server.other('s1', 'theirs');
    queue.add(ADDRESS.plan, rename('s1', 'mine'), 'Rename');
    await settle();
    expect(queue.trouble).not.toBe('');
    server.places.clear();
    await vi.advanceTimersByTimeAsync(10_000);
    expect([server.done, queue.aside.length]).toEqual([[], 1]);
});

test('another’s edit between two of mine is not overwritten unasked by the second', async () => {
    const server = new Server(['no answer']);
    serve(server);
    const queue = open(server);
    queue.add(ADDRESS.brief, answer('use', 'track'), 'one');
    queue.add(ADDRESS.brief, answer('risk', 'bold'), 'two');
    await settle();
    server.other('risk', 'cautious');
    await vi.advanceTimersByTimeAsync(10_000);
    expect(server.done.map((one) => one.what)).toEqual(['use=track']);
    expect(server.places.get('risk')?.value).toBe('cautious');
    expect(queue.aside.map((one) => one.edit.words)).toEqual(['two']);
});

test('both tabs send the head, and it is done once', async () => {
    const server = new Server();
    const [left, right] = [browser.tab(), browser.tab()];
    const pages = [left(() => open(server)), right(() => open(server))];
    // Both are held until both have sent.
    const sent: (() => void)[] = [];
    vi.spyOn(api, 'post').mockImplementation(
        (_url, body) =>
            new Promise((resolve, reject) => {
                sent.push(() => {
                    try {
                        resolve(server.answer(body as Sent) as never);
                    } catch (fault) {
                        reject(fault as Error);
                    }
                });
            }),
    );
    left(() => pages[0]?.add(ADDRESS.plan, rename('s1', 'one'), 'one'));
    await settle();
    expect(sent).toHaveLength(2);
    for (const one of sent) one();
    await settle();
    expect(server.done).toHaveLength(1);
    expect(pages.map((page) => page.waiting)).toEqual([[], []]);
    expect(pages[1]?.page.refreshed, 'the other tab asks for what was saved').toBeGreaterThan(0);
});

test('a tab in trouble hears that another tab saved what waited, and that the server answers again', async () => {
    const server = new Server(['no answer', 'no answer']);
    serve(server);
    const [left, right] = [browser.tab(), browser.tab()];
    const pages = [left(() => open(server)), right(() => open(server))] as const;
    left(() => pages[0].add(ADDRESS.plan, rename('s1', 'one'), 'one'));
    await settle();
    expect(pages.map((page) => page.trouble !== '')).toEqual([true, true]);
    vi.mocked(api.post).mockImplementation(
        async (url, body) =>
            (url.endsWith('/presence')
                ? { others: ['Odd Lindqvar'], version: 1 }
                : server.answer(body as Sent)) as never,
    );
    await pages[1].greet();
    expect(pages[1].others).toEqual(['Odd Lindqvar']);
    await settle();
    expect(server.done).toHaveLength(1);
    expect(pages.map((page) => [page.trouble, page.waiting.length])).toEqual([
        ['', 0],
        ['', 0],
    ]);
});

test('a page that is closed while its change is on its way sends it again when it is opened, under the same name', async () => {
    const server = new Server();
    const names: string[] = [];
    vi.spyOn(api, 'post').mockImplementation((_url, body) => {
        names.push((body as Sent).request);
        return names.length === 1
            ? new Promise(() => {})
            : Promise.resolve(server.answer(body as Sent) as never);
    });
    const queue = open(server);
    queue.add(ADDRESS.plan, rename('s1', 'one'), 'one');
    await settle();
    queue.close();
    const again = open(server);
    await settle();
    expect(new Set(names).size).toBe(1);
    expect([server.done.length, again.waiting]).toEqual([1, []]);
});

test('an undo of a change that was refused goes with it', async () => {
    const server = new Server([422]);
    serve(server);
    const queue = open(server);
    const edit = queue.add(ADDRESS.plan, rename('s1', 'one'), 'Rename');
    queue.add(ADDRESS.plan, { step: { do: 'undo', of: edit.request } }, 'Undo');
    await settle();
    expect([server.done, queue.waiting, queue.aside.map((one) => one.edit.words)]).toEqual([
        [],
        [],
        ['Rename'],
    ]);
});

test('another person at the same machine sends nothing of mine, and it is there when I come back', async () => {
    const server = new Server(['signed out']);
    serve(server);
    const mine = open(server, 1);
    mine.add(ADDRESS.plan, rename('s1', 'one'), 'one');
    await settle();
    mine.close();
    const theirs = open(server, 2);
    await settle();
    expect([theirs.waiting, server.done]).toEqual([[], []]);
    expect([waitingJobs(1), waitingJobs(2)]).toEqual([[7], []]);
    theirs.close();
    open(server, 1);
    await settle();
    expect(server.done).toHaveLength(1);
    expect(vi.mocked(api.post).mock.calls.map(([, body]) => (body as Sent).person)).toEqual([1, 1]);
});

for (const broken of [
    '{',
    'null',
    '[]',
    '{"request":"x"}',
    '"words"',
    '',
    '{"request":"a","url":"/elsewhere","seen":1,"made":1,"asked":{},"words":"x"}',
])
    test(`one that cannot be read is put away alone and blocks no page: ${broken}`, async () => {
        new EditStore(1, 7).add({ url: ADDRESS.plan, asked: rename('s1', 'kept'), seen: 1, words: 'kept' });
        browser.store.set('pebblerun/edit/1/7/bad', broken);
        browser.store.set('pebblerun/aside/1/7/bad', broken);
        const server = new Server();
        serve(server);
        const queue = open(server);
        await settle();
        expect(server.done.map((one) => one.what)).toEqual(['s1=kept']);
        expect([queue.waiting, queue.aside]).toEqual([[], []]);
        expect(browser.store.get('pebblerun/unreadable/pebblerun/edit/1/7/bad')).toBe(broken);
    });

test('where the browser keeps nothing, a change still goes', async () => {
    browser.full = true;
    const server = new Server([500]);
    serve(server);
    const queue = open(server);
    queue.add(ADDRESS.plan, rename('s1', 'one'), 'one');
    await settle();
    expect(queue.waiting).toHaveLength(1);
    await vi.advanceTimersByTimeAsync(10_000);
    expect([server.done.length, queue.waiting]).toEqual([1, []]);
});

test('it is empty when all that waited was saved or refused, and not before', async () => {
    const server = new Server([500, 422]);
    serve(server);
    const queue = open(server);
    await queue.empty();
    queue.add(ADDRESS.plan, rename('s1', 'one'), 'one');
    queue.add(ADDRESS.plan, rename('s1', 'two'), 'two');
    let empty = false;
    void queue.empty().then(() => (empty = true));
    await vi.advanceTimersByTimeAsync(1000);
    expect(empty).toBe(false);
    await vi.advanceTimersByTimeAsync(10_000);
    expect([empty, server.done.length, queue.aside.length]).toEqual([true, 1, 1]);
});
