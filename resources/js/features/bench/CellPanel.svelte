<script lang="ts">
    import { tick } from 'svelte';
    import type { CellDetail } from '@/generated/answers';
    import { Fetched } from '@/lib/fetched.svelte';
    import { replay } from '@/lib/keys';
    import type { Bench } from './bench.svelte';
    import CandidateList from './CandidateList.svelte';
    import LineEditor from './LineEditor.svelte';
    import { FUEL } from './types';

    type Props = { bench: Bench; leave: () => void };
    let { bench, leave }: Props = $props();

    const stage = $derived(bench.stage);
    const row = $derived(bench.row);
    const where = $derived(stage?.index ? `stage ${stage.index}` : 'as received');
    // It belongs to the cell and the version; a short wait spares the server while arrows run over the board.
    const detail = new Fetched<CellDetail>(
        () => (row && stage?.index ? bench.opened('cell', { slot: row.key, stage: stage.index }) : null),
        140,
        () => void greet(),
    );
    const candidates = $derived(bench.past ? [] : (detail.value?.candidates ?? []));
    const share = $derived(detail.value?.share);
    const findings = $derived(detail.value?.findings ?? []);

    /** A choice goes to the board, and so does the focus: the list is about to change. */
    function choose(change: () => void) {
        change();
        leave();
    }

    /** Whoever entered the panel before the list was there gets it now. */
    async function greet() {
        await tick();
        const panel = document.activeElement;
        if (!(panel instanceof HTMLElement) || panel.dataset.panel === undefined) return;
        const first = panel.querySelector<HTMLElement>('[data-candidate]');
        first?.focus();
        replay(first ?? panel);
    }
</script>

{#if row}<h2 class="text-[14px] font-semibold">{row.name}, {where}</h2>{/if}

{#if !row}
    <p class="text-soft">All stock here: Enter or “show” opens its places.</p>
{:else if stage?.index === 0}
    <p class="mt-1 text-soft">
        {bench.cell?.name}. What the car came with is part of its baseline; change it in the brief.
    </p>
{:else if row?.key === FUEL}
    <p class="mt-1 text-[12px] text-soft">
        Gain over the fuel of the stage before; later stages on the same fuel change too
    </p>
    <CandidateList
        {candidates}
        loading={detail.loading}
        failed={detail.failed}
        pick={(one) => choose(() => bench.burn(one.part, one.name, one.with))}
        {leave}
    />
{:else}
    {#each findings as finding (finding.sentence)}
        <p class="mt-1 text-[12px] {finding.fault ? 'text-rust' : 'text-soft'}">
            {finding.fault ? '! ' : ''}{finding.sentence}
        </p>
        {#each finding.fixes as way, at (at)}
            <button class="btn mt-1 mr-1 text-[12px]" onclick={() => choose(() => bench.settle(way))}
                >Fit {way.name}</button
            >
        {/each}
    {/each}
    <p class="mt-1 text-[12px] text-soft">Gain · cost, fitted with tax and reserve · also needs</p>
    <CandidateList
        {candidates}
        loading={detail.loading}
        failed={detail.failed}
        stock={{ name: row?.stock ?? '', stays: bench.cell?.state === 'stock' }}
        pick={(one) => choose(() => bench.fit(one.part, one.name, one.with))}
        clear={() => choose(() => bench.clear())}
        {leave}
    />
    {#if detail.value?.line}
        {#key `${stage?.key} ${detail.value.line.part}`}<LineEditor {bench} line={detail.value.line} />{/key}
    {/if}
    {#if share}
        <h3 class="mt-2 font-semibold">Why: {share.name}</h3>
        <ul class="mt-0.5 flex flex-col gap-1 text-[12px] leading-snug text-soft">
            {#each share.why as reason, at (at)}<li>{reason}</li>{/each}
        </ul>
    {/if}
{/if}
