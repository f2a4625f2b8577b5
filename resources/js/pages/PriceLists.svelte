<script lang="ts">
    import { Link, router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import Asked from '@/features/prices/Asked.svelte';
    import DryRun from '@/features/prices/DryRun.svelte';
    import Matching from '@/features/prices/Matching.svelte';
    import Sending from '@/features/prices/Sending.svelte';
    import type { PriceListsPage, Task } from '@/generated/answers';
    import { drop, get } from '@/lib/api';
    import { day } from '@/lib/format';
    import Frame from '@/ui/Frame.svelte';

    let { suppliers, lists, shown, currency, platforms, tax_percent, margin_percent, today }: PriceListsPage =
        $props();
    const states: Record<string, string> = {
        sent: 'no preview yet',
        looked: 'previewed',
        taken: 'taken in',
        undone: 'taken back',
    };
    let task = $state.raw<Task | null>(untrack(() => shown?.task ?? null));
    const running = $derived(task !== null && ['waiting', 'running'].includes(task.state));

    /** Until the look is through. */
    $effect(() => {
        if (!task || !running) return;
        const id = task.id;
        const timer = setTimeout(async () => {
            const now = await get<Task>(`/tasks/${id}`).catch(() => null);
            if (now) task = now;
            if (now && !['waiting', 'running'].includes(now.state)) router.reload();
        }, 400);
        return () => clearTimeout(timer);
    });

    async function cancel() {
        if (task) task = await drop<Task>(`/tasks/${task.id}`).catch(() => task);
    }
</script>

<svelte:head><title>Price lists · Pebblerun</title></svelte:head>

<Frame fixed>
    {#snippet crumbs()}
        <span aria-hidden="true">/</span><Link href="/library" class="hover:text-ink">Library</Link>
        <span aria-hidden="true">/</span><span class="text-ink">Price lists</span>
    {/snippet}
    <div class="grid min-h-0 flex-1 md:grid-cols-[260px_minmax(0,1fr)]">
        <nav class="overflow-y-auto border-r border-line px-4 py-4 max-md:border-b" aria-label="Price lists">
            <h1 class="text-[15px] font-semibold tracking-tight">Price lists</h1>
            <Sending {suppliers} />
            <Asked suppliers={suppliers.filter((one) => one.asked)} />
            <ul class="mt-5">
                {#each lists as list (list.id)}
                    <li>
                        <Link
                            href="/price-lists/{list.id}"
                            class="block rounded px-2 py-1.5 hover:bg-faint aria-[current]:bg-faint"
                            aria-current={list.id === shown?.id ? 'page' : undefined}
                            ><span class="block truncate font-medium">{list.supplier}</span><span
                                class="block truncate text-[12px] text-soft"
                                >{list.name}, {day(list.at)} · {states[list.state]}</span
                            ></Link
                        >
                    </li>
                {:else}<li class="px-2 text-soft">None yet.</li>{/each}
            </ul>
        </nav>
        <section class="overflow-y-auto px-6 py-4" aria-label="The list">
            {#if shown}
                {#key `${shown.id} ${shown.state} ${shown.task?.id}`}
                    <h2 class="text-[17px] font-semibold tracking-tight">{shown.supplier}: {shown.name}</h2>
                    {#if shown.state === 'sent' || shown.state === 'looked'}
                        <Matching
                            list={shown}
                            page={{ currency, tax_percent, margin_percent, today }}
                            looking={(begun) => (task = begun)}
                        />
                    {/if}
                    {#if task && running}
                        <div class="mt-4 flex items-center gap-3" role="status">
                            <progress
                                class="w-60"
                                value={task.done}
                                max={Math.max(1, task.of)}
                                aria-label="Lines read"
                            ></progress>
                            <span class="text-soft tabular-nums"
                                >{task.of > 0
                                    ? `${task.done} of ${task.of} lines`
                                    : 'The list is being worked on'}</span
                            >
                            <button class="btn" onclick={cancel}>Cancel</button>
                        </div>
                    {:else if task?.state === 'failed' && shown.state === 'sent'}<p
                            class="mt-3 text-rust"
                            role="alert"
                        >
                            {task.reason}
                        </p>
                    {:else if task?.state === 'cancelled' && shown.state === 'sent'}<p
                            class="mt-3 text-soft"
                            role="status"
                        >
                            Cancelled: nothing was changed.
                        </p>
                    {:else if shown.state !== 'sent'}
                        {#if task?.state === 'failed'}<p class="mt-3 text-rust" role="alert">
                                {task.reason}
                            </p>{/if}
                        <DryRun
                            list={shown}
                            page={{ currency, platforms }}
                            begun={(taking) => (task = taking)}
                            again={() => router.reload()}
                        />
                    {/if}
                {/key}
            {:else}
                <p class="max-w-prose text-soft">
                    Send a supplier's list as CSV. Nothing changes until you have seen, line by line, which
                    prices change, which parts are new and which lines are refused and why; a list that was
                    taken in can be taken back as a whole.
                </p>
            {/if}
        </section>
    </div>
</Frame>
