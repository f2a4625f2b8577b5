<script lang="ts" module>
    import type { VerdictGlance } from '@/generated/answers';

    export type Status = VerdictGlance['status'];

    export const statusWords: Record<Status, string> = {
        clear: 'clear',
        close: 'close',
        over: 'over',
        'held-back': 'held back',
        'past-edge': 'past where it breaks',
        'not-estimated': 'not known',
    };
</script>

<script lang="ts">
    /**
     * A status as a shape: whole is clear, half full is close to safe, cracked is over safe, barred is held back by the map, in
     * pieces is past the edge.
     */
    type Props = {
        status: Status;
        /** Pixels. @default 18 */
        size?: number;
    };
    let { status, size = 18 }: Props = $props();
    const stone = 'M3 10C2 5 7 1 12 2s9 5 7 10-6 6-10 5-5.5-3-6-7z';
</script>

<svg width={size} height={size * 0.91} viewBox="0 0 22 20" role="img" aria-label={statusWords[status]}>
    {#if status === 'clear'}
        <path d={stone} fill="var(--moss)" />
    {:else if status === 'close'}
        <path d={stone} fill="none" stroke="var(--straw)" stroke-width="1.8" />
        <path d="M3 11c4-2 7 1.5 16 0-1 5-6 7-10 6s-5.5-3-6-6z" fill="var(--straw)" />
    {:else if status === 'over'}
        <path d={stone} fill="var(--rust)" />
        <path d="M12 1l-2 6 3 3-3 4 1 5" fill="none" stroke="var(--paper)" stroke-width="2" />
    {:else if status === 'held-back'}
        <path d={stone} fill="none" stroke="var(--rust)" stroke-width="1.8" />
        <path d="M2 10h17" fill="none" stroke="var(--rust)" stroke-width="3" />
    {:else if status === 'past-edge'}
        <path d="M2 9C2 5 5 2 9 2L7 8l3 4-4 4C3 14 2 12 2 9z" fill="var(--rust)" />
        <path d="M13 1c4 0 7 3 7 7l-6 2-3-4z" fill="var(--rust)" />
        <path d="M13 13l6-1c0 4-3 6-6 6l-2-3z" fill="var(--rust)" />
    {:else}
        <path d={stone} fill="none" stroke="var(--stone)" stroke-width="1.6" stroke-dasharray="2.5 2.5" />
    {/if}
</svg>
