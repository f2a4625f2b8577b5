<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import DayField from '@/ui/DayField.svelte';
    import Figure from '@/ui/Figure.svelte';
    import { onMount } from 'svelte';
    import { fixed } from '@/charts/scale';
    import type { Choice, LimitEvidence } from '@/generated/answers';
    import { get, postOnce } from '@/lib/api';
    import { day, precise, today } from '@/lib/format';
    import { told } from '@/lib/told.svelte';
    import Told from '@/ui/Told.svelte';
    import { about, shape } from './evidence';
    import BuildFields, { noBuild, sentBuild } from './BuildFields.svelte';
    import LimitRecord from './LimitRecord.svelte';

    /**
     * What limits rest on: records, and what became of components under load. What that proposes a person takes or leaves.
     */
    type Props = {
        base: string;
        kinds: Choice[];
        fuels: Choice[];
        mayMeasure: boolean;
        mayEdit: boolean;
        take: (
            key: string,
            safe: number | null,
            edge: number | null,
            evidence: { kind: string; note: string; set: 'rule' },
        ) => void;
    };
    let { base, kinds, fuels, mayMeasure, mayEdit, take }: Props = $props();
    let limits = $state.raw<LimitEvidence>([]);
    let adding = $state<number | null>(null);
    let recording = $state<number | null>(null);
    let width = $state(0);
    const blank = () => ({
        load: undefined as number | undefined,
        broke: false,
        months: 12 as number | undefined,
        on: today(),
        how: '',
    });
    let fresh = $state(blank());
    let build = $state(noBuild());
    const say = told();

    onMount(() => {
        void say.of(get<LimitEvidence>(`${base}/outcomes`)).then((found) => (limits = found ?? []));
    });

    async function keep(event: SubmitEvent, id: number) {
        event.preventDefault();
        const kept = await say.of(
            postOnce<LimitEvidence>(`${base}/outcomes`, {
                ...fresh,
                ...sentBuild(build),
                limit: id,
            }),
        );
        if (!kept) return;
        limits = kept;
        adding = null;
        fresh = blank();
        build = noBuild();
        say.well('On record.');
    }

    const kept = (now: LimitEvidence) => {
        limits = now;
        recording = null;
        say.well('On record. The limit is what it was.');
    };
    const differs = (limit: LimitEvidence[number]) =>
        limit.by_rule !== null &&
        limit.safe !== null &&
        (limit.by_rule.safe !== limit.safe || limit.by_rule.edge !== limit.edge);

    const scale = (limit: LimitEvidence[number]) => {
        const all = [
            ...limit.outcomes.map(({ load }) => load),
            ...limit.records.flatMap(({ safe, edge }) => [safe, edge]),
            limit.safe ?? limit.outcomes[0]?.load ?? 0,
            limit.edge ?? limit.outcomes[0]?.load ?? 0,
        ];
        const span = Math.max(...all) - Math.min(...all) || 1;
        return fixed(
            [Math.min(...all) - 0.1 * span, Math.max(...all) + 0.1 * span],
            [8, Math.min(width, 620) - 8],
        );
    };
    const months = (count: number) => (count === 1 ? '1 month' : `${count} months`);
    const words = (limit: LimitEvidence[number]) =>
        limit.proposed.missing > 0
            ? `${limit.outcomes.length === 0 ? 'Judgement alone' : 'Still judgement'}: ${limit.proposed.missing} more outcomes and it can be proposed.`
            : `${limit.proposed.lived} bore it for a year, ${limit.proposed.broke} broke${limit.proposed.doubtful > 0 ? `, ${limit.proposed.doubtful} of them under a map that is suspect or not known` : ''}.`;
</script>

