<script lang="ts">
    import { Link } from '@inertiajs/svelte';
    import Thumb from '@/charts/Thumb.svelte';
    import { day } from '@/lib/format';
    import type { Summary } from '@/lib/summary';
    import Frame from '@/ui/Frame.svelte';
    import Pebble from '@/ui/Pebble.svelte';

    type Job = {
        id: number;
        title: string;
        customer: string;
        car: string;
        advisor: string;
        updated: string;
        summary: Summary | null;
    };
    type Props = { shop: string; jobs: Job[] };
    let { shop, jobs }: Props = $props();
</script>

<svelte:head><title>Counter · Pebblerun</title></svelte:head>

<Frame>
    <div class="mx-auto max-w-[1240px] px-6 py-5">
        <div class="mb-3 flex items-baseline gap-3">
            <h1 class="text-[19px] font-semibold tracking-tight">{shop}</h1>
            <span class="text-soft"
                >{jobs.length} {jobs.length === 1 ? 'job' : 'jobs'} on the desk, the latest first</span
            >
        </div>
        {#if jobs.length === 0}
            <p class="border-t border-line py-6 text-soft">
                No job yet. Import one, or start with a customer’s brief.
            </p>
        {/if}
        <ul>
            {#each jobs as job (job.id)}
                <li
                    class="grid grid-cols-[minmax(200px,1.1fr)_184px_2.4fr_auto] items-start gap-5 border-t border-line py-3.5"
                >
                    <div class="min-w-0">
                        <Link href="/jobs/{job.id}/bench" class="text-[15px] font-semibold hover:underline"
                            >{job.title}</Link
                        >
                        <div>{job.customer}</div>
                        <div class="text-soft">{job.car}</div>
                        <div class="text-[12px] text-soft">{job.advisor}, {day(job.updated)}</div>
                    </div>
                    {#if job.summary}
                        <Thumb summary={job.summary} />
                        <ul class="grid grid-cols-2 gap-x-5 gap-y-1.5 self-center">
                            {#each job.summary.verdict as line (line.subject)}
                                <li class="flex gap-2">
                                    <span class="mt-px shrink-0"
                                        ><Pebble status={line.status} size={15} /></span
                                    >
                                    <span class="leading-tight">{line.headline}</span>
                                </li>
                            {/each}
                        </ul>
                    {/if}
                    <div class="flex flex-col gap-1.5 self-center">
                        <Link
                            href="/jobs/{job.id}/bench"
                            class="btn btn-strong justify-center"
                            aria-label="Bench of {job.title}">Bench</Link
                        >
                        <Link
                            href="/jobs/{job.id}/brief"
                            class="btn justify-center"
                            aria-label="Brief of {job.title}">Brief</Link
                        >
                    </div>
                </li>
            {/each}
        </ul>
    </div>
</Frame>
