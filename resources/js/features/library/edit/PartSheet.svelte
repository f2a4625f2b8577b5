<script lang="ts">
    import type { LibraryOptions } from '@/generated/answers';
    import Prices from '../Prices.svelte';
    import CoolerFields from './CoolerFields.svelte';
    import GainList from './GainList.svelte';
    import Group from './Group.svelte';
    import Num from './Num.svelte';
    import Pick from './Pick.svelte';
    import Rows from './Rows.svelte';
    import StockThere from './StockThere.svelte';
    import Tick from './Tick.svelte';
    import Triple from './Triple.svelte';
    import Word from './Word.svelte';
    import { ceilingColumns, limitColumns, pairs, supplyColumns, type Column } from './columns';
    import { figure } from '@/lib/format';
    import { at, put, type Entry } from './paths';

    /** A part, written down: what it is, what it gives and needs, what it costs, how it is fitted. */
    type Props = {
        part: Entry;
        options: LibraryOptions;
        isNew: boolean;
        id: number | null;
        mayEdit: boolean;
        maySetPrices: boolean;
    };
    let { part, options, isNew, id, mayEdit, maySetPrices }: Props = $props();
    const slots = $derived((part.slots as string[] | undefined) ?? []);
    let more = $state(false);
    /** Arrows in a choice pass over others: the last one counts. */
    function stand(i: number, slot: string) {
        const all = [...slots];
        all[i] = slot;
        const kept = all.filter((one) => one !== '');
        if (kept.length > slots.length) more = false;
        put(part, 'slots', kept);
    }
    const gains = $derived((part.gains as Entry[] | undefined) ?? []);
    /** What parts of its slot usually give and take to fit: a beginning, marked as such. */
    const typical = $derived(options.slots.find(({ key }) => key === slots[0])?.typical ?? null);
    function begin() {
        if (typical?.gain && gains.length === 0)
            put(part, 'gains', [
                {
                    power: [...typical.gain.power],
                    torque: [...typical.gain.torque],
                    evidence: { kind: 'typical' },
                },
            ]);
        if (at(part, 'price.hours') === undefined) put(part, 'price.hours', typical?.hours);
    }
    const isMap = $derived(part.map !== undefined || slots.includes('map'));

    const needColumns = (label: string): Column[] => [
        { path: 'that', label, kind: 'condition' },
        { path: 'reason', label: 'Because', kind: 'text', grow: true },
    ];
    const list = (path: string) => (at(part, path) as string[] | undefined) ?? [];
    const toggle = (path: string, key: string, on: boolean) =>
        put(part, path, on ? [...list(path), key] : list(path).filter((one) => one !== key));
</script>

