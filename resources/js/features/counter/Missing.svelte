<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import type { Task } from '@/generated/answers';
    import { post } from '@/lib/api';
    import { Background } from '@/lib/background.svelte';

    /** Jobs whose figures are not kept in what one reads in: worked out in the background, and shown when they are there. */
    let { jobs }: { jobs: number[] } = $props();
    const work = new Background();
    let failed = $state('');
    const wanted = $derived(jobs.join(','));

    $effect(() => {
        if (wanted === '') return;
        const ids = wanted.split(',').map(Number);
        let current = true;
        failed = '';
        work.of(post<Task>('/summaries', { jobs: ids }))
            .then(() => current && work.task?.state === 'done' && router.reload({ only: ['jobs'] }))
            .catch((fault: unknown) => {
                failed = fault instanceof Error ? fault.message : 'The server does not answer.';
            });
        return () => (current = false);
    });
</script>

{#if work.isLive && work.task}
    <p class="mb-2 flex items-center gap-3 border-t border-line py-1.5 text-soft" role="status">
        <progress
            class="w-40"
            max={work.task.of || jobs.length}
            value={work.task.done}
            aria-label="Figures worked out"
        ></progress>
        <span class="flex-1"
            >{work.task.state === 'waiting'
                ? 'Figures of some jobs wait to be worked out.'
                : `Figures of ${work.task.done} of ${work.task.of} jobs are worked out.`}</span
        >
        <button class="btn" onclick={() => work.cancel()}>Cancel</button>
    </p>
{:else if failed}
    <p class="mb-2 border border-rust bg-rust-wash px-3 py-1.5" role="alert">
        Figures of some jobs could not be worked out: {failed}
    </p>
{/if}
