<script lang="ts">
    import type { Snippet } from 'svelte';
    import type { VerdictGlance } from '@/generated/answers';
    import Pebble from '@/ui/Pebble.svelte';

    type Props = {
        ask: string;
        /** Whether it has an answer. */
        answered: boolean;
        /** Where the plan stands by it. */
        verdict?: VerdictGlance;
        /** What the answer changes. */
        means?: string[];
        children: Snippet;
    };
    let { ask, answered, verdict, means = [], children }: Props = $props();
</script>

<fieldset class="grid grid-cols-1 gap-x-8 gap-y-1 border-t border-line py-3 md:grid-cols-[1.5fr_1fr]">
    <legend class="sr-only">{ask}{answered ? '' : ' (open)'}</legend>
    <div>
        <p class="mb-1.5 flex items-center gap-2 text-[14px] font-semibold" aria-hidden="true">
            {ask}{#if !answered}<span
                    class="border-b border-dashed border-stone text-[12px] font-normal text-soft">open</span
                >{/if}
        </p>
        <div class="flex flex-wrap items-end gap-3">{@render children()}</div>
    </div>
    <div class="self-center leading-snug" aria-live="polite">
        {#if verdict}
            <p class="flex gap-2">
                <span class="mt-px shrink-0"><Pebble status={verdict.status} size={15} /></span>
                <span
                    >{verdict.headline}{#if verdict.detail}<span class="block text-soft"
                            >{verdict.detail}</span
                        >{/if}</span
                >
            </p>
        {/if}
        {#each means as sentence, at (at)}<p class="mt-0.5 text-[12.5px] text-soft">{sentence}</p>{/each}
    </div>
</fieldset>
