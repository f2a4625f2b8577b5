import { expect, test } from 'vitest';
import { actions, press, type BenchControls } from '@/features/bench/actions';
import type { Bench } from '@/features/bench/bench.svelte';
import { FUEL, HEAD } from '@/features/bench/types';

// What the bench can do, without a browser: one list gives keys, menu, palette and help.

type Fake = Partial<Record<keyof Bench, unknown>>;

function bench(state: Fake): Bench {
    return {
        slot: 'intercooler',
        column: 2,
        stages: [{}, {}, {}, {}],
        row: { key: 'intercooler' },
        cell: { state: 'new', part: 'cooler' },
        bought: [{ key: 'intercooler' }],
        picked: [],
        naming: null,
        saving: false,
        state: { undo: { number: 2, what: 'fit a cooler' }, redo: null },
        ...state,
    } as unknown as Bench;
}

function controls(done: string[]): BenchControls {
    return {
        hold: () => done.push('hold'),
        life: () => done.push('life'),
        enter: () => done.push('enter'),
        name: (stage) => done.push(`name ${stage}`),
        show: (panel) => done.push(panel),
        curves: () => done.push('curves'),
        help: () => done.push('help'),
        palette: () => done.push('palette'),
    };
}

function key(name: string, more: Partial<KeyboardEvent> = {}) {
    return {
        key: name,
        ctrlKey: false,
        metaKey: false,
        altKey: false,
        preventDefault: () => {},
        ...more,
    } as KeyboardEvent;
}

test('a key means one thing in one place', () => {
    for (const scope of ['cell', 'head'] as const) {
        const keys = actions
            .filter((one) => one.on === scope || one.on === 'bench')
            .flatMap((one) => one.keys);
        expect(new Set(keys).size, scope).toBe(keys.length);
    }
    for (const action of actions) {
        expect(action.name).not.toBe('');
        expect(action.stroke).not.toBe('');
    }
    expect(new Set(actions.map((one) => one.on + one.name)).size).toBe(actions.length);
});

test('the browser keeps its own keys', () => {
    const done: string[] = [];
    for (const held of [{ ctrlKey: true }, { metaKey: true }, { altKey: true }])
        expect(press(key('h', held), ['bench'], bench({}), controls(done))).toBe(false);
    expect(done).toEqual([]);
    expect(press(key('h'), ['bench'], bench({}), controls(done))).toBe(true);
    expect(done).toEqual(['history']);
});

test('the same key does what its place asks', () => {
    const done: string[] = [];
    const moved: string[] = [];
    const state = {
        shift: (by: number) => moved.push(`part ${by}`),
        moveStage: (by: number) => moved.push(`stage ${by}`),
    };
    press(key('['), ['cell'], bench(state), controls(done));
    press(key('['), ['head'], bench({ ...state, slot: HEAD, row: undefined }), controls(done));
    press(key('Enter'), ['cell'], bench({}), controls(done));
    press(key('Enter'), ['head'], bench({ slot: HEAD, row: undefined }), controls(done));
    expect(moved).toEqual(['part -1', 'stage -1']);
    expect(done).toEqual(['enter', 'name this']);
});

test('what cannot be done here is not done, nor offered', () => {
    const offered = (state: Fake, on: 'cell' | 'head') =>
        actions.filter((one) => one.on === on && one.can(bench(state))).map((one) => one.stroke);
    expect(offered({ column: 1 }, 'cell')).not.toContain('[');
    expect(offered({ column: 3 }, 'cell')).not.toContain(']');
    expect(offered({ bought: [] }, 'cell')).not.toContain('S');
    expect(offered({ slot: FUEL }, 'cell')).not.toContain('C');
    expect(offered({ cell: { state: 'missing', part: 'pump' } }, 'cell')).toContain('A');
    expect(offered({}, 'cell')).not.toContain('A');
    expect(offered({ slot: HEAD, row: undefined, column: 0 }, 'head')).toEqual([]);
    expect(offered({ slot: HEAD, row: undefined, column: 1 }, 'head')).not.toContain('M');
    expect(press(key('U'), ['bench'], bench({}), controls([]))).toBe(false);
});
