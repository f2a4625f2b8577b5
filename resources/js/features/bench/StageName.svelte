<script lang="ts">
    import { untrack } from 'svelte';
    import { asked } from '@/lib/keys';

    /** The name of a stage while it is written: Enter and leaving keep it, Escape does not. */
    type Props = { label: string; name: string; placeholder?: string; named: (name: string | null) => void };
    let { label, name, placeholder, named }: Props = $props();
    let text = $state(untrack(() => name));
    let done = false;

    function end(given: string | null) {
        if (done) return;
        done = true;
        named(given);
    }

    function keydown(event: KeyboardEvent) {
        event.stopPropagation();
        if (event.key === 'Enter') end(text.trim());
        if (event.key === 'Escape') end(null);
    }
</script>

<input
    class="field h-6 min-h-0 w-full"
    aria-label={label}
    maxlength="60"
    {placeholder}
    bind:value={text}
    {@attach asked}
    onkeydown={keydown}
    onblur={() => end(text.trim() === '' && name === '' ? null : text.trim())}
/>
