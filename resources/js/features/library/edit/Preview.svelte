<script lang="ts">
    import type { LibraryLook } from '@/generated/answers';

    /** What the part adds on builds of this platform, as it is written now. */
    let { shown }: { shown: LibraryLook['preview'] } = $props();
</script>

{#if shown.length > 0}
    <h2 class="mt-5 border-t border-line pt-3 font-semibold">What it adds here</h2>
    {#each shown as one (one.build)}
        <div class="border-b border-faint py-1.5">
            <p class="flex justify-between gap-2 tabular-nums">
                <span>{one.build}</span><span class="font-medium"
                    >{one.adds}{one.adds_torque ? `, ${one.adds_torque}` : ''}</span
                >
            </p>
            <p class="flex justify-between gap-2 text-[12px] text-soft tabular-nums">
                <span class="min-w-0 flex-1">{one.with}</span><span class="whitespace-nowrap"
                    >{one.costs} fitted</span
                >
            </p>
            {#each [...one.needs, ...one.ceilings] as line, i (i)}<p class="text-[12px] text-soft">
                    {line}
                </p>{/each}
        </div>
    {/each}
{/if}
