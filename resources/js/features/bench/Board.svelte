<script lang="ts">
    import { ContextMenu } from 'bits-ui';
    import { tick } from 'svelte';
    import Kbd from '@/ui/Kbd.svelte';
    import { actions, press, type Action, type BenchControls } from './actions';
    import type { Bench } from './bench.svelte';
    import BoardCell from './BoardCell.svelte';
    import StageFoot from './StageFoot.svelte';
    import StageName from './StageName.svelte';
    import { FOOT, FUEL, HEAD, LANE, NEW } from './types';

    type Props = {
        bench: Bench;
        controls: BenchControls;
    };
    let { bench, controls }: Props = $props();

    let grid: HTMLTableElement;
    let dragged = $state(false);
    let dropColumn = $state<number | null>(null);

    const at = (slot: string, column: number) => bench.slot === slot && bench.column === column;
    const isPicked = (slot: string, column: number) => column === bench.column && bench.picked.includes(slot);

    async function focusSelected() {
        await tick();
        grid.querySelector<HTMLElement>('[data-selected="true"]')?.focus();
    }

    /** Focus follows the selection when an edit moved it. */
    export function focus() {
        void focusSelected();
    }

    const walks: Record<string, () => void> = {
        ArrowUp: () => bench.step(-1, 0),
        ArrowDown: () => bench.step(1, 0),
        ArrowLeft: () => bench.step(0, -1),
        ArrowRight: () => bench.step(0, 1),
        Home: () => bench.select(bench.slot, 0),
        End: () => bench.select(bench.slot, bench.stages.length - 1),
    };

    /** The board's keys, also for whoever has put the focus nowhere. */
    export function keydown(event: KeyboardEvent) {
        if (bench.naming !== null || event.ctrlKey || event.metaKey || event.altKey) return;
        if (bench.slot.startsWith(LANE) && (event.key === 'Enter' || event.key === ' ')) {
            event.preventDefault();
            bench.unfold(bench.slot.slice(LANE.length));
            void focusSelected();
            return;
        }
        const walk =
            event.shiftKey && event.key === 'ArrowDown'
                ? () => bench.stretch(1)
                : event.shiftKey && event.key === 'ArrowUp'
                  ? () => bench.stretch(-1)
                  : walks[event.key];
        if (walk) {
            event.preventDefault();
            walk();
        } else if (event.key === 'Escape' && bench.picked.length > 0) {
            bench.picked = [];
        } else if (!press(event, [bench.slot === HEAD ? 'head' : 'cell'], bench, controls)) {
            return;
        } else if (event.key === 'Enter') {
            event.stopPropagation();
            return;
        }
        event.stopPropagation();
        if (bench.naming === null) void focusSelected();
    }

    /** Null leaves the name as it was, and adds no stage. */
    function named(name: string | null) {
        const key = bench.naming;
        bench.naming = null;
        if (key !== null && name !== null) {
            if (key === NEW) bench.addStage(name);
            else bench.rename(key, name);
        }
        void focusSelected();
    }

    function click(event: MouseEvent, slot: string, column: number) {
        const several = event.ctrlKey || event.metaKey || event.shiftKey;
        if (several && column === bench.column && bench.row && bench.picked.length === 0) bench.pick();
        if (!several) bench.picked = [];
        bench.select(slot, column);
        if (several) bench.pick();
    }

    /** The menu is for the cell under the pointer. */
    function point(event: MouseEvent) {
        const cell = (event.target as HTMLElement).closest<HTMLElement>('[data-slot]');
        if (cell) {
            const slot = cell.dataset.slot as string;
            const column = Number(cell.dataset.column);
            if (!isPicked(slot, column)) {
                bench.picked = [];
                bench.select(slot, column);
            }
        }
    }

    function startDrag(event: DragEvent, slot: string, column: number) {
        if (!isPicked(slot, column)) {
            bench.picked = [];
            bench.select(slot, column);
        }
        dragged = true;
        event.dataTransfer?.setData('text/plain', slot);
    }

    function drop(column: number) {
        if (dragged) bench.moveTo(column);
        dragged = false;
        dropColumn = null;
    }

    /** What was chosen in the menu is done when it is gone: it would take the focus from a field that opens. */
    let chosen: Action | null = null;
    function closed(event: Event) {
        event.preventDefault();
        chosen?.run(bench, controls);
        chosen = null;
        if (bench.naming === null) void focusSelected();
    }

    const menu = $derived(
        actions.filter(
            (one) =>
                one.on === (bench.slot === HEAD ? 'head' : 'cell') && one.keys[0] !== ' ' && one.can(bench),
        ),
    );
    const movable = (state: string, slot: string, column: number) =>
        column > 0 && slot !== FUEL && !bench.past && (state === 'new' || state === 'again');
    const now = (slot: string, column: number) =>
        `${at(slot, column) ? 'outline-river outline-2 -outline-offset-2' : ''} ${
            at(slot, column) || isPicked(slot, column) ? 'bg-wash' : ''
        }`;
