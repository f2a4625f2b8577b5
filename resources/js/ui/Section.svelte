<script lang="ts">
    import type { Snippet } from 'svelte';

    /** A part of a page under a line, with its title. */
    let { title, about = '', children }: { title: string; about?: string; children: Snippet } = $props();
    const id = $props.id();
</script>

<section class="border-t border-line py-4" aria-labelledby={id}>
    <h2 {id} class="font-semibold">{title}</h2>
    {#if about}<p class="mb-3 text-soft">{about}</p>{/if}
    {@render children()}
</section>
