<script lang="ts">
    import Figure from '@/ui/Figure.svelte';
    import { at, isTypical, put, type Entry } from './paths';

    /** A number of a document, with its unit. Empty is not said. */
    type Props = {
        entry: Entry;
        path: string;
        label: string;
        unit?: string;
        step?: string;
        /** A share, shown in percent. */
        percent?: boolean;
        wide?: boolean;
        bare?: boolean;
    };
    let {
        entry,
        path,
        label,
        unit = '',
        step = 'any',
        percent = false,
        wide = false,
        bare = false,
    }: Props = $props();
    const value = $derived(at(entry, path) as number | undefined);
    const suffix = $derived(percent ? '%' : unit);
    const words = $derived(suffix ? `${label}, ${suffix}` : label);
</script>

<label class="flex flex-col gap-0.5">
    {#if !bare}<span class="text-[12px] whitespace-nowrap text-soft"
            >{words}{#if isTypical(entry, path)}<span class="ml-1 italic" title="typical of such engines"
                    >typical</span
                >{/if}</span
        >{/if}
    <Figure
        class="field {wide ? 'w-full' : 'w-22'}"
        label={bare ? words : undefined}
        step={step === 'any' ? 1 : Number(step)}
        scale={percent ? 100 : 1}
        value={typeof value === 'number' ? value : undefined}
        set={(number, text) => put(entry, path, number ?? (text.trim() === '' ? undefined : text))}
    />
</label>
