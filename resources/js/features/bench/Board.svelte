<script lang="ts">
    import { tick } from 'svelte';
    import type { Bench } from './bench.svelte';
    import BoardCell from './BoardCell.svelte';
    import StageFoot from './StageFoot.svelte';
    import { FOOT, FUEL, HEAD } from './types';

    type Props = {
        bench: Bench;
        /** Called when the keyboard asks for the panel of the selected cell. */
        enter: () => void;
    };
    let { bench, enter }: Props = $props();

    let grid: HTMLTableElement;
    let renaming = $state<number | null>(null);
    let dragged = $state(false);
    let dropColumn = $state<number | null>(null);

    const at = (slot: string, column: number) => bench.slot === slot && bench.column === column;

    async function focusSelected() {
        await tick();
        grid.querySelector<HTMLElement>('[data-selected="true"]')?.focus();
    }

    /** Focus follows the selection when an edit moved it. */
    export function focus() {
        void focusSelected();
    }

    const keys: Record<string, () => void> = {
        ArrowUp: () => bench.step(-1, 0),
        ArrowDown: () => bench.step(1, 0),
        ArrowLeft: () => bench.step(0, -1),
        ArrowRight: () => bench.step(0, 1),
        Home: () => bench.select(bench.slot, 0),
        End: () => bench.select(bench.slot, bench.stages.length - 1),
        '[': () => bench.shift(-1),
        ']': () => bench.shift(1),
        Delete: () => (bench.slot === HEAD ? bench.removeStage() : bench.clear()),
        Backspace: () => (bench.slot === HEAD ? bench.removeStage() : bench.clear()),
        a: () => bench.accept(),
    };

    function keydown(event: KeyboardEvent) {
        if (event.ctrlKey || event.metaKey || event.altKey || renaming !== null) return;
        if (event.key === 'Enter' || event.key === 'w') {
            event.preventDefault();
            if (event.key === 'Enter' && bench.slot === HEAD && bench.column > 0) renaming = bench.column;
            else enter();
            return;
        }
        const run = keys[event.key];
        if (!run) return;
        event.preventDefault();
        run();
        void focusSelected();
    }

    function rename(event: Event, column: number) {
        bench.rename(column, (event.currentTarget as HTMLInputElement).value.trim());
        renaming = null;
        void focusSelected();
    }

    function renameKey(event: KeyboardEvent) {
        event.stopPropagation();
        if (event.key === 'Enter') (event.currentTarget as HTMLInputElement).blur();
        if (event.key === 'Escape') {
            renaming = null;
            void focusSelected();
        }
    }

    function startDrag(event: DragEvent, slot: string, column: number) {
        bench.select(slot, column);
        dragged = true;
        event.dataTransfer?.setData('text/plain', slot);
    }

    function drop(column: number) {
        if (dragged) bench.moveTo(column);
        dragged = false;
        dropColumn = null;
    }

    const movable = (state: string, slot: string, column: number) =>
        column > 0 && slot !== FUEL && (state === 'new' || state === 'again');
    const now = (slot: string, column: number) =>
        at(slot, column) ? 'outline-river bg-wash outline-2 -outline-offset-2' : '';
</script>

