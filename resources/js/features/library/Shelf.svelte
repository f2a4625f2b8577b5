<script lang="ts">
    import type { LibraryPage } from '@/generated/answers';
    import { shape } from './evidence';

    type Lanes = NonNullable<LibraryPage['shown']>['lanes'];
    type Props = { lanes: Lanes; chosen: string; choose: (key: string) => void };
    /** Parts by lane and slot, in the order in which the gas goes. Arrows walk them. */
    let { lanes, chosen, choose }: Props = $props();
    let shelf: HTMLElement;

    /** A slot with many parts takes the shelf's whole width. */
    const wide = (many: number) =>
        many > 4 ? 'md:col-span-2 lg:col-span-3' : many > 2 ? 'md:col-span-2' : '';
    const inside = (many: number) =>
        many > 4 ? 'md:grid-cols-2 lg:grid-cols-3' : many > 2 ? 'md:grid-cols-2' : '';

    const all = () => [...shelf.querySelectorAll<HTMLElement>('[data-part]')];

    /** The nearest part in the row above or below. */
    function beyond(from: HTMLElement, down: boolean): HTMLElement | undefined {
        const here = from.getBoundingClientRect();
        const away = (one: HTMLElement) => {
            const there = one.getBoundingClientRect();
            const rows = down ? there.top - here.top : here.top - there.top;
            return rows < 4 ? Infinity : rows * 4 + Math.abs(there.left - here.left);
        };
        const nearest = all().reduce((best, one) => (away(one) < away(best) ? one : best), from);
        return nearest === from ? undefined : nearest;
    }

    function keydown(event: KeyboardEvent) {
        if (event.ctrlKey || event.metaKey || event.altKey) return;
        const from = event.target as HTMLElement;
        const at = all().indexOf(from);
        const to: Record<string, () => HTMLElement | undefined> = {
            ArrowRight: () => all()[at + 1],
            ArrowLeft: () => all()[at - 1],
            ArrowDown: () => beyond(from, true),
            ArrowUp: () => beyond(from, false),
            Home: () => all()[0],
            End: () => all().at(-1),
        };
        const go = to[event.key];
        if (!go || at < 0) return;
        event.preventDefault();
        go()?.focus();
    }
</script>

<!-- svelte-ignore a11y_no_static_element_interactions -->
<div bind:this={shelf} onkeydown={keydown}>
    {#each lanes as lane (lane.key)}
        <h2 class="mt-4 border-b-2 border-line pb-1 text-[12px] text-soft first:mt-0">{lane.name}</h2>
        <div class="grid gap-x-4 gap-y-2 pt-2 md:grid-flow-dense md:grid-cols-2 lg:grid-cols-3">
            {#each lane.slots as slot (slot.key)}
                <div class={wide(slot.parts.length)}>
                    <h3 class="truncate text-[12px] text-soft" title="{slot.name}; stock: {slot.stock}">
                        {slot.name}
                    </h3>
                    <div class="grid gap-x-4 {inside(slot.parts.length)}">
                        {#each slot.parts as part (part.key)}
                            <button
                                class="block w-full rounded border border-transparent px-2 py-1 text-left hover:bg-faint aria-[current]:border-river aria-[current]:bg-faint"
                                data-part={part.key}
                                aria-current={part.key === chosen ? 'true' : undefined}
                                tabindex={part.key === chosen ? 0 : -1}
                                onfocus={() => choose(part.key)}
                                onclick={() => choose(part.key)}
                            >
                                <span
                                    class="block truncate font-medium {part.retired
                                        ? 'text-soft line-through'
                                        : ''}">{part.name}</span
                                >
                                <span class="flex items-baseline gap-1.5 text-[12px] text-soft tabular-nums">
                                    <span aria-hidden="true">{shape(part.kind)}</span>
                                    <span class="mr-auto truncate">{part.gives.split(',')[0]}</span>
                                    <span class="whitespace-nowrap"
                                        >{part.price.words}{#if part.price.old}<span
                                                title={part.price.age}
                                                class="text-rust">&nbsp;· old</span
                                            >{/if}</span
                                    >
                                </span>
                            </button>
                        {/each}
                    </div>
                </div>
            {/each}
        </div>
    {/each}
</div>
