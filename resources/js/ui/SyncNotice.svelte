<script lang="ts">
    import type { EditQueue } from '@/lib/sync/queue.svelte';

    /** What was not saved and why: refusals one by one, and once that the server does not answer. */
    let { queue }: { queue: EditQueue } = $props();
    const refused = $derived(queue.aside.filter((one) => one.conflict === null));
</script>

{#each refused as aside (aside.edit.request)}
    <p class="flex items-center gap-3 border-b border-rust bg-rust-wash px-4 py-1.5 text-ink" role="alert">
        <span class="flex-1">Not done: {aside.edit.words}. {aside.reason}</span>
        <button class="btn" onclick={() => queue.again(aside)}>Try again</button>
        <button class="btn" onclick={() => queue.dismiss(aside)}>Discard</button>
    </p>
{/each}
{#if queue.trouble}
    <p class="flex justify-between border-b border-rust bg-rust-wash px-4 py-1.5 text-ink" role="alert">
        {queue.trouble}
        {queue.waiting.length === 1
            ? 'One change is kept here and goes'
            : `${queue.waiting.length} changes are kept here and go`} out in order when it answers again.
        <button class="font-semibold" onclick={queue.retry}>Try now</button>
    </p>
{/if}
