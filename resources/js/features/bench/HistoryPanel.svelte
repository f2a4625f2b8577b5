<script lang="ts">
    import { clock, day } from '@/lib/format';
    import type { Bench } from './bench.svelte';

    let { bench }: { bench: Bench } = $props();
    const loaded = $derived.by(() => {
        void bench.state.revision;
        return bench.history();
    });
</script>

<h2 class="text-[14px] font-semibold">History</h2>
{#await loaded}
    <p class="text-soft">loading…</p>
{:then revisions}
    <ol class="mt-1 text-[12.5px]">
        {#each revisions as revision (revision.number)}
            <li class="border-t border-faint py-1">
                <span class="text-soft">{revision.number}</span>
                {revision.label}
                <span class="block text-[11.5px] text-soft"
                    >{revision.author}, {day(revision.at)} {clock(revision.at)}</span
                >
            </li>
        {/each}
    </ol>
{:catch fault}
    <p class="text-rust">{fault.message}</p>
{/await}
