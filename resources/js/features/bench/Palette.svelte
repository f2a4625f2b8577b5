<script lang="ts">
    import { says } from '@/lib/synonyms';
    import Kbd from '@/ui/Kbd.svelte';
    import Sheet from '@/ui/Sheet.svelte';
    import { actions, type BenchControls } from './actions';
    import type { Bench } from './bench.svelte';

    /** Finds a command, or a place on the board, by a few letters. */
    type Props = { open: boolean; bench: Bench; controls: BenchControls; leave: () => void };
    let { open = $bindable(), bench, controls, leave }: Props = $props();

    type Entry = { name: string; stroke: string; run: () => void };
    let words = $state('');
    let chosen = $state(0);
    const id = $props.id();

    const entries = $derived<Entry[]>([
        ...actions
            .filter((one) => one.can(bench))
            .map((one) => ({ name: one.name, stroke: one.stroke, run: () => one.run(bench, controls) })),
        ...bench.estimate.lanes.flatMap((lane) =>
            lane.slots.flatMap((slot) =>
                bench.stages.slice(1).map((stage) => ({
                    name: `Go to ${slot.name}, stage ${stage.index}`,
                    stroke: '',
                    run: () => bench.goTo(slot.key, stage.index),
                })),
            ),
        ),
        ...bench.estimate.verdict.map((line) => ({
            name: `Why: ${line.headline}`,
            stroke: '',
            run: () => (bench.view = { kind: 'verdict', subject: line.subject }),
        })),
    ]);
    const found = $derived.by(() => {
        const parts = words.toLowerCase().split(' ').filter(Boolean);
        return entries.filter((one) => parts.every((part) => says(one.name, part))).slice(0, 12);
    });

    $effect(() => {
        if (open) {
            words = '';
            chosen = 0;
        }
    });

    function run(entry: Entry | undefined) {
        if (!entry) return;
        open = false;
        entry.run();
        leave();
    }

    function keydown(event: KeyboardEvent) {
        const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        if (by) {
            event.preventDefault();
            chosen = Math.min(Math.max(0, chosen + by), found.length - 1);
        }
        if (event.key === 'Enter') {
            event.preventDefault();
            run(found[chosen]);
        }
    }
</script>

<Sheet bind:open title="Find a command or a place">
    <!-- svelte-ignore a11y_autofocus -->
    <input
        class="field w-full"
        role="combobox"
        aria-expanded="true"
        aria-controls="{id}-list"
        aria-activedescendant="{id}-{chosen}"
        aria-label="Command or place"
        placeholder="cooler 2, undo, history…"
        autofocus
        bind:value={words}
        oninput={() => (chosen = 0)}
        onkeydown={keydown}
    />
    <ul id="{id}-list" role="listbox" aria-label="Found" class="mt-2">
        {#each found as entry, i (entry.name + entry.stroke)}
            <!-- svelte-ignore a11y_click_events_have_key_events -->
            <li
                id="{id}-{i}"
                role="option"
                aria-selected={i === chosen}
                class="flex cursor-pointer justify-between gap-3 border-t border-faint px-1 py-1 {i === chosen
                    ? 'bg-wash'
                    : ''}"
                onclick={() => run(entry)}
            >
                {entry.name}{#if entry.stroke}<Kbd>{entry.stroke}</Kbd>{/if}
            </li>
        {:else}
            <li class="border-t border-faint px-1 py-1 text-soft">Nothing is called that.</li>
        {/each}
    </ul>
</Sheet>
