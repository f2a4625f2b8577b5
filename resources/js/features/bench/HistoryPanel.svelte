<script lang="ts">
    import type { HistoryEntry } from '@/generated/answers';
    import { clock, day } from '@/lib/format';
    import type { Bench } from './bench.svelte';

    let { bench }: { bench: Bench } = $props();
    let revisions = $state.raw<HistoryEntry[]>([]);
    let fault = $state('');
    const PAGE = 60;
    /** Whether there may be more behind the last one listed. */
    let more = $state(false);

    /** The latest, or those behind the last one listed. */
    async function load(before?: number) {
        try {
            const found = await bench.history(before);
            revisions = before ? [...revisions, ...found] : found;
            more = found.length === PAGE;
            fault = '';
        } catch {
            fault = 'not listed: the server does not answer';
        }
    }

    $effect(() => {
        void bench.state.revision;
        void load();
    });
    const shown = $derived((bench.past ?? bench.state).revision);
</script>

<h2 class="text-[14px] font-semibold">History</h2>
<p class="text-[12px] text-soft">
    Look at any. Undo takes back that one change, also a colleague’s, and leaves what came after it.
</p>
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
            {#if revision.stands && bench.mayEdit && !bench.past}
                <button
                    class="btn shrink-0 px-1.5 py-0 text-[11.5px]"
                    aria-label="Undo revision {revision.number}{revision.mine
                        ? ''
                        : `, by ${revision.author}`}"
                    onclick={() => bench.undoChange(revision)}
                    >{revision.mine ? 'Undo' : `Undo ${revision.author.split(' ')[0]}’s`}</button
                >
            {/if}
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
{#if more}
    <button class="btn mt-2" onclick={() => load(revisions[revisions.length - 1]?.number)}
        >Earlier ones</button
    >
{/if}
{#if fault}<p class="text-rust">{fault}</p>{/if}
