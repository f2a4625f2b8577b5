<script lang="ts">
    import type { LibraryOptions } from '@/generated/answers';
    import CoolerFields from './CoolerFields.svelte';
    import Condition from './Condition.svelte';
    import CurvePoints from './CurvePoints.svelte';
    import Group from './Group.svelte';
    import Num from './Num.svelte';
    import Pick from './Pick.svelte';
    import Rows from './Rows.svelte';
    import Triple from './Triple.svelte';
    import Word from './Word.svelte';
    import {
        ceilingColumns,
        limitColumns,
        pairs,
        supplyColumns,
        variantColumns,
        type Column,
    } from './columns';
    import Octane from '@/ui/Octane.svelte';
    import { at, isTypical, put, type Entry } from './paths';

    /** A platform, written down. */
    type Props = { platform: Entry; options: LibraryOptions };
    let { platform, options }: Props = $props();

    const same = (...words: string[]) => words.map((word) => [word, word] as const);
    const boosted = $derived(at(platform, 'engine.aspiration') !== 'natural');
    const diesel = $derived(at(platform, 'engine.fuel') === 'diesel');
    const years = $derived((platform.year_changes as Entry[] | undefined) ?? []);
    const keyed = (list: string) =>
        ((platform[list] as Entry[] | undefined) ?? []).map(
            ({ key, name }) => [String(key), String(name)] as const,
        );
    const familyColumns: Column[] = [
        { path: 'name', label: 'Family', kind: 'text' },
        { path: 'ceiling_percent', label: 'Gives at most', unit: '%', kind: 'number' },
        {
            path: 'air',
            label: 'To the air',
            kind: 'choice',
            options: same('map', 'induction', 'intake', 'charge', 'head', 'cams', 'exhaust', 'fuel', 'none'),
        },
        { path: 'driveline', label: 'behind the engine', kind: 'check' },
    ];
    const slotColumns = $derived<Column[]>([
        { path: 'name', label: 'Slot', kind: 'text' },
        { path: 'lane', label: 'Lane', kind: 'choice', options: keyed('lanes') },
        { path: 'family', label: 'Family', kind: 'choice', options: keyed('families') },
        { path: 'stock', label: 'From the factory', kind: 'text', grow: true },
        { path: 'internal', label: 'inside', kind: 'check' },
    ]);

    const curves = $derived((platform.baselines as Entry[] | undefined) ?? []);
    const addCurve = () =>
        (platform.baselines = [
            ...curves,
            { when: { ethanol: { at_least: 70 } }, baseline: $state.snapshot(platform.baseline) },
        ]);

    function addYear() {
        const from = Number(at(platform, 'years.from'));
        platform.year_changes = [...years, { years: { from, to: from } }];
    }
</script>

<Group title="Curve of the stock car">
    <CurvePoints curve={platform.baseline as Entry} choices={options} />
