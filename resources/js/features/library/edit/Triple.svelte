<script lang="ts">
    import { at, put, type Entry } from './paths';

    /** Low, likely and high; the likely one alone is a figure without a spread. */
    type Props = { entry: Entry; path: string; label: string; unit: string };
    let { entry, path, label, unit }: Props = $props();
    const names = ['at least', 'likely', 'at most'];
    const value = $derived(at(entry, path) as number | number[] | undefined);
    const shown = $derived(Array.isArray(value) ? value : [undefined, value, undefined]);
    /** What is being typed, which may be no figure yet. */
    let typed = $state<(string | undefined)[]>([]);
    const text = (i: number) => typed[i] ?? (shown[i] === undefined ? '' : String(shown[i]));

    function set(i: number, words: string) {
        typed[i] = words;
        const [low, likely, high] = names.map((_, each) => text(each));
        if (!likely) put(entry, path, undefined);
        else if (!low && !high) put(entry, path, Number(likely));
        else put(entry, path, [Number(low || likely), Number(likely), Number(high || likely)]);
    }
</script>

<fieldset class="flex flex-col gap-0.5">
    <legend class="text-[12px] text-soft">{label}, {unit}</legend>
    <div class="flex">
        {#each names as name, i (name)}
            <input
                class="field w-16 tabular-nums {i === 0
                    ? 'rounded-r-none'
                    : i === 2
                      ? 'rounded-l-none'
                      : 'rounded-none border-x-0 font-medium'}"
                type="number"
                step="any"
                aria-label="{label}, {name}"
                title={name}
                value={text(i)}
                oninput={(event) => set(i, event.currentTarget.value)}
                onblur={() => {
                    // A low or high that waits for its likely one stays.
                    if (value !== undefined) typed = [];
                }}
            />
        {/each}
    </div>
</fieldset>
