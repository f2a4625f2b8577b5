<script lang="ts">
    import { Link, page } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import Curves from '@/charts/Curves.svelte';
    import Run from '@/charts/Run.svelte';
    import { Bench } from '@/features/bench/bench.svelte';
    import Board from '@/features/bench/Board.svelte';
    import CellPanel from '@/features/bench/CellPanel.svelte';
    import CompareSheet from '@/features/bench/CompareSheet.svelte';
    import CurvesSheet from '@/features/bench/CurvesSheet.svelte';
    import HelpSheet from '@/features/bench/HelpSheet.svelte';
    import SettingsPanel from '@/features/bench/SettingsPanel.svelte';
    import LibraryNews from '@/features/bench/LibraryNews.svelte';
    import PlansPanel from '@/features/bench/PlansPanel.svelte';
    import HistoryPanel from '@/features/bench/HistoryPanel.svelte';
    import StageFoot from '@/features/bench/StageFoot.svelte';
    import StagePanel from '@/features/bench/StagePanel.svelte';
    import VariantsPanel from '@/features/bench/VariantsPanel.svelte';
    import Verdict from '@/features/bench/Verdict.svelte';
    import VerdictPanel from '@/features/bench/VerdictPanel.svelte';
    import Palette from '@/features/bench/Palette.svelte';
    import { press, type BenchControls } from '@/features/bench/actions';
    import { FOOT, NEW } from '@/features/bench/types';
    import type { BenchPage, SignedIn } from '@/generated/answers';
    import { clock } from '@/lib/format';
    import { keys } from '@/lib/keys';
    import ConflictSheet from '@/ui/ConflictSheet.svelte';
    import Frame from '@/ui/Frame.svelte';
    import Kbd from '@/ui/Kbd.svelte';
    import SyncNotice from '@/ui/SyncNotice.svelte';

    let { job, plans, state: start }: BenchPage = $props();

    const person = (page.props as unknown as { person: SignedIn }).person;
    const bench = untrack(
        () =>
            new Bench(
                job.id,
                person.id,
                start,
                plans,
                person.units.power,
                person.abilities.includes('edit-plans'),
                person.abilities.includes('write-job-cards'),
            ),
    );
    let board: Board;
    let panel: HTMLElement;
    let help = $state(false);
    let palette = $state(false);
    let curves = $state(false);
    let runWidth = $state(640);
    let curvesWidth = $state(560);
    let picturesHeight = $state(246);

    const controls: BenchControls = {
        life: () => (bench.wantsLife = true),
        hold() {
            keys.expect();
            bench.wantsHold = true;
        },
        enter,
        name: (stage) => (bench.naming = stage === 'new' ? NEW : (bench.stage?.key ?? null)),
        show(kind) {
            const opens = bench.view.kind !== kind;
            if (opens && kind === 'variants') keys.expect();
            bench.view = opens ? { kind } : { kind: 'cell' };
        },
        curves: () => (curves = true),
        help: () => (help = true),
        palette() {
            keys.expect();
            palette = true;
        },
    };

    /** Into the panel; letters find a candidate, also those typed before the list is there. */
    function enter() {
        const first = panel.querySelector<HTMLElement>('[data-candidate]');
        (first ?? panel).focus();
        if (!first && bench.view.kind === 'cell' && bench.column > 0) keys.expect();
    }

    function leave() {
        board.focus();
    }

    function keydown(event: KeyboardEvent) {
        const inText =
            event.target instanceof HTMLElement &&
            event.target.closest('input, textarea, select, [role="dialog"], [role="menu"]');
        if (event.target === document.body) board.keydown(event);
        if (!inText && !event.defaultPrevented) press(event, ['bench'], bench, controls);
    }

    $effect(() => bench.queue.attend());
</script>

<svelte:head><title>{job.title} · Pebblerun</title></svelte:head>
<svelte:window onkeydown={keydown} />

