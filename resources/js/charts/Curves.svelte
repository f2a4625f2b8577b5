<script lang="ts">
    import Rules from '@/charts/Rules.svelte';
    import { line } from 'd3-shape';
    import { spread } from '@/charts/labels';
    import { fixed } from '@/charts/scale';
    import type { BenchEstimate, CurvesDetail, StageGlance } from '@/generated/answers';
    import { figure, output, precise } from '@/lib/format';

    /** Torque above, power below, over one axis of engine speed; every stage over the car as received. */
    type Props = {
        estimate: BenchEstimate;
        width: number;
        height: number;
        chosen: number;
        /** Where there is room: the range about the chosen stage, its ceilings and every limit. */
        detail?: CurvesDetail | null;
        /** Place of the speed that is read. */
        pointed?: number | null;
    };
    let { estimate, width, height, chosen, detail = null, pointed = $bindable(null) }: Props = $props();

    const frame = $props.id();
    const left = 40;
    const right = 70;
    /** The axis, and what the stages gain over the range in use. */
    const bottom = 36;
    const gap = 12;
    const panel = $derived((height - bottom - gap - 8) / 2);
    const torqueBox = $derived<[number, number]>([8 + panel, 8]);
    const powerBox = $derived<[number, number]>([8 + gap + 2 * panel, 8 + gap + panel]);
    const stages = $derived(estimate.stages);
    const shown = $derived(stages[chosen] ?? stages[stages.length - 1]);
    /** The limit that is nearest on each picture: the estimate gives the most used first. */
    const limit = $derived(shown?.regions.find((region) => region.on === 'torque'));
    const powerLimit = $derived(shown?.regions.find((region) => region.on === 'power'));
    const before = $derived(shown?.torque_loss ? stages[shown.index - 1] : undefined);
    const rpms = $derived(Math.max(...stages.map((s) => s.curve.torque.length)));
    const rpm = (i: number) => estimate.grid.first + i * estimate.grid.step;
    const x = $derived(fixed([rpm(0), rpm(rpms - 1)], [left, width - right]));
    const torqueLow = $derived(0.5 * Math.min(...(stages[0]?.curve.torque ?? [0])));
    /** The curves stay below the line of writing at the panel's top. */
    const torqueTop = $derived.by(() => {
        const most = Math.max(
            ...stages.flatMap((s) => s.curve.torque),
            ...(detail?.high.torque ?? []),
            1.04 * Math.min(...(limit?.points.map((p) => p.safe) ?? [0])),
        );
        return torqueLow + ((most - torqueLow) * panel) / Math.max(1, panel - 18);
    });
    const torque = $derived(fixed([torqueLow, torqueTop], torqueBox));
    const power = $derived(
        fixed(
            [
                0.6 * Math.min(...(stages[0]?.curve.power ?? [0])),
                1.06 *
                    Math.max(
                        ...stages.flatMap((s) => s.curve.power),
                        ...(detail?.high.power ?? []),
                        estimate.target.power ?? 0,
                    ),
            ],
            powerBox,
        ),
    );

    const drawn = (values: number[], scale: (value: number) => number) =>
        line<number>(
            (_, i) => x(rpm(i)),
            (value) => scale(value),
        )(values) ?? '';

    type Scale = (value: number) => number;

    /** The region a limit forbids, from its safe line up to the top of the panel. */
    function forbidden(points: { rpm: number; safe: number }[], scale: Scale, box: [number, number]): string {
        const ends = [
            { rpm: rpm(0), safe: points[0]?.safe ?? 0 },
            ...points.filter((p) => p.rpm > rpm(0)),
            { rpm: rpm(rpms - 1), safe: points[points.length - 1]?.safe ?? 0 },
        ];
        const edge = ends.map((p) => `${x(p.rpm)} ${scale(p.safe)}`);
        const over = Math.min(box[1], ...ends.map((p) => scale(p.safe)));
        return `M${edge.join('L')}V${over}H${left}Z`;
    }

    /** What the shown stage gives away against the one before, between the two torque curves. */
    function given(from: number, to: number, had: number[], has: number[]): string {
        const at = (value: number) => Math.round((value - estimate.grid.first) / estimate.grid.step);
        const places = Array.from({ length: at(to) - at(from) + 1 }, (_, i) => at(from) + i);
        const edge = (values: number[]) => places.map((i) => `${x(rpm(i))} ${torque(values[i] ?? 0)}`);
        return `M${[...edge(had), ...edge(has).reverse()].join('L')}Z`;
    }

    /** A power limit is drawn when it comes into the picture. */
    const powerSeen = $derived(
        powerLimit !== undefined && Math.min(...powerLimit.points.map((p) => power(p.safe))) < powerBox[0]
            ? powerLimit.points.some((p) => power(p.safe) > powerBox[1])
            : false,
    );

    function colour(stage: StageGlance): string {
        if (stage.index === 0) return 'var(--stone)';
        return stage === shown ? 'var(--river)' : 'var(--river-2)';
    }
    const name = (stage: StageGlance) => (stage.index === 0 ? 'as received' : `stage ${stage.index}`);
    const labelled = $derived(
        [stages[0], shown].filter((s, i, all): s is StageGlance => s !== undefined && all.indexOf(s) === i),
    );
    const ends = (key: 'torque' | 'power', scale: (v: number) => number, box: [number, number]) =>
        spread(
            labelled.map((s) => scale(s.curve[key][s.curve[key].length - 1] ?? 0) + 4),
            13,
            [box[1] + 10, box[0]],
        );
    const torqueEnds = $derived(ends('torque', torque, torqueBox));
    const powerEnds = $derived(ends('power', power, powerBox));

    const scales = $derived({
        torque: { scale: torque, box: torqueBox },
        power: { scale: power, box: powerBox },
    });
    const kinds = ['torque', 'power'] as const;

    /** Each limit's name where its safe line leaves the picture. */
    const limitLabels = $derived(
        kinds.flatMap((kind) => {
            const { scale, box } = scales[kind];
            const seen = (detail?.limits ?? [])
                .filter((one) => one.on === kind)
                .map((one) => ({
                    name: one.name,
                    last: one.safe.reduce(
                        (last, v, i) => (scale(v) >= box[1] && scale(v) <= box[0] ? i : last),
                        -1,
                    ),
                    safe: one.safe,
                }))
                .filter((one) => one.last >= 0);
            const wanted = seen.map((one) => scale(one.safe[one.last] ?? 0) - 4);
            const ys = spread(wanted, 13, [box[1] + 11, box[0]]);
            return seen.map((one, i) => ({
                key: `${kind} ${one.name}`,
                name: one.name,
                x: Math.max(left + 120, x(rpm(one.last))),
                y: ys[i] ?? 0,
            }));
        }),
    );

    /** Between two curves. */
    function between(low: number[], high: number[], scale: Scale): string {
        const edge = (values: number[]) => values.map((value, i) => `${x(rpm(i))} ${scale(value)}`);
        return `M${[...edge(high), ...edge(low).reverse()].join('L')}Z`;
    }

    /** A line inside its panel: what lies above it is left out. */
    function inside(values: number[], on: 'torque' | 'power'): string {
        const { scale, box } = scales[on];
        return (
            line<number>()
                .defined((value) => scale(value) >= box[1] && scale(value) <= box[0])
                .x((_, i) => x(rpm(i)))
                .y(scale)(values) ?? ''
        );
    }

    function point(event: PointerEvent) {
        const box = (event.currentTarget as SVGElement).getBoundingClientRect();
        const at = Math.round(
            (x.invert(event.clientX - box.left) - estimate.grid.first) / estimate.grid.step,
        );
        pointed = at >= 0 && at < rpms ? at : null;
    }

    /** Arrows read along the curve. */
    function walk(event: KeyboardEvent) {
        const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
        if (!by) return;
        event.preventDefault();
        const from = pointed ?? Math.floor(rpms / 2);
        pointed = Math.min(rpms - 1, Math.max(0, from + by * (event.shiftKey ? 10 : 2)));
    }
    const spoken = $derived(
        pointed === null || !shown
            ? 'arrows read along the curve'
            : `${figure(rpm(pointed))} rpm: ${output(shown.curve.torque[pointed] ?? 0, estimate.labels.tenths)} ${estimate.labels.torque}, ${output(shown.curve.power[pointed] ?? 0, estimate.labels.tenths)} ${estimate.labels.power}`,
    );
