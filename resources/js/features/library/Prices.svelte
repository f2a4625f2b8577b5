<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import DayField from '@/ui/DayField.svelte';
    import Figure from '@/ui/Figure.svelte';
    import { onMount } from 'svelte';
    import type { LibraryPart, Prices } from '@/generated/answers';
    import { get, postOnce } from '@/lib/api';
    import { day, figure, today } from '@/lib/format';
    import { told } from '@/lib/told.svelte';
    import Told from '@/ui/Told.svelte';

    /** What a part cost, and a new price: every plan uses the newest at once. */
    type Props = {
        part: Pick<LibraryPart, 'id'>;
        money: string;
        mayPrice: boolean;
        again: () => void;
        /** Also the one price that there is. */ always?: boolean;
        /** It is a map, which can be written once more. */ isMap?: boolean;
    };
    let { part, money, mayPrice, again, always = false, isMap = false }: Props = $props();
    let known = $state.raw<Prices>({ prices: [], sold_by: [] });
    const rows = $derived(known.prices);
    const now = today();
    const blank = (): Record<string, number | undefined> => ({});
    let typed = $state(blank());
    const fields = $derived(
        (
            [
                ['likely', 'New price'],
                ['used', 'Used'],
                ['consumables', 'Consumables'],
                ['resale', 'Trade-in value'],
                ['revision', 'Retune'],
            ] as const
        ).slice(0, always ? (isMap ? 5 : 4) : 2),
    );
    const extras = [
        ['used', 'used'],
        ['consumables', 'consumables'],
        ['resale', 'trade-in'],
        ['revision', 'retune'],
    ] as const;
    let asOf = $state(now);
    let source = $state('');
    const say = told();

    onMount(() => {
        void say.of(get<Prices>(`/parts/${part.id}/prices`)).then((found) => (known = found ?? known));
    });

    async function keep(event: SubmitEvent) {
        event.preventDefault();
        const kept = await say.of(
            postOnce<Prices>(`/parts/${part.id}/prices`, {
                ...Object.fromEntries(fields.map(([field]) => [field, typed[field] ?? null])),
                as_of: asOf,
                source,
            }),
        );
        if (!kept) return;
        known = kept;
        typed = blank();
        source = '';
        // One of an earlier day is history at once.
        const newest = Math.max(...kept.prices.map(({ id }) => id));
        say.well(
            kept.prices[0]?.id === newest
                ? 'Every plan uses it now.'
                : 'Kept as history: a newer price is in use.',
        );
        again();
    }
</script>

{#if mayPrice}
    <form class="mt-2 flex flex-wrap items-end gap-2" onsubmit={keep}>
        {#each fields as [field, words] (field)}<Field label="{words}, {money}"
                ><Figure
                    class="field w-24"
                    min={0}
                    max={1_000_000}
                    required={field === 'likely' && fields.every(([one]) => typed[one] === undefined)}
                    value={typed[field]}
                    set={(number) => (typed[field] = number)}
                /></Field
            >{/each}
        <DayField label="Of" most={now} bind:value={asOf} />
        <label class="flex flex-1 flex-col gap-0.5"
            ><span class="text-[12px] text-soft">From whom</span><input
                class="field w-full min-w-32"
                maxlength="500"
                bind:value={source}
            /></label
        >
        <button class="btn">Set price</button>
    </form>
{/if}
<Told {say} />
{#if (always && rows.length > 0) || rows.length > 1 || rows[0]?.source}
    <ul class="mt-2">
        {#each rows as row (row.id)}
            <li class="flex gap-3 border-t border-faint py-1 text-[12px] text-soft tabular-nums">
                <span class="w-16 shrink-0 text-ink">{money} {figure(row.likely)}</span>
                <span class="w-22 shrink-0 whitespace-nowrap">{row.as_of ? day(row.as_of) : 'no date'}</span>
                <span
                    >{[
                        ...extras.flatMap(([field, words]) => {
                            const value = row[field];
                            return value === null ? [] : [`${words} ${money} ${figure(value)}`];
                        }),
                        row.source,
                        row.author,
                    ]
                        .filter(Boolean)
                        .join(', ')}</span
                >
            </li>
        {/each}
    </ul>
{/if}
{#if known.sold_by.length > 0}
    <ul class="mt-2" aria-label="Who sells it">
        {#each known.sold_by as one (`${one.supplier} ${one.article}`)}
            <li class="border-t border-faint py-1 text-[12px]">
                <span class="font-medium">{one.supplier}</span>
                {one.article}<span class="text-soft tabular-nums"
                    >{one.stock === null
                        ? ''
                        : one.stock === 0
                          ? ' · none there'
                          : ` · ${one.stock} there`}{one.lead_days === null ? '' : ` · ${one.lead_days} days`} ·
                    {day(one.seen)}</span
                >
            </li>
        {/each}
    </ul>
{/if}
