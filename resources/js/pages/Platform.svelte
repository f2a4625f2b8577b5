<script lang="ts">
    import { Link, page, router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import Beside from '@/features/library/edit/Beside.svelte';
    import Changes from '@/features/library/edit/Changes.svelte';
    import Outcomes from '@/features/library/Outcomes.svelte';
    import Group from '@/features/library/edit/Group.svelte';
    import { Editing } from '@/features/library/edit/editing.svelte';
    import { saveKeys } from '@/features/library/edit/keys';
    import LimitsOver from '@/features/library/edit/LimitsOver.svelte';
    import PlatformSheet from '@/features/library/edit/PlatformSheet.svelte';
    import type { Entry } from '@/features/library/edit/paths';
    import type { LibraryKept, PlatformPage, SignedIn } from '@/generated/answers';
    import { post } from '@/lib/api';
    import Frame from '@/ui/Frame.svelte';

    let { platform, document, state: kept, look, options, jobs, uses }: PlatformPage = $props();
    const person = untrack(() => (page.props as unknown as { person: SignedIn }).person);
    const mayEdit = person.abilities.includes('keep-library');
    const base = untrack(() => `/library/${platform.id}`);
    const editing = untrack(
        () => new Editing({ ...document }, kept, look, { look: `${base}/look`, keep: base, adds: false }),
    );
    let width = $state(0);
    let shown = $state.raw(untrack(() => look.picture));
    // What was last right stays while something is half typed.
    $effect(() => {
        if (editing.look?.picture) shown = editing.look.picture;
    });

    const mayMeasure = mayEdit || person.abilities.includes('keep-dyno-runs');
    const keep = () => editing.keep();

    /** What outcomes propose, written into the limit; it is kept when one says so. */
    function propose(key: string, safe: number | null, edge: number | null, evidence: Entry) {
        const limit = ((editing.document.limits ?? []) as Entry[]).find((one) => one.key === key);
        if (!limit) return;
        if (safe !== null) limit.safe = safe;
        if (edge !== null) limit.edge = edge;
        limit.evidence = evidence;
        editing.say.well('Written into the limit: keep it, if it is right.');
    }

    async function undo(number: number) {
        const now = await editing.say.of(post<LibraryKept>(`${base}/edits/${number}/undo`, {}));
        if (now) router.visit(`${base}/platform`);
    }
</script>

<svelte:head><title>{platform.name} · Library · Pebblerun</title></svelte:head>
<svelte:window onkeydown={saveKeys(keep)} />

<Frame fixed>
    {#snippet crumbs()}
        <span aria-hidden="true">/</span><Link href="/library" class="hover:text-ink">Library</Link>
        <span aria-hidden="true">/</span><Link href={base} class="hover:text-ink">{platform.name}</Link>
        <span aria-hidden="true">/</span><span class="text-ink">Platform</span>
    {/snippet}
    <div class="grid min-h-0 flex-1 md:grid-cols-[minmax(0,1fr)_380px]">
        <section class="overflow-y-auto px-6 py-4" aria-label="The platform">
            <h1 class="text-[17px] font-semibold tracking-tight">{platform.name}</h1>
            <p class="text-soft">
                {options.parts.length === 1 ? '1 part' : `${options.parts.length} parts`}, {jobs === 1
                    ? '1 job'
                    : `${jobs} jobs`} on it{jobs > 0
                    ? '; plans keep the version that they were made with'
                    : ''}.
            </p>
            {#if uses.length > 0}
                <details class="mt-1">
                    <summary class="cursor-pointer text-soft">What uses it</summary>
                    <ul class="columns-2 gap-6 pt-1">
                        {#each uses as use (use.plan)}<li class="break-inside-avoid py-0.5">
                                <Link class="underline" href="/plans/{use.plan}">{use.title}</Link>
                                <span class="text-soft tabular-nums">version {use.version}</span>
                            </li>{/each}
                    </ul>
                </details>
            {/if}
            {#if shown}
                <div class="mt-3" bind:clientWidth={width}>
                    {#if width > 0}<LimitsOver picture={shown} {width} height={300} />{/if}
                </div>
            {/if}
            <fieldset disabled={!mayEdit} class="mt-2">
                <PlatformSheet platform={editing.document} {options} />
            </fieldset>
            <Group
                title="What the limits rest on"
                about="records, and what became of components: proposed from them, never set"
            >
                <Outcomes
                    {base}
                    kinds={options.words.evidence}
                    fuels={options.fuels}
                    {mayMeasure}
                    {mayEdit}
                    take={propose}
                />
            </Group>
        </section>
        <Beside {editing} {mayEdit} {keep}>
            {#if shown}
                <h2 class="mt-4 font-semibold">What the curve says</h2>
                <dl>
                    {#each shown.facts as fact (fact.name)}
                        <div class="border-b border-faint py-1">
                            <dt class="text-[12px] text-soft">{fact.name}</dt>
                            <dd class="tabular-nums">{fact.value}</dd>
                        </div>
                    {/each}
                    {#each shown.others as other, at (at)}
                        <div class="border-b border-faint py-1">
                            <dt class="text-[12px] text-soft">{other.name} (dashed)</dt>
                            <dd class="tabular-nums">{other.peaks}</dd>
                        </div>
                    {/each}
                </dl>
                <h2 class="mt-4 font-semibold">How close the stock car is to its limits</h2>
                {#each shown.readings as reading, i (i)}
                    <div class="border-b border-faint py-1">
                        <p class="flex justify-between gap-2">
                            <span>{reading.name}</span><span class="whitespace-nowrap tabular-nums"
                                >{reading.percents}</span
                            >
                        </p>
                        {#if reading.percent !== null}<meter
                                class="block w-full"
                                min="0"
                                max="100"
                                value={Math.min(100, reading.percent ?? 0)}
                                aria-label="{reading.name}, share of what is safe"
                            ></meter>{/if}
                        <p class="text-[12px] text-soft">{reading.of}, {reading.bears} · {reading.rests}</p>
                    </div>
                {/each}
            {/if}
            <Changes state={editing.state} {mayEdit} {undo} />
        </Beside>
    </div>
</Frame>
