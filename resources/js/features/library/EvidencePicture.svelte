<script lang="ts">
    import { fixed } from '@/charts/scale';
    import type { GainEvidence } from '@/generated/answers';
    import { precise } from '@/lib/format';
    import { shape } from './evidence';

    /** Every record of a gain as a bar from low to high with its likely value, over the figure in use: where sources disagree one sees it. */
    type Props = { evidence: GainEvidence[number]; unit: string; width: number };
    let { evidence, unit, width }: Props = $props();
    const left = 132;
    const right = 96;
    const row = 24;
    const rows = $derived([
        {
            id: 0,
            kind: evidence.in_use.kind,
            what: 'in use',
            power: evidence.in_use.power,
            adds: evidence.in_use.adds,
        },
        ...evidence.records.map((record) => ({ ...record, what: record.rests })),
    ]);
    const height = $derived(rows.length * row + 26);
    const all = $derived(rows.flatMap((one) => one.power));
    const x = $derived(fixed([Math.min(0, ...all), Math.max(1, ...all) * 1.04], [left, width - right]));
</script>

<svg {width} {height} role="img" aria-label="Records of this gain over the figure in use, {unit}">
    <rect
        x={x(evidence.in_use.power[0] ?? 0)}
        y="0"
        width={Math.max(1, x(evidence.in_use.power[2] ?? 0) - x(evidence.in_use.power[0] ?? 0))}
        height={height - 22}
        fill="var(--wash)"
    />
    {#each x.ticks(5) as tick (tick)}
        <line x1={x(tick)} x2={x(tick)} y1="0" y2={height - 22} stroke="var(--faint)" />
        <text x={x(tick)} y={height - 8} text-anchor="middle" font-size="11" fill="var(--soft)"
            >{precise(tick)}</text
        >
    {/each}
    {#each rows as one, i (one.id)}
        {@const y = i * row + row / 2}
        {@const [low = 0, likely = 0, high = 0] = one.power}
        <text x="0" y={y + 4} font-size="12" fill="var(--ink)" font-weight={i === 0 ? 600 : 400}
            >{shape(one.kind)} {one.what}</text
        >
        <line
            x1={x(low)}
            x2={x(high)}
            y1={y}
            y2={y}
            stroke={i === 0 ? 'var(--river)' : 'var(--stone)'}
            stroke-width="3"
            stroke-linecap="round"
        />
        <circle
            cx={x(likely)}
            cy={y}
            r="5"
            fill={i === 0 ? 'var(--river)' : 'var(--paper)'}
            stroke={i === 0 ? 'var(--river)' : 'var(--ink)'}
            stroke-width="1.6"
        />
        <text x={width - right + 10} y={y + 4} font-size="12" fill="var(--ink)">{precise(likely)} {unit}</text
        >
    {/each}
</svg>
