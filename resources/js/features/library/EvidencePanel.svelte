<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import Figure from '@/ui/Figure.svelte';
    import { onMount } from 'svelte';
    import type { Choice, GainEvidence, LibraryKept } from '@/generated/answers';
    import { get, post, postOnce } from '@/lib/api';
    import { today } from '@/lib/format';
    import { told } from '@/lib/told.svelte';
    import Told from '@/ui/Told.svelte';
    import { about } from './evidence';
    import BuildFields, { noBuild, sentBuild } from './BuildFields.svelte';
    import EvidencePicture from './EvidencePicture.svelte';
    import RecordFields from './RecordFields.svelte';

    /** What each gain of a part rests on, what each record would do to a plan, and putting one more on record. */
    type Props = {
        base: string;
        part: string;
        units: { power: string; torque: string };
        kinds: Choice[];
        fuels: Choice[];
        dynos: string[];
        mayMeasure: boolean;
        mayEdit: boolean;
        seen: number;
        took: (kept: LibraryKept) => void;
    };
    let { base, part, units, kinds, fuels, dynos, mayMeasure, mayEdit, seen, took }: Props = $props();
    const address = $derived(`${base}/parts/${part}/evidence`);
    let cases = $state.raw<GainEvidence>([]);
    let width = $state(0);
    let adding = $state<number | null>(null);
    const blank = () => ({
        kind: 'shop-dyno',
        power: [] as (number | undefined)[],
        torque: [] as (number | undefined)[],
        on: today(),
        build: '',
        frame: '',
        source: '',
        note: '',
    });
    let fresh = $state(blank());
    let build = $state(noBuild());
    let read = $state({ frame_at: '', frame_dyno: '' });
    const say = told();

    onMount(() => {
        void say.of(get<GainEvidence>(address)).then((found) => (cases = found ?? []));
    });

    async function record(event: SubmitEvent, id: number) {
        event.preventDefault();
        const kept = await say.of(
            postOnce<GainEvidence>(address, {
                ...fresh,
                ...sentBuild(build),
                ...(read.frame_at ? { frame_at: read.frame_at } : {}),
                ...(read.frame_dyno ? { frame_dyno: read.frame_dyno } : {}),
                case: id,
            }),
        );
        if (!kept) return;
        cases = kept;
        adding = null;
        fresh = blank();
        build = noBuild();
        read = { frame_at: '', frame_dyno: '' };
        say.well('On record. The figure in use is what it was.');
    }

    async function take(id: number) {
        const kept = await say.of(post<LibraryKept>(`${address}/rule`, { case: id, seen }));
        if (!kept) return;
        took(kept);
        cases = (await get<GainEvidence>(address).catch(() => null)) ?? cases;
        say.well('The figure comes from its records now.');
    }

    const likely = (range: number[]) => range[1] ?? 0;
    const differs = (one: GainEvidence[number]) =>
        one.by_rule !== null &&
        JSON.stringify([one.by_rule.power, one.by_rule.torque]) !==
            JSON.stringify([one.in_use.power, one.in_use.torque]);
</script>

<div bind:clientWidth={width}>
    {#each cases as one (one.id)}
        <section class="border-b border-faint py-2" aria-label="Evidence of case {one.at + 1}">
            <h3 class="font-medium">Gain {one.at + 1}, {one.when}</h3>
            {#if width > 0 && one.records.length > 0}<EvidencePicture
                    evidence={one}
                    unit={units.power}
                    width={Math.min(width, 760)}
                />{/if}
            <p class="text-soft">
                In use: {one.in_use.rests}{one.in_use.note ? `, ${one.in_use.note}` : ''}{one.in_use.set ===
                'hand'
                    ? ' (set by hand)'
                    : one.in_use.set === 'rule'
                      ? ' (by the rule)'
                      : ''}. A full build gains {one.in_use.adds} from it.
            </p>
            {#if one.records.length > 0}
                <ul class="mt-1">
                    {#each one.records as record (record.id)}<li
                            class="border-t border-faint py-1 text-[12px]"
                        >
                            <span class="font-medium"
                                >{record.rests}: {likely(record.power)}
                                {units.power}, {likely(record.torque)}
                                {units.torque}</span
                            >, would give a full build {record.adds}
                            <span class="block text-soft">{about(record)}</span>
                        </li>{/each}
                </ul>
                {#if one.older > 0}<p class="text-[12px] text-soft">
                        {one.older} older {one.older === 1 ? 'record counts' : 'records count'} for the rule, too.
                    </p>{/if}
            {:else}<p class="text-[12px] text-soft">Nothing with figures of its own is on record.</p>{/if}
            <div class="mt-1 flex flex-wrap gap-2">
                {#if mayEdit && one.by_rule && differs(one)}<button class="btn" onclick={() => take(one.id)}
                        >Use what the rule says: {likely(one.by_rule.power)}
                        {units.power}, {likely(one.by_rule.torque)}
                        {units.torque}</button
                    >{/if}
                {#if mayMeasure && adding !== one.id}<button class="btn" onclick={() => (adding = one.id)}
                        >Put one on record</button
                    >{/if}
            </div>
            {#if adding === one.id}
                <form class="mt-2 flex flex-wrap items-end gap-2" onsubmit={(event) => record(event, one.id)}>
                    <Field label="Who says so"
                        ><select class="field" bind:value={fresh.kind}
                            >{#each kinds as { key, words } (key)}<option value={key}>{words}</option
                                >{/each}</select
                        ></Field
                    >
                    {#each [['power', 'Power'], ['torque', 'Torque']] as const as [figure, words] (figure)}
                        <fieldset class="flex flex-col gap-0.5">
                            <legend class="text-[12px] text-soft">{words}, {units[figure]}</legend>
                            <div class="flex">
                                {#each ['low', 'likely', 'high'] as end, i (end)}<Figure
                                        class="field w-16 {i === 0
                                            ? 'rounded-r-none'
                                            : i === 2
                                              ? 'rounded-l-none'
                                              : 'rounded-none border-x-0'}"
                                        required
                                        placeholder={end}
                                        label="{words} on record, {end}"
                                        value={fresh[figure][i]}
                                        set={(number) => (fresh[figure][i] = number)}
                                    />{/each}
                            </div>
                        </fieldset>
                    {/each}
                    <Field label="Read at"
                        ><select class="field" bind:value={read.frame_at}
                            ><option value="">the wheels</option><option value="crank">the crank</option
                            ></select
                        ></Field
                    >
                    <Field label="on"
                        ><select class="field" bind:value={read.frame_dyno}
                            ><option value="">a dyno like ours</option>{#each dynos as dyno (dyno)}<option
                                    value={dyno}>{dyno.replaceAll('-', ' ')}</option
                                >{/each}</select
                        ></Field
                    >
                    <RecordFields bind:said={fresh} />
                    <BuildFields bind:build {fuels} />
                    <button class="btn btn-strong">Save the record</button>
                    <button type="button" class="btn" onclick={() => (adding = null)}>Cancel</button>
                </form>
            {/if}
        </section>
    {:else}<p class="text-soft">It gives no power by itself.</p>
    {/each}
    <p class="mt-2 text-[12px] text-soft">
        The rule: the best kind on record counts alone, the shop's own dyno first, then another dyno, the
        maker, judgement. Of several the lowest low, the middle of the likely ones, the highest high.
    </p>
    <Told {say} />
</div>
