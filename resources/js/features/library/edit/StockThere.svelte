<script lang="ts">
    import type { LibraryOptions } from '@/generated/answers';
    import Num from './Num.svelte';
    import { at, put, type Entry } from './paths';

    /** Limits and pumps of the stock car in a part's slots: each stays, goes with the old part, or has the part's own figures in its place. */
    type Props = { part: Entry; stock: LibraryOptions['stock']; units: LibraryOptions['units'] };
    let { part, stock, units }: Props = $props();
    const slots = $derived((part.slots as string[] | undefined) ?? []);
    const there = $derived(stock.filter(({ entry }) => slots.includes(String((entry as Entry).slot))));
    const list = (path: string) => (at(part, path) as Entry[] | undefined) ?? [];
    const gone = $derived((at(part, 'effects.replaces') as string[] | undefined) ?? []);

    type One = LibraryOptions['stock'][number];
    const kindOf = (one: Entry) => String(one.quantity ?? one.kind);
    const own = (one: One) =>
        list(`effects.${one.list}`).find(
            (entry) =>
                entry.slot === (one.entry as Entry).slot && kindOf(entry) === kindOf(one.entry as Entry),
        );
    const state = (one: One) =>
        own(one) ? 'own' : gone.includes(String((one.entry as Entry).key)) ? 'goes' : 'stays';

    function choose(one: One, what: string) {
        const entry = one.entry as Entry;
        const without = list(`effects.${one.list}`).filter((each) => each !== own(one));
        const others = gone.filter((key) => key !== entry.key);
        const fresh = {
            name: entry.name,
            slot: entry.slot,
            quantity: entry.quantity,
            kind: entry.kind,
            count: entry.count,
            rated_bar: entry.rated_bar,
            rail_bar: entry.rail_bar,
            consequence: entry.consequence,
            evidence: { kind: 'maker' },
        };
        put(part, `effects.${one.list}`, what === 'own' ? [...without, fresh] : without);
        put(part, 'effects.replaces', what === 'goes' ? [...others, entry.key] : others);
    }
</script>

{#if there.length > 0}
    <h3 class="mt-3 font-medium">On the stock car</h3>
    {#each there as one ((one.entry as Entry).key)}
        {@const mine = own(one)}
        {@const name = String((one.entry as Entry).name)}
        <div
            class="flex flex-wrap items-center gap-2 border-b border-faint py-1"
            role="group"
            aria-label={name}
        >
            <select
                class="field"
                value={state(one)}
                aria-label="{name}: what becomes of it"
                onchange={(event) => choose(one, event.currentTarget.value)}
            >
                <option value="stays">stays</option>
                <option value="own">this part has its own</option>
                <option value="goes">goes with the old part</option>
            </select>
            <span class="text-soft">{one.words}</span>
            {#if mine}
                {#if one.list === 'supplies'}<Num
                        entry={mine}
                        path="good_for"
                        label="Good for"
                        unit="w{units.power}"
                    />
                {:else if mine.over_rpm === undefined}
                    <Num entry={mine} path="safe" label="Safe to" />
                    <Num entry={mine} path="edge" label="Breaks at" />
                {/if}
            {/if}
        </div>
    {/each}
{/if}