</Group>
<Group title="Engine">
    <div class="flex flex-wrap items-end gap-3">
        <Word entry={platform} path="name" label="Name" grow />
        <Word entry={platform} path="make" label="Make" />
        <Word entry={platform} path="model" label="Model" />
        <Num entry={platform} path="years.from" label="Model years from" step="1" />
        <Num entry={platform} path="years.to" label="to" step="1" />
    </div>
    <div class="mt-2 flex flex-wrap items-end gap-3">
        <Num entry={platform} path="engine.displacement" label="Displacement" unit="L" />
        <Num entry={platform} path="engine.cylinders" label="Cylinders" step="1" />
        <Pick
            entry={platform}
            path="engine.aspiration"
            label="Aspiration"
            options={same('natural', 'turbo', 'blower')}
        />
        <Pick entry={platform} path="engine.injection" label="Injection" options={same('port', 'direct')} />
        <Pick entry={platform} path="engine.fuel" label="Fuel" options={same('petrol', 'diesel')} />
        {#if !diesel}
            <Octane
                value={at(platform, 'engine.octane') as number | undefined}
                typical={isTypical(platform, 'engine.octane')}
                set={(value) => put(platform, 'engine.octane', value)}
            />
            <Num entry={platform} path="engine.ethanol_max" label="Ethanol at most" unit="%" />
        {:else}
            <Num entry={platform} path="engine.lambda.at_torque" label="λ at the torque peak" />
            <Num entry={platform} path="engine.lambda.at_power" label="λ at the power peak" />
        {/if}
        <Num entry={platform} path="rev_limit" label="Rev limit" unit="rpm" />
        <Pick entry={platform} path="drive" label="Drive" options={same('front', 'rear', 'all')} />
        <Pick
            entry={platform}
            path="gearbox"
            label="Measured with"
            options={pairs(options.words.gearboxes)}
            none="not said"
        />
        <Num entry={platform} path="mass" label="Mass with driver" unit={options.units.mass} />
        <Num entry={platform} path="drag_area" label="Drag area" unit="m²" />
        <Num entry={platform} path="claimed.power" label="Factory claims" unit={options.units.power} />
        <Num entry={platform} path="claimed.torque" label="and" unit={options.units.torque} />
    </div>
</Group>
{#if boosted}
    <Group title="Boost and charge air" closed={platform.boost !== undefined}>
        <div class="flex flex-wrap items-end gap-3">
            <Triple
                entry={platform}
                path="boost.at_torque"
                label="Boost at the torque peak"
                unit={options.units.pressure}
            />
            <Triple
                entry={platform}
                path="boost.at_power"
                label="at the power peak"
                unit={options.units.pressure}
            />
            <Num entry={platform} path="air.compressor_efficiency" label="Compressor efficiency" percent />
            <Num entry={platform} path="air.compressor_flow_kg_s" label="and flows" unit="kg/s" />
            <CoolerFields entry={platform} path="air.cooler" />
            <Triple
                entry={platform}
                path="exhaust"
                label="Before the turbine"
                unit={options.units.temperature}
            />
        </div>
    </Group>
{/if}
<Group title="Limits" about="safe to, and where it breaks">
    <Rows
        entry={platform}
        path="limits"
        one="limit"
        fresh={() => ({ evidence: { kind: 'judgement' } })}
        columns={limitColumns(options)}
        choices={options}
    />
</Group>
<Group title="Pumps and injectors" closed={platform.fuel_system !== undefined}>
    <Rows
        entry={platform}
        path="fuel_system"
        one="component"
        fresh={() => ({ evidence: { kind: 'judgement' } })}
        columns={supplyColumns(options)}
        choices={options}
    />
</Group>
<Group title="Power or torque runs out at" closed>
    <Rows
        entry={platform}
        path="ceilings"
        one="maximum"
        fresh={() => ({ kind: 'soft', quantity: 'power', at: 'wheels', evidence: { kind: 'judgement' } })}
        columns={ceilingColumns(options)}
        choices={options}
    />
</Group>
<Group
    title="Curves on other fuels or gearboxes"
    about="the first that fits the car and its fuel replaces the curve above"
    closed={curves.length === 0}
>
    {#each curves as curve, i (i)}
        <div class="border-b border-line pb-3" role="group" aria-label="Curve {i + 1}">
            <div class="flex flex-wrap items-end gap-3 py-1.5">
                <Condition entry={curve} path="when" label="Measured with" choices={options} />
                <Pick
                    entry={curve}
                    path="gearbox"
                    label="and this gearbox"
                    options={pairs(options.words.gearboxes)}
                    none="as the others"
                />
                <button
                    class="btn"
                    onclick={() => (platform.baselines = curves.filter((_, each) => each !== i))}
                    aria-label="Remove curve {i + 1}">Remove</button
                >
            </div>
            <CurvePoints curve={curve.baseline as Entry} choices={options} />
        </div>
    {/each}
    <button class="btn mt-2" onclick={addCurve}>Add a curve</button>
</Group>
<Group
    title="Variants within a year"
    about="a filter or none, a smaller turbo, another head: conditions ask for them; the first is the usual one"
    closed={platform.variants === undefined}
>
    <Rows
        entry={platform}
        path="variants"
        one="variant"
        fresh={() => ({})}
        columns={variantColumns}
        choices={options}
    />
</Group>
<Group title="Model years that differ" closed={years.length === 0}>
    {#each years as change, i (i)}
        <div class="border-b border-line pb-3" role="group" aria-label="Years {i + 1}">
            <div class="flex flex-wrap items-end gap-3 py-1.5">
                <Num entry={change} path="years.from" label="Model years from" step="1" />
                <Num entry={change} path="years.to" label="to" step="1" />
                <Pick
                    entry={change}
                    path="gearbox"
                    label="Measured with"
                    options={pairs(options.words.gearboxes)}
                    none="as the others"
                />
                <Num entry={change} path="rev_limit" label="Rev limit" unit="rpm" />
                <Num entry={change} path="claimed.power" label="Factory claims" unit={options.units.power} />
                <Num entry={change} path="claimed.torque" label="and" unit={options.units.torque} />
                {#if boosted}
                    <Triple
                        entry={change}
                        path="boost.at_torque"
                        label="Boost at the torque peak"
                        unit={options.units.pressure}
                    />
                    <Triple
                        entry={change}
                        path="boost.at_power"
                        label="at the power peak"
                        unit={options.units.pressure}
                    />
                {/if}
                <button
                    class="btn"
                    onclick={() => (platform.year_changes = years.filter((_, each) => each !== i))}
                    >Remove</button
                >
            </div>
            {#if change.baseline}<CurvePoints curve={change.baseline as Entry} choices={options} />
            {:else}<button
                    class="btn"
                    onclick={() => put(change, 'baseline', $state.snapshot(platform.baseline))}
                    >A curve of its own</button
                >{/if}
        </div>
    {/each}
    <button class="btn mt-2" onclick={addYear}>Add years</button>
</Group>
<Group title="Slots in gas-path order, lanes and families" closed>
    <Rows
        entry={platform}
        path="slots"
        one="slot"
        fresh={() => ({ lane: keyed('lanes')[0]?.[0], family: keyed('families')[0]?.[0], stock: 'stock' })}
        columns={slotColumns}
        choices={options}
    />
    <h3 class="mt-3 font-medium">Families and what all of one can give</h3>
    <Rows
        entry={platform}
        path="families"
        one="family"
        fresh={() => ({ ceiling_percent: 5, air: 'none' })}
        columns={familyColumns}
        choices={options}
    />
    <h3 class="mt-3 font-medium">Lanes</h3>
    <Rows
        entry={platform}
        path="lanes"
        one="lane"
        fresh={() => ({})}
        columns={[{ path: 'name', label: 'Lane', kind: 'text' }]}
        choices={options}
    />
</Group>
