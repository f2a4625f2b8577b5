<script lang="ts">
    import type { Background } from '@/lib/background.svelte';

    /** That something is being worked on, with a way to stop it. */
    let { work, words }: { work: Background; words: string } = $props();
</script>

{#if work.isLive}
    <p class="flex items-center gap-3 text-soft" role="status">
        <progress class="w-24" aria-label={words}></progress>
        {words}
        <button type="button" class="btn" onclick={() => work.cancel()}>Cancel</button>
    </p>
{/if}
