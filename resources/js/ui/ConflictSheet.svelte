<script lang="ts">
    import type { EditQueue } from '@/lib/sync/queue.svelte';
    import { clock } from '@/lib/format';
    import Sheet from './Sheet.svelte';

    /** Others changed the same: both sides of every place, to be chosen from. What stands behind it has gone on. */
    let { queue }: { queue: EditQueue } = $props();
    const aside = $derived(queue.aside.find((one) => one.conflict !== null));
    const conflict = $derived(aside?.conflict);
    /** Of each change of ours: whether it stands. Those that disturb nothing do from the start. */
    let mine = $derived(conflict?.fields.map((field) => !field.clashes) ?? []);
    const choose = (i: number, stands: boolean) => (mine = mine.map((one, at) => (at === i ? stands : one)));
</script>

<Sheet
    open={aside !== undefined}
    dismissible={false}
    title={conflict?.message.replace(/\.$/, '') ?? ''}
    about="Nothing is lost yet. Choose for every place which side to keep."
>
    {#if aside && conflict}
        <ul class="mb-3 text-[12px] text-soft">
            {#each conflict.theirs as one (one.number)}
                <li>{clock(one.at)} {one.author}: {one.label}</li>
            {/each}
        </ul>
        <table class="w-full">
            <thead class="text-left text-[12px] text-soft">
                <tr
                    ><th class="font-normal">Theirs, saved</th><th class="font-normal"
                        >Yours: {aside.edit.words}</th
                    ></tr
                >
            </thead>
            <tbody>
                {#each conflict.fields as field, i (i)}
                    <tr class="border-t border-line align-top">
                        {#if field.clashes}
                            <td class="w-1/2 border-t border-line py-1.5 pr-3">
                                <label class="flex gap-2"
                                    ><input
                                        type="radio"
                                        name="field-{i}"
                                        checked={!mine[i]}
                                        onchange={() => choose(i, false)}
                                    />{field.theirs}</label
                                >
                            </td>
                            <td class="border-t border-line py-1.5">
                                <label class="flex gap-2"
                                    ><input
                                        type="radio"
                                        name="field-{i}"
                                        disabled={!field.can}
                                        checked={mine[i]}
                                        onchange={() => choose(i, true)}
                                    /><span
                                        >{field.mine}{#if !field.can}<span class="block text-[12px] text-soft"
                                                >cannot be done any more</span
                                            >{/if}</span
                                    ></label
                                >
                            </td>
                        {:else}
                            <td class="border-t border-line py-1.5 text-soft">untouched</td>
                            <td class="border-t border-line py-1.5">{field.mine}, kept</td>
                        {/if}
                    </tr>
                {/each}
            </tbody>
        </table>
        <div class="mt-4 flex justify-end gap-2">
            <button class="btn" onclick={() => queue.dismiss(aside)}>Keep theirs, drop all mine</button>
            <button class="btn btn-strong" onclick={() => queue.follow(aside, mine)}>Save the choice</button>
        </div>
    {/if}
</Sheet>