</script>

<svg
    class="absolute inset-0"
    {width}
    {height}
    viewBox="0 0 {width} {height}"
    role="slider"
    tabindex="0"
    aria-label="Wheel torque and power over engine speed, {shown ? name(shown) : ''} over the car as received"
    aria-valuenow={rpm(pointed ?? 0)}
    aria-valuemin={rpm(0)}
    aria-valuemax={rpm(rpms - 1)}
    aria-valuetext={spoken}
    onkeydown={walk}
    onblur={() => !detail && (pointed = null)}
    onpointermove={point}
    onpointerleave={() => !detail && (pointed = null)}
>
    <defs>
        <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V6" stroke="var(--rust)" stroke-width="1.4" />
        </pattern>
        {#each kinds as kind (kind)}
            <clipPath id="{frame}-{kind}">
                <rect
                    x={left}
                    y={scales[kind].box[1]}
                    width={Math.max(0, width - left - right)}
                    height={scales[kind].box[0] - scales[kind].box[1]}
                />
            </clipPath>
        {/each}
    </defs>
    <rect
        x={x(estimate.rpm_range.from)}
        y={torqueBox[1]}
        width={Math.max(0, Math.min(x(estimate.rpm_range.to), width - right) - x(estimate.rpm_range.from))}
        height={powerBox[0] - torqueBox[1]}
        fill="var(--wash)"
        opacity="0.5"
    />
    {#each [{ scale: torque, box: torqueBox, unit: estimate.labels.torque }, { scale: power, box: powerBox, unit: estimate.labels.power }] as axis (axis.unit)}
        <Rules scale={axis.scale} count={4} {left} right={width - right} />
        <path d="M{left} {axis.box[0]}H{width - right}" stroke="var(--line)" />
    {/each}
    {#each x.ticks(6) as tick (tick)}
        <text x={x(tick)} y={height - 21} text-anchor="middle" font-size="11" fill="var(--soft)"
            >{figure(tick)}</text
        >
    {/each}
    <text x={width - right + 8} y={height - 21} font-size="11" fill="var(--soft)">rpm</text>
    {#if limit}
        <path
            d={forbidden(limit.points, torque, torqueBox)}
            clip-path="url(#{frame}-torque)"
            fill="url(#hatch)"
            stroke="var(--rust)"
            stroke-width="1"
            opacity="0.5"><title>{limit.name}</title></path
        >
    {/if}
    {#if powerLimit && powerSeen}
        <path
            d={forbidden(powerLimit.points, power, powerBox)}
            clip-path="url(#{frame}-power)"
            fill="url(#hatch)"
            stroke="var(--rust)"
            stroke-width="1"
            opacity="0.5"><title>{powerLimit.name}</title></path
        >
        {#if !detail}<text
                x={left + 5 + 9 * estimate.labels.power.length}
                y={powerBox[1] + 11}
                font-size="11"
                fill="var(--rust)"
                class="halo">{powerLimit.name}</text
            >{/if}
    {/if}
    {#if detail}
        {#each kinds as kind (kind)}
            <path
                d={between(detail.low[kind], detail.high[kind], scales[kind].scale)}
                fill="var(--river)"
                opacity="0.2"><title>8 cars in 10</title></path
            >
            {#each detail.ceilings as ceiling, at (at)}
                <path
                    d={inside(ceiling[kind], kind)}
                    fill="none"
                    stroke="var(--straw)"
                    stroke-width="1.4"
                    stroke-dasharray="6 4"><title>without: {ceiling.sentence}</title></path
                >
            {/each}
        {/each}
        {#each detail.limits as one (one.key)}
            <path d={inside(one.safe, one.on)} fill="none" stroke="var(--rust)" stroke-width="1"
                ><title>{one.name}, safe</title></path
            >
            <path
                d={inside(one.edge, one.on)}
                fill="none"
                stroke="var(--rust)"
                stroke-width="1"
                stroke-dasharray="2 3"><title>{one.name}, edge</title></path
            >
        {/each}
    {/if}
    {#if shown?.torque_loss && before}
        <path
            d={given(shown.torque_loss.from, shown.torque_loss.to, before.curve.torque, shown.curve.torque)}
            fill="var(--straw)"
            opacity="0.55"><title>{shown.torque_loss.sentence}</title></path
        >
    {/if}
    {#each [...stages].sort((a, b) => Number(a === shown) - Number(b === shown)) as stage (stage.key)}
        <path
            d={drawn(stage.curve.torque, torque)}
            fill="none"
            stroke={colour(stage)}
            stroke-width={stage === shown ? 2.4 : 1.2}
        />
        <path
            d={drawn(stage.curve.power, power)}
            fill="none"
            stroke={colour(stage)}
            stroke-width={stage === shown ? 2.4 : 1.2}
        />
    {/each}
    {#each labelled as stage, i (stage.key)}
        <text
            x={width - right + 6}
            y={torqueEnds[i]}
            font-size="11"
            fill={stage.index ? 'var(--river)' : 'var(--soft)'}>{name(stage)}</text
        >
        <text
            x={width - right + 6}
            y={powerEnds[i]}
            font-size="11"
            fill={stage.index ? 'var(--river)' : 'var(--soft)'}>{name(stage)}</text
        >
    {/each}
    {#if stages.length > 1}
        <text x={4} y={height - 5} font-size="11" fill="var(--soft)">
            torque {figure(estimate.rpm_range.from)}–{figure(estimate.rpm_range.to)} rpm: {stages
                .slice(1)
                .map(
                    (s) =>
                        `${s.index === 1 ? 'stage ' : ''}${s.index} ${s.used_gain_percent >= 0 ? '+' : ''}${precise(s.used_gain_percent)} %`,
                )
                .join(', ')}
        </text>
    {/if}
    {#each limitLabels as one (one.key)}
        <text x={one.x - 4} y={one.y} text-anchor="end" font-size="11" fill="var(--rust)" class="halo"
            >{one.name}</text
        >
    {/each}
    {#if limit && !detail}
        <text
            x={width - right - 5}
            y={torqueBox[1] + 12}
            text-anchor="end"
            font-size="11"
            fill="var(--rust)"
            class="halo"
        >
            {limit.name}: safe to {output(limit.points[0]?.safe ?? 0, estimate.labels.tenths)}
            {estimate.labels.torque}{limit.points.length > 1
                ? ` at ${figure(limit.points[0]?.rpm ?? 0)} rpm`
                : ''}
        </text>
    {/if}
    {#each [{ box: torqueBox, unit: estimate.labels.torque }, { box: powerBox, unit: estimate.labels.power }] as axis (axis.unit)}
        <text
            x={left + 5}
            y={axis.box[1] + 11}
            font-size="11"
            font-weight="600"
            fill="var(--ink)"
            class="halo">{axis.unit}</text
        >
    {/each}
    {#if pointed !== null && shown}
        {#if detail}
            {#each kinds as kind (kind)}
                <circle
                    cx={x(rpm(pointed))}
                    cy={scales[kind].scale(shown.curve[kind][pointed] ?? 0)}
                    r="4"
                    fill="var(--river)"
                />
            {/each}
        {/if}
        <path
            d="M{x(rpm(pointed))} {torqueBox[1]}V{powerBox[0]}"
            stroke="var(--ink)"
            stroke-width="1"
            stroke-dasharray="2 3"
        />
        <text
            x={Math.min(x(rpm(pointed)) + 6, width - 190)}
            y={powerBox[1] - 2}
            font-size="11.5"
            fill="var(--ink)"
            class="halo"
        >
            {spoken}
        </text>
    {/if}
</svg>
