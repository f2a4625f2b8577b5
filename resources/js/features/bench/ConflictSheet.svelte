<script lang="ts">
    import { clock } from '@/lib/format';
    import Sheet from '@/ui/Sheet.svelte';
    import type { Bench } from './bench.svelte';

    let { bench }: { bench: Bench } = $props();
    const conflict = $derived(bench.outbox.conflict);
    const others = $derived([...new Set(conflict?.theirs.map((one) => one.author) ?? [])].join(' and '));
    /** Of each change of ours: whether it stands. Those that disturb nothing do from the start. */
    let mine = $derived(conflict?.fields.map((field) => !field.clashes) ?? []);
    const choose = (i: number, stands: boolean) => (mine = mine.map((one, at) => (at === i ? stands : one)));
    const picked = $derived(conflict?.mine.filter((_, i) => mine[i]) ?? []);
</script>

<Sheet
    open={conflict !== null}
    dismissible={false}
    title="{others} changed this plan meanwhile"
    about="Nothing is lost yet. Choose for every place which side stands."
>
    {#if conflict}
        <ul class="mb-3 text-[12px] text-soft">
            {#each conflict.theirs as one (one.number)}
                <li>{clock(one.at)} {one.author}: {one.label}</li>
            {/each}
        </ul>
        {#if conflict.fields.length > 0}
            <table class="w-full">
                <thead class="text-left text-[12px] text-soft">
                    <tr
                        ><th class="font-normal">Theirs, saved</th><th class="font-normal">Yours, waiting</th
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
                                            >{field.mine}{#if !field.can}<span
                                                    class="block text-[12px] text-soft"
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
        {:else}
            <p class="border-t border-line py-1.5">Yours, waiting: {conflict.words}</p>
        {/if}
        <div class="mt-4 flex justify-end gap-2">
            <button class="btn" onclick={bench.takeTheirs}>Keep theirs, drop all mine</button>
            {#if conflict.fields.length > 0}
                <button class="btn btn-strong" onclick={() => bench.outbox.follow(picked)}
                    >Save the choice</button
                >
            {/if}
        </div>
    {/if}
</Sheet>
