<script lang="ts" generics="T">
    import type { Snippet } from 'svelte';
    import { asked } from '@/lib/keys';

    /** A field that finds, with what it found below: arrows walk the list, Enter takes the one that is chosen. */
    type Props = {
        words: string;
        found: T[];
        nameOf: (entry: T, place: number) => string;
        label: string;
        placeholder: string;
        take: (entry: T) => void;
        line: Snippet<[T]>;
        /** In the list where nothing was found. */ none?: string;
    };
    let { words = $bindable(), found, nameOf, label, placeholder, take, line, none = '' }: Props = $props();
    let chosen = $state(0);
    const id = $props.id();
    $effect(() => {
        if (found) chosen = 0;
    });

    function keydown(event: KeyboardEvent) {
        const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        const entry = found[chosen];
        if (by) chosen = Math.min(Math.max(0, chosen + by), found.length - 1);
        else if (event.key !== 'Enter') return;
        else if (entry) take(entry);
        event.preventDefault();
    }
</script>

<input
    class="field w-full"
    role="combobox"
    aria-expanded={found.length > 0}
    aria-controls="{id}-list"
    aria-activedescendant={found.length > 0 ? `${id}-${chosen}` : undefined}
    aria-label={label}
    {placeholder}
    maxlength="80"
    {@attach asked}
    bind:value={words}
    onkeydown={keydown}
/>
<ul id="{id}-list" role="listbox" aria-label="Found" class="mt-2 max-h-[60vh] overflow-y-auto">
    {#each found as entry, i (nameOf(entry, i))}
        <!-- svelte-ignore a11y_click_events_have_key_events -->
        <li
            id="{id}-{i}"
            role="option"
            aria-selected={i === chosen}
            class="cursor-pointer border-t border-faint px-1 py-1 {i === chosen ? 'bg-wash' : ''}"
            onclick={() => take(entry)}
        >
            {@render line(entry)}
        </li>
    {:else}{#if none}<li class="border-t border-faint px-1 py-1 text-soft">{none}</li>{/if}{/each}
</ul>
