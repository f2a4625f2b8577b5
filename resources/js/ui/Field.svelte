<script lang="ts">
    import type { Snippet } from 'svelte';

    /** What is entered, under its label. */
    type Props = {
        label: string;
        /** Classes of its place among others. */
        class?: string;
        children: Snippet;
    };
    let { label, class: place = '', children }: Props = $props();
</script>

<label class="flex flex-col gap-0.5 {place}"
    ><span class="text-[12px] text-soft">{label}</span>{@render children()}</label
>
