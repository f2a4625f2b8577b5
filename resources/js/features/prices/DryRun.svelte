<script lang="ts">
    import { untrack } from 'svelte';
    import type { PriceListRows, PriceListShown, PriceListsPage, Task } from '@/generated/answers';
    import { router } from '@inertiajs/svelte';
    import { copy } from '@/lib/copied';
    import { get, post, put } from '@/lib/api';
    import { figure } from '@/lib/format';
    import { told } from '@/lib/told.svelte';
    import Told from '@/ui/Told.svelte';

    /** What taking the list in would do, line by line; and doing it, or taking it back. */
    type Props = {
        list: PriceListShown;
        page: Pick<PriceListsPage, 'currency' | 'platforms'>;
        begun: (task: Task) => void;
        again: () => void;
    };
    let { list, page, begun, again }: Props = $props();
    const kinds = [
        ['refused', 'refused', '✕'],
        ['changed', 'change', '≠'],
        ['added', 'new parts', '+'],
        ['unchanged', 'stay', '='],
    ] as const;
    let shown = $state.raw<PriceListRows>(untrack(() => list.first));
    const say = told();
    const writes = $derived(list.counts.added + list.counts.changed);

    async function show(outcome: string, after = 0) {
        const found = await say.of(
            get<PriceListRows>(`/price-lists/${list.id}/rows?outcome=${outcome}&after=${after}`),
        );
        if (found) shown = after ? { ...found, rows: [...shown.rows, ...found.rows] } : found;
    }

    async function take(body: object) {
        const task = await say.of(post<Task>(`/price-lists/${list.id}/taking`, body));
        if (task) begun(task);
    }

    /** A part that the library has not is entered there, with what the line knows. */
    function enter(row: PriceListRows['rows'][number], platform: string) {
        copy({
            maker: row.maker,
            name: row.name,
            slots: [],
            gains: [],
            price: row.price === null ? {} : { new: row.price },
        });
        router.visit(`/library/${platform}/parts/new`);
    }

    /** Which parts of one name a line means. */
    async function choose(row: PriceListRows['rows'][number], which: string) {
        const parts = which === 'all' ? row.meant.map(({ id }) => id) : [Number(which)];
        const now = await say.of(put<PriceListShown>(`/price-lists/${list.id}/rows/${row.line}`, { parts }));
        if (!now) return;
        shown = now.first;
        again();
    }

    async function undo() {
        if (await say.of(post<PriceListShown>(`/price-lists/${list.id}/undo`, {}))) again();
    }
</script>

<div
    class="mt-4 flex flex-wrap gap-1 border-b border-line"
    role="group"
    aria-label="Lines by what would happen"
>
    {#each kinds as [key, words, sign] (key)}
        <button
            class="px-3 py-1.5 aria-pressed:border-b-2 aria-pressed:border-river {key === 'refused' &&
            list.counts.refused > 0
                ? 'text-rust'
                : ''}"
            aria-pressed={shown.outcome === key}
            onclick={() => show(key)}
            ><span aria-hidden="true">{sign}</span>
            <span class="font-semibold tabular-nums">{figure(list.counts[key])}</span>
            {words}</button
        >
    {/each}
</div>
<table class="w-full border-collapse">
    <thead class="text-left text-[12px] text-soft">
        <tr
            ><th class="w-14 py-1 font-normal">Line</th><th class="font-normal">Part</th><th
                class="pr-4 font-normal">Article</th
            >{#if shown.outcome === 'refused'}<th class="font-normal">Why</th>{:else}<th
                    class="w-24 text-right font-normal">Was, {page.currency}</th
                ><th class="w-24 text-right font-normal">Is, {page.currency}</th>{/if}</tr
        >
    </thead>
    <tbody>
        {#each shown.rows as row (row.line)}
            <tr class="border-t border-faint">
                <td class="py-1 text-soft tabular-nums">{row.line}</td>
                <td class="max-w-80 truncate"
                    >{row.what}{#if row.others > 0}<span class="ml-2 text-[12px] text-soft"
                            >{row.others + 1} parts</span
                        >{/if}{#if !row.known && row.meant.length === 0 && row.name && page.platforms.length > 0}<select
                            class="ml-2 text-[12px] text-river underline"
                            aria-label="Enter {row.what} in the library"
                            value=""
                            onchange={(event) => enter(row, event.currentTarget.value)}
                            ><option value="">enter it in the library…</option
                            >{#each page.platforms as one (one.id)}<option value={String(one.id)}
                                    >{one.name}</option
                                >{/each}</select
                        >{/if}</td
                >
                <td class="pr-4 text-soft">{row.article}</td>
                {#if shown.outcome === 'refused'}<td class="text-rust"
                        >{#if row.meant.length > 0 && list.state === 'looked'}<select
                                class="field mr-2 text-ink"
                                aria-label="Which {row.what} is meant"
                                value=""
                                onchange={(event) => choose(row, event.currentTarget.value)}
                                ><option value="">which are meant…</option><option value="all"
                                    >all {row.meant.length} of them</option
                                >{#each row.meant as one (one.id)}<option value={String(one.id)}
                                        >that of {one.platforms}</option
                                    >{/each}</select
                            >{/if}{row.reason}</td
                    >
                {:else}<td class="text-right text-soft tabular-nums">{row.was}</td><td
                        class="text-right tabular-nums">{row.is}</td
                    >{/if}
            </tr>
        {:else}<tr><td colspan="5" class="py-2 text-soft">None.</td></tr>
        {/each}
    </tbody>
</table>
{#if shown.rows.length >= 100 && shown.rows.length < list.counts[shown.outcome as 'added']}<button
        class="btn mt-2"
        onclick={() => show(shown.outcome, shown.rows[shown.rows.length - 1]?.line ?? 0)}>Show more</button
    >{/if}
<div
    class="sticky -bottom-4 mt-3 -mb-4 flex flex-wrap items-center gap-3 border-t border-line bg-ground pt-3 pb-5"
>
    {#if list.state === 'looked'}
        {#if list.counts.refused === 0}
            <button class="btn btn-strong" disabled={writes === 0} onclick={() => take({})}
                >Take {figure(writes)} in</button
            >
        {:else}
            <span class="text-soft">Correct the list and send it again, or</span>
            <button class="btn" disabled={writes === 0} onclick={() => take({ leave_out: true })}
                >leave {list.counts.refused === 1 ? '1 line' : `${figure(list.counts.refused)} lines`} out and take
                {figure(writes)} in</button
            >
        {/if}
    {:else if list.state === 'taken'}
        <span class="text-moss">Taken in: every plan uses its prices.</span>
        <button class="btn" onclick={() => undo()}>Take the whole list back</button>
    {:else if list.state === 'undone'}<span class="text-soft">Taken back: prices are what they were.</span
        >{/if}
    <Told {say} />
</div>
