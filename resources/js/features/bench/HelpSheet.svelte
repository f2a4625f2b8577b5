<script lang="ts">
    import Kbd from '@/ui/Kbd.svelte';
    import Sheet from '@/ui/Sheet.svelte';

    let { open = $bindable() }: { open: boolean } = $props();
    const keys: [string[], string][] = [
        [['↑', '↓', '←', '→'], 'walk the board'],
        [['Home', 'End'], 'first and last column'],
        [['Enter'], 'candidates of a cell; rename on a stage’s head'],
        [['W'], 'why: the panel of the cell or stage'],
        [['Esc'], 'back to the board'],
        [['[', ']'], 'move the part a stage earlier or later'],
        [['Del'], 'clear the cell; remove the stage on its head'],
        [['A'], 'accept what is missing or advised'],
        [['N'], 'new stage'],
        [['U'], 'undo'],
        [['Shift', 'U'], 'redo'],
        [['H'], 'history'],
        [['R'], 'how it is reckoned'],
        [['?'], 'this list'],
    ];
</script>

<Sheet bind:open title="Keys" about="They work anywhere on the bench except in a text field.">
    <dl class="grid grid-cols-[auto_1fr] gap-x-4 gap-y-1.5">
        {#each keys as [strokes, does] (does)}
            <dt class="flex gap-1">
                {#each strokes as stroke (stroke)}<Kbd>{stroke}</Kbd>{/each}
            </dt>
            <dd>{does}</dd>
        {/each}
    </dl>
</Sheet>
