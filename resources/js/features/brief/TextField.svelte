<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import { onDestroy } from 'svelte';
    import { Writing } from '@/lib/writing.svelte';

    /** Words of the brief, saved while they are written. */
    type Props = {
        label: string;
        value: string;
        set: (text: string) => void;
        /** Most letters. */
        most: number;
        /** Classes of its width. @default 'w-52' */
        width?: string;
        /** Lines; without them it is one. */
        rows?: number;
        placeholder?: string;
    };
    let { label, value, set, most, width = 'w-52', rows, placeholder }: Props = $props();
    const writing = new Writing((text) => text.trim() !== value && set(text.trim()), 700);
    onDestroy(() => writing.end());

    const common = $derived({
        class: `field ${width}`,
        maxlength: most,
        placeholder,
        value: writing.text ?? value,
    });
    type Typed = Event & { currentTarget: HTMLInputElement | HTMLTextAreaElement };
    const oninput = (event: Typed) => writing.typed(event.currentTarget.value);
    const leave = (event: Typed) => writing.left(event.currentTarget.value);
</script>

<Field {label} class={width === 'w-full' ? 'w-full' : ''}>
    {#if rows}<textarea {...common} {rows} {oninput} onchange={leave} onblur={leave}></textarea>
    {:else}<input {...common} {oninput} onchange={leave} onblur={leave} />{/if}
</Field>
