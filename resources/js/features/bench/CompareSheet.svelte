<script lang="ts">
    import Overlay from '@/charts/Overlay.svelte';
    import type { Comparison } from '@/generated/answers';
    import { Fetched } from '@/lib/fetched.svelte';
    import Sheet from '@/ui/Sheet.svelte';
    import type { Bench } from './bench.svelte';

    /** Two of the plan and its variants beside each other, as they end: figures, parts and curves. */
    let { bench, open = $bindable() }: { bench: Bench; open: boolean } = $props();
    let width = $state(0);
    let height = $state(0);
    const sides = $derived([
        { id: 0, name: 'this plan' },
        ...bench.variants.list.map(({ id, name }) => ({ id, name })),
    ]);
    const nameOf = (id: number) => sides.find((one) => one.id === id)?.name ?? '';
    const compared = new Fetched<Comparison>(() =>
        open && bench.variants.compared ? bench.opened('comparison', bench.variants.compared) : null,
    );
    const comparison = $derived(compared.value);
    const names = $derived(
        bench.variants.compared
            ? [nameOf(bench.variants.compared.here), nameOf(bench.variants.compared.there)]
            : ['', ''],
    );
</script>

{#snippet pick(side: 'here' | 'there', label: string)}
    {#if bench.variants.compared}
        <label class="flex items-center gap-2"
            ><span class="text-soft">{label}</span><select
                class="field"
                value={bench.variants.compared[side]}
                onchange={(event) => {
                    if (bench.variants.compared)
                        bench.variants.compared = {
                            ...bench.variants.compared,
                            [side]: Number(event.currentTarget.value),
                        };
                }}
                >{#each sides as one (one.id)}<option value={one.id}>{one.name}</option>{/each}</select
            ></label
        >
    {/if}
{/snippet}

{#snippet table(caption: string, rows: { name: string; here: string; there: string; better: string }[])}
    <table class="mb-4 w-full text-[12.5px]">
        <caption class="text-left font-semibold">{caption}</caption>
        <thead class="text-soft">
            <tr>
                <th scope="col"></th>
                {#each names as name, at (at)}<th scope="col" class="text-left font-normal">{name}</th>{/each}
            </tr>
        </thead>
        <tbody>
            {#each rows as row, at (at)}
                <tr class="align-top">
                    <th scope="row" class="border-t border-faint py-0.5 pr-2 text-left font-normal text-soft"
                        >{row.name}</th
                    >
                    {#each ['here', 'there'] as const as side (side)}
                        <td
                            class="border-t border-faint py-0.5 pr-2 {row.better === side
                                ? 'font-semibold'
                                : ''}"
                            >{row[side]}{#if row.better === side}<span class="sr-only">
                                    (better)</span
                                >{/if}</td
                        >
                    {/each}
                </tr>
            {/each}
        </tbody>
    </table>
{/snippet}

<Sheet
    bind:open
    wide
    title="Compare"
    about="As each one ends, likely at the wheels; the better figure is bold."
>
    <div class="mb-3 flex flex-wrap gap-4">
        {@render pick('here', 'Left')}
        {@render pick('there', 'Right')}
    </div>
    {#if compared.failed}<p class="text-soft" role="status">The server does not answer: try again.</p>{/if}
    {#if comparison}
        <div class="grid gap-6 lg:grid-cols-[minmax(380px,1fr)_1.2fr]">
            <div class="max-h-[66vh] overflow-auto">
                {@render table('Figures', comparison.figures)}
                {#if comparison.parts.length === 0}
                    <p class="text-soft">Part by part they are the same.</p>
                {:else}
                    {@render table(
                        'Part by part',
                        comparison.parts.map((row) => ({ ...row, name: row.slot, better: '' })),
                    )}
                {/if}
            </div>
            <div
                class="relative h-[min(66vh,560px)] min-w-0"
                bind:clientWidth={width}
                bind:clientHeight={height}
            >
                {#if width > 0}
                    <Overlay
                        curves={[
                            { name: 'as received', curve: comparison.curves.received },
                            { name: names[0] ?? '', curve: comparison.curves.here },
                            { name: names[1] ?? '', curve: comparison.curves.there },
                        ]}
                        grid={comparison.curves.grid}
                        units={bench.estimate.labels}
                        {width}
                        {height}
                    />
                {/if}
            </div>
        </div>
    {/if}
</Sheet>