</script>

<ContextMenu.Root>
    <ContextMenu.Trigger class="h-full overflow-auto print:overflow-visible" oncontextmenu={point}>
        <table
            bind:this={grid}
            role="grid"
            aria-label="The board: slots against stages"
            aria-multiselectable="true"
            class="w-full table-fixed border-separate border-spacing-0"
            style:min-width="{300 + 138 * (bench.stages.length - 1 + (bench.naming === NEW ? 1 : 0))}px"
            onkeydown={keydown}
        >
            <colgroup>
                <col class="w-[60px] xl:w-[74px]" />
                <col class="w-[112px] xl:w-[132px]" />
                <col class="w-[128px] xl:w-[136px]" />
                {#each bench.stages.slice(1) as stage (stage.key)}<col />{/each}{#if bench.naming === NEW}<col
                    />{/if}
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
                            data-slot={HEAD}
                            data-column={column}
                            class="sticky top-0 z-10 h-8 truncate border-b border-l border-line bg-ground px-2 text-left font-normal {now(
                                HEAD,
                                column,
                            )}"
                            onclick={() => bench.select(HEAD, column)}
                            ondblclick={() => column > 0 && controls.name('this')}
                        >
                            {#if bench.naming === stage.key}
                                <StageName label="Name of stage {column}" name={stage.name} {named} />
                            {:else}
                                <b class="font-semibold">{column ? `Stage ${column}` : 'As received'}</b>
                                <span class="ml-1 text-[12px] text-soft">{stage.name}</span>
                            {/if}
                        </th>
                    {/each}
                    {#if bench.naming === NEW}
                        <th
                            class="sticky top-0 z-10 h-8 border-b border-l border-line bg-ground px-2"
                            scope="col"
                        >
                            <StageName
                                label="Name of the new stage"
                                name=""
                                placeholder="name; Enter adds it"
                                {named}
                            />
                        </th>
                    {/if}
                </tr>
            </thead>
            <tbody>
                {#each bench.estimate.lanes as lane (lane.key)}
                    {#if bench.folded.includes(lane.key)}
                        {@const key = LANE + lane.key}
                        <tr>
                            <td
                                class="truncate border-t border-b border-faint border-t-line px-2 text-[11px] text-soft"
                                >{lane.name}</td
                            >
                            <td
                                role="gridcell"
                                colspan={bench.stages.length + 1}
                                tabindex={bench.slot === key ? 0 : -1}
                                data-selected={bench.slot === key}
                                data-slot={key}
                                data-column={bench.column}
                                aria-label="{lane.name}: {lane.slots
                                    .length} places, all stock; Enter shows them"
                                class="h-[23px] truncate border-t border-b border-faint border-t-line px-2 text-[12px] text-soft {bench.slot ===
                                key
                                    ? 'bg-wash outline-2 -outline-offset-2 outline-river'
                                    : ''}"
                                onclick={() => bench.select(key, bench.column)}
                                ondblclick={() => bench.unfold(lane.key)}
                            >
                                <button
                                    class="hover:text-ink print:hidden"
                                    tabindex="-1"
                                    onclick={() => bench.unfold(lane.key)}>show</button
                                >
                                all stock: {lane.slots.map((slot) => slot.name.toLowerCase()).join(', ')}
                            </td>
                        </tr>
                    {:else}
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
                                {#each bench.stages as stage, column (stage.key)}
                                    {@const cell = bench.shown(slot, column)}
                                    <td
                                        role="gridcell"
                                        tabindex={at(slot.key, column) ? 0 : -1}
                                        data-selected={at(slot.key, column)}
                                        data-slot={slot.key}
                                        data-column={column}
                                        aria-selected={at(slot.key, column) || isPicked(slot.key, column)}
                                        aria-label="{slot.name}, {column
                                            ? `stage ${column}`
                                            : 'as received'}: {cell.name ||
                                            'stock'}, {cell.state} {cell.value}"
                                        draggable={movable(cell.state, slot.key, column)}
                                        class="h-[23px] border-b border-l border-faint border-l-line px-2 whitespace-nowrap {i ===
                                        0
                                            ? 'border-t border-t-line'
                                            : ''} {now(slot.key, column)} {dragged && dropColumn === column
                                            ? 'bg-wash'
                                            : ''}"
                                        onclick={(event) => click(event, slot.key, column)}
                                        ondblclick={controls.enter}
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
                    {/if}
                {/each}
            </tbody>
            <tfoot>
                <tr>
                    <th
                        scope="row"
                        colspan="2"
                        class="sticky bottom-0 z-10 border-t border-line bg-paper px-2 py-1.5 text-left align-top text-[12px] font-normal text-soft print:static"
                    >
                        {#if bench.saving}
                            <span class="text-ink"
                                >{bench.queue.trouble ? 'as before: not saved yet' : 'calculating…'}</span
                            >
                        {:else}
                            wheel power, median<br />total, hours, per {bench.estimate.labels.power}<br
                            />weakest link
                        {/if}
                    </th>
                    {#each bench.stages as stage, column (stage.key)}
                        <td
                            role="gridcell"
                            tabindex={at(FOOT, column) ? 0 : -1}
                            data-selected={at(FOOT, column)}
                            data-slot={FOOT}
                            data-column={column}
                            aria-selected={at(FOOT, column)}
                            aria-busy={bench.saving}
                            class="sticky bottom-0 z-10 border-t border-l border-line bg-paper px-2 py-1.5 align-top print:static {at(
                                FOOT,
                                column,
                            )
                                ? 'outline-2 -outline-offset-2 outline-river'
                                : ''}"
                            onclick={() => bench.select(FOOT, column)}
                            ondblclick={controls.enter}
                        >
                            <div class={bench.saving ? 'italic opacity-60' : ''}>
                                <StageFoot
                                    {stage}
                                    labels={bench.estimate.labels}
                                    life={bench.marked(stage.key)}
                                />
                            </div>
                        </td>
                    {/each}
                </tr>
            </tfoot>
        </table>
    </ContextMenu.Trigger>
    <ContextMenu.Portal to="#main">
        <ContextMenu.Content
            class="z-50 min-w-[250px] rounded-md border border-line bg-paper py-1 text-[13px] shadow-lg"
            onCloseAutoFocus={closed}
        >
            {#each menu as action (action.name)}
                <ContextMenu.Item
                    class="flex items-center justify-between gap-4 px-3 py-1 data-highlighted:bg-wash"
                    onSelect={() => (chosen = action)}
                    >{action.name}<Kbd>{action.stroke}</Kbd></ContextMenu.Item
                >
            {:else}
                <p class="px-3 py-1 text-soft">Nothing to do here.</p>
            {/each}
        </ContextMenu.Content>
    </ContextMenu.Portal>
</ContextMenu.Root>
