import { ticks } from 'd3-array';

/** A straight scale: from values to places on the screen and back. */
export type Linear = {
    (value: number): number;
    invert: (place: number) => number;
    /** Round values inside it, about as many as asked for. */
    ticks: (count: number) => number[];
    domain: () => [number, number];
};

export function fixed(domain: [number, number], range: [number, number]): Linear {
    const [low, high] = domain;
    const [start, end] = range;
    const step = (end - start) / (high - low);
    return Object.assign((value: number) => start + (value - low) * step, {
        invert: (place: number) => low + (place - start) / step,
        ticks: (count: number) => ticks(low, high, count),
        domain: () => domain,
    });
}

/** With some air around the values. */
export function roomy(
    values: number[],
    range: [number, number],
    air: { below: number; above: number },
): Linear {
    const low = Math.min(...values);
    const high = Math.max(...values);
    // A single value lies in the middle.
    if (high === low) return fixed([low - 0.5, high + 0.5], range);
    const span = high - low;
    return fixed([low - span * air.below, high + span * air.above], range);
}
