import { scaleLinear, type ScaleLinear } from 'd3-scale';

export type Linear = ScaleLinear<number, number>;

/** A straight scale with some air around the values. */
export function roomy(
    values: number[],
    range: [number, number],
    air: { below: number; above: number },
): Linear {
    const low = Math.min(...values);
    const high = Math.max(...values);
    const span = high - low || 1;
    return scaleLinear()
        .domain([low - span * air.below, high + span * air.above])
        .range(range);
}

export function fixed(domain: [number, number], range: [number, number]): Linear {
    return scaleLinear().domain(domain).range(range);
}
