<script lang="ts">
    import type { Linear } from '@/charts/scale';
    import { precise } from '@/lib/format';

    /** The lines across a panel with their figures before them. */
    type Props = { scale: Linear; count: number; left: number; right: number };
    let { scale, count, left, right }: Props = $props();
</script>

{#each scale.ticks(count) as tick (tick)}
    <path d="M{left} {scale(tick)}H{right}" stroke="var(--faint)" />
    <text x={left - 6} y={scale(tick) + 4} text-anchor="end" font-size="11" fill="var(--soft)"
        >{precise(tick)}</text
    >
{/each}
