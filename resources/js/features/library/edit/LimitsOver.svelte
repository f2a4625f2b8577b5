<script lang="ts">
    import { line } from 'd3-shape';
    import { spread } from '@/charts/labels';
    import { fixed } from '@/charts/scale';
    import type { PlatformPicture } from '@/generated/answers';
    import { figure } from '@/lib/format';

    /** The stock car's torque and power with every limit of the two drawn over them: how much room there is. */
    type Props = { picture: PlatformPicture; width: number; height: number };
    let { picture, width, height }: Props = $props();

    const left = 38;
    const right = 128;
    const gap = 16;
    const panel = $derived((height - 22 - gap) / 2);
    const rpms = $derived(picture.rpms);
    const x = $derived(fixed([rpms[0] ?? 0, rpms[rpms.length - 1] ?? 1], [left, width - right]));
    const panels = $derived(
        (['torque', 'power'] as const).map((on, i) => {
            const limits = picture.limits.filter((limit) => limit.on === on);
            const top =
                Math.max(
                    ...picture[on],
                    ...picture.others.flatMap((other) => other[on]),
                    ...limits.flatMap((limit) => limit.safe),
                ) * 1.2;
            const box: [number, number] = [4 + panel + i * (panel + gap), 4 + i * (panel + gap)];
            const y = fixed([0, top], box);
            const ends = [...limits.map((limit) => y(limit.safe[limit.safe.length - 1] ?? 0))];
            return { on, limits, box, y, places: spread(ends, 13, [box[1] + 4, box[0]]) };
        }),
    );
    const drawn = (values: number[], y: (value: number) => number) =>
        line<number>(
            (_, i) => x(rpms[i] ?? 0),
            (value) => y(value),
        )(values) ?? '';
    const span = (values: number[]) =>
        [...new Set([Math.min(...values), Math.max(...values)].map(figure))].join(' to ');
    const most = (values: number[]) => Math.max(...values);
</script>

<svg {width} {height} role="img" aria-label="Torque and power of the stock car at the wheels with its limits">
    {#each panels as { on, limits, box, y, places } (on)}
        {#each y.ticks(4) as tick (tick)}
            <line x1={left} x2={width - right} y1={y(tick)} y2={y(tick)} stroke="var(--faint)" />
            <text x={left - 5} y={y(tick) + 4} text-anchor="end" font-size="11" fill="var(--soft)"
                >{figure(tick)}</text
            >
        {/each}
        <text x={left + 4} y={box[1] + 11} font-size="11" fill="var(--soft)"
            >{on === 'torque' ? picture.torque_unit : picture.power_unit}</text
        >
        {#each limits as limit, i (limit.key)}
            <path d={drawn(limit.safe, y)} fill="none" stroke="var(--rust)" stroke-width="1.4" />
            <text x={width - right + 6} y={(places[i] ?? 0) + 4} font-size="11" fill="var(--rust)"
                >{limit.name} {span(limit.safe)}</text
            >
        {/each}
        {#each picture.others as other, at (at)}
            <path
                d={drawn(other[on], y)}
                fill="none"
                stroke="var(--river)"
                stroke-width="1.3"
                stroke-dasharray="5 4"><title>{other.name}</title></path
            >
        {/each}
        <path d={drawn(picture[on], y)} fill="none" stroke="var(--river)" stroke-width="2.2" />
        <text
            x={x(rpms[picture[on].indexOf(most(picture[on]))] ?? 0)}
            y={y(most(picture[on])) - 6}
            text-anchor="middle"
            class="halo"
            font-size="12"
            font-weight="600"
            fill="var(--ink)">{figure(most(picture[on]))}</text
        >
    {/each}
    {#each x.ticks(6) as tick (tick)}<text
            x={x(tick)}
            y={height - 4}
            text-anchor="middle"
            font-size="11"
            fill="var(--soft)">{figure(tick)}</text
        >{/each}
</svg>