<div class="h-full overflow-auto" role="presentation">
    <table
        bind:this={grid}
        role="grid"
        aria-label="The board: slots against stages"
        class="w-full table-fixed border-separate border-spacing-0"
        onkeydown={keydown}
    >
        <colgroup>
            <col class="w-[74px]" />
            <col class="w-[132px]" />
            <col class="w-[136px]" />
            {#each bench.stages.slice(1) as stage (stage.key)}<col />{/each}
        </colgroup>
        <thead>
            <tr>
                <th class="sticky top-0 z-10 h-8 border-b border-line bg-ground" colspan="2" scope="col"
                    ><span class="sr-only">Lane and slot</span></th
                >
                {#each bench.stages as stage, column (stage.key)}
                    <th
                        scope="col"
                        role="columnheader"
                        tabindex={at(HEAD, column) ? 0 : -1}
                        data-selected={at(HEAD, column)}
                        class="sticky top-0 z-10 h-8 truncate border-b border-l border-line bg-ground px-2 text-left font-normal {now(
                            HEAD,
                            column,
                        )}"
                        onclick={() => bench.select(HEAD, column)}
                        ondblclick={() => column > 0 && (renaming = column)}
                    >
                        {#if renaming === column}
                            <!-- svelte-ignore a11y_autofocus -->
                            <input
                                class="field h-6 min-h-0 w-full"
                                aria-label="Name of stage {column}"
                                maxlength="60"
                                autofocus
                                value={stage.name}
                                onkeydown={renameKey}
                                onblur={(event) => rename(event, column)}
                            />
                        {:else}
                            <b class="font-semibold">{column ? `Stage ${column}` : 'As it came'}</b>
                            <span class="ml-1 text-[12px] text-soft">{stage.name}</span>
                        {/if}
                    </th>
                {/each}
            </tr>
        </thead>
        <tbody>
            {#each bench.estimate.lanes as lane (lane.key)}
                {#each lane.slots as slot, i (slot.key)}
                    <tr>
                        <td
                            class="truncate border-b border-faint px-2 text-[11px] text-soft {i === 0
                                ? 'border-t border-t-line'
                                : 'border-b-transparent'}"
                        >
                            {i === 0 ? lane.name : ''}
                        </td>
                        <th
                            scope="row"
                            class="truncate border-b border-faint px-2 text-left text-[12.5px] font-normal text-soft {i ===
                            0
                                ? 'border-t border-t-line'
                                : ''}"
                        >
                            {slot.name}
                        </th>
                        {#each slot.cells as cell, column (column)}
                            <td
                                role="gridcell"
                                tabindex={at(slot.key, column) ? 0 : -1}
                                data-selected={at(slot.key, column)}
                                aria-selected={at(slot.key, column)}
                                aria-label="{slot.name}, {column
                                    ? `stage ${column}`
                                    : 'as it came'}: {cell.name || 'stock'}, {cell.state} {cell.value}"
                                draggable={movable(cell.state, slot.key, column)}
                                class="h-[23px] border-b border-l border-faint border-l-line px-2 whitespace-nowrap {i ===
                                0
                                    ? 'border-t border-t-line'
                                    : ''} {now(slot.key, column)} {dragged && dropColumn === column
                                    ? 'bg-wash'
                                    : ''}"
                                onclick={() => bench.select(slot.key, column)}
                                ondblclick={enter}
                                ondragstart={(event) => startDrag(event, slot.key, column)}
                                ondragend={() => (dragged = false)}
                                ondragover={(event) => {
                                    if (!dragged) return;
                                    event.preventDefault();
                                    dropColumn = column;
                                }}
                                ondrop={() => drop(column)}
                            >
                                <BoardCell {cell} {column} />
                            </td>
                        {/each}
                    </tr>
                {/each}
            {/each}
        </tbody>
        <tfoot>
            <tr>
                <th
                    scope="row"
                    colspan="2"
                    class="sticky bottom-0 z-10 border-t border-line bg-paper px-2 py-1.5 text-left align-top text-[12px] font-normal text-soft"
                >
                    median at the wheels<br />in all, hours, price<br />weakest link
                </th>
                {#each bench.stages as stage, column (stage.key)}
                    <td
                        role="gridcell"
                        tabindex={at(FOOT, column) ? 0 : -1}
                        data-selected={at(FOOT, column)}
                        aria-selected={at(FOOT, column)}
                        class="sticky bottom-0 z-10 border-t border-l border-line bg-paper px-2 py-1.5 align-top {at(
                            FOOT,
                            column,
                        )
                            ? 'outline-2 -outline-offset-2 outline-river'
                            : ''}"
                        onclick={() => bench.select(FOOT, column)}
                        ondblclick={enter}
                    >
                        <StageFoot {stage} labels={bench.estimate.labels} />
                    </td>
                {/each}
            </tr>
        </tfoot>
    </table>
</div>
