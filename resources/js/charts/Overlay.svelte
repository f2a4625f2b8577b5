<script lang="ts">
    import Rules from '@/charts/Rules.svelte';
    import { line } from 'd3-shape';
    import { spread } from '@/charts/labels';
    import { fixed } from '@/charts/scale';
    import { figure } from '@/lib/format';

    type Curve = { torque: number[]; power: number[] };
    /** Several curves over one axis of engine speed, torque above, power below: each has a stroke of its own and its name at its end. */
    type Props = {
        curves: { name: string; curve: Curve }[];
        grid: { first: number; step: number };
        units: { torque: string; power: string };
        width: number;
        height: number;
    };
    let { curves, grid, units, width, height }: Props = $props();

    const STROKES = [
        { colour: 'var(--stone)', dash: undefined, width: 1.8 },
        { colour: 'var(--river)', dash: undefined, width: 2.6 },
        { colour: 'var(--rust)', dash: '7 4', width: 2.2 },
    ];
    const left = 40;
    const right = 132;
    const bottom = 22;
    const gap = 16;
    const kinds = ['torque', 'power'] as const;
    const panel = $derived((height - bottom - gap - 8) / 2);
    const last = $derived(Math.max(...curves.map(({ curve }) => curve.torque.length)) - 1);
    const rpm = (i: number) => grid.first + i * grid.step;
    const x = $derived(fixed([rpm(0), rpm(last)], [left, width - right]));
    const panels = $derived(
        kinds.map((kind, i) => {
            const top = 8 + i * (panel + gap);
            const values = curves.flatMap(({ curve }) => curve[kind]);
            const scale = fixed([0.6 * Math.min(...values), 1.06 * Math.max(...values)], [top + panel, top]);
            const ends = spread(
                curves.map(({ curve }) => scale(curve[kind].at(-1) ?? 0) + 4),
                14,
                [top + 12, top + panel],
            );
            return { kind, top, scale, ends };
        }),
    );
    const drawn = (values: number[], scale: (value: number) => number) =>
        line<number>(
            (_, i) => x(rpm(i)),
            (value) => scale(value),
        )(values) ?? '';
</script>

<svg
    class="absolute inset-0"
    {width}
    {height}
    viewBox="0 0 {width} {height}"
    role="img"
    aria-label="Torque and power over engine speed: {curves.map(({ name }) => name).join(', ')}"
>
    {#each panels as { kind, top, scale, ends } (kind)}
        <Rules {scale} count={4} {left} right={width - right} />
        <text x={left + 6} y={top + 10} font-size="11" fill="var(--soft)" class="halo">{units[kind]}</text>
        {#each curves as { name, curve }, i (i)}
            <path
                d={drawn(curve[kind], scale)}
                fill="none"
                stroke={STROKES[i]?.colour}
                stroke-width={STROKES[i]?.width}
                stroke-dasharray={STROKES[i]?.dash}
            />
            <text x={x(rpm(curve[kind].length - 1)) + 6} y={ends[i]} font-size="12" fill="var(--ink)"
                >{name.length > 20 ? `${name.slice(0, 19)}…` : name}</text
            >
        {/each}
    {/each}
    {#each x.ticks(8) as tick (tick)}
        <text x={x(tick)} y={height - 6} text-anchor="middle" font-size="11" fill="var(--soft)"
            >{figure(tick)}</text
        >
    {/each}
    <text x={width - right + 6} y={height - 6} font-size="11" fill="var(--soft)">rpm</text>
</svg>
