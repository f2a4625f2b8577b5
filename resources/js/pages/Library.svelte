<script lang="ts">
    import { Link, page, router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { shape } from '@/features/library/evidence';
    import Files from '@/features/library/Files.svelte';
    import NewPlatform from '@/features/library/NewPlatform.svelte';
    import PartPanel from '@/features/library/PartPanel.svelte';
    import Publish from '@/features/library/Publish.svelte';
    import Shelf from '@/features/library/Shelf.svelte';
    import type { LibraryPage, LibraryPart, SignedIn } from '@/generated/answers';
    import { keys } from '@/lib/keys';
    import Frame from '@/ui/Frame.svelte';
    import Kbd from '@/ui/Kbd.svelte';
    import Sheet from '@/ui/Sheet.svelte';

    let { shop, evidence, platforms, shown, units, templates }: LibraryPage = $props();
    const person = untrack(() => (page.props as unknown as { person: SignedIn }).person);
    const parts = $derived(shown?.lanes.flatMap((lane) => lane.slots.flatMap((slot) => slot.parts)) ?? []);
    let chosen = $state<string>();
    const part = $derived<LibraryPart | undefined>(parts.find(({ key }) => key === chosen) ?? parts[0]);

    const mayEdit = person.abilities.includes('keep-library');
    const base = $derived(`/library/${shown?.id}`);
    let making = $state(false);
    let helping = $state(false);
    let filing = $state(false);

    const actions = $derived([
        {
            key: 'Enter',
            words: 'The chosen part',
            run: () => part && router.visit(`${base}/parts/${part.key}`),
        },
        {
            key: 'n',
            words: 'A new part',
            run() {
                if (!mayEdit || !shown) return;
                keys.expect();
                router.visit(`${base}/parts/new`);
            },
        },
        {
            key: 'p',
            words: 'The platform and its curve',
            run: () => shown && router.visit(`${base}/platform`),
        },
        {
            key: 'm',
            words: 'A new platform',
            run() {
                if (!mayEdit) return;
                keys.expect();
                making = true;
            },
        },
        { key: 'f', words: 'Files, out and in', run: () => shown && (filing = true) },
        { key: '?', words: 'This list', run: () => (helping = true) },
    ]);

    function keydown(event: KeyboardEvent) {
        const target = event.target as HTMLElement;
        if (event.ctrlKey || event.metaKey || event.altKey || making || helping || filing) return;
        if (target.closest('input, select, textarea, a, [role=dialog]')) return;
        if (event.key === 'Enter' && !target.dataset.part) return;
        const found = actions.find(({ key }) => key === event.key);
        if (!found) return;
        event.preventDefault();
        keys.once();
        found.run();
    }

    /** The shelf with what was just said of a price. */
    const again = () => router.reload({ only: ['shown', 'platforms'] });
</script>

<svelte:head><title>Library · Pebblerun</title></svelte:head>

<svelte:window onkeydown={keydown} />

<Frame fixed>
    {#snippet crumbs()}<span aria-hidden="true">/</span><span class="text-ink">Library</span>{/snippet}
    <div class="grid min-h-0 flex-1 md:grid-cols-[200px_minmax(0,1fr)_340px]">
        <nav class="overflow-y-auto border-r border-line px-3 py-4 max-md:border-b" aria-label="Platforms">
            <h1 class="px-2 text-[15px] font-semibold tracking-tight">Library</h1>
            <p class="mb-3 px-2 text-[12px] text-soft">{shop}</p>
            {#each platforms as platform (platform.id)}
                <Link
                    href="/library/{platform.id}"
                    class="block rounded px-2 py-1.5 hover:bg-faint aria-[current]:bg-faint"
                    aria-current={platform.id === shown?.id ? 'page' : undefined}
                    ><span class="block font-medium">{platform.name}</span><span class="text-[12px] text-soft"
                        >{platform.parts} parts · {platform.version === null
                            ? 'not published'
                            : `version ${platform.version}`}</span
                    ></Link
                >
            {/each}
            {#if person.abilities.includes('set-prices')}<Link href="/price-lists" class="btn mt-2 ml-2"
                    >Price lists</Link
                >{/if}
            {#if mayEdit}<button class="btn mt-2 ml-2" onclick={() => (making = true)}>New platform</button
                >{/if}
            {#if shown}{#key shown.id}<Publish {base} state={shown.state} {mayEdit} {again} />{/key}{/if}
            <dl class="mt-6 grid grid-cols-[1.2em_1fr] gap-y-0.5 px-2 text-[12px] text-soft">
                {#each evidence as { key, words } (key)}<dt aria-hidden="true">{shape(key)}</dt>
                    <dd>{words}</dd>{/each}
            </dl>
            <p class="mt-2 px-2 text-[12px] text-soft">
                Arrows walk the shelf, Enter opens a part. <button
                    class="underline"
                    onclick={() => (helping = true)}>All keys: ?</button
                >
            </p>
        </nav>
        {#if shown}
            <section class="overflow-y-auto px-5 py-4" aria-label="Parts">
                <div class="mb-2 flex flex-wrap items-baseline gap-x-3 gap-y-1 whitespace-nowrap">
                    <h2 class="mr-auto text-[15px] font-semibold tracking-tight">{shown.name}</h2>
                    <button class="btn" onclick={() => (filing = true)}>Files</button>
                    <Link href="{base}/platform" class="btn">Platform and curve</Link>
                    {#if mayEdit}<Link href="{base}/parts/new" class="btn">New part</Link>{/if}
                </div>
                {#if part}<Shelf lanes={shown.lanes} chosen={part.key} choose={(key) => (chosen = key)} />
                {:else}<p class="text-soft">No part yet. The first one: press n.</p>{/if}
            </section>
        {/if}
        {#if shown && part}
            {#key part.key}<PartPanel
                    {part}
                    {base}
                    money={shown.money}
                    mayPrice={person.abilities.includes('set-prices')}
                    {again}
                />{/key}
        {:else if !shown}
            <p class="px-6 py-5 text-soft">
                There is no platform yet: make the first one, or take one in from files.
            </p>
        {/if}
    </div>
</Frame>
{#if shown}<Files
        bind:open={filing}
        {base}
        name={shown.name}
        {mayEdit}
        mayExport={person.abilities.includes('export-shop')}
    />{/if}
<NewPlatform bind:open={making} {platforms} {units} {templates} />
<Sheet bind:open={helping} title="Keys of the library">
    <dl class="grid grid-cols-[8em_1fr] gap-y-1">
        <dt><Kbd>arrows</Kbd></dt>
        <dd>Walk the shelf</dd>
        {#each actions as one (one.key)}<dt><Kbd>{one.key}</Kbd></dt>
            <dd>{one.words}</dd>{/each}
        <dt><Kbd>Ctrl S</Kbd></dt>
        <dd>On a part or platform: keep what was changed</dd>
    </dl>
</Sheet>
