<script lang="ts">
    import { at, put, type Entry } from './paths';

    /** Low, likely and high; one figure where all three are the same. */
    type Props = { entry: Entry; path: string; label: string; unit: string };
    let { entry, path, label, unit }: Props = $props();
    const names = ['at least', 'likely', 'at most'];
    const value = $derived(at(entry, path) as number | number[] | undefined);
    const shown = $derived(
        Array.isArray(value)
            ? value
            : value === undefined
              ? [undefined, undefined, undefined]
              : [value, value, value],
    );
    let typed = $state<(string | undefined)[]>([]);
    const text = (i: number) => typed[i] ?? (shown[i] === undefined ? '' : String(shown[i]));

    function set(i: number, words: string) {
        typed[i] = words;
        const all = names.map((_, each) => (each === i ? words : text(each)));
        const figures = all.filter((one) => one !== '').map(Number);
        if (figures.length === 0) put(entry, path, undefined);
        else if (figures.length < 3) put(entry, path, figures[figures.length - 1]);
        else put(entry, path, figures);
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
                onblur={() => (typed = [])}
            />
        {/each}
    </div>
</fieldset>
