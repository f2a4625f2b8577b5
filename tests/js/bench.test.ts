import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { Bench } from '@/features/bench/bench.svelte';
import type { PlanState } from '@/generated/answers';
import * as api from '@/lib/api';

// What the bench shows is never older than what it showed, whatever order answers come in.

const state = (revision: number, brief: number) =>
    ({
        revision,
        brief_revision: brief,
        label: `revision ${revision}`,
        estimate: { lanes: [], stages: [], labels: {} },
    }) as unknown as PlanState;

let plans: PlanState[];
let presence: { others: string[]; revision: number; brief_revision: number };

beforeEach(() => {
    vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {}, removeItem: () => {} });
    plans = [];
    vi.spyOn(api, 'get').mockImplementation(
        async (url) => (url.endsWith('/variants') ? [] : plans.shift()) as never,
    );
    vi.spyOn(api, 'post').mockImplementation(async () => presence as never);
});
afterEach(() => {
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
});

const shown = (bench: Bench) => [bench.state.revision, bench.state.brief_revision];

test('an answer that was overtaken on its way is ignored', async () => {
    const bench = new Bench(1, 1, 1, state(5, 2));
    for (const late of [state(4, 2), state(5, 1), state(3, 1)]) {
        plans = [late];
        await bench.refresh();
        expect(shown(bench)).toEqual([5, 2]);
    }
    plans = [state(5, 3)];
    await bench.refresh();
    expect(shown(bench)).toEqual([5, 3]);
});

test('another person’s change of the brief reaches an open bench', async () => {
    const bench = new Bench(1, 1, 1, state(5, 2));
    presence = { others: ['Odd Lindqvar'], revision: 5, brief_revision: 2 };
    await bench.greet();
    expect(shown(bench)).toEqual([5, 2]);
    presence = { ...presence, brief_revision: 3 };
    plans = [state(5, 3)];
    await bench.greet();
    expect([shown(bench), bench.others]).toEqual([[5, 3], ['Odd Lindqvar']]);
});

test('where plan and brief are each newer once, both are asked for', async () => {
    const bench = new Bench(1, 1, 1, state(5, 3));
    plans = [state(6, 2), state(6, 3)];
    await bench.refresh();
    await vi.waitFor(() => expect(shown(bench)).toEqual([6, 3]));
});
