import fc from 'fast-check';
import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Outbox } from '@/features/bench/outbox.svelte';
import type { PlanState } from '@/generated/answers';
import * as api from '@/lib/api';

// The queue of edits against a server that answers well, badly, late or not at all, over reloads of the page.

/** What happens to one sending: what the server does, and what of its answer arrives. */
type Fate =
    | 'saved'
    | 'answer lost'
    | 'no answer'
    | 'reloaded'
    | 'signed out'
    | 408
    | 429
    | 500
    | 503
    | 403
    | 404
    | 413
    | 422;

const REFUSED: readonly Fate[] = [403, 404, 413, 422];

/** Under one name one outcome, for ever. */
class Server {
    revision = 1;
    done: string[] = [];
    refused = new Map<string, number>();

    constructor(private readonly fates: Fate[]) {}

    answer(words: string, id: string): PlanState {
        const fate = this.fates.shift() ?? 'saved';
        if (fate === 'no answer') throw new api.Offline('No answer.');
        if (fate === 'signed out' || fate === 'reloaded') throw new api.SignedOut(fate);
        const before = this.refused.get(id);
        if (before) throw new api.Refusal(before, 'It cannot be.', {});
        if (!this.done.includes(`${id} ${words}`)) {
            if (typeof fate === 'number') {
                if (REFUSED.includes(fate)) this.refused.set(id, fate);
                throw new api.Refusal(fate, `The server answered ${fate}.`, {});
            }
            this.done.push(`${id} ${words}`);
            this.revision++;
        }
        if (fate === 'answer lost') throw new api.Offline('No answer.');
        return { revision: this.revision } as PlanState;
    }
}

let store: Map<string, string>;

beforeEach(() => {
    vi.useFakeTimers();
    store = new Map();
    vi.stubGlobal('localStorage', {
        getItem: (key: string) => store.get(key) ?? null,
        setItem: (key: string, value: string) => void store.set(key, value),
        removeItem: (key: string) => void store.delete(key),
    });
});
afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
});

function open(server: Server): Outbox {
    let revision = server.revision;
    const outbox = new Outbox(7, 1, {
        revision: () => revision,
        take: (state) => (revision = state.revision),
    });
    void outbox.run();
    return outbox;
}

function serve(server: Server) {
    vi.spyOn(api, 'post').mockImplementation(async (_url: string, body: unknown) => {
        const { request, commands } = body as { request: string; commands: [{ name: string }] };
        return server.answer(commands[0].name, request) as never;
    });
}

const edit = (words: string) => ({
    path: 'commands',
    commands: [{ do: 'rename-stage' as const, stage: 's1', name: words }],
    words,
    echo: {},
});

const fates = fc.constantFrom<Fate>(
    'saved',
    'answer lost',
    'no answer',
    'reloaded',
    'signed out',
    408,
    429,
    500,
    503,
    403,
    404,
    413,
    422,
);

test('whatever the server answers, every change ends on it exactly once and in order, or is told', async () => {
    await fc.assert(
        fc.asyncProperty(
            fc.integer({ min: 1, max: 8 }),
            fc.array(fates, { maxLength: 30 }),
            async (edits, script) => {
                store.clear();
                const server = new Server([...script]);
                serve(server);
                let outbox = open(server);
                for (let i = 1; i <= edits; i++) {
                    outbox.add(edit(`edit ${i}`));
                    await vi.advanceTimersByTimeAsync(10);
                }
                // Signed in again or opened again, as often as it takes.
                for (let i = 0; i < 40 && (outbox.waiting.length > 0 || outbox.trouble); i++) {
                    await vi.advanceTimersByTimeAsync(120_000);
                    if (outbox.waiting.length > 0 && !outbox.trouble) outbox = open(server);
                    await vi.advanceTimersByTimeAsync(10);
                }
                expect(outbox.waiting).toEqual([]);
                const done = server.done.map((one) => one.split(' ').slice(1).join(' '));
                const told = outbox.aside.map((one) => one.request.words);
                expect(new Set(done).size).toBe(done.length);
                const all = Array.from({ length: edits }, (_, i) => `edit ${i + 1}`);
                expect([...done, ...told].sort()).toEqual(all.sort());
                expect(done).toEqual(all.filter((one) => done.includes(one)));
                expect(outbox.aside.every((one) => one.reason !== '')).toBe(true);
            },
        ),
        { numRuns: 400, seed: 20261125 },
    );
});