<div bind:clientWidth={width}>
    {#each limits as limit (limit.id)}
        {@const x = scale(limit)}
        <section class="border-b border-faint py-2" aria-label="Outcomes of {limit.name}">
            <div class="flex flex-wrap items-baseline gap-3">
                <h3 class="font-medium">{limit.name}</h3>
                <span class="text-soft">{words(limit)}</span>
                {#if limit.proposed.safe !== null || limit.proposed.edge !== null}
                    <span class="tabular-nums"
                        >Proposed: {limit.proposed.safe === null
                            ? ''
                            : `safe to ${precise(limit.proposed.safe)}`}{limit.proposed.safe !== null &&
                        limit.proposed.edge !== null
                            ? ', '
                            : ''}{limit.proposed.edge === null
                            ? ''
                            : `breaks at ${precise(limit.proposed.edge)}`}</span
                    >
                    {#if mayEdit && limit.safe !== null}<button
                            class="btn"
                            onclick={() =>
                                take(
                                    limit.key,
                                    limit.proposed.safe,
                                    limit.proposed.edge,
                                    limit.proposed.evidence,
                                )}>Write it into the limit</button
                        >{/if}
                {/if}
                {#if mayMeasure}<span class="ml-auto flex gap-2">
                        {#if adding !== limit.id}<button class="btn" onclick={() => (adding = limit.id)}
                                >What became of one</button
                            >{/if}
                        {#if recording !== limit.id}<button
                                class="btn"
                                aria-label="Put one on record: {limit.name}"
                                onclick={() => (recording = limit.id)}>Put one on record</button
                            >{/if}</span
                    >{/if}
            </div>
            <p class="text-[12px] text-soft">
                In use: {limit.in_use.rests}{limit.in_use.note ? `, ${limit.in_use.note}` : ''}{limit.in_use
                    .set === 'hand'
                    ? ' (set by hand)'
                    : limit.in_use.set === 'rule'
                      ? ' (by the rule)'
                      : ''}{limit.in_use.stock ? `; the stock car uses ${limit.in_use.stock} of it` : ''}.
            </p>
            {#if limit.records.length > 0}
                <ul>
                    {#each limit.records as record (record.id)}<li class="text-[12px]">
                            <span aria-hidden="true">{shape(record.kind)}</span>
                            <span class="font-medium tabular-nums"
                                >{record.rests}: safe to {precise(record.safe)}, breaks at {precise(
                                    record.edge,
                                )}
                                {limit.unit}</span
                            >{record.stock ? `, of which the stock car would use ${record.stock}` : ''}
                            <span class="text-soft">{` · ${about(record)}`}</span>
                        </li>{/each}
                </ul>
                {#if mayEdit && limit.by_rule && differs(limit)}{@const rule = limit.by_rule}<button
                        class="btn mt-1"
                        onclick={() => take(limit.key, rule.safe, rule.edge, rule.evidence)}
                        >Write what the rule says into the limit: safe to {precise(rule.safe)}, breaks at {precise(
                            rule.edge,
                        )}</button
                    >{/if}
            {/if}
            {#if limit.outcomes.length + limit.records.length > 0 && width > 0}
                {@const high = 46 + 14 * limit.records.length}
                <svg
                    width={Math.min(width, 620)}
                    height={high}
                    role="img"
                    aria-label="{limit.name}: {limit.outcomes
                        .map((one) => `${one.broke ? 'broke' : 'lived'} at ${one.load}`)
                        .join(', ')}"
                >
                    <line x1="8" x2={Math.min(width, 620) - 8} y1="20" y2="20" stroke="var(--line)" />
                    {#each [['safe to', limit.safe], ['breaks at', limit.edge]] as [name, value] (name)}{#if typeof value === 'number'}<line
                                x1={x(value)}
                                x2={x(value)}
                                y1="6"
                                y2={high - 14}
                                stroke="var(--rust)"
                                stroke-dasharray={name === 'breaks at' ? '3 3' : undefined}
                            /><text
                                x={x(value)}
                                y={high - 2}
                                text-anchor="middle"
                                font-size="11"
                                fill="var(--rust)">{name} {precise(value)}</text
                            >{/if}{/each}
                    {#each limit.outcomes as one (one.id)}
                        {#if one.broke}<path
                                d="M{x(one.load) - 5},15 l10,10 m0,-10 l-10,10"
                                stroke="var(--rust)"
                                stroke-width="2"
                                fill="none"
                            />
                        {:else}<circle
                                cx={x(one.load)}
                                cy="20"
                                r="5"
                                fill={one.months >= 12 ? 'var(--moss)' : 'var(--paper)'}
                                stroke="var(--moss)"
                                stroke-width="1.6"
                            />{/if}
                    {/each}
                    {#each limit.records as record, i (record.id)}
                        {@const y = 36 + 14 * i}
                        <line
                            x1={x(record.safe)}
                            x2={x(record.edge)}
                            y1={y}
                            y2={y}
                            stroke="var(--stone)"
                            stroke-width="3"
                        /><text
                            x={x(record.safe) - 6}
                            y={y + 4}
                            text-anchor="end"
                            font-size="11"
                            fill="var(--ink)">{shape(record.kind)}</text
                        >
                    {/each}
                </svg>
                <ul class="text-[12px] text-soft">
                    {#each limit.outcomes as one (one.id)}<li>
                            {precise(one.load)}
                            {limit.unit}: {one.broke
                                ? `✕ broke after ${months(one.months)}`
                                : `● lived ${months(one.months)}`}{one.how ? `, ${one.how}` : ''} · {one.by}, {day(
                                one.on,
                            )}
                        </li>{/each}
                </ul>
            {/if}
            {#if recording === limit.id}<LimitRecord
                    {base}
                    {kinds}
                    {fuels}
                    {limit}
                    {say}
                    {kept}
                    cancel={() => (recording = null)}
                />{/if}
            {#if adding === limit.id}
                <form class="mt-2 flex flex-wrap items-end gap-2" onsubmit={(event) => keep(event, limit.id)}>
                    <Field label="Load, {limit.quantity}, {limit.unit}"
                        ><Figure
                            class="field w-24"
                            min={0}
                            required
                            value={fresh.load}
                            set={(number) => (fresh.load = number)}
                        /></Field
                    >
                    <Field label="It"
                        ><select class="field" bind:value={fresh.broke}
                            ><option value={false}>lived</option><option value={true}>broke</option></select
                        ></Field
                    >
                    <Field label="For, months"
                        ><Figure
                            class="field w-20"
                            min={0}
                            max={600}
                            required
                            value={fresh.months}
                            set={(number) => (fresh.months = number)}
                        /></Field
                    >
                    <DayField label="Seen on" most={today()} bind:value={fresh.on} />
                    <label class="flex min-w-44 flex-1 flex-col gap-0.5"
                        ><span class="text-[12px] text-soft">How</span><input
                            class="field w-full"
                            maxlength="2000"
                            bind:value={fresh.how}
                        /></label
                    >
                    <BuildFields bind:build {fuels} />
                    <button class="btn btn-strong">Save it</button>
                    <button type="button" class="btn" onclick={() => (adding = null)}>Cancel</button>
                </form>
            {/if}
        </section>
    {:else}<p class="text-soft">No limit yet.</p>
    {/each}
    <p class="mt-2 text-[12px] text-soft">
        Safe is the highest load that three or more bore for a year and at or below which none broke; it
        breaks at the lowest quarter of what broke. What broke under a map that is suspect or not known takes
        nothing down that others bore. Of records the best kind counts alone, the shop's own dyno first, and
        of several of that kind the most careful.
    </p>
    <Told {say} />
</div>
