<script lang="ts">
    import { fixed, roomy } from '@/charts/scale';
    import type { Summary } from '@/generated/answers';
    import { stone, wavyLine } from '@/lib/stones';

    /** The run, small: what the counter shows of a job. */
    type Props = { summary: Summary; width?: number; height?: number };
    let { summary, width = 168, height = 64 }: Props = $props();

    const target = $derived(summary.target.power);
    const budget = $derived(summary.budget.total);
    const x = $derived(
        fixed([0, 1.06 * Math.max(1, budget ?? 0, ...summary.run.map((s) => s.money))], [10, width - 8]),
    );
    const y = $derived(
        roomy(
            [...summary.run.map((s) => s.power.p50), ...(target === null ? [] : [target])],
            [height - 10, 10],
            { below: 0, above: 0 },
        ),
    );
    const path = $derived(
        summary.run.map((s, i) => `${i ? 'L' : 'M'}${x(s.money)} ${y(s.power.p50)}`).join(''),
    );
</script>

<svg {width} {height} viewBox="0 0 {width} {height}" aria-hidden="true">
    {#if target !== null}<path
            d={wavyLine(6, width - 4, y(target))}
            fill="none"
            stroke="var(--river-2)"
        />{/if}
    {#if budget !== null}<path
            d="M{x(budget)} 4V{height - 4}"
            stroke="var(--soft)"
            stroke-dasharray="1 3"
            stroke-linecap="round"
        />{/if}
    <path d={path} fill="none" stroke="var(--river-2)" stroke-width="2" />
    {#each summary.run as stage, i (i)}
        <path
            transform="translate({x(stage.money)} {y(stage.power.p50)}) scale(0.5) rotate({i * 23})"
            d={stone(i)}
            fill={i ? 'var(--river)' : 'var(--stone)'}
        />
    {/each}
</svg>
