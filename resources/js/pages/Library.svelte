<script lang="ts">
    import { Link, page, router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { legend } from '@/features/library/evidence';
    import PartPanel from '@/features/library/PartPanel.svelte';
    import Shelf from '@/features/library/Shelf.svelte';
    import type { LibraryPage, LibraryPart, SignedIn } from '@/generated/answers';
    import Frame from '@/ui/Frame.svelte';

    let { shop, platforms, shown }: LibraryPage = $props();
    const person = untrack(() => (page.props as unknown as { person: SignedIn }).person);
    const parts = $derived(shown?.lanes.flatMap((lane) => lane.slots.flatMap((slot) => slot.parts)) ?? []);
    let chosen = $state<string>();
    const part = $derived<LibraryPart | undefined>(parts.find(({ key }) => key === chosen) ?? parts[0]);

    /** The shelf with what was just said of a price. */
    const again = () => router.reload({ only: ['shown'] });
</script>

<svelte:head><title>Library · Pebblerun</title></svelte:head>

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
                        >{platform.parts} parts · version {platform.version}</span
                    ></Link
                >
            {/each}
            <dl class="mt-6 grid grid-cols-[1.2em_1fr] gap-y-0.5 px-2 text-[12px] text-soft">
                {#each legend as [sign, words] (sign)}<dt aria-hidden="true">{sign}</dt>
                    <dd>{words}</dd>{/each}
            </dl>
            <p class="mt-2 px-2 text-[12px] text-soft">Arrows walk the shelf.</p>
        </nav>
        {#if shown && part}
            <Shelf lanes={shown.lanes} chosen={part.key} choose={(key) => (chosen = key)} />
            {#key part.key}<PartPanel
                    {part}
                    money={shown.money}
                    mayPrice={person.abilities.includes('set-prices')}
                    {again}
                />{/key}
        {:else}
            <p class="px-6 py-5 text-soft">
                There is no platform yet. The operator takes one in from files: artisan library:import.
            </p>
        {/if}
    </div>
</Frame>
