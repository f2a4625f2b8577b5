<script lang="ts">
    import Pebble, { statusWords } from '@/ui/Pebble.svelte';
    import type { Bench } from './bench.svelte';

    type Props = { bench: Bench; subject: string };
    let { bench, subject }: Props = $props();
    const line = $derived(bench.estimate.verdict.find((one) => one.subject === subject));
</script>

{#if line}
    <h2 class="flex items-center gap-2 text-[14px] font-semibold">
        <Pebble status={line.status} />
        {line.headline}
    </h2>
    <p class="mt-0.5 text-soft">{statusWords[line.status]}{line.detail ? `: ${line.detail}` : ''}</p>
    <ul class="mt-2 text-[12.5px] leading-snug">
        {#each line.reasons as reason (reason)}<li class="border-t border-faint py-1.5">{reason}</li>{/each}
    </ul>
    <p class="border-t border-faint pt-2 text-[12px] text-soft">{bench.estimate.promise}</p>
{/if}
