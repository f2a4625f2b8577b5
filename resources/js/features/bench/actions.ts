import { keys } from '@/lib/keys';
import type { Bench } from './bench.svelte';
import { FOOT, FUEL, HEAD } from './types';

/** What the page does for an action besides the plan itself. */
export type BenchControls = {
    enter: () => void;
    hold: () => void;
    life: () => void;
    /** Asks for the name of the stage, or of a new one. */
    name: (stage: 'this' | 'new') => void;
    show: (panel: 'history' | 'settings' | 'variants' | 'plans' | 'library') => void;
    curves: () => void;
    help: () => void;
    palette: () => void;
};

export type Action = {
    name: string;
    /** As the event names it; several do the same. */
    keys: string[];
    /** As it is printed. */
    stroke: string;
    /** Board: on the selected cell or head, also in its menu. Bench: anywhere. */
    on: 'cell' | 'head' | 'bench';
    /** The same key again at once does the same again. */
    repeats?: true;
    can: (bench: Bench) => boolean;
    run: (bench: Bench, controls: BenchControls) => void;
};

const always = () => true;
const onCell = (bench: Bench) => bench.row !== undefined && bench.column > 0;
const buys = (bench: Bench) => bench.bought.length > 0 && bench.column > 0;
const onStage = (bench: Bench) => bench.slot === HEAD && bench.column > 0;

