<script lang="ts">
    import { clock, day } from '@/lib/format';
    import type { Bench } from './bench.svelte';

    let { bench }: { bench: Bench } = $props();
    const loaded = $derived.by(() => {
        void bench.state.revision;
        return bench.history();
    });
    const shown = $derived((bench.past ?? bench.state).revision);
</script>

<h2 class="text-[14px] font-semibold">History</h2>
<p class="text-[12px] text-soft">Look at any; restoring makes a new revision, and nothing is lost.</p>
{#await loaded}
    <p class="text-soft">loading…</p>
{:then revisions}
    <ol class="mt-1 text-[12.5px]">
        {#each revisions as revision (revision.number)}
            <li
                class="flex items-start gap-2 border-t border-faint py-1 {revision.number === shown
                    ? 'bg-wash'
                    : ''}"
            >
                <span class="min-w-0 flex-1">
                    <span class="text-soft">{revision.number}</span>
                    {revision.label}
                    <span class="block text-[11.5px] text-soft"
                        >{revision.author}, {day(revision.at)} {clock(revision.at)}</span
                    >
                </span>
                {#if revision.number === bench.state.revision}
                    <span class="text-[11.5px] text-soft">now</span>
                {:else}
                    <button
                        class="btn shrink-0 px-1.5 py-0 text-[11.5px]"
                        aria-label="Look at revision {revision.number}"
                        onclick={() => bench.look(revision.number)}>Look</button
                    >
                {/if}
            </li>
        {/each}
    </ol>
{:catch fault}
    <p class="text-rust">{fault.message}</p>
{/await}
