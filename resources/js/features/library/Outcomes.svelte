<script lang="ts">
    import { onMount } from 'svelte';
    import { fixed } from '@/charts/scale';
    import type { LimitEvidence } from '@/generated/answers';
    import { get, post } from '@/lib/api';
    import { day, precise, today } from '@/lib/format';
    import { told } from '@/lib/told.svelte';
    import Told from '@/ui/Told.svelte';

    /** What became of components under load, and the limits that this proposes; a person takes them or leaves them. */
    type Props = {
        base: string;
        mayMeasure: boolean;
        mayEdit: boolean;
        take: (key: string, safe: number | null, edge: number | null) => void;
    };
    let { base, mayMeasure, mayEdit, take }: Props = $props();
    let limits = $state.raw<LimitEvidence>([]);
    let adding = $state<number | null>(null);
    let width = $state(0);
    const blank = () => ({ load: '', broke: false, months: '12', on: today(), how: '' });
    let fresh = $state(blank());
    const say = told();

    onMount(() => {
        void say.of(get<LimitEvidence>(`${base}/outcomes`)).then((found) => (limits = found ?? []));
    });

    async function keep(event: SubmitEvent, id: number) {
        event.preventDefault();
        const kept = await say.of(
            post<LimitEvidence>(`${base}/outcomes`, {
                ...fresh,
                limit: id,
                load: Number(fresh.load),
                months: Number(fresh.months),
            }),
        );
        if (!kept) return;
        limits = kept;
        adding = null;
        fresh = blank();
        say.well('On record.');
    }

    const scale = (limit: LimitEvidence[number]) => {
        const all = [
            ...limit.outcomes.map(({ load }) => load),
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
            : `${limit.proposed.lived} bore it for a year, ${limit.proposed.broke} broke.`;
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
                            : `safe ${precise(limit.proposed.safe)}`}{limit.proposed.safe !== null &&
                        limit.proposed.edge !== null
                            ? ', '
                            : ''}{limit.proposed.edge === null
                            ? ''
                            : `edge ${precise(limit.proposed.edge)}`}</span
                    >
                    {#if mayEdit && limit.safe !== null}<button
                            class="btn"
                            onclick={() => take(limit.key, limit.proposed.safe, limit.proposed.edge)}
                            >Write it into the limit</button
                        >{/if}
                {/if}
                {#if mayMeasure && adding !== limit.id}<button
                        class="btn ml-auto"
                        onclick={() => (adding = limit.id)}>What became of one</button
                    >{/if}
            </div>
            {#if limit.outcomes.length > 0 && width > 0}
                <svg
                    width={Math.min(width, 620)}
                    height="46"
                    role="img"
                    aria-label="{limit.name}: {limit.outcomes
                        .map((one) => `${one.broke ? 'broke' : 'lived'} at ${one.load}`)
                        .join(', ')}"
                >
                    <line x1="8" x2={Math.min(width, 620) - 8} y1="20" y2="20" stroke="var(--line)" />
                    {#each [['safe', limit.safe], ['edge', limit.edge]] as [name, value] (name)}{#if typeof value === 'number'}<line
                                x1={x(value)}
                                x2={x(value)}
                                y1="6"
                                y2="32"
                                stroke="var(--rust)"
                                stroke-dasharray={name === 'edge' ? '3 3' : undefined}
                            /><text x={x(value)} y="44" text-anchor="middle" font-size="11" fill="var(--rust)"
                                >{name} {precise(value)}</text
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
            {#if adding === limit.id}
                <form class="mt-2 flex flex-wrap items-end gap-2" onsubmit={(event) => keep(event, limit.id)}>
                    <label class="flex flex-col gap-0.5"
                        ><span class="text-[12px] text-soft">Load, {limit.quantity}, {limit.unit}</span><input
                            class="field w-24 tabular-nums"
                            type="number"
                            step="any"
                            min="0"
                            required
                            bind:value={fresh.load}
                        /></label
                    >
                    <label class="flex flex-col gap-0.5"
                        ><span class="text-[12px] text-soft">It</span><select
                            class="field"
                            bind:value={fresh.broke}
                            ><option value={false}>lived</option><option value={true}>broke</option></select
                        ></label
                    >
                    <label class="flex flex-col gap-0.5"
                        ><span class="text-[12px] text-soft">For, months</span><input
                            class="field w-20 tabular-nums"
                            type="number"
                            min="0"
                            max="600"
                            required
                            bind:value={fresh.months}
                        /></label
                    >
                    <label class="flex flex-col gap-0.5"
                        ><span class="text-[12px] text-soft">Seen on</span><input
                            class="field"
                            type="date"
                            max={today()}
                            required
                            bind:value={fresh.on}
                        /></label
                    >
                    <label class="flex min-w-44 flex-1 flex-col gap-0.5"
                        ><span class="text-[12px] text-soft">How</span><input
                            class="field w-full"
                            maxlength="2000"
                            bind:value={fresh.how}
                        /></label
                    >
                    <button class="btn btn-strong">Keep it</button>
                    <button type="button" class="btn" onclick={() => (adding = null)}>Cancel</button>
                </form>
            {/if}
        </section>
    {:else}<p class="text-soft">No limit is kept yet.</p>
    {/each}
    <p class="mt-2 text-[12px] text-soft">
        Safe is the highest load that three or more bore for a year and at or below which none broke; edge the
        lowest quarter of what broke.
    </p>
    <Told {say} />
</div>
