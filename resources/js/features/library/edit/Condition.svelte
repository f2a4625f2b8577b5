<script lang="ts">
    import Figure from '@/ui/Figure.svelte';
    import { pairs, slotsOf, type Choices } from './columns';
    import { at, put, type Entry } from './paths';

    /** A condition, built by choosing: some plain terms that all hold, any of which holds, or none of which does. */
    type Props = { entry: Entry; path: string; label: string; choices: Choices };
    let { entry, path, label, choices }: Props = $props();

    const groups = [
        ['all', 'all of these'],
        ['any', 'any of these'],
        ['none', 'none of these'],
    ] as const;
    type Group = (typeof groups)[number][0];

    const first = (): Entry => ({ slot: choices.slots[0]?.key ?? '', is: 'upgraded' });
    /** Each plain term: what it is called, and what it begins with. */
    const kinds = $derived<{ key: string; words: string; fresh: () => Entry }[]>([
        {
            key: 'upgraded',
            words: 'upgraded',
            fresh: first,
        },
        { key: 'stock', words: 'stock', fresh: () => ({ slot: choices.slots[0]?.key ?? '', is: 'stock' }) },
        { key: 'part', words: 'the part', fresh: () => ({ part: choices.parts[0]?.key ?? '' }) },
        { key: 'map', words: 'a map', fresh: () => ({ map: 'dyno' }) },
        { key: 'ethanol', words: 'ethanol, at least', fresh: () => ({ ethanol: { at_least: 30 } }) },
        { key: 'octane', words: 'octane, RON at least', fresh: () => ({ octane: { at_least: 98 } }) },
        { key: 'year', words: 'a car of', fresh: () => ({ year: { from: 2020 } }) },
        { key: 'gearbox', words: 'gearbox', fresh: () => ({ gearbox: 'manual' }) },
        { key: 'use', words: 'used on', fresh: () => ({ use: 'track' }) },
        { key: 'drive', words: 'drive', fresh: () => ({ drive: 'all' }) },
        { key: 'aspiration', words: 'engine', fresh: () => ({ aspiration: 'turbo' }) },
        ...(choices.variants.length > 0
            ? [{ key: 'variant', words: 'the variant', fresh: () => ({ variant: choices.variants[0]?.key }) }]
            : []),
        { key: 'tyres', words: 'tyres', fresh: () => ({ tyres: 'semi-slick' }) },
        { key: 'lift', words: 'a lift, at least', fresh: () => ({ lift: { at_least: 40 } }) },
        { key: 'mass', words: 'a mass with driver, at least', fresh: () => ({ mass: { at_least: 1800 } }) },
        { key: 'tag', words: 'a part marked', fresh: () => ({ tag: choices.tags[0] ?? '' }) },
    ]);
    const same = (...words: string[]) => words.map((word) => [word, word] as const);
    /** What each fact of the car can be. */
    const facts = $derived<Record<string, readonly (readonly [string, string])[]>>({
        gearbox: pairs(choices.words.gearboxes),
        use: same('road', 'track'),
        drive: same('front', 'rear', 'all'),
        aspiration: same('natural', 'turbo', 'blower'),
        variant: pairs(choices.variants),
        tyres: pairs(choices.words.tyres),
    });
    const kindOf = (term: Entry) =>
        'slot' in term ? String(term.is) : (kinds.find(({ key }) => key in term)?.key ?? '');

    const value = $derived(at(entry, path) as Entry | undefined);
    const group = $derived<Group>(groups.map(([key]) => key).find((key) => value && key in value) ?? 'all');
    const terms = $derived(
        value === undefined ? [] : group in value ? (value[group] as Entry[]) : ([value] as Entry[]),
    );
    /** Groups inside groups are kept as they are, and changed in the file. */
    const deep = $derived(terms.some((term) => groups.some(([key]) => key in term)));

    function write(to: Group, list: Entry[]) {
        const [only] = list;
        put(entry, path, !only ? undefined : list.length === 1 && to !== 'none' ? only : { [to]: list });
    }
    const set = (i: number, term: Entry) =>
        write(
            group,
            terms.map((one, each) => (each === i ? term : one)),
        );
    const chosen = (event: Event) => (event.currentTarget as HTMLSelectElement).value;
</script>

