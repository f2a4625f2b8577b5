<script lang="ts">
    import type { BriefForm } from './brief.svelte';
    import { UNKNOWN } from './brief.svelte';
    import Ledger from './Ledger.svelte';
    import NumberField from './NumberField.svelte';
    import type { BriefPage } from '@/generated/answers';
    import Field from '@/ui/Field.svelte';
    import { day, today } from '@/lib/format';

    /** What stands on the car already, slot by slot, and its own baseline. */
    type Props = {
        form: BriefForm;
        dynos: BriefPage['dynos'];
        corrections: BriefPage['corrections'];
        power: string;
        torque: string;
    };
    let { form, dynos, corrections, power, torque }: Props = $props();
    const fitted = $derived(
        form.slots.filter((slot) => form.standing(slot) !== '').map((slot) => slot.name.toLowerCase()),
    );
    const baseline = $derived(form.brief.received.baseline);
    const doubts = $derived(form.state.baseline);
    const confirmed = $derived(form.brief.received.baseline_confirmed);
    const peaks = $derived(baseline && 'peaks' in baseline ? baseline.peaks : null);
    const blank = {
        lowest_rpm: 1500,
        torque: { rpm: 3000, value: 0 },
        power: { rpm: 5500, value: 0 },
        redline: 6500,
    };
    let draft = $state(structuredClone(blank));

    function change(set: (peaks: typeof blank) => void) {
        const next = peaks ? structuredClone($state.snapshot(peaks)) : $state.snapshot(draft);
        set(next);
        draft = next;
        if (next.torque.value > 0 && next.power.value > 0)
            form.received({ baseline: { ...baseline, peaks: next } });
    }

    /** Every number in what was typed: "214, 216 and 212". */
    function pull(typed: string) {
        const pulls = (typed.replaceAll(/(\d),(\d{1,2})(?!\d)/g, '$1.$2').match(/\d+(\.\d+)?/g) ?? []).map(
            Number,
        );
        if (baseline)
            form.received({ baseline: { ...baseline, pulls: pulls.length > 0 ? pulls : undefined } });
    }
    const shown = $derived(peaks ?? draft);

    type Frame = NonNullable<NonNullable<typeof baseline>['frame']>;
    const sheet = $derived<Frame>(baseline?.frame ?? {});
    /** Where the sheet was read; on the shop's own dyno nothing is said. */
    function read(key: 'at' | 'dyno' | 'correction', value: string) {
        const frame = { ...$state.snapshot(sheet), [key]: value === '' ? undefined : value };
        const said = Object.values(frame).some((one) => one !== undefined);
        if (baseline)
            form.received({ baseline: { ...baseline, frame: said ? (frame as Frame) : undefined } });
    }

    type Peaks = typeof blank;
    type PeakField = {
        key: string;
        label: string;
        unit: string;
        of: (peaks: Peaks) => number;
        set: (peaks: Peaks, value: number) => void;
    };
    const fields = $derived<PeakField[]>([
        ...(['torque', 'power'] as const).flatMap((peak): PeakField[] => [
            {
                key: peak,
                label: `Peak ${peak}`,
                unit: peak === 'power' ? power : torque,
                of: (peaks) => peaks[peak].value,
                set: (peaks, value) => (peaks[peak].value = value),
            },
            {
                key: `${peak}-rpm`,
                label: 'at',
                unit: 'rpm',
                of: (peaks) => peaks[peak].rpm,
                set: (peaks, value) => (peaks[peak].rpm = value),
            },
        ]),
        ...(['lowest_rpm', 'redline'] as const).map((end): PeakField => ({
            key: end,
            label: end === 'redline' ? 'to' : 'Pull from',
            unit: 'rpm',
            of: (peaks) => peaks[end],
            set: (peaks, value) => (peaks[end] = value),
        })),
    ]);
</script>

