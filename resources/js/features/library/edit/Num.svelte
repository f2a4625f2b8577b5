<script lang="ts">
    import { at, put, type Entry } from './paths';

    /** A number of a document, with its unit. Empty is not said. */
    type Props = {
        entry: Entry;
        path: string;
        label: string;
        unit?: string;
        step?: string;
        wide?: boolean;
        bare?: boolean;
    };
    let { entry, path, label, unit = '', step = 'any', wide = false, bare = false }: Props = $props();
    const value = $derived(at(entry, path) as number | undefined);
    const words = $derived(unit ? `${label}, ${unit}` : label);
</script>

<label class="flex flex-col gap-0.5">
    {#if !bare}<span class="text-[12px] whitespace-nowrap text-soft">{words}</span>{/if}
    <input
        class="field {wide ? 'w-full' : 'w-22'} tabular-nums"
        type="number"
        {step}
        aria-label={bare ? words : undefined}
        value={value ?? ''}
        oninput={(event) =>
            put(
                entry,
                path,
                event.currentTarget.value === '' ? undefined : Number(event.currentTarget.value),
            )}
    />
</label>