/** Everything the bench can do, once: the keys, the menu, the palette and the list under ? come from here. */
export const actions: Action[] = [
    {
        name: 'Candidates for the cell',
        keys: ['Enter'],
        stroke: 'Enter',
        on: 'cell',
        can: onCell,
        run: (_, controls) => controls.enter(),
    },
    {
        name: 'Move a stage earlier',
        keys: ['['],
        stroke: '[',
        on: 'cell',
        repeats: true,
        can: (bench) => buys(bench) && bench.column > 1,
        run: (bench) => bench.shift(-1),
    },
    {
        name: 'Move a stage later',
        keys: [']'],
        stroke: ']',
        on: 'cell',
        repeats: true,
        can: (bench) => buys(bench) && bench.column < bench.stages.length - 1,
        run: (bench) => bench.shift(1),
    },
    {
        name: 'Buy again in the next stage',
        keys: ['c'],
        stroke: 'C',
        on: 'cell',
        can: (bench) =>
            onCell(bench) &&
            bench.slot !== FUEL &&
            bench.cell?.part != null &&
            bench.column < bench.stages.length - 1,
        run: (bench) => bench.copyForward(),
    },
    {
        name: 'Customer’s own part: yes or no',
        keys: ['o'],
        stroke: 'O',
        on: 'cell',
        can: buys,
        run: (bench) => bench.own(),
    },
    {
        name: 'Bought already: yes or no',
        keys: ['b'],
        stroke: 'B',
        on: 'cell',
        can: buys,
        run: (bench) => bench.buy(),
    },
    {
        name: 'Customer fits it: yes or no',
        keys: ['f'],
        stroke: 'F',
        on: 'cell',
        can: buys,
        run: (bench) => bench.leaveToCustomer(),
    },
    {
        name: 'Accept what is missing or advised',
        keys: ['a'],
        stroke: 'A',
        on: 'cell',
        can: (bench) => onCell(bench) && (bench.cell?.state === 'missing' || bench.cell?.state === 'advised'),
        run: (bench) => bench.accept(),
    },
    {
        name: 'Clear',
        keys: ['Delete', 'Backspace'],
        stroke: 'Del',
        on: 'cell',
        can: onCell,
        run: (bench) => bench.clear(),
    },
    {
        name: 'Select several',
        keys: [' '],
        stroke: 'Space',
        on: 'cell',
        repeats: true,
        can: onCell,
        run: (bench) => bench.pick(),
    },
    {
        name: 'Split: selected parts to a new stage',
        keys: ['s'],
        stroke: 'S',
        on: 'cell',
        can: buys,
        run: (bench) => bench.splitStage(),
    },
    {
        name: 'Rename the stage',
        keys: ['Enter'],
        stroke: 'Enter',
        on: 'head',
        can: onStage,
        run: (_, controls) => controls.name('this'),
    },
    {
        name: 'Put the stage earlier',
        keys: ['['],
        stroke: '[',
        on: 'head',
        repeats: true,
        can: (bench) => onStage(bench) && bench.column > 1,
        run: (bench) => bench.moveStage(-1),
    },
    {
        name: 'Put the stage later',
        keys: [']'],
        stroke: ']',
        on: 'head',
        repeats: true,
        can: (bench) => onStage(bench) && bench.column < bench.stages.length - 1,
        run: (bench) => bench.moveStage(1),
    },
    {
        name: 'Merge the stage into the one before',
        keys: ['m'],
        stroke: 'M',
        on: 'head',
        can: (bench) => onStage(bench) && bench.column > 1,
        run: (bench) => bench.mergeStage(),
    },
    {
        name: 'Remove the stage',
        keys: ['Delete', 'Backspace'],
        stroke: 'Del',
        on: 'head',
        can: onStage,
        run: (bench) => bench.removeStage(),
    },
    {
        name: 'Cap torque in the stage',
        keys: ['t'],
        stroke: 'T',
        on: 'bench',
        can: (bench) => bench.column > 0 && bench.stage?.map != null,
        run: (bench, controls) => {
            bench.select(HEAD, bench.column);
            controls.hold();
        },
    },
    {
        name: 'How far the stage is: proposed, accepted, in work, done',
        keys: ['d'],
        stroke: 'D',
        on: 'bench',
        can: (bench) => bench.column > 0 && bench.mayMark && !bench.past,
        run: (bench, controls) => {
            bench.select(FOOT, bench.column);
            controls.life();
        },
    },
    {
        name: 'New stage: its name, Enter adds it',
        keys: ['n'],
        stroke: 'N',
        on: 'bench',
        can: always,
        run: (_, controls) => controls.name('new'),
    },
    {
        name: 'Undo your last change',
        keys: ['u'],
        stroke: 'U',
        on: 'bench',
        repeats: true,
        can: (bench) => bench.state.undo !== null || bench.saving,
        run: (bench) => bench.undo(),
    },
    {
        name: 'Redo what you undid',
        keys: ['U'],
        stroke: 'Shift U',
        on: 'bench',
        repeats: true,
        can: (bench) => bench.state.redo !== null || bench.saving,
        run: (bench) => bench.redo(),
    },
    {
        name: 'Why: the panel of the cell or stage',
        keys: ['w'],
        stroke: 'W',
        on: 'bench',
        can: always,
        run: (_, controls) => controls.enter(),
    },
    {
        name: 'History',
        keys: ['h'],
        stroke: 'H',
        on: 'bench',
        can: always,
        run: (_, controls) => controls.show('history'),
    },
    {
        name: 'Variants',
        keys: ['v'],
        stroke: 'V',
        on: 'bench',
        can: always,
        run: (_, controls) => controls.show('variants'),
    },
    {
        name: 'Plans of this job',
        keys: ['l'],
        stroke: 'L',
        on: 'bench',
        can: always,
        run: (_, controls) => controls.show('plans'),
    },
    {
        name: 'What changed in the library',
        keys: ['i'],
        stroke: 'I',
        on: 'bench',
        can: always,
        run: (_, controls) => controls.show('library'),
    },
    {
        name: 'Curves large, with range and limits',
        keys: ['g'],
        stroke: 'G',
        on: 'bench',
        can: always,
        run: (_, controls) => controls.curves(),
    },
    {
        name: 'Calculation settings',
        keys: ['r'],
        stroke: 'R',
        on: 'bench',
        can: always,
        run: (_, controls) => controls.show('settings'),
    },
    {
        name: 'Print',
        keys: ['p'],
        stroke: 'P',
        on: 'bench',
        can: always,
        run: () => window.print(),
    },
    {
        name: 'Find a command or a place',
        keys: ['.'],
        stroke: '.',
        on: 'bench',
        can: always,
        run: (_, controls) => controls.palette(),
    },
    {
        name: 'Keys',
        keys: ['?'],
        stroke: '?',
        on: 'bench',
        can: always,
        run: (_, controls) => controls.help(),
    },
];

/** Runs what a key means here; false when it means nothing. */
export function press(
    event: KeyboardEvent,
    where: Action['on'][],
    bench: Bench,
    controls: BenchControls,
): boolean {
    if (event.ctrlKey || event.metaKey || event.altKey || bench.naming !== null) return false;
    const action = actions.find(
        (one) => where.includes(one.on) && one.keys.includes(event.key) && one.can(bench),
    );
    if (!action) return false;
    event.preventDefault();
    if (!action.repeats) keys.once();
    action.run(bench, controls);
    return true;
}
