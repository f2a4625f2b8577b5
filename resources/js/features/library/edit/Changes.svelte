<script lang="ts">
    import type { LibraryState } from '@/generated/answers';
    import { clock, day } from '@/lib/format';

    /** Who changed what last, and the way back. */
    type Props = { state: LibraryState; mayEdit: boolean; undo: (number: number) => void };
    let { state, mayEdit, undo }: Props = $props();
</script>

{#if state.edits.length > 0}
    <h2 class="mt-5 border-t border-line pt-3 font-semibold">Changed last</h2>
    <ul>
        {#each state.edits as edit (edit.number)}
            <li class="flex items-baseline gap-2 border-b border-faint py-1 text-[12px]">
                <span class="min-w-0 flex-1"
                    >{edit.what}
                    {edit.how}<span class="block text-soft">{edit.who}, {day(edit.at)}, {clock(edit.at)}</span
                    ></span
                >
                {#if mayEdit}<button
                        class="btn"
                        onclick={() => undo(edit.number)}
                        aria-label="Undo: {edit.what} {edit.how}">Undo</button
                    >{/if}
            </li>
        {/each}
    </ul>
{/if}
