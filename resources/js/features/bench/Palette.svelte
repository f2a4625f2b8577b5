<script lang="ts">
    import { says } from '@/lib/synonyms';
    import FindList from '@/ui/FindList.svelte';
    import Kbd from '@/ui/Kbd.svelte';
    import Sheet from '@/ui/Sheet.svelte';
    import { actions, type BenchControls } from './actions';
    import type { Bench } from './bench.svelte';

    /** Finds a command, or a place on the board, by a few letters. */
    type Props = { open: boolean; bench: Bench; controls: BenchControls; leave: () => void };
    let { open = $bindable(), bench, controls, leave }: Props = $props();

    type Entry = { name: string; stroke: string; run: () => void };
    let words = $state('');

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
        if (open) words = '';
    });

    /** What was taken is done when the sheet is gone: it would take the focus from a field that opens. */
    let taken: Entry | null = null;
    function run(entry: Entry) {
        taken = entry;
        open = false;
    }

    function closed() {
        const entry = taken;
        taken = null;
        leave();
        entry?.run();
    }
</script>

<Sheet bind:open title="Find a command or a place" {closed}>
    <FindList
        bind:words
        {found}
        nameOf={(entry) => entry.name + entry.stroke}
        label="Command or place"
        placeholder="cooler 2, undo, history…"
        take={run}
        none="Nothing is called that."
    >
        {#snippet line(entry)}
            <span class="flex justify-between gap-3"
                >{entry.name}{#if entry.stroke}<Kbd>{entry.stroke}</Kbd>{/if}</span
            >
        {/snippet}
    </FindList>
</Sheet>
