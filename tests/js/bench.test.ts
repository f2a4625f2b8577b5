import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Bench } from '@/features/bench/bench.svelte';
import type { PlanState } from '@/generated/answers';
import * as api from '@/lib/api';
import { Browser } from './storage';

// What the bench shows is never older than what it showed, and what it sends names what it means.

const state = (version: number, more: Partial<PlanState> = {}) =>
    ({
        version,
        plan: 3,
        revision: 5,
        name: 'Plan',
        label: '',
        undo: { number: 2, what: 'fit a cooler' },
        redo: { number: 3, what: 'add a stage' },
        estimate: { lanes: [], stages: [], labels: {} },
        ...more,
    }) as unknown as PlanState;

let plans: PlanState[];
let presence: { others: string[]; version: number };
let sent: { url: string; body: Record<string, unknown> }[];

beforeEach(() => {
    new Browser();
    plans = [];
    sent = [];
    vi.spyOn(api, 'get').mockImplementation(
        async (url) => (url.endsWith('/variants') ? [] : plans.shift()) as never,
    );
    vi.spyOn(api, 'post').mockImplementation(async (url, body) => {
        if (url.endsWith('/presence')) return presence as never;
        sent.push({ url, body: body as Record<string, unknown> });
        return new Promise(() => {}) as never;
    });
});
afterEach(() => {
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
});

test('an answer that was overtaken on its way, or is of another plan, is ignored', async () => {
    const bench = new Bench(1, 1, state(5));
    for (const late of [state(4), state(9, { plan: 4 })]) {
        plans = [late];
        await bench.refresh();
        expect(bench.state.version).toBe(5);
    }
    plans = [state(6)];
    await bench.refresh();
    expect(bench.state.version).toBe(6);
});

test('another person’s change, of the plan or of the brief, reaches an open bench', async () => {
    const bench = new Bench(1, 1, state(5));
    presence = { others: ['Odd Lindqvar'], version: 5 };
    await bench.queue.greet();
    expect(bench.state.version).toBe(5);
    presence = { ...presence, version: 8 };
    plans = [state(8)];
    await bench.queue.greet();
    await vi.waitFor(() => expect(bench.state.version).toBe(8));
    expect(bench.queue.others).toEqual(['Odd Lindqvar']);
});

test('while somebody else is here, what they save is looked for often', async () => {
    const bench = new Bench(1, 1, state(5));
    plans = [state(6)];
    vi.mocked(api.get).mockImplementation((url) =>
        Promise.resolve((url.endsWith('/version') ? { version: 6 } : state(6)) as never),
    );
    await bench.queue.look();
    await vi.waitFor(() => expect(bench.state.version).toBe(6));
});

test('a server that does not answer is no fault of the page', async () => {
    const bench = new Bench(1, 1, state(5));
    vi.mocked(api.get).mockRejectedValue(new api.Offline('No answer.'));
    vi.mocked(api.post).mockRejectedValue(new api.Offline('No answer.'));
    await bench.refresh();
    await bench.queue.greet();
    expect(bench.state.version).toBe(5);
});

test('undo names the change that it takes back, also one that is still on its way', () => {
    const bench = new Bench(1, 1, state(5));
    bench.undo();
    bench.undo();
    bench.edit([{ do: 'add-stage', name: '', key: 's-1' }], 'Add a stage');
    bench.changeTarget({ power: 300 });
    bench.undo();
    const steps = bench.queue.waiting.map((one) => ('step' in one.asked ? one.asked.step.of : one.request));
    const [first, , third] = bench.queue.waiting;
    expect(steps[0]).toBe(2);
    expect(steps[1]).toBe(first?.request);
    expect(steps[4], 'the plan’s last, and not the brief’s').toBe(third?.request);
});

test('a target that is dragged is an answer of the brief, in the unit that it was read in', () => {
    const bench = new Bench(1, 1, state(5), [], 'kW');
    bench.changeTarget({ power: 220 });
    bench.changeTarget({ budget: 9000 });
    expect(bench.queue.waiting.map((one) => [one.url, one.asked])).toEqual([
        ['/jobs/1/brief/edits', { answers: [{ place: 'target', value: { power: 220 }, unit: 'kW' }] }],
        ['/jobs/1/brief/edits', { answers: [{ place: 'budget.total', value: 9000 }] }],
    ]);
    expect(sent[0]?.body).toMatchObject({ show: 'bench', plan: 3, seen: 5, person: 1 });
});
