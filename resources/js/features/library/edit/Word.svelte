<script lang="ts">
    import { asked } from '@/lib/keys';
    import { at, put, type Entry } from './paths';

    /** A line of text of a document; several lines as a list of them. */
    type Props = {
        entry: Entry;
        path: string;
        label: string;
        grow?: boolean;
        lines?: boolean;
        list?: string;
        bare?: boolean;
        /** Whether it takes the keys as soon as it is there. */
        first?: boolean;
    };
    let {
        entry,
        path,
        label,
        grow = false,
        lines = false,
        list,
        bare = false,
        first = false,
    }: Props = $props();
    const value = $derived(at(entry, path));

    const split = (text: string) => {
        const found = text.split('\n').filter((line) => line.trim() !== '');
        return found.length > 0 ? found : undefined;
    };
</script>

<label class="flex flex-col gap-0.5 {grow || lines ? 'min-w-48 flex-1' : 'min-w-0'}">
    {#if !bare}<span class="text-[12px] whitespace-nowrap text-soft">{label}</span>{/if}
    {#if lines}
        <textarea
            class="field min-h-16 w-full"
            rows={Math.max(2, ((value as string[] | undefined) ?? []).length + 1)}
            value={((value as string[] | undefined) ?? []).join('\n')}
            onchange={(event) => put(entry, path, split(event.currentTarget.value))}></textarea>
    {:else}
        <input
            class="field w-full min-w-24"
            {list}
            aria-label={bare ? label : undefined}
            value={(value as string | undefined) ?? ''}
            {@attach first && asked}
            oninput={(event) => put(entry, path, event.currentTarget.value || undefined)}
        />
    {/if}
</label>
