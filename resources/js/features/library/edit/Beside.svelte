<script lang="ts">
    import type { Snippet } from 'svelte';
    import Told from '@/ui/Told.svelte';
    import type { Editing } from './editing.svelte';
    import { placed, worded } from './labels';

    /** Beside what is being changed: what is wrong or hard to believe, and keeping it. */
    type Props = {
        editing: Editing;
        mayEdit: boolean;
        keep: () => void;
        /** Saves it and goes on with a new one. */
        next?: () => void;
        children?: Snippet;
    };
    let { editing, mayEdit, keep, next, children }: Props = $props();
    const faults = $derived(editing.look?.faults ?? []);
    const doubts = $derived(editing.look?.doubts ?? []);
    const notes = $derived(editing.look?.notes ?? []);
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<aside tabindex="0" class="overflow-y-auto border-l border-line px-4 py-4" aria-label="What it comes to">
    {#if mayEdit}
        <div class="flex items-center gap-2">
            <button class="btn btn-strong" disabled={!editing.changed || faults.length > 0} onclick={keep}
                >Save</button
            >
            {#if next}<button class="btn" disabled={!editing.changed || faults.length > 0} onclick={next}
                    >Save and next</button
                >{/if}
            {#if editing.changed}<button class="btn" onclick={() => editing.drop()}>Drop changes</button>{/if}
            <span class="text-[12px] text-soft"
                >{editing.looking ? 'looking…' : editing.changed ? 'not saved yet' : ''}</span
            >
        </div>
        {#if editing.again}<p class="mt-2 text-soft">You had written this and not saved it.</p>{/if}
        <Told say={editing.say} />
        {#if editing.theirs}<button class="btn mt-1" onclick={() => editing.takeTheirs()}
                >Show what it says now</button
            >{/if}
    {/if}
    <div aria-live="polite">
        {#if faults.length > 0}
            <h2 class="mt-4 font-semibold">Not right yet</h2>
            <ul>
                {#each faults as fault, i (i)}<li class="border-b border-faint py-1">
                        {fault.path ? `${placed(fault.path)}: ` : ''}{worded(fault.message)}
                    </li>{/each}
            </ul>
        {:else if doubts.length > 0}
            <h2 class="mt-4 font-semibold">Hard to believe</h2>
            <ul>
                {#each doubts as doubt, i (i)}<li class="border-b border-faint py-1 text-rust">
                        <span aria-hidden="true">△</span>
                        {doubt.message}
                    </li>{/each}
            </ul>
        {/if}
        {#if notes.length > 0}
            <h2 class="mt-4 font-semibold">Notes</h2>
            <ul>
                {#each notes as note, i (i)}<li class="border-b border-faint py-1">{note}</li>{/each}
            </ul>
        {/if}
    </div>
    {@render children?.()}
</aside>
