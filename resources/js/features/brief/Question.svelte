<script lang="ts">
    import type { Snippet } from 'svelte';
    import type { VerdictLine } from '@/generated/estimate';
    import Pebble from '@/ui/Pebble.svelte';

    type Props = {
        ask: string;
        /** What the answer means for the plan as it stands. */
        means?: VerdictLine;
        /** Said beside the answer when no verdict line belongs to it. */
        note?: string;
        children: Snippet;
    };
    let { ask, means, note, children }: Props = $props();
</script>

<fieldset class="grid grid-cols-1 gap-x-8 gap-y-1 border-t border-line py-3 md:grid-cols-[1.5fr_1fr]">
    <legend class="sr-only">{ask}</legend>
    <div>
        <p class="mb-1.5 text-[14px] font-semibold" aria-hidden="true">{ask}</p>
        <div class="flex flex-wrap items-end gap-3">{@render children()}</div>
    </div>
    <div class="flex gap-2 self-center" aria-live="polite">
        {#if means}
            <span class="mt-px shrink-0"><Pebble status={means.status} size={15} /></span>
            <span class="leading-tight"
                >{means.headline}{#if means.detail}<span class="block text-soft">{means.detail}</span
                    >{/if}</span
            >
        {:else if note}
            <span class="leading-tight text-soft">{note}</span>
        {/if}
    </div>
</fieldset>
