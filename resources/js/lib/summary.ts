import type { Estimate, VerdictLine } from '@/generated/estimate';

/** What the counter knows of a plan: picked on the server from its estimate. */
export type Summary = {
    labels: Estimate['labels'];
    target: Estimate['target'];
    budget: Estimate['budget'];
    verdict: VerdictLine[];
    run: {
        money: number;
        power: { p10: number; p50: number; p90: number };
        status: VerdictLine['status'];
        parts: number;
    }[];
};
