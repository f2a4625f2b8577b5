<script lang="ts">
    import Condition from './Condition.svelte';
    import Num from './Num.svelte';
    import OverRpm from './OverRpm.svelte';
    import Pick from './Pick.svelte';
    import Triple from './Triple.svelte';
    import Word from './Word.svelte';
    import { at, put, type Entry } from './paths';
    import type { Column, Choices } from './columns';

    /** A list of a document, line by line. */
    type Props = {
        entry: Entry;
        path: string;
        columns: Column[];
        /** What a line is called: "limit". */
        one: string;
        /** What a new one begins with. */
        fresh: () => Entry;
        choices: Choices;
    };
    let { entry, path, columns, one, fresh, choices }: Props = $props();
    const rows = $derived((at(entry, path) as Entry[] | undefined) ?? []);

    function add() {
        put(entry, path, [...rows, fresh()]);
    }

    function remove(i: number) {
        put(
            entry,
            path,
            rows.filter((_, each) => each !== i),
        );
    }

    function move(i: number, by: number) {
        const to = [...rows];
        const [row] = to.splice(i, 1);
        if (row) to.splice(i + by, 0, row);
        put(entry, path, to);
    }
</script>

{#each rows as row, i (i)}
    <div
        class="flex flex-wrap items-end gap-2 border-b border-faint py-1.5"
        role="group"
        aria-label="{one} {i + 1}"
    >
        {#each columns as column (column.path)}
            {#if !column.when || column.when(row)}
                {#if column.kind === 'number'}<Num
                        entry={row}
                        path={column.path}
                        label={column.label}
                        unit={column.unit}
                    />
                {:else if column.kind === 'range'}<Triple
                        entry={row}
                        path={column.path}
                        label={column.label}
                        unit={column.unit ?? ''}
                    />
                {:else if column.kind === 'over-rpm'}<OverRpm entry={row} />
                {:else if column.kind === 'choice'}<Pick
                        entry={row}
                        path={column.path}
                        label={column.label}
                        options={column.options ?? []}
                        none={column.none}
                    />
                {:else if column.kind === 'condition'}<Condition
                        entry={row}
                        path={column.path}
                        label={column.label}
                        {choices}
                    />
                {:else if column.kind === 'check'}<label class="flex min-h-8 items-center gap-1.5"
                        ><input
                            type="checkbox"
                            checked={at(row, column.path) === true}
                            onchange={(event) =>
                                put(
                                    row,
                                    column.path,
                                    event.currentTarget.checked || column.keeps
                                        ? event.currentTarget.checked
                                        : undefined,
                                )}
                        />{column.label}</label
                    >
                {:else}<Word entry={row} path={column.path} label={column.label} grow={column.grow} />{/if}
            {/if}
        {/each}
        <span class="flex gap-1">
            {#if i > 0}<button class="btn" onclick={() => move(i, -1)} aria-label="Move {one} {i + 1} up"
                    >↑</button
                >{/if}
            <button class="btn" onclick={() => remove(i)} aria-label="Remove {one} {i + 1}">Remove</button>
        </span>
    </div>
{/each}
<button class="btn mt-2" onclick={add}>Add a {one}</button>
