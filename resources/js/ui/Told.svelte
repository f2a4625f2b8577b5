<script lang="ts">
    import type { Telling } from '@/lib/told.svelte';

    /** What a form says of itself, under it. */
    let { say }: { say: Telling } = $props();
</script>

{#if say.bad}<p class="mt-2 text-rust" role="alert">{say.bad}</p>{/if}
<p class="mt-2 text-moss" role="status" class:hidden={!say.good}>{say.good}</p>
