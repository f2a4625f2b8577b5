<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import type { Task } from '@/generated/answers';
    import { drop, get, post } from '@/lib/api';

    /** Jobs whose figures are not kept in what one reads in: worked out in the background, and shown when they are there. */
    let { jobs }: { jobs: number[] } = $props();
    let task = $state.raw<Task | null>(null);
    let failed = $state('');
    const wanted = $derived(jobs.join(','));
    const isLive = $derived(task?.state === 'waiting' || task?.state === 'running');

    $effect(() => {
        if (wanted === '') return;
        const ids = wanted.split(',').map(Number);
        let current = true;
        task = null;
        failed = '';
        void (async () => {
            try {
                task = await post<Task>('/summaries', { jobs: ids });
                while (current && (task?.state === 'waiting' || task?.state === 'running')) {
                    await new Promise((resolve) => setTimeout(resolve, 400));
                    if (current && task) task = await get<Task>(`/tasks/${task.id}`);
                }
                if (current && task?.state === 'done') router.reload({ only: ['jobs'] });
                if (task?.state === 'failed') failed = task.reason;
            } catch (fault) {
                failed = fault instanceof Error ? fault.message : 'The server does not answer.';
            }
        })();
        return () => (current = false);
    });

    async function cancel() {
        if (task) task = await drop<Task>(`/tasks/${task.id}`).catch(() => task);
    }
</script>

{#if isLive && task}
    <p class="mb-2 flex items-center gap-3 border-t border-line py-1.5 text-soft" role="status">
        <progress class="w-40" max={task.of || jobs.length} value={task.done} aria-label="Figures worked out"
        ></progress>
        <span class="flex-1"
            >{task.state === 'waiting'
                ? 'Figures of some jobs wait to be worked out.'
                : `Figures of ${task.done} of ${task.of} jobs are worked out.`}</span
        >
        <button class="btn" onclick={cancel}>Cancel</button>
    </p>
{:else if failed}
    <p class="mb-2 border border-rust bg-rust-wash px-3 py-1.5" role="alert">
        Figures of some jobs could not be worked out: {failed}
    </p>
{/if}
