import type { Estimate } from '@/generated/estimate';

export type Settings = Omit<Estimate['reckoned'], 'sentence'>;

/** What every answer of the server about a plan holds. */
export type PlanState = {
    revision: number;
    label: string;
    author: string;
    saved_at: string;
    can_undo: boolean;
    can_redo: boolean;
    estimate: Estimate;
};

export type Basis = 'new' | 'used' | 'owned';

export type Command =
    | { do: 'fit'; stage: string; part: string }
    | { do: 'clear'; stage: string; slot: string }
    | { do: 'move'; stage: string; to: string; part: string }
    | { do: 'fuel'; stage: string; fuel: string }
    | { do: 'add-stage'; name: string }
    | { do: 'remove-stage'; stage: string }
    | { do: 'split-stage'; stage: string; parts: string[] }
    | { do: 'merge-stage'; stage: string }
    | { do: 'move-stage'; stage: string; to: string }
    | {
          do: 'line';
          stage: string;
          part: string;
          basis?: Basis | null;
          agreed?: number | null;
          quantity?: number;
          bought?: boolean | null;
      }
    | { do: 'rename-stage'; stage: string; name: string }
    | ({ do: 'settings' } & Partial<Settings>);

export type Candidate = {
    part: string;
    name: string;
    maker: string;
    adds: string;
    adds_torque: string;
    costs: string;
    each: string;
    drags: { fault: boolean; sentence: string }[];
    cautions: string[];
    chosen: boolean;
};

/** A plan kept under a name. */
export type Variant = {
    id: number;
    name: string;
    author: string;
    at: string;
    run: { money: number; power: { p10: number; p50: number; p90: number }; status: string; parts: number }[];
};

/** A small change that was tried and settles a line of the verdict. */
export type Fix = { sentence: string; commands: Command[] };

export type Comparison = {
    figures: { name: string; here: string; there: string; better: 'here' | 'there' | 'neither' }[];
    parts: { slot: string; here: string; there: string }[];
};

export type RevisionNote = { number: number; label: string; author: string; at: string };

/** Somebody saved in between: what they did, and what we wanted. */
export type Conflict = {
    revision: number;
    theirs: RevisionNote[];
    /** One for each command of ours; theirs is empty where nothing clashes. */
    fields: { mine: string; theirs: string; clashes: boolean; can: boolean }[];
    mine: Command[];
    words: string;
};

export type View =
    | { kind: 'cell' }
    | { kind: 'stage' }
    | { kind: 'verdict'; subject: string }
    | { kind: 'history' }
    | { kind: 'reckon' }
    | { kind: 'variants' };

/** The row of a lane that is stock throughout and folded. */
export const LANE = '@lane/';
/** The rows of the board that are no slots. */
export const HEAD = '@head';
export const FOOT = '@foot';
/** The row of the fuel, named by the estimate. */
export const FUEL = 'fuel-in-tank';
