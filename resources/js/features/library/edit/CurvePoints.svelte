<script lang="ts">
    import Figure from '@/ui/Figure.svelte';
    import { read } from '@/lib/numbers';
    import FramePick from './FramePick.svelte';
    import Num from './Num.svelte';
    import Pick from './Pick.svelte';
    import Word from './Word.svelte';
    import { pairs, type Choices } from './columns';
    import { type Entry } from './paths';

    /** A wheel curve: point by point, or sketched from its two peaks until somebody measures it. */
    type Props = { curve: Entry; choices: Choices };
    let { curve, choices }: Props = $props();
    const points = $derived(curve.points as { rpm: number; torque: number }[] | undefined);
    let pasted = $state('');

    /** Another curve rests on something else: what was said of the one before is asked anew. */
    function another() {
        delete curve.peaks;
        delete curve.evidence;
        delete curve.measured_on;
    }

    /** Pairs of rpm and torque, as they come from a table. */
    function take() {
        const found = pasted
            .split(/\n/)
            .map((row) => row.split(/[;\t|]|\s{1,}/).map((word) => read(word)))
            .map((row) => row.filter((one) => typeof one === 'number'))
            .flatMap(([rpm, torque]) => (rpm && torque ? [{ rpm, torque }] : []));
        if (found.length < 3) return;
        curve.points = found.sort((a, b) => a.rpm - b.rpm);
        another();
        pasted = '';
    }

    function add() {
        const last = points?.[points.length - 1];
        curve.points = [...(points ?? []), { rpm: (last?.rpm ?? 1000) + 500, torque: last?.torque ?? 100 }];
        if (curve.peaks) another();
    }
</script>

{#if points}
    <div class="flex flex-wrap gap-1.5" role="group" aria-label="Points of the curve">
        {#each points as point, i (i)}
            <div class="flex flex-col">
                <Figure
                    class="field w-17 rounded-b-none text-soft"
                    step={100}
                    label="rpm of point {i + 1}"
                    value={point.rpm}
                    set={(rpm) => (point.rpm = rpm ?? 0)}
                />
                <Figure
                    class="field w-17 rounded-t-none border-t-0 font-medium"
                    label="Torque of point {i + 1}, {choices.units.torque}"
                    value={point.torque}
                    set={(torque) => (point.torque = torque ?? 0)}
                />
                <button
                    class="text-[12px] text-soft hover:text-ink"
                    aria-label="Remove point {i + 1}"
                    onclick={() => (curve.points = points.filter((_, each) => each !== i))}>×</button
                >
            </div>
        {/each}
        <button class="btn self-start" onclick={add}>Add a point</button>
    </div>
    <p class="text-[12px] text-soft">rpm above, {choices.units.torque} below</p>
{:else}
    <div class="flex flex-wrap items-end gap-3">
        <Num entry={curve} path="peaks.torque.value" label="Torque" unit={choices.units.torque} />
        <Num entry={curve} path="peaks.torque.rpm" label="at" unit="rpm" />
        <Num entry={curve} path="peaks.power.value" label="Power" unit={choices.units.power} />
        <Num entry={curve} path="peaks.power.rpm" label="at" unit="rpm" />
        <Num entry={curve} path="peaks.lowest_rpm" label="From" unit="rpm" />
        <Num entry={curve} path="peaks.redline" label="to" unit="rpm" />
    </div>
    <p class="mt-1 text-[12px] text-soft">
        Sketched from its two peaks. Points of a measured car make it true.
    </p>
{/if}
<div class="mt-2 flex flex-wrap items-end gap-3">
    <label class="flex min-w-52 flex-1 flex-col gap-0.5"
        ><span class="text-[12px] text-soft">Paste a table: rpm and {choices.units.torque} in each line</span
        ><textarea class="field" rows="2" bind:value={pasted}></textarea></label
    >
    <button class="btn" disabled={pasted.trim() === ''} onclick={take}>Take the points</button>
    <FramePick entry={curve} {choices} />
    <Pick entry={curve} path="evidence.kind" label="Rests on" options={pairs(choices.words.evidence)} />
    <Word entry={curve} path="evidence.note" label="On what car, when, by whom" grow />
    <Word entry={curve} path="measured_on" label="Dyno and correction" />
</div>
