<script lang="ts">
    import { Link, page, router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { copied, copy } from '@/lib/copied';
    import Beside from '@/features/library/edit/Beside.svelte';
    import Changes from '@/features/library/edit/Changes.svelte';
    import EvidencePanel from '@/features/library/EvidencePanel.svelte';
    import Group from '@/features/library/edit/Group.svelte';
    import { Editing } from '@/features/library/edit/editing.svelte';
    import { saveKeys } from '@/features/library/edit/keys';
    import PartSheet from '@/features/library/edit/PartSheet.svelte';
    import Preview from '@/features/library/edit/Preview.svelte';
    import Retire from '@/features/library/edit/Retire.svelte';
    import type { LibraryKept, PartPage, SignedIn } from '@/generated/answers';
    import { post } from '@/lib/api';
    import Frame from '@/ui/Frame.svelte';

    let {
        platform,
        key,
        id,
        document,
        state: kept,
        look,
        options,
        uses,
        known,
        platforms,
    }: PartPage = $props();
    const person = untrack(() => (page.props as unknown as { person: SignedIn }).person);
    const mayEdit = person.abilities.includes('keep-library');
    const mayMeasure = mayEdit || person.abilities.includes('keep-dyno-runs');
    const isNew = untrack(() => key === 'new');
    const base = untrack(() => `/library/${platform.id}`);
    const fresh = untrack(() => ({
        name: known?.name ?? '',
        maker: known?.maker ?? '',
        slots: [],
        gains: [],
        price: { ...known?.price },
        ...(isNew ? copied() : null),
    }));
    const editing = untrack(
        () =>
            new Editing(document ? { ...document } : fresh, kept, look, {
                look: `${base}/parts/${key}/look`,
                keep: isNew ? `${base}/parts` : `${base}/parts/${key}`,
                adds: isNew,
            }),
    );
    let retiring = $state(false);
    /** Platforms on which a new part stands as well. */
    let also = $state<number[]>([]);
    const others = $derived(platforms.filter((one) => one.id !== platform.id));

    async function keep() {
        const now = await editing.keep(also);
        if (now && isNew) router.visit(`${base}/parts/${now.key}`);
    }

    /** Another part begins as this one, with all but its key; slots that the other platform has not are pointed out there. */
    function copyTo(id: string) {
        copy($state.snapshot(editing.document));
        router.visit(`/library/${id}/parts/new`);
    }

    /** Saves it and begins another. */
    async function next() {
        const now = await editing.keep(also);
        if (now) router.visit(`${base}/parts/new`);
    }

    async function undo(number: number) {
        const now = await editing.say.of(post<LibraryKept>(`${base}/edits/${number}/undo`, {}));
        if (now) router.visit(isNew ? base : `${base}/parts/${key}`);
    }
</script>

<svelte:head><title>{document?.name ?? 'New part'} · Library · Pebblerun</title></svelte:head>
<svelte:window onkeydown={saveKeys(keep)} />

<Frame fixed>
    {#snippet crumbs()}
        <span aria-hidden="true">/</span><Link href="/library" class="hover:text-ink">Library</Link>
        <span aria-hidden="true">/</span><Link href={base} class="hover:text-ink">{platform.name}</Link>
        <span aria-hidden="true">/</span><span class="truncate text-ink">{document?.name ?? 'New part'}</span>
    {/snippet}
    <div class="grid min-h-0 flex-1 md:grid-cols-[minmax(0,1fr)_380px]">
        <section class="overflow-y-auto px-6 py-4" aria-label="The part">
            <h1 class="text-[17px] font-semibold tracking-tight">
                {document ? `${document.maker} ${document.name}` : 'New part'}
            </h1>
            {#if document?.retired}<p class="text-rust">
                    No longer offered{#if document.retired.successor}; {options.parts.find(
                            (part) => part.key === document.retired?.successor,
                        )?.name} takes its place{/if}.
                </p>{/if}
            {#if isNew}<p class="text-soft">
                    For {platform.name}.{#if known}
                        For another platform: {#each platforms.filter((one) => one.id !== platform.id) as one, i (one.id)}{i >
                            0
                                ? ', '
                                : ''}<a class="underline" href="/library/{one.id}/parts/new?from={known.id}"
                                >{one.name}</a
                            >{/each}.{/if}
                </p>{/if}
            {#if uses.length > 0}<p class="text-soft">
                    Used in {uses.length === 1 ? 'a plan' : `${uses.length} plans`}: {#each uses.slice(0, 4) as use, i (use.plan)}{i >
                        0
                            ? ', '
                            : ''}<a class="underline" href="/jobs/{use.job}/bench/{use.plan}">{use.title}</a
                        >{/each}{uses.length > 4 ? ' …' : ''}. What is changed here reaches a plan when it
                    takes the newer version.
                </p>{/if}
            {#if isNew && mayEdit && others.length > 0}
                <details class="mt-1">
                    <summary class="cursor-pointer text-soft">Also on other platforms</summary>
                    <fieldset class="flex flex-wrap gap-x-4 gap-y-1 pt-1" aria-label="Also on">
                        {#each others as one (one.id)}<label class="flex min-h-8 items-center gap-1.5"
                                ><input type="checkbox" value={one.id} bind:group={also} />{one.name}</label
                            >{/each}
                    </fieldset>
                </details>
            {/if}
            <fieldset disabled={!mayEdit} class="mt-2">
                <PartSheet
                    part={editing.document}
                    {options}
                    {isNew}
                    {id}
                    {mayEdit}
                    maySetPrices={person.abilities.includes('set-prices')}
                />
            </fieldset>
            {#if document}
                <Group title="What its gains rest on" closed={(document.gains?.length ?? 0) === 0}>
                    <EvidencePanel
                        {base}
                        part={key}
                        units={options.units}
                        kinds={options.words.evidence}
                        fuels={options.fuels}
                        dynos={options.dynos}
                        {mayMeasure}
                        {mayEdit}
                        seen={editing.state.number}
                        took={(kept) => editing.took(kept, '')}
                    />
                </Group>
            {/if}
        </section>
        <Beside {editing} {mayEdit} {keep} next={isNew ? next : undefined}>
            <Preview shown={editing.look?.preview ?? []} />
            <Changes state={editing.state} {mayEdit} {undo} />
            {#if mayEdit && document}
                <label class="mt-4 flex items-center gap-2"
                    ><span class="text-soft">Copy it, for</span><select
                        class="field"
                        value=""
                        onchange={(event) => copyTo(event.currentTarget.value)}
                        ><option value="">choose a platform</option>{#each platforms as one (one.id)}<option
                                value={String(one.id)}
                                >{one.id === platform.id ? 'this one' : one.name}</option
                            >{/each}</select
                    ></label
                >
            {/if}
            {#if mayEdit && document && !document.retired}<button
                    class="btn mt-4"
                    onclick={() => (retiring = true)}>No longer offered…</button
                >{/if}
        </Beside>
    </div>
</Frame>
{#if document}<Retire
        bind:open={retiring}
        {base}
        {key}
        {options}
        used={uses.length > 0}
        seen={editing.state.number}
    />{/if}
