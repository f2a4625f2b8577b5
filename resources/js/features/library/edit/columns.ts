import type { Choice, LibraryOptions } from '@/generated/answers';
import type { Entry } from './paths';

/** How a field of a line is filled in. */
export type Column = {
    path: string;
    label: string;
    kind: 'text' | 'number' | 'range' | 'choice' | 'check' | 'condition' | 'over-rpm';
    unit?: string;
    options?: readonly (readonly [string, string])[];
    none?: string;
    grow?: boolean;
    /** A tick that is stated also where it is not set. */
    keeps?: boolean;
    when?: (row: Entry) => boolean;
};

export type Choices = Pick<
    LibraryOptions,
    'slots' | 'parts' | 'tags' | 'units' | 'dynos' | 'words' | 'variants'
>;

const supplies = [
    ['port-injectors', 'port injectors'],
    ['direct-injectors', 'direct injectors'],
    ['cam-pump', 'cam-driven pump'],
    ['feed-pump', 'feed pump'],
] as const;

/** As a field of a line takes them. */
export const pairs = (all: Choice[]) => all.map(({ key, words }) => [key, words] as const);

export const slotsOf = (choices: Choices) => choices.slots.map(({ key, name }) => [key, name] as const);

const rests = (choices: Choices): Column[] => [
    { path: 'evidence.kind', label: 'Rests on', kind: 'choice', options: pairs(choices.words.evidence) },
    { path: 'evidence.note', label: 'Note', kind: 'text', grow: true },
];

export const limitColumns = (choices: Choices): Column[] => [
    { path: 'name', label: 'Limit', kind: 'text' },
    { path: 'slot', label: 'Of', kind: 'choice', options: slotsOf(choices) },
    { path: 'quantity', label: 'In', kind: 'choice', options: pairs(choices.words.quantities) },
    { path: 'safe', label: 'Safe to', kind: 'number', when: (row) => row.over_rpm === undefined },
    { path: 'edge', label: 'Breaks at', kind: 'number', when: (row) => row.over_rpm === undefined },
    { path: 'over_rpm', label: 'By rpm', kind: 'over-rpm' },
    { path: 'consequence', label: 'What happens past it', kind: 'text', grow: true },
    ...rests(choices),
];

export const ceilingColumns = (choices: Choices): Column[] => [
    { path: 'name', label: 'What runs out', kind: 'text' },
    {
        path: 'kind',
        label: 'It',
        kind: 'choice',
        options: [
            ['soft', 'tails off'],
            ['hard', 'stops'],
        ],
    },
    {
        path: 'quantity',
        label: 'In',
        kind: 'choice',
        options: [
            ['power', 'power'],
            ['torque', 'torque'],
        ],
    },
    {
        path: 'at',
        label: 'At the',
        kind: 'choice',
        options: [
            ['wheels', 'wheels'],
            ['crank', 'crank'],
        ],
    },
    { path: 'value', label: 'Runs out at', kind: 'range', when: (row) => row.over_rpm === undefined },
    { path: 'when', label: 'While', kind: 'condition' },
    ...rests(choices),
];

/** Told by its flow, not by the power that it is good for. */
const byFlow = (row: Entry, ...kinds: string[]) =>
    row.good_for === undefined && kinds.includes(String(row.kind));

const injectors = ['port-injectors', 'direct-injectors'];

export const supplyColumns = (choices: Choices): Column[] => [
    { path: 'name', label: 'Component', kind: 'text' },
    { path: 'slot', label: 'Of', kind: 'choice', options: slotsOf(choices) },
    { path: 'kind', label: 'Kind', kind: 'choice', options: supplies },
    {
        path: 'good_for',
        label: 'Good for, on pump fuel',
        unit: `w${choices.units.power}`,
        kind: 'number',
        when: (row) =>
            row.flow_cc_min === undefined && row.volume_cc === undefined && row.flow_l_h === undefined,
    },
    { path: 'count', label: 'or: count', kind: 'number', when: (row) => byFlow(row, ...injectors) },
    {
        path: 'flow_cc_min',
        label: 'Each',
        unit: 'cc/min',
        kind: 'number',
        when: (row) => byFlow(row, ...injectors),
    },
    {
        path: 'rated_bar',
        label: 'Rated at',
        unit: 'bar',
        kind: 'number',
        when: (row) => byFlow(row, ...injectors),
    },
    {
        path: 'rail_bar',
        label: 'Rail',
        unit: 'bar',
        kind: 'number',
        when: (row) => byFlow(row, ...injectors),
    },
    {
        path: 'volume_cc',
        label: 'or: per engine rev',
        unit: 'cc',
        kind: 'number',
        when: (row) => byFlow(row, 'cam-pump'),
    },
    {
        path: 'flow_l_h',
        label: 'or: flow',
        unit: 'L/h',
        kind: 'number',
        when: (row) => byFlow(row, 'feed-pump'),
    },
    { path: 'consequence', label: 'What happens past it', kind: 'text', grow: true },
    ...rests(choices),
];

export const variantColumns: Column[] = [
    { path: 'name', label: 'Variant', kind: 'text', grow: true },
    { path: 'years.from', label: 'Model years from', kind: 'number' },
    { path: 'years.to', label: 'to', kind: 'number' },
];
