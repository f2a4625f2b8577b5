import type { BenchEstimate, CellGlance } from '@/generated/answers';

export type Settings = Omit<BenchEstimate['settings'], 'sentence'>;
export type Basis = 'new' | 'used' | 'owned';

/** What a cell shows until the server has answered, by "slot/column". */
export type Echo = Record<string, CellGlance>;

export type View =
    | { kind: 'cell' }
    | { kind: 'stage' }
    | { kind: 'verdict'; subject: string }
    | { kind: 'history' }
    | { kind: 'settings' }
    | { kind: 'variants' }
    | { kind: 'plans' }
    | { kind: 'library' };

/** The row of a lane that is stock throughout and folded. */
export const LANE = '@lane/';
/** The rows of the board that are no slots. */
export const HEAD = '@head';
export const FOOT = '@foot';
/** In the place of a stage's key: the one that is about to be added. */
export const NEW = '@new';
/** The row of the fuel, named by the estimate. */
export const FUEL = 'fuel-in-tank';
