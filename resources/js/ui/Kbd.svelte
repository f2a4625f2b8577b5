<script lang="ts">
    import type { Snippet } from 'svelte';
    let { children }: { children: Snippet } = $props();
</script>

<kbd class="rounded border border-b-2 border-line bg-paper px-1.5 font-sans text-[11px] text-soft"
    >{@render children()}</kbd
>
