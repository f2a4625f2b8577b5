<script lang="ts">
    import Rules from '@/charts/Rules.svelte';
    import { covered, place, tie } from '@/charts/labels';
    import { fixed, roomy } from '@/charts/scale';
    import type { BenchEstimate } from '@/generated/answers';
    import { money, output } from '@/lib/format';
    import { stone, wavyLine } from '@/lib/stones';

    /** The run: money spent on x, wheel power on y, a pebble for every stage. */
    type Props = {
        estimate: BenchEstimate;
        width: number;
        height: number;
        /** The stage picked out, by index. */
        chosen: number;
        choose: (stage: number) => void;
        /** Other plans that lie over this one. */
        ghosts?: { id: number; name: string; run: { money: number; power: { p50: number } }[] }[];
        /** Takes a target or a budget that was dragged; null where nothing can be changed. */
        changeTarget?: ((answer: { power: number } | { budget: number }) => void) | null;
    };
    let { estimate, width, height, chosen, choose, ghosts = [], changeTarget = null }: Props = $props();

    const left = 46;
    const right = 16;
    const top = 14;
    const bottom = 22;
    const stages = $derived(estimate.stages);
    const symbol = $derived(estimate.labels.money);
    /** What is being dragged, before it is an answer. */
    let dragging = $state<{ line: 'target' | 'budget'; value: number } | null>(null);
    const target = $derived(dragging?.line === 'target' ? dragging.value : estimate.target.power);
    const budget = $derived(dragging?.line === 'budget' ? dragging.value : estimate.budget.total);
    /** The stage under the pointer or the focus. */
    let read = $state<number | null>(null);
    const x = $derived(
        fixed(
            [
                0,
                1.09 *
                    Math.max(
                        1000,
                        estimate.budget.total ?? 0,
                        ...stages.map((s) => s.money.cumulative.likely),
                        ...ghosts.flatMap((ghost) => ghost.run.map((s) => s.money)),
                    ),
            ],
            [left, width - right],
        ),
    );
    const y = $derived(
        roomy(
            [
                ...stages.flatMap((s) => [s.power.p10, s.power.p90]),
                ...ghosts.flatMap((ghost) => ghost.run.map((s) => s.power.p50)),
                ...(estimate.target.power === null ? [] : [estimate.target.power]),
            ],
            [height - bottom, top],
            {
                below: 0.22,
                above: 0.12,
            },
        ),
    );
    const points = $derived(
        stages.map((s) => ({
            stage: s,
            x: x(s.money.cumulative.likely),
            y: y(s.power.p50),
            size: 0.62 + Math.min(0.5, s.parts_bought * 0.08),
        })),
    );
    const path = $derived(points.map((p, i) => `${i ? 'L' : 'M'}${p.x} ${p.y}`).join(''));
    const readout = $derived.by(() => {
        const stage = read === null ? undefined : stages[read];
        if (!stage) return '';
        const weakest = stage.weakest ? `; ${stage.weakest.name} ${stage.weakest.percents}` : '';
        return `${words(stage.index)}: ${output(stage.power.p10, estimate.labels.tenths)}–${output(stage.power.p90, estimate.labels.tenths)} ${estimate.labels.power}, ${money(stage.money.cumulative.likely, symbol)}${weakest}${knee?.stage === stage.index ? `; ${knee.sentence}` : ''}`;
    });

    const clamp = (value: number, least: number, most: number) => Math.min(most, Math.max(least, value));
    const STEP = { target: 1, budget: 50 } as const;
    const MOST = { target: [1, 5000], budget: [0, 10_000_000] } as const;
    type Box = { x: number; y: number; width: number; height: number };

    /** The value at the pointer, in whole steps. */
    function at(line: 'target' | 'budget', event: PointerEvent): number {
        const box = (event.currentTarget as SVGElement).ownerSVGElement?.getBoundingClientRect();
        const value =
            line === 'target'
                ? y.invert(clamp(event.clientY - (box?.top ?? 0), top, height - bottom))
                : x.invert(clamp(event.clientX - (box?.left ?? 0), left, width - right));
        return Math.round(value / STEP[line]) * STEP[line];
    }

    function grab(line: 'target' | 'budget', event: PointerEvent) {
        if (!changeTarget) return;
        (event.currentTarget as Element).setPointerCapture(event.pointerId);
        dragging = { line, value: at(line, event) };
    }

    function drag(event: PointerEvent) {
        if (dragging) dragging = { ...dragging, value: at(dragging.line, event) };
    }

    function settle() {
        if (dragging && changeTarget)
            changeTarget(dragging.line === 'target' ? { power: dragging.value } : { budget: dragging.value });
        dragging = null;
    }

    /** Arrows nudge the line; with Shift ten times as far. */
    function nudge(line: 'target' | 'budget', value: number, event: KeyboardEvent) {
        const by = { ArrowUp: 1, ArrowRight: 1, ArrowDown: -1, ArrowLeft: -1 }[event.key];
        if (!by || !changeTarget) return;
        event.preventDefault();
        event.stopPropagation();
        const next = Math.max(STEP[line], value + by * STEP[line] * (event.shiftKey ? 10 : 1));
        changeTarget(line === 'target' ? { power: next } : { budget: next });
    }

    const words = (i: number) => (i === 0 ? 'as received' : `stage ${i}`);
    const knee = $derived(estimate.knee);
    /** In two lines, where a long one would cross the path. */
    const kneeLines = $derived.by(() => {
        const all = (knee?.sentence ?? '').split(' ');
        const first = all.slice(0, Math.ceil(all.length / 2));
        return [first.join(' '), all.slice(first.length).join(' ')];
    });

    /** Where a label's text begins, or ends where it stands before its pebble. */
    const begins = (box: Box, point: { x: number }) =>
        box.x < point.x
            ? { x: box.x + box.width, 'text-anchor': 'end' as const }
            : { x: box.x, 'text-anchor': 'start' as const };

    /** Each label takes the free side of its pebble, clear of the lines of target and budget, the range bars and the path. */
    const boxes = $derived.by(() => {
        const taken = points.map((p) => ({
            x: p.x - 11,
            y: y(p.stage.power.p90) - 3,
            width: 22,
            height: y(p.stage.power.p10) - y(p.stage.power.p90) + 6,
        }));
        if (target !== null)
            taken.push(
                { x: left, y: y(target) - 4, width: width - left - right, height: 8 },
                { x: left, y: y(target) - 20, width: 110, height: 18 },
            );
        if (budget !== null)
            taken.push(
                { x: x(budget) - 8, y: top, width: 16, height: height - top - bottom },
                { x: x(budget) - 96, y: height - bottom - 20, width: 96, height: 20 },
            );
        for (const [i, p] of points.entries()) {
            const next = points[i + 1];
            const steps = next ? Math.ceil(Math.hypot(next.x - p.x, next.y - p.y) / 8) : 1;
            for (let t = 1 / steps; next && t < 1; t += 1 / steps)
                taken.push({
                    x: p.x + (next.x - p.x) * t - 6,
                    y: p.y + (next.y - p.y) * t - 4,
                    width: 12,
                    height: 8,
                });
        }
        /** On either side of a pebble, at its height and ever further above and below. */
        const around = (p: (typeof points)[number], size: { width: number; height: number }) => {
            const above = y(p.stage.power.p90) - size.height - 4;
            const below = y(p.stage.power.p10) + 4;
            const rows = [p.y + 6, below, p.y - size.height - 4, above];
            for (const away of [20, 40, 60]) rows.push(above - away, below + away);
            return rows.flatMap((at) => [
                { x: p.x + 14, y: at, ...size },
                { x: p.x - 14 - size.width, y: at, ...size },
            ]);
        };
        const wanted = points.map((p) => ({
            own: { x: p.x, y: p.y },
            places: around(p, { width: 132, height: 18 }),
        }));
        const at = knee && points[knee.stage];
        if (knee && at)
            wanted.push({
                own: { x: at.x, y: at.y },
                places: around(at, {
                    width: Math.max(...kneeLines.map((one) => one.length)) * 6,
                    height: 30,
                }),
            });
        const placed = place(wanted, taken, {
            x: left,
            y: top,
            width: width - left - right,
            height: height - top - bottom,
        });
        const sentence = placed[points.length];
        // Where it fits nowhere it is a word at its pebble, and the whole of it is read there.
        return sentence && covered(sentence, [...taken, ...placed.slice(0, points.length)]) > 0.06
            ? placed.slice(0, points.length)
            : placed;
    });