<details class="w-full">
    <summary class="cursor-pointer"
        >Fitted already: {fitted.length === 0 ? 'nothing, all stock' : fitted.join(', ')}</summary
    >
    <div class="mt-2 grid grid-cols-1 gap-x-6 gap-y-1 sm:grid-cols-2">
        {#each form.slots as slot (slot.key)}
            <label class="flex items-center justify-between gap-2">
                <span class="truncate text-soft">{slot.name}</span>
                <select
                    class="field w-48"
                    value={form.standing(slot)}
                    onchange={(event) => form.stands(slot, event.currentTarget.value)}
                >
                    <option value="">{slot.stock || 'stock'}</option>
                    {#each slot.parts as part (part.key)}<option value={part.key}>{part.name}</option>{/each}
                    <option value={UNKNOWN}>not known</option>
                </select>
            </label>
        {/each}
    </div>
</details>
{#if form.state.ledger.length > 0}<Ledger ledger={form.state.ledger} />{/if}
<details class="w-full">
    <summary class="cursor-pointer"
        >Own baseline: {baseline === undefined
            ? 'not measured'
            : peaks
              ? `${peaks.power.value} ${power} at ${peaks.power.rpm} rpm, from its peaks`
              : 'measured curve'}</summary
    >
    {#if baseline === undefined || peaks}
        <div class="mt-2 flex flex-wrap items-end gap-3">
            {#each fields as field (field.key)}
                <NumberField
                    label={field.label}
                    unit={field.unit}
                    step={field.unit === 'rpm' ? 50 : 1}
                    value={field.of(shown) || undefined}
                    set={(text) => change((next) => field.set(next, Number(text)))}
                />
            {/each}
        </div>
        <p class="mt-1 text-[12.5px] text-soft">The curve between the peaks is sketched.</p>
    {/if}
    {#if baseline !== undefined}
        <label class="mt-2 flex flex-col gap-0.5">
            <span class="text-[12px] text-soft">Peak of each pull, for how far they lie apart</span>
            <span class="flex items-center gap-1.5"
                ><input
                    class="field w-56"
                    inputmode="decimal"
                    placeholder="none told"
                    value={baseline.pulls?.join('  ') ?? ''}
                    onchange={(event) => pull(event.currentTarget.value)}
                /><span class="text-soft">{power}</span></span
            >
        </label>
        <div class="mt-2 flex flex-wrap items-end gap-3">
            <Field label="Read at"
                ><select
                    class="field"
                    value={sheet.at ?? ''}
                    onchange={(event) => read('at', event.currentTarget.value)}
                    ><option value="">the wheels</option><option value="crank">the crank</option></select
                ></Field
            >
            <Field label="on"
                ><select
                    class="field"
                    value={sheet.dyno ?? ''}
                    onchange={(event) => read('dyno', event.currentTarget.value)}
                    ><option value="">the shop’s dyno</option>{#each dynos as dyno (dyno.key)}<option
                            value={dyno.key}>{dyno.words}</option
                        >{/each}</select
                ></Field
            >
            <Field label="corrected by"
                ><select
                    class="field"
                    value={sheet.correction ?? ''}
                    onchange={(event) => read('correction', event.currentTarget.value)}
                    ><option value="">as the shop’s</option>{#each corrections as one (one.key)}<option
                            value={one.key}>{one.words}</option
                        >{/each}</select
                ></Field
            >
        </div>
        <p class="mt-1 text-[12.5px] text-soft">A sheet from elsewhere is brought to the shop’s own.</p>
        <button class="btn mt-2" onclick={() => form.received({ baseline: undefined })}
            >Remove the baseline</button
        >
    {/if}
</details>
{#if doubts.doubts.length > 0}
    <div class="w-full rounded border border-line p-2" role="group" aria-label="Baseline hard to believe">
        {#each doubts.doubts as doubt (doubt)}<p class="mb-1">
                <span class="text-rust" aria-hidden="true">▲</span>
                {doubt}
            </p>{/each}
        {#if confirmed}
            <p class="text-soft">
                Confirmed by {confirmed.by}, {day(confirmed.on)}.
                <button class="btn ml-2" onclick={() => form.received({ baseline_confirmed: undefined })}
                    >Undo</button
                >
            </p>
        {:else if doubts.can_confirm}
            <p class="text-soft">
                No chance is stated until it is confirmed by name.
                <button
                    class="btn ml-2"
                    onclick={() => form.received({ baseline_confirmed: { by: 'now', on: today() } })}
                    >It is right: confirm with my name</button
                >
            </p>
        {/if}
    </div>
{/if}
