import type { Command, Estimate, PlanConflict } from '@/generated/answers';

export type Settings = Omit<Estimate['settings'], 'sentence'>;
export type Basis = 'new' | 'used' | 'owned';

/** Somebody saved in between: what they did, and what we wanted. */
export type Conflict = Omit<PlanConflict, 'message'> & { mine: Command[]; words: string };

export type View =
    | { kind: 'cell' }
    | { kind: 'stage' }
    | { kind: 'verdict'; subject: string }
    | { kind: 'history' }
    | { kind: 'settings' }
    | { kind: 'variants' };

/** The row of a lane that is stock throughout and folded. */
export const LANE = '@lane/';
/** The rows of the board that are no slots. */
export const HEAD = '@head';
export const FOOT = '@foot';
/** The row of the fuel, named by the estimate. */
export const FUEL = 'fuel-in-tank';