for (const status of [500, 503, 429, 408])
    test(`after ${status} nothing is dropped, and the pauses grow`, async () => {
        const server = new Server(Array<Fate>(4).fill(status as Fate));
        serve(server);
        const outbox = open(server);
        outbox.add(edit('one'));
        outbox.add(edit('two'));
        await vi.advanceTimersByTimeAsync(10);
        expect(outbox.waiting).toHaveLength(2);
        expect(outbox.trouble).toContain(String(status));
        const sent = () => vi.mocked(api.post).mock.calls.length;
        await vi.advanceTimersByTimeAsync(4000);
        expect(sent()).toBe(2);
        await vi.advanceTimersByTimeAsync(7000);
        expect(sent(), 'twice as long').toBe(2);
        await vi.advanceTimersByTimeAsync(60_000);
        expect(server.done).toHaveLength(2);
        expect(outbox.trouble).toBe('');
    });

test('a refused change is set aside with its reason, what stands behind it goes, and it can be tried again', async () => {
    const server = new Server([422]);
    serve(server);
    const outbox = open(server);
    outbox.add(edit('one'));
    outbox.add(edit('two'));
    await vi.advanceTimersByTimeAsync(10);
    expect(server.done.map((one) => one.split(' ')[1])).toEqual(['two']);
    expect(outbox.aside).toMatchObject([{ request: { words: 'one' }, reason: 'The server answered 422.' }]);
    // Told over a reload too, until somebody has seen to it.
    const again = open(server);
    expect(again.aside).toHaveLength(1);
    for (const one of again.aside) again.again(one);
    await vi.advanceTimersByTimeAsync(10);
    expect(server.done.map((one) => one.split(' ')[1])).toEqual(['two', 'one']);
    expect(again.aside).toEqual([]);
    expect(store.size).toBe(0);
});

for (const broken of ['{', 'null', '[]', '{"revision":"x","waiting":[]}', '{"revision":1}', '"words"'])
    test(`what cannot be read blocks no page: ${broken}`, async () => {
        store.set('pebblerun-outbox-1-7', broken);
        const server = new Server([]);
        serve(server);
        const outbox = open(server);
        outbox.add(edit('one'));
        await vi.advanceTimersByTimeAsync(10);
        expect(server.done).toHaveLength(1);
        expect(store.get('pebblerun-outbox-1-7-unreadable')).toBe(broken);
    });

test('it is empty when all that waited was saved or refused, and not before', async () => {
    const server = new Server([500, 422]);
    serve(server);
    const outbox = open(server);
    await outbox.empty();
    outbox.add(edit('one'));
    outbox.add(edit('two'));
    let empty = false;
    void outbox.empty().then(() => (empty = true));
    await vi.advanceTimersByTimeAsync(1000);
    expect(empty).toBe(false);
    await vi.advanceTimersByTimeAsync(10_000);
    expect([empty, server.done.length, outbox.aside.length]).toEqual([true, 1, 1]);
});

test('a conflict given up leaves what stands behind it to go, on the revision it was made on', async () => {
    const bodies: { revision: number; commands: [{ name: string }] }[] = [];
    vi.spyOn(api, 'post').mockImplementation(async (_url: string, body: unknown) => {
        bodies.push(body as (typeof bodies)[number]);
        if (bodies.length === 1)
            throw new api.Refusal(409, 'changed meanwhile', { revision: 5, theirs: [], fields: [] });
        return { revision: 6 } as never;
    });
    const outbox = new Outbox(7, 1, { revision: () => 4, take: () => {} });
    outbox.add(edit('one'));
    outbox.add(edit('two'));
    await vi.advanceTimersByTimeAsync(10);
    expect(outbox.conflict?.words).toBe('one');
    outbox.giveUp();
    await vi.advanceTimersByTimeAsync(10);
    expect(bodies.map((body) => [body.revision, body.commands[0].name])).toEqual([
        [4, 'one'],
        [4, 'two'],
    ]);
    expect(outbox.waiting).toEqual([]);
});
