<script lang="ts">
    import Condition from './Condition.svelte';
    import FramePick from './FramePick.svelte';
    import Num from './Num.svelte';
    import Pick from './Pick.svelte';
    import Rows from './Rows.svelte';
    import Triple from './Triple.svelte';
    import Word from './Word.svelte';
    import { pairs, type Choices } from './columns';
    import { type Entry } from './paths';

    /** What a part gives, case by case: under which condition, how much, and what that rests on. */
    type Props = { part: Entry; choices: Choices };
    let { part, choices }: Props = $props();
    const cases = $derived((part.gains as Entry[] | undefined) ?? []);
    const fresh = (): Entry => ({ evidence: { kind: 'maker' } });
</script>

{#each cases as one, i (i)}
    <div class="mb-2 border-b border-line pb-2.5" role="group" aria-label="Gain {i + 1}">
        <div class="flex flex-wrap items-end gap-x-3 gap-y-2">
            <Condition entry={one} path="when" label="Gain {i + 1}, on this set-up" {choices} />
            {#if one.over_rpm === undefined}
                <Triple entry={one} path="power" label="Power" unit={choices.units.power} />
                <Triple entry={one} path="torque" label="Torque" unit={choices.units.torque} />
            {/if}
        </div>
        {#if one.over_rpm !== undefined}
            <Rows
                entry={one}
                path="over_rpm"
                one="speed"
                fresh={() => ({ rpm: 0 })}
                {choices}
                columns={[
                    { path: 'rpm', label: 'At', unit: 'rpm', kind: 'number' },
                    { path: 'power', label: 'Power', unit: choices.units.power, kind: 'range' },
                ]}
            />
        {/if}
        <div class="mt-1.5 flex flex-wrap items-end gap-x-3 gap-y-2">
            <Pick entry={one} path="evidence.kind" label="Rests on" options={pairs(choices.words.evidence)} />
            <Word entry={one} path="evidence.note" label="How it was found" grow />
            <button
                class="btn"
                onclick={() => (part.gains = cases.filter((_, each) => each !== i))}
                aria-label="Remove gain {i + 1}">Remove</button
            >
        </div>
        <details class="mt-1.5">
            <summary class="cursor-pointer text-[12px] text-soft"
                >Where it was read, on what build, peaks, fuel</summary
            >
            <div class="flex flex-wrap items-end gap-3 pt-1.5">
                <FramePick entry={one} {choices} />
                <Num entry={one} path="reference.power" label="On a build of" unit={choices.units.power} />
                <Num entry={one} path="reference.torque" label="and" unit={choices.units.torque} />
                <Num entry={one} path="peaks.power_rpm" label="Power peak moves to" unit="rpm" />
                <Num entry={one} path="at_ethanol" label="Measured on ethanol" unit="%" />
                <Num entry={one} path="unmapped" label="Gain untuned" percent />
            </div>
        </details>
    </div>
{/each}
<button class="btn" onclick={() => (part.gains = [...cases, fresh()])}
    >{cases.length === 0 ? 'Add a gain' : 'Add a gain on another set-up'}</button
>
