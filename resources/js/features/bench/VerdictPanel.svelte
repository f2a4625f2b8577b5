<script lang="ts">
    import type { Fix, Reasons } from '@/generated/answers';
    import { Fetched } from '@/lib/fetched.svelte';
    import Pebble from '@/ui/Pebble.svelte';
    import type { Bench } from './bench.svelte';

    type Props = { bench: Bench; subject: string };
    let { bench, subject }: Props = $props();
    const line = $derived(bench.estimate.verdict.find((one) => one.subject === subject));
    const troubled = $derived(line !== undefined && ['over', 'held-back', 'past-edge'].includes(line.status));
    const why = new Fetched<Reasons>(() => bench.opened('reasons', { subject }));
    const fixes = new Fetched<Fix[]>(() => (line && !bench.past ? bench.opened('fixes', { subject }) : null));
</script>

{#if line}
    <h2 class="flex items-center gap-2 text-[14px] font-semibold">
        <Pebble status={line.status} />
        {line.headline}
    </h2>
    {#if line.detail}<p class="mt-0.5 text-soft">{line.detail}</p>{/if}
    {#if !bench.past && (troubled || (fixes.value ?? []).length > 0)}
        <h3 class="mt-2 font-semibold">{troubled ? 'Smallest change' : 'What could change'}</h3>
        {#if fixes.loading}
            <p class="text-soft">calculating…</p>
        {:else if fixes.failed}
            <p class="text-soft">not calculated: the server does not answer</p>
        {:else}
            <ul>
                {#each fixes.value ?? [] as fix (fix.sentence)}
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
        {/if}
    {/if}
    <ul class="mt-2 text-[12.5px] leading-snug">
        {#each why.value?.reasons ?? [] as reason (reason.sentence)}<li class="border-t border-faint py-1.5">
                {reason.sentence}
            </li>{/each}
    </ul>
    <p class="border-t border-faint pt-2 text-[12px] text-soft">{bench.estimate.promise}</p>
{/if}