<Group title="What it is">
    <div class="flex flex-wrap items-end gap-3">
        <Word entry={part} path="maker" label="Maker" first={isNew} />
        <Word entry={part} path="name" label="Name" grow />
        <div class="flex flex-col gap-0.5">
            <span class="text-[12px] text-soft">Slot</span>
            <div class="flex flex-wrap gap-1">
                {#each [...slots, ...(more || slots.length === 0 ? [''] : [])] as slot, i (i)}
                    <select
                        class="field"
                        aria-label="Slot {i + 1}"
                        value={slot}
                        onchange={(event) => stand(i, event.currentTarget.value)}
                    >
                        <option value="">{slot === '' ? 'choose a slot' : 'not here'}</option>
                        {#each options.slots.filter(({ key }) => key === slot || !slots.includes(key)) as one (one.key)}<option
                                value={one.key}>{one.lane}: {one.name}</option
                            >{/each}
                    </select>
                {/each}
                {#if slots.length > 0 && !more}<button class="btn" onclick={() => (more = true)}
                        >and in another: a kit</button
                    >{/if}
            </div>
        </div>
    </div>
    <div class="mt-2 flex flex-wrap items-end gap-3">
        <Num entry={part} path="lead_days" label="Lead time" unit="days" step="1" />
        <Word entry={part} path="warranty" label="Maker's warranty" />
        <Num entry={part} path="fits.years.from" label="Fits cars from" unit="year" step="1" />
        <Num entry={part} path="fits.years.to" label="to" unit="year" step="1" />
        <fieldset class="flex gap-3">
            <legend class="text-[12px] text-soft">Gearboxes; none ticked is any</legend>
            {#each options.words.gearboxes as { key, words } (key)}<Tick
                    label={words}
                    on={list('fits.gearboxes').includes(key)}
                    set={(on) => toggle('fits.gearboxes', key, on)}
                />{/each}
        </fieldset>
        {#if options.variants.length > 0}<fieldset class="flex flex-wrap gap-x-3">
                <legend class="text-[12px] text-soft">Variants; none ticked is any</legend>
                {#each options.variants as { key, words } (key)}<Tick
                        label={words}
                        on={list('fits.variants').includes(key)}
                        set={(on) => toggle('fits.variants', key, on)}
                    />{/each}
            </fieldset>{/if}
    </div>
    <StockThere {part} stock={options.stock} units={options.units} />
</Group>
{#if isMap}
    <Group title="The map">
        <div class="flex flex-wrap items-end gap-3">
            <Pick entry={part} path="map.kind" label="Written" options={pairs(options.words.map_kinds)} />
            <Num entry={part} path="map.dyno_hours" label="On the dyno" unit="h" />
            <Num entry={part} path="map.revision_dyno_hours" label="Retune" unit="h" />
            <Num entry={part} path="map.ethanol_max" label="Ethanol at most" unit="%" />
            <Tick
                label="flex-fuel map"
                on={at(part, 'map.flex') === true}
                set={(on) => put(part, 'map.flex', on || undefined)}
            />
        </div>
    </Group>
{/if}
<Group title="What it gives" about="low, likely and high at the wheels">
    {#if typical && (gains.length === 0 || at(part, 'price.hours') === undefined)}
        <button class="btn mb-2" onclick={begin}
            >Begin with what is typical{#if typical.gain && gains.length === 0}: {figure(
                    typical.gain.power[1] ?? 0,
                )}
                {options.units.power}, {figure(typical.gain.torque[1] ?? 0)}
                {options.units.torque}{/if}, {figure(typical.hours)} h</button
        >
    {/if}
    <GainList {part} choices={options} />
</Group>
<Group title="What it needs" closed={part.requires === undefined && part.recommends === undefined}>
    <Rows
        entry={part}
        path="requires"
        one="need"
        fresh={() => ({})}
        columns={needColumns('It needs')}
        choices={options}
    />
    <h3 class="mt-3 font-medium">Goes with</h3>
    <Rows
        entry={part}
        path="recommends"
        one="match"
        fresh={() => ({})}
        columns={needColumns('It goes with')}
        choices={options}
    />
    <h3 class="mt-3 font-medium">Does not go with</h3>
    <Rows
        entry={part}
        path="conflicts"
        one="conflict"
        fresh={() => ({})}
        columns={needColumns('Not with')}
        choices={options}
    />
</Group>
<Group title="Price and work">
    {#if isNew}
        <div class="flex flex-wrap items-end gap-3">
            <Triple entry={part} path="price.new" label="New" unit={options.money} />
            <Triple entry={part} path="price.used" label="Used" unit={options.money} />
            <Num entry={part} path="price.consumables" label="Consumables" unit={options.money} />
            <Num entry={part} path="price.resale" label="Trade-in value" unit={options.money} />
            {#if isMap}<Triple entry={part} path="price.revision" label="Retune" unit={options.money} />{/if}
        </div>
    {:else if id !== null}
        <Prices always {isMap} part={{ id }} money={options.money} mayPrice={maySetPrices} again={() => {}} />
    {/if}
    <div class="mt-2 flex flex-wrap items-end gap-3">
        <Num entry={part} path="price.hours" label="To fit" unit="h" />
        <Num entry={part} path="price.access_hours" label="of them for access" unit="h" />
        <Word entry={part} path="price.access_group" label="Remove first" list="access-groups" />
        <datalist id="access-groups"
            >{#each options.access_groups as group (group)}<option value={group}></option>{/each}</datalist
        >
        <Num entry={part} path="effects.mass" label="Adds to the car" unit={options.units.mass} />
    </div>
</Group>
<Group title="Sound and feel" closed={part.sound === undefined}>
    <div class="flex flex-wrap items-end gap-3">
        <Pick
            entry={part}
            path="sound.level"
            label="How loud"
            none="not said"
            options={[
                ['as-stock', 'as stock'],
                ['a-little', 'a little louder'],
                ['open', 'open'],
            ]}
        />
        <Pick
            entry={part}
            path="sound.drone"
            label="Drone on the motorway"
            none="not said"
            options={[
                ['none', 'none'],
                ['some', 'some'],
                ['much', 'much'],
            ]}
        />
        <Pick
            entry={part}
            path="sound.response"
            label="Response to the pedal"
            none="not said"
            options={[
                ['sharper', 'sharper'],
                ['same', 'the same'],
                ['softer', 'softer'],
            ]}
        />
        <Pick
            entry={part}
            path="sound.clutch"
            label="Clutch pedal"
            none="not said"
            options={[
                ['as-stock', 'as stock'],
                ['heavier', 'heavier'],
                ['heavy', 'heavy'],
            ]}
        />
        <Word entry={part} path="sound.note" label="In words" grow />
    </div>
</Group>
<Group
    title="Law and cautions"
    closed={part.law === undefined && part.cautions === undefined}
    about="local codes come first"
>
    <div class="flex flex-wrap items-end gap-3">
        <Tick
            label="for closed courses only"
            on={at(part, 'law.track_only') === true}
            set={(on) => put(part, 'law.track_only', on || undefined)}
        />
        <Word entry={part} path="law.note" label="What the law says" grow />
    </div>
    <div class="mt-2 flex flex-wrap gap-x-4 gap-y-1">
        {#each options.words.cautions as { key, words } (key)}<Tick
                label={words}
                on={list('cautions').includes(key)}
                set={(on) => toggle('cautions', key, on)}
            />{/each}
    </div>
</Group>
<Group title="What it changes beside power" closed={part.effects === undefined}>
    <div class="flex flex-wrap items-end gap-3">
        <Num entry={part} path="effects.rev_limit" label="Rev limit" unit="rpm" />
        <Triple entry={part} path="effects.spool_rpm" label="Boost comes later by" unit="rpm" />
        <Num entry={part} path="effects.compression" label="Compression" unit="points" />
        <Num entry={part} path="effects.compressor.efficiency" label="Compressor efficiency" percent />
        <Num entry={part} path="effects.compressor.flow_kg_s" label="and flows" unit="kg/s" />
        <Num entry={part} path="effects.gearing_percent" label="Gearing" unit="%" />
    </div>
    <h3 class="mt-3 font-medium">Charge cooler</h3>
    <div class="flex flex-wrap items-end gap-3">
        <CoolerFields entry={part} path="effects.cooler" />
    </div>
    <h3 class="mt-3 font-medium">Its limits</h3>
    <Rows
        entry={part}
        path="effects.limits"
        one="limit"
        fresh={() => ({ slot: slots[0], evidence: { kind: 'maker' } })}
        columns={limitColumns(options)}
        choices={options}
    />
    <h3 class="mt-3 font-medium">Power or torque runs out at</h3>
    <Rows
        entry={part}
        path="effects.ceilings"
        one="maximum"
        fresh={() => ({ kind: 'soft', quantity: 'power', at: 'wheels', evidence: { kind: 'maker' } })}
        columns={ceilingColumns(options)}
        choices={options}
    />
    <h3 class="mt-3 font-medium">It supplies fuel</h3>
    <Rows
        entry={part}
        path="effects.supplies"
        one="component"
        fresh={() => ({ slot: slots[0], evidence: { kind: 'maker' } })}
        columns={supplyColumns(options)}
        choices={options}
    />
</Group>
<Group title="For the workshop" closed={part.workshop === undefined} about="one a line">
    <div class="flex flex-wrap gap-3">
        <Word entry={part} path="workshop.tools" label="Tools" lines />
        <Word entry={part} path="workshop.steps" label="Steps" lines />
        <Word entry={part} path="workshop.moves_over" label="Moves over from the old part" lines />
    </div>
    <h3 class="mt-3 font-medium">Tightened to</h3>
    <Rows
        entry={part}
        path="workshop.fasteners"
        one="fastener"
        fresh={() => ({})}
        columns={[
            { path: 'what', label: 'What', kind: 'text', grow: true },
            { path: 'torque', label: 'Torque', unit: options.units.torque, kind: 'number' },
            { path: 'then', label: 'Then', kind: 'text' },
        ]}
        choices={options}
    />
    <h3 class="mt-3 font-medium">Gaskets</h3>
    <Rows
        entry={part}
        path="workshop.gaskets"
        one="gasket"
        fresh={() => ({ renew: true })}
        columns={[
            { path: 'name', label: 'Gasket', kind: 'text', grow: true },
            { path: 'renew', label: 'renew', kind: 'check', keeps: true },
        ]}
        choices={options}
    />
</Group>
{#if !mayEdit}<p class="mt-3 text-soft">An owner or advisor can change this.</p>{/if}
