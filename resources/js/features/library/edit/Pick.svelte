<script lang="ts">
    import { at, put, type Entry } from './paths';

    /** One of some choices, or none of them. */
    type Props = {
        entry: Entry;
        path: string;
        label: string;
        options: readonly (readonly [string, string])[];
        /** What stands for none of them; without it one must be chosen. */
        none?: string;
        bare?: boolean;
    };
    let { entry, path, label, options, none, bare = false }: Props = $props();
    const value = $derived((at(entry, path) as string | undefined) ?? '');
</script>

<label class="flex min-w-0 flex-col gap-0.5">
    {#if !bare}<span class="text-[12px] whitespace-nowrap text-soft">{label}</span>{/if}
    <select
        class="field w-full"
        aria-label={bare ? label : undefined}
        {value}
        onchange={(event) => put(entry, path, event.currentTarget.value || undefined)}
    >
        {#if none !== undefined || value === ''}<option value="">{none ?? 'choose'}</option>{/if}
        {#each options as [key, words] (key)}<option value={key}>{words}</option>{/each}
    </select>
</label>