</script>

<svg
    class="absolute inset-0"
    {width}
    {height}
    viewBox="0 0 {width} {height}"
    role="group"
    aria-label="The run: money spent against wheel power"
>
    {#if target !== null && budget !== null}
        <rect
            x={left}
            y={top}
            width={Math.max(0, x(budget) - left)}
            height={Math.max(0, y(target) - top)}
            fill="var(--wash)"
            opacity="0.6"
        />
    {/if}
    <Rules scale={y} count={5} {left} right={width - right} />
    <text x={left - 6} y={top - 3} text-anchor="end" font-size="11" fill="var(--soft)"
        >{estimate.labels.power}</text
    >
    {#each x.ticks(6) as tick (tick)}
        <text x={x(tick)} y={height - 6} text-anchor="middle" font-size="11" fill="var(--soft)"
            >{money(tick, symbol)}</text
        >
    {/each}
    {#if target !== null}
        <path
            d={wavyLine(left, width - right, y(target))}
            fill="none"
            stroke="var(--river)"
            stroke-width="1.5"
        />
        <text x={left + 8} y={y(target) - 6} font-size="11.5" fill="var(--river)"
            >target {output(target, estimate.labels.tenths)} {estimate.labels.power}</text
        >
    {/if}
    {#if budget !== null}
        <path
            d="M{x(budget)} {top}V{height - bottom}"
            stroke="var(--ink)"
            stroke-width="1.5"
            stroke-dasharray="1 4"
            stroke-linecap="round"
        />
        <text x={x(budget) - 6} y={height - bottom - 6} text-anchor="end" font-size="11.5" fill="var(--ink)"
            >budget {money(budget, symbol)}</text
        >
    {/if}
    {#each ghosts as ghost (ghost.id)}
        {@const spots = ghost.run.map((s) => ({ x: x(s.money), y: y(s.power.p50) }))}
        {@const last = spots[spots.length - 1]}
        <path
            d={spots.map((p, i) => `${i ? 'L' : 'M'}${p.x} ${p.y}`).join('')}
            fill="none"
            stroke="var(--stone)"
            stroke-width="1.6"
            stroke-dasharray="5 4"
        />
        {#each spots as spot, i (i)}
            <path
                transform="translate({spot.x} {spot.y}) scale(0.55)"
                d={stone(i)}
                fill="var(--ground)"
                stroke="var(--stone)"
                stroke-width="2.5"
            />
        {/each}
        {#if last}
            <text
                x={Math.min(last.x, width - right - 4)}
                y={target !== null && Math.abs(last.y - 9 - y(target)) < 18 ? last.y + 19 : last.y - 9}
                text-anchor="end"
                font-size="11.5"
                fill="var(--soft)"
                class="halo">{ghost.name}</text
            >
        {/if}
    {/each}
    <path d={path} fill="none" stroke="var(--river-2)" stroke-width="3" stroke-linejoin="round" />
    {#each points as point, i (point.stage.key)}
        {@const low = y(point.stage.power.p10)}
        {@const high = y(point.stage.power.p90)}
        {@const over = ['over', 'held-back', 'past-edge'].includes(point.stage.status)}
        <path
            d="M{point.x} {low}V{high}M{point.x - 5} {low}h10M{point.x - 5} {high}h10"
            stroke={i ? 'var(--river)' : 'var(--stone)'}
            stroke-width="1.5"
        />
        <g
            transform="translate({point.x} {point.y}) scale({point.size}) rotate({i * 23})"
            role="button"
            tabindex="0"
            aria-label="{i ? `Stage ${i}` : 'As received'}: {output(
                point.stage.power.p50,
                estimate.labels.tenths,
            )} {estimate.labels.power}, {money(point.stage.money.cumulative.likely, symbol)}"
            onclick={() => choose(i)}
            onpointerenter={() => (read = i)}
            onpointerleave={() => (read = null)}
            onfocus={() => (read = i)}
            onblur={() => (read = null)}
            onkeydown={(event) => event.key === 'Enter' && choose(i)}
        >
            <path
                d={stone(i)}
                fill={i === 0 ? 'var(--stone)' : 'var(--river)'}
                stroke={i === chosen ? 'var(--ink)' : 'var(--ground)'}
                stroke-width="2.5"
            />
            {#if over}<path
                    d="M2 -8l-3 6 4 3-4 4 2 4"
                    fill="none"
                    stroke="var(--ground)"
                    stroke-width="2"
                />{/if}
        </g>
        {@const box = boxes[i]}
        {#if box}
            {@render tied(box, point)}
            <text
                {...begins(box, point)}
                y={box.y + 13}
                font-size="14"
                font-weight="650"
                fill={i ? 'var(--ink)' : 'var(--soft)'}
                class="halo"
            >
                {output(point.stage.power.p50, estimate.labels.tenths)}<tspan
                    font-size="11.5"
                    font-weight="400"
                    fill="var(--soft)"
                    >&nbsp;{estimate.labels.power}, {words(i)}{knee?.stage === i && !boxes[points.length]
                        ? ', knee'
                        : ''}</tspan
                >
            </text>
        {/if}
    {/each}
    {#if knee && points[knee.stage]}
        {@const box = boxes[points.length]}
        {@const point = points[knee.stage]}
        {#if box && point}
            {@render tied(box, point)}
            {#each kneeLines as line, i (i)}<text
                    {...begins(box, point)}
                    y={box.y + 12 + 14 * i}
                    font-size="11.5"
                    fill="var(--soft)"
                    class="halo">{line}</text
                >{/each}
        {/if}
    {/if}
    {#snippet tied(box: Box, point: { x: number; y: number })}
        {@const line = tie(box, point)}
        {#if line}<path
                d="M{line[0].x} {line[0].y}L{line[1].x} {line[1].y}"
                stroke="var(--stone)"
                stroke-width="1"
            />{/if}
    {/snippet}
    <!-- The lines are handles: they lie over everything, and are as thick as a finger. -->
    {#snippet handle(line: 'target' | 'budget', value: number, name: string, box: Box)}
        <rect
            class="{line === 'target'
                ? 'cursor-ns-resize'
                : 'cursor-ew-resize'} outline-none focus-visible:[stroke:var(--river)]"
            {...box}
            fill="transparent"
            role="slider"
            tabindex="0"
            aria-label={name}
            aria-orientation={line === 'target' ? 'vertical' : 'horizontal'}
            aria-valuenow={value}
            aria-valuemin={MOST[line][0]}
            aria-valuemax={MOST[line][1]}
            onpointerdown={(event) => grab(line, event)}
            onpointermove={drag}
            onpointerup={settle}
            onkeydown={(event) => nudge(line, value, event)}
        />
    {/snippet}
    {#if target !== null && changeTarget}
        {@render handle('target', target, `Target, ${estimate.labels.power}`, {
            x: left,
            y: y(target) - 7,
            width: width - left - right,
            height: 14,
        })}
    {/if}
    {#if budget !== null && changeTarget}
        {@render handle('budget', budget, `Budget, ${symbol}`, {
            x: x(budget) - 7,
            y: top,
            width: 14,
            height: height - top - bottom,
        })}
    {/if}
    {#if readout}
        <text
            x={left + 6}
            y={height - bottom - 6}
            font-size="12"
            font-weight="600"
            fill="var(--ink)"
            class="halo">{readout}</text
        >
    {/if}
</svg>
