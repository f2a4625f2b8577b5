<script lang="ts">
    import Figure from '@/ui/Figure.svelte';
    import { at, isTypical, put, type Entry } from './paths';

    /** Low, likely and high; the likely one alone is a figure without a spread. */
    type Props = { entry: Entry; path: string; label: string; unit: string };
    let { entry, path, label, unit }: Props = $props();
    const names = ['at least', 'likely', 'at most'];
    const value = $derived(at(entry, path) as number | number[] | undefined);
    const shown = $derived(Array.isArray(value) ? value : [undefined, value, undefined]);
    /** What is being typed: a low or high that waits for its likely one, or what is no number yet. */
    let typed = $state<(number | string | undefined)[]>([]);
    const said = (i: number) => (i in typed ? typed[i] : shown[i]);

    function set(i: number, number: number | undefined, text: string) {
        typed[i] = number ?? (text.trim() === '' ? undefined : text);
        const [low, likely, high] = names.map((_, each) => said(each));
        if (likely === undefined) put(entry, path, undefined);
        else if (low === undefined && high === undefined) put(entry, path, likely);
        else put(entry, path, [low ?? likely, likely, high ?? likely]);
    }

    const shownAt = (i: number) => {
        const one = said(i);
        return typeof one === 'number' ? one : undefined;
    };
</script>

<div class="flex flex-col gap-0.5" role="group" aria-label={label}>
    <span class="text-[12px] whitespace-nowrap text-soft">
        {unit ? `${label}, ${unit}` : label}{#if isTypical(entry, path)}<span
                class="ml-1 italic"
                title="typical of such engines">typical</span
            >{/if}
    </span>
    <div class="flex">
        {#each names as name, i (name)}
            <Figure
                class="field w-16 {i === 0
                    ? 'rounded-r-none'
                    : i === 2
                      ? 'rounded-l-none'
                      : 'rounded-none border-x-0 font-medium'}"
                label="{label}, {name}"
                title={name}
                value={shownAt(i)}
                set={(number, text) => set(i, number, text)}
                left={() => {
                    // A low or high that waits for its likely one stays.
                    if (value !== undefined) typed = [];
                }}
            />
        {/each}
    </div>
</div>
