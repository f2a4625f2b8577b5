<script lang="ts">
    import Pebble from '@/ui/Pebble.svelte';
    import type { Bench } from './bench.svelte';

    let { bench }: { bench: Bench } = $props();
    const open = $derived(bench.view.kind === 'verdict' ? bench.view.subject : '');
</script>

<section
    class="grid shrink-0 grid-cols-1 border-b border-line bg-paper sm:grid-cols-2 md:grid-cols-3 xl:grid-cols-[1.35fr_1.05fr_1.25fr_1.25fr_1.1fr_1.15fr]"
    aria-label="Verdict"
>
    {#each bench.estimate.verdict as line (line.subject)}
        <button
            class="flex min-w-0 items-start gap-2 border-r border-line px-3 py-2 text-left last:border-r-0 hover:bg-faint {open ===
            line.subject
                ? 'bg-wash'
                : ''}"
            aria-pressed={open === line.subject}
            onclick={() =>
                (bench.view =
                    open === line.subject ? { kind: 'cell' } : { kind: 'verdict', subject: line.subject })}
        >
            <span class="mt-0.5 shrink-0"><Pebble status={line.status} /></span>
            <span class="min-w-0">
                <span class="line-clamp-2 text-[13px] leading-tight font-semibold">{line.headline}</span>
                <span class="line-clamp-2 text-[12px] leading-tight text-soft">{line.detail}</span>
            </span>
        </button>
    {/each}
</section>