<Frame fixed>
    {#snippet crumbs()}
        <span>/</span>
        <Link href="/jobs/{job.id}/brief" class="truncate font-semibold text-ink hover:underline"
            >{job.title}</Link
        >
        <span>/</span>
        <button
            class="truncate hover:text-ink"
            aria-label="Plans of this job: {bench.state.name}"
            title="Plans of this job"
            onclick={() => controls.show('plans')}
            >{bench.state.name}{bench.plans.list.length > 1
                ? ` (${bench.plans.place} of ${bench.plans.list.length})`
                : ''}</button
        >
        <span class="truncate">· {job.car}</span>
    {/snippet}
    {#snippet tools()}
        {#if bench.queue.others.length > 0}
            <span class="flex items-center gap-1.5 whitespace-nowrap text-ink" role="status"
                ><span class="size-2 rounded-full bg-moss" aria-hidden="true"></span>{bench.queue.others.join(
                    ' and ',
                )} here too</span
            >
        {/if}
        {#if bench.hasNews}
            <button
                class="whitespace-nowrap text-river underline hover:text-ink"
                onclick={() => controls.show('library')}
                >{bench.state.library.newest > bench.state.library.version
                    ? 'The library was revised'
                    : 'Prices changed'}</button
            >
        {/if}
        <button
            class="whitespace-nowrap text-soft hover:text-ink"
            onclick={() => (bench.view = { kind: 'history' })}
        >
            {#if bench.queue.trouble}<span class="text-rust">not saved yet</span>
            {:else if bench.saving}saving…
            {:else}saved {clock(bench.state.saved_at)}, revision {bench.state.revision}{/if}
        </button>
        <button
            class="whitespace-nowrap text-soft hover:text-ink disabled:opacity-50"
            disabled={bench.state.undo === null}
            title={bench.state.undo ? `Undo: ${bench.state.undo.what}` : 'You changed nothing in this plan'}
            onclick={bench.undo}>Undo <Kbd>U</Kbd></button
        >
        <Link href="/jobs/{job.id}/brief" class="text-soft hover:text-ink">Brief</Link>
        <button class="whitespace-nowrap text-soft hover:text-ink" onclick={() => (help = true)}
            >Keys <Kbd>?</Kbd></button
        >
    {/snippet}

    <h1 class="sr-only">Bench: {job.title}</h1>
    <p class="hidden text-[15px] print:mb-2 print:block">
        <b>{job.title}</b>, {job.car}. {bench.state.name}, revision {(bench.past ?? bench.state).revision}. {bench
            .estimate.settings.sentence}
    </p>
    <Verdict {bench} />
    {#if bench.error}
        <p class="flex justify-between border-b border-rust bg-rust-wash px-4 py-1.5 text-ink" role="alert">
            {bench.error}<button class="font-semibold" onclick={() => (bench.error = '')}>Close</button>
        </p>
    {/if}
    {#if !bench.mayEdit}
        <p class="border-b border-line bg-paper px-4 py-1.5 text-soft" role="status">
            You read this plan: your role does not change plans.
        </p>
    {/if}
    {#if bench.past}
        <p class="flex items-center gap-3 border-b border-river bg-wash px-4 py-1.5" role="status">
            <span class="flex-1"
                >Looking at revision {bench.past.revision}: {bench.past.label}, by {bench.past.author}.</span
            >
            <button class="btn btn-strong" onclick={bench.restore}>Restore it</button>
            <button class="btn" onclick={bench.back}>Back to the plan</button>
        </p>
    {/if}
    <SyncNotice queue={bench.queue} />
    <section
        class="hidden h-[33%] min-h-[190px] shrink-0 grid-cols-[1.18fr_1fr] border-b border-line md:grid print:grid print:h-[260px]"
    >
        <figure class="flex min-w-0 flex-col px-3.5 pt-1.5">
            <figcaption class="flex gap-3 text-[12px] text-soft">
                <span class="min-w-0 flex-1 truncate"
                    ><b class="mr-2 text-[13px] font-semibold text-ink">The run</b>money spent, wheel power
                    reached; bars: 8 cars in 10</span
                >
                <button class="whitespace-nowrap hover:text-ink" onclick={() => controls.show('variants')}
                    >Variants <Kbd>V</Kbd></button
                >
            </figcaption>
            <div
                class="relative min-h-0 flex-1"
                bind:clientWidth={runWidth}
                bind:clientHeight={picturesHeight}
            >
                {#if runWidth > 0}
                    <Run
                        estimate={bench.estimate}
                        width={runWidth}
                        height={picturesHeight}
                        chosen={bench.column}
                        choose={(stage) => bench.select(FOOT, stage)}
                        ghosts={bench.variants.list.filter((one) => bench.variants.overlaid.includes(one.id))}
                        changeTarget={bench.past ? null : bench.changeTarget}
                    />
                {/if}
            </div>
        </figure>
        <figure class="flex min-w-0 flex-col border-l border-line px-3.5 pt-1.5">
            <figcaption class="flex gap-3 text-[12px] text-soft">
                <span class="min-w-0 flex-1 truncate"
                    ><b class="mr-2 text-[13px] font-semibold text-ink">Curves</b>likely, at the wheels{bench
                        .estimate.sketched
                        ? '; sketched from peaks'
                        : ''}; shaded: rpm range in use</span
                >
                <button class="whitespace-nowrap hover:text-ink" onclick={() => (curves = true)}
                    >Large <Kbd>G</Kbd></button
                >
                <button class="whitespace-nowrap hover:text-ink" onclick={() => controls.show('settings')}
                    >Calculation settings <Kbd>R</Kbd></button
                >
            </figcaption>
            <div class="relative min-h-0 flex-1" bind:clientWidth={curvesWidth}>
                {#if curvesWidth > 0}
                    <Curves
                        estimate={bench.estimate}
                        width={curvesWidth}
                        height={picturesHeight}
                        chosen={bench.column}
                    />
                {/if}
            </div>
        </figure>
    </section>
    <section class="flex flex-col gap-3 p-4 md:hidden print:hidden" aria-label="Stages">
        {#if bench.view.kind === 'verdict'}
            <VerdictPanel {bench} subject={bench.view.subject} />
        {/if}
        {#each bench.stages as stage (stage.key)}
            <div class="border-t border-line pt-2">
                <h2 class="font-semibold">
                    {stage.index ? `Stage ${stage.index}` : 'As received'}
                    <span class="font-normal text-soft"
                        >{stage.name ? `${stage.name}, ` : ''}on {stage.fuel.name}</span
                    >
                </h2>
                <StageFoot {stage} labels={bench.estimate.labels} life={bench.marked(stage.key)} />
                {#if stage.parts_bought > 0}
                    <p class="mt-1 text-soft">{bench.namesBought(stage.index).join(', ')}</p>
                {/if}
            </div>
        {/each}
        <p class="text-soft">The board needs a wider window.</p>
    </section>
    <section class="hidden min-h-0 flex-1 grid-cols-[1fr_264px] md:grid xl:grid-cols-[1fr_312px] print:block">
        <Board bind:this={board} {bench} {controls} />
        <!-- svelte-ignore a11y_no_noninteractive_element_interactions, a11y_no_noninteractive_tabindex -->
        <aside
            bind:this={panel}
            data-panel
            tabindex="0"
            class="min-h-0 overflow-auto border-l border-line bg-paper px-3.5 py-2 print:hidden"
            aria-label="Candidates and reasons"
            onkeydown={(event) => event.key === 'Escape' && leave()}
        >
            {#if bench.view.kind === 'history'}
                <HistoryPanel {bench} />
            {:else if bench.view.kind === 'variants'}
                <VariantsPanel {bench} />
            {:else if bench.view.kind === 'plans'}
                <PlansPanel {bench} />
            {:else if bench.view.kind === 'library'}
                <LibraryNews {bench} />
            {:else if bench.view.kind === 'settings'}
                <SettingsPanel {bench} />
            {:else if bench.view.kind === 'verdict'}
                <VerdictPanel {bench} subject={bench.view.subject} />
            {:else if bench.view.kind === 'stage'}
                <StagePanel {bench} />
            {:else}
                <CellPanel {bench} {leave} />
            {/if}
        </aside>
    </section>
    <p class="hidden text-[12px] print:mt-2 print:block">{bench.estimate.promise}</p>
    <p class="sr-only" role="status" aria-live="polite">{bench.announcement}</p>
</Frame>
<ConflictSheet queue={bench.queue} />
<CurvesSheet {bench} bind:open={curves} />
<CompareSheet
    {bench}
    bind:open={() => bench.variants.compared !== null, (open) => !open && (bench.variants.compared = null)}
/>
<HelpSheet bind:open={help} />
<Palette bind:open={palette} {bench} {controls} {leave} />
