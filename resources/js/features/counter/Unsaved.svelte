<script lang="ts">
    import { Link } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { waitingJobs } from '@/lib/sync/edits';
    import { EditQueue } from '@/lib/sync/queue.svelte';

    /**
     * Changes of jobs that wait in this browser: sent from here too, so that nobody must open the job for it. Titles by job, of
     * those that are listed.
     */
    let { person, titles }: { person: number; titles: Record<number, string> } = $props();
    const queues = untrack(() =>
        waitingJobs(person).map(
            (job) =>
                new EditQueue(job, person, {
                    shown: { show: 'nothing' },
                    version: () => 0,
                    take: () => {},
                    refresh: () => {},
                }),
        ),
    );
    const left = $derived(queues.filter((queue) => queue.waiting.length + queue.aside.length > 0));
    $effect(() => {
        const ends = queues.map((queue) => queue.listen());
        return () => ends.forEach((end) => end());
    });
</script>

{#each left as queue (queue.job)}
    <p
        class="mb-2 flex flex-wrap items-center gap-3 border border-rust bg-rust-wash px-3 py-1.5"
        role="alert"
    >
        <span class="flex-1"
            >{titles[queue.job] ? `${titles[queue.job]}. ` : ''}{queue.waiting.length > 0
                ? `Not saved yet: ${queue.waiting.map((edit) => edit.words).join(', ')}.`
                : `Not done: ${queue.aside.map((one) => `${one.edit.words}: ${one.reason}`).join(' ')}`}
            {queue.trouble}</span
        >
        {#if queue.trouble}<button class="btn" onclick={queue.retry}>Try now</button>{/if}
        <Link href="/jobs/{queue.job}/bench" class="btn">Open the job</Link>
    </p>
{/each}
