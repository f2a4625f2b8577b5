<script lang="ts">
    import type { Fix } from '@/generated/answers';
    import { get } from '@/lib/api';
    import Pebble from '@/ui/Pebble.svelte';
    import type { Bench } from './bench.svelte';

    type Props = { bench: Bench; subject: string };
    let { bench, subject }: Props = $props();
    const line = $derived(bench.estimate.verdict.find((one) => one.subject === subject));
    const troubled = $derived(line?.status === 'over' || line?.status === 'past-edge');
    const fixes = $derived.by(() => {
        void bench.state.revision;
        return troubled && !bench.past ? get<Fix[]>(`/plans/${bench.plan}/fixes?subject=${subject}`) : null;
    });
</script>

{#if line}
    <h2 class="flex items-center gap-2 text-[14px] font-semibold">
        <Pebble status={line.status} />
        {line.headline}
    </h2>
    {#if line.detail}<p class="mt-0.5 text-soft">{line.detail}</p>{/if}
    {#if fixes}
        <h3 class="mt-2 font-semibold">Smallest change</h3>
        {#await fixes}
            <p class="text-soft">calculating…</p>
        {:then found}
            <ul>
                {#each found as fix (fix.sentence)}
                    <li class="flex items-start justify-between gap-2 border-t border-faint py-1.5">
                        <span class="text-[12.5px] leading-snug">{fix.sentence}</span>
                        <button class="btn shrink-0" onclick={() => bench.edit(fix.commands, fix.sentence)}
                            >Apply</button
                        >
                    </li>
                {:else}
                    <li class="border-t border-faint py-1.5 text-[12.5px] text-soft">
                        No single change settles it.
                    </li>
                {/each}
            </ul>
        {:catch}
            <p class="text-soft">not calculated: the server does not answer</p>
        {/await}
    {/if}
    <ul class="mt-2 text-[12.5px] leading-snug">
        {#each line.reasons as reason (reason.sentence)}<li class="border-t border-faint py-1.5">
                {reason.sentence}
            </li>{/each}
    </ul>
    <p class="border-t border-faint pt-2 text-[12px] text-soft">{bench.estimate.promise}</p>
{/if}
