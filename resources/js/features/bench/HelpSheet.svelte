<script lang="ts">
    import Kbd from '@/ui/Kbd.svelte';
    import Sheet from '@/ui/Sheet.svelte';
    import { actions } from './actions';

    let { open = $bindable() }: { open: boolean } = $props();
    const walking: [string, string][] = [
        ['↑ ↓ ← →', 'walk the board'],
        ['Home End', 'first and last column'],
        ['Shift ↑ ↓', 'select several in a column'],
        ['A … Z', 'in the candidates: seek by name'],
        ['Esc', 'back to the board'],
    ];
    const groups = [
        { title: 'On a cell', on: 'cell' },
        { title: 'On a stage’s head', on: 'head' },
        { title: 'Anywhere', on: 'bench' },
    ] as const;
</script>

<Sheet bind:open wide title="Keys" about="They work anywhere on the bench except in a text field.">
    <!-- It may be higher than the window: then it takes the focus, so that arrows scroll it. -->
    <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
    <div
        class="gap-x-8 outline-none sm:columns-2 lg:columns-3 [&>section]:mb-3 [&>section]:break-inside-avoid"
        tabindex="0"
    >
        {#snippet keys(rows: [string, string][])}
            <dl class="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
                {#each rows as [stroke, does] (does)}
                    <dt class="flex gap-1">
                        {#each stroke.split(' ') as one (one)}<Kbd>{one}</Kbd>{/each}
                    </dt>
                    <dd>{does}</dd>
                {/each}
            </dl>
        {/snippet}
        <section>
            <h3 class="mb-1 font-semibold">Walking</h3>
            {@render keys(walking)}
        </section>
        {#each groups as group (group.on)}
            <section>
                <h3 class="mb-1 font-semibold">{group.title}</h3>
                {@render keys(
                    actions.filter((one) => one.on === group.on).map((one) => [one.stroke, one.name]),
                )}
            </section>
        {/each}
        <section>
            <h3 class="mb-1 font-semibold">What the figures say</h3>
            <dl class="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1">
                <dt class="font-medium">8 cars in 10</dt>
                <dd>P10–P90: of ten such cars one is below, one above</dd>
                <dt class="font-medium">median</dt>
                <dd>half of such cars are above (P50)</dd>
                <dt class="font-medium">+14 in a cell</dt>
                <dd>what the change adds; a column sums to what its stage gains</dd>
                <dt class="font-medium">keeps 60</dt>
                <dd>lost if the map were not retuned; no gain</dd>
            </dl>
        </section>
    </div>
</Sheet>
