<script lang="ts">
    import type { CellGlance } from '@/generated/answers';

    type Props = { cell: CellGlance; column: number };
    let { cell, column }: Props = $props();
    const bought = $derived(cell.state === 'new' || cell.state === 'again');
</script>

{#snippet value()}
    {#if cell.value}<span class="shrink-0 text-[12px] font-medium text-river">{cell.value}</span>{/if}
{/snippet}

{#if bought}
    <span class="flex items-baseline gap-1.5">
        {#if cell.flag === 'fault'}<span class="font-bold text-rust" title={cell.note}>!</span>{/if}
        {#if cell.flag === 'uncovered'}<span class="text-straw" title="not covered by a map">◔</span>{/if}
        <span class="min-w-0 flex-1 truncate font-medium" title={cell.name}>{cell.name}</span>
        {#each cell.marks ?? [] as mark (mark)}<span
                class="border border-line px-1 text-[10.5px] leading-tight whitespace-nowrap text-soft"
                >{mark}</span
            >{/each}
        {#if cell.state === 'again'}<span class="text-[11px] text-soft">again</span>{/if}
        {@render value()}
    </span>
{:else if cell.state === 'spanned'}
    <span class="block truncate border-l-2 border-river pl-2 text-[12px] text-soft" title={cell.name}
        >in {cell.name}</span
    >
{:else if cell.state === 'carried'}
    <span class="relative block h-full" title={cell.name}>
        <span class="absolute inset-x-0 top-1/2 border-t-2 border-river-2"></span>
        {#if cell.flag === 'uncovered'}<span class="relative bg-ground px-1 text-[11px] text-straw"
                >◔ not in the map</span
            >{/if}
        {#if cell.flag === 'fault'}<span class="relative bg-ground px-1 text-[11px] text-rust">! see why</span
            >{/if}
        <span class="sr-only">{cell.name}, carried on</span>
        {#if cell.value}<span class="absolute right-0 bg-ground pl-1">{@render value()}</span>{/if}
    </span>
{:else if cell.state === 'missing'}
    <span class="flex items-baseline gap-1.5 text-[12px] text-rust" title={cell.note}
        ><span class="min-w-0 flex-1 truncate"
            ><span class="border-b border-dashed border-rust">needs {cell.name}</span></span
        >{@render value()}</span
    >
{:else if cell.state === 'advised'}
    <span class="flex items-baseline gap-1.5 text-[12px] text-soft" title={cell.note}
        ><span class="min-w-0 flex-1 truncate"
            ><span class="border-b border-dotted border-stone">advised: {cell.name}</span></span
        >{@render value()}</span
    >
{:else if cell.state === 'removed'}
    <span class="flex items-baseline gap-1.5 text-[12px] text-soft"
        ><span class="min-w-0 flex-1 truncate">back to stock</span>{@render value()}</span
    >
{:else if cell.state === 'left-over'}
    <span class="block truncate text-[12px]" title={cell.note}
        >{cell.name} <span class="text-soft">from the kit</span></span
    >
{:else if cell.state === 'unknown'}
    <span class="block truncate text-[12px] text-straw" title={cell.note}>? not known</span>
{:else if cell.state === 'received'}
    <span class="block truncate {column === 0 ? 'font-medium' : ''}">{cell.name}</span>
{:else}
    <span class="block truncate text-[12px] text-soft" title={cell.name}>{cell.name}</span>
{/if}