<div role="group" aria-label={label} class="flex flex-col gap-0.5">
    <span class="text-[12px] text-soft">{label}</span>
    <div class="flex flex-wrap items-center gap-1">
        {#if deep}
            <code class="max-w-80 truncate text-[12px] text-soft" title={JSON.stringify(value)}
                >{JSON.stringify(value)}</code
            >
        {:else}
            {#if terms.length > 1 || group === 'none'}
                <select
                    class="field"
                    aria-label="How they go together"
                    value={group}
                    onchange={(event) => write(chosen(event) as Group, terms)}
                >
                    {#each groups as [key, words] (key)}<option value={key}>{words}</option>{/each}
                </select>
            {/if}
            {#each terms as term, i (i)}
                {@const kind = kindOf(term)}
                <span class="flex items-center rounded-md border border-line">
                    <select
                        class="field border-0"
                        aria-label="Term {i + 1}"
                        value={kind}
                        onchange={(event) =>
                            set(i, kinds.find(({ key }) => key === chosen(event))?.fresh() ?? term)}
                    >
                        {#each kinds as { key, words } (key)}<option value={key}>{words}</option>{/each}
                    </select>
                    {#if kind === 'upgraded' || kind === 'stock'}
                        <select
                            class="field border-0"
                            aria-label="Slot"
                            value={term.slot}
                            onchange={(event) => set(i, { ...term, slot: chosen(event) })}
                        >
                            {#each slotsOf(choices) as [key, words] (key)}<option value={key}>{words}</option
                                >{/each}
                        </select>
                    {:else if kind === 'part'}
                        <select
                            class="field max-w-52 border-0"
                            aria-label="Part"
                            value={term.part}
                            onchange={(event) => set(i, { part: chosen(event) })}
                        >
                            {#each choices.parts as part (part.key)}<option value={part.key}
                                    >{part.maker} {part.name}</option
                                >{/each}
                        </select>
                    {:else if kind === 'map'}
                        <select
                            class="field border-0"
                            aria-label="Kind of map"
                            value={Array.isArray(term.map) ? term.map.join(' ') : term.map}
                            onchange={(event) =>
                                set(i, {
                                    map: chosen(event).includes(' ')
                                        ? chosen(event).split(' ')
                                        : chosen(event),
                                })}
                        >
                            {#each choices.words.map_kinds as { key, words } (key)}<option value={key}
                                    >{words}</option
                                >{/each}
                            <option value="remote dyno">remote or on the dyno</option>
                            <option value="off-the-shelf remote dyno">any</option>
                        </select>
                    {:else if kind === 'ethanol' || kind === 'octane'}
                        <Figure
                            class="field w-16 border-0"
                            label={kind === 'ethanol' ? 'Percent' : 'Octane'}
                            value={(term[kind] as { at_least?: number }).at_least}
                            set={(number) => set(i, { [kind]: { at_least: number ?? 0 } })}
                        />{#if kind === 'ethanol'}<span class="pr-2 text-soft">%</span>{/if}
                    {:else if kind === 'year'}
                        {@const years = term.year as { from?: number; to?: number }}
                        {#each ['from', 'to'] as const as end (end)}
                            <Figure
                                class="field w-18 border-0"
                                placeholder={end}
                                label="Year, {end}"
                                value={years[end]}
                                set={(number) => set(i, { year: { ...years, [end]: number } })}
                            />
                        {/each}
                    {:else if kind === 'lift' || kind === 'mass'}
                        <Figure
                            class="field w-18 border-0"
                            label={kind === 'lift' ? 'mm' : 'kg'}
                            value={(term[kind] as { at_least?: number }).at_least}
                            set={(number) => set(i, { [kind]: { at_least: number ?? 0 } })}
                        /><span class="pr-2 text-soft">{kind === 'lift' ? 'mm' : 'kg'}</span>
                    {:else if kind === 'tag'}
                        <input
                            class="field w-28 border-0"
                            aria-label="Mark"
                            value={term.tag}
                            oninput={(event) =>
                                set(i, { tag: (event.currentTarget as HTMLInputElement).value })}
                        />
                    {:else if kind}
                        <select
                            class="field border-0"
                            aria-label={kind}
                            value={term[kind]}
                            onchange={(event) => set(i, { [kind]: chosen(event) })}
                        >
                            {#each facts[kind] ?? [] as [key, words] (key)}<option value={key}>{words}</option
                                >{/each}
                        </select>
                    {/if}
                    <button
                        class="px-2 text-soft hover:text-ink"
                        aria-label="Remove term {i + 1}"
                        onclick={() =>
                            write(
                                group,
                                terms.filter((_, each) => each !== i),
                            )}>×</button
                    >
                </span>
            {/each}
            <button class="btn min-h-8" onclick={() => write(group, [...terms, first()])}
                >{terms.length === 0 ? 'in any build; add a condition' : '+ and'}</button
            >
        {/if}
    </div>
</div>
