<script lang="ts">
    import { Link, page, router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import Thumb from '@/charts/Thumb.svelte';
    import Elsewhere from '@/features/counter/Elsewhere.svelte';
    import Missing from '@/features/counter/Missing.svelte';
    import NewJob from '@/features/counter/NewJob.svelte';
    import Unsaved from '@/features/counter/Unsaved.svelte';
    import type { CounterPage, SignedIn } from '@/generated/answers';
    import { day, figure } from '@/lib/format';
    import { keys, take } from '@/lib/keys';
    import Frame from '@/ui/Frame.svelte';
    import Kbd from '@/ui/Kbd.svelte';
    import Pebble from '@/ui/Pebble.svelte';

    type Asked = CounterPage['asked'];
    let { shop, asked, more, jobs, counts, platforms, templates, units }: CounterPage = $props();

    const signedIn = untrack(() => (page.props as unknown as { person: SignedIn }).person);
    const person = signedIn.id;
    const mayStart = signedIn.abilities.includes('edit-jobs');
    const missing = $derived(jobs.filter((job) => job.summary === null).map((job) => job.id));
    let words = $state(untrack(() => asked.q));
    let starting = $state(false);
    let search: HTMLInputElement;
    let found: HTMLElement;
    let timer: ReturnType<typeof setTimeout> | undefined;

    /** Asks the server again; only the list comes back. */
    function ask(change: Partial<Asked>) {
        const next = { ...asked, page: 1, q: words.trim(), ...change };
        router.get(
            '/',
            {
                ...(next.q ? { q: next.q } : {}),
                ...(next.due ? { due: next.due } : {}),
                ...(next.sort === 'latest' ? {} : { sort: next.sort }),
                ...(next.page > 1 ? { page: next.page } : {}),
            },
            { preserveState: true, preserveScroll: change.page === undefined, replace: true },
        );
    }

    function typed() {
        clearTimeout(timer);
        timer = setTimeout(() => ask({}), 160);
    }

    const links = () => [...found.querySelectorAll<HTMLElement>('[data-found], [data-job]')];

    function walk(by: number) {
        const all = links();
        const at = all.findIndex((link) => link === document.activeElement);
        (all[at + by] ?? (at < 0 ? all[0] : by < 0 ? search : undefined))?.focus();
    }

    function begin() {
        if (mayStart) keys.expect();
        starting = mayStart;
    }

    function keydown(event: KeyboardEvent) {
        if (event.ctrlKey || event.metaKey || event.altKey || starting) return;
        const target = event.target instanceof HTMLElement ? event.target : null;
        const inSearch = target === search;
        if (target?.closest('select, [role="dialog"]') || (!inSearch && target?.closest('input'))) return;
        const actions: Record<string, () => void> = {
            ArrowDown: () => walk(1),
            ArrowUp: () => walk(-1),
            ...(inSearch ? {} : { '/': () => take(search), n: begin }),
        };
        const run = actions[event.key];
        if (!run) return;
        event.preventDefault();
        keys.once();
        run();
    }
</script>

<svelte:head><title>Counter · Pebblerun</title></svelte:head>
<svelte:window onkeydown={keydown} />

<Frame find={false}>
    {#snippet crumbs()}<Link href="/library" class="ml-2 hover:text-ink">Library</Link>{/snippet}
    <div class="mx-auto max-w-[1240px] px-6 py-5">
        <div class="mb-3 flex flex-wrap items-center gap-x-3 gap-y-2">
            <h1 class="mr-auto text-[19px] font-semibold tracking-tight">{shop}</h1>
            <label class="flex items-center gap-2">
                <span class="text-soft">Find <Kbd>/</Kbd></span>
                <input
                    bind:this={search}
                    class="field w-64"
                    type="search"
                    placeholder="job, customer, car, part, registration"
                    maxlength="80"
                    bind:value={words}
                    oninput={typed}
                />
            </label>
            <label class="flex items-center gap-2">
                <span class="text-soft">Sort</span>
                <select
                    class="field"
                    value={asked.sort}
                    onchange={(event) => ask({ sort: event.currentTarget.value })}
                >
                    <option value="latest">latest first</option>
                    <option value="customer">by customer</option>
                    <option value="title">by job</option>
                </select>
            </label>
            {#if mayStart}<button class="btn btn-strong" onclick={() => (starting = true)}
                    >New job <Kbd>N</Kbd></button
                >{/if}
        </div>
        <div class="mb-3 flex flex-wrap gap-1.5" role="group" aria-label="What is due">
            <button
                class="btn aria-pressed:border-river aria-pressed:bg-wash"
                aria-pressed={asked.due === null}
                onclick={() => ask({ due: null })}>everything</button
            >
            {#each counts as entry (entry.key)}
                <button
                    class="btn aria-pressed:border-river aria-pressed:bg-wash"
                    aria-pressed={asked.due === entry.key}
                    onclick={() => ask({ due: asked.due === entry.key ? null : entry.key })}
                    >{entry.words}
                    <span class="text-soft">{figure(entry.count)}{entry.many ? '+' : ''}</span></button
                >
            {/each}
        </div>
        <Unsaved {person} titles={Object.fromEntries(jobs.map((job) => [job.id, job.title]))} />
        <Missing jobs={missing} />
        <div bind:this={found}>
            {#if jobs.length === 0}
                <p class="border-t border-line py-6 text-soft">
                    {asked.q || asked.due
                        ? 'No job matches. Try fewer letters, or show every job.'
                        : 'No job yet. Start one with N, or import one.'}
                </p>
            {/if}
            <ul aria-label="Jobs">
                {#each jobs as job (job.id)}
                    <li
                        class="grid grid-cols-1 items-start gap-x-5 gap-y-2 border-t border-line py-3 focus-within:bg-paper md:grid-cols-[minmax(190px,1.1fr)_184px_2.3fr_172px]"
                    >
                        <div class="min-w-0">
                            <Link
                                data-job
                                href="/jobs/{job.id}/bench"
                                class="text-[15px] font-semibold hover:underline">{job.title}</Link
                            >
                            <div>{job.customer}</div>
                            <div class="text-soft">{job.car}</div>
                            <div class="text-[12px] text-soft">{job.advisor}, {day(job.updated)}</div>
                        </div>
                        {#if job.summary}
                            <Thumb summary={job.summary} />
                            <ul class="grid grid-cols-1 gap-x-5 gap-y-1 self-center sm:grid-cols-2">
                                {#each job.summary.verdict as line (line.subject)}
                                    <li class="flex gap-2">
                                        <span class="mt-px shrink-0"
                                            ><Pebble status={line.status} size={15} /></span
                                        >
                                        <span class="leading-tight">{line.headline}</span>
                                    </li>
                                {/each}
                            </ul>
                        {:else}
                            <p class="self-center text-soft md:col-span-2">No figures yet.</p>
                        {/if}
                        <div class="flex flex-col gap-1.5 self-center">
                            <p class="leading-tight">
                                <span class="text-soft">next:</span>
                                <b class="font-semibold">{job.due.words}</b>
                                {#if job.life}<span class="block text-[12px] text-river"
                                        >{job.life.words}, {day(job.life.on)}</span
                                    >{/if}
                                {#if job.old_price}<span class="block text-[12px] text-straw"
                                        >update prices, oldest from {day(job.old_price)}</span
                                    >{/if}
                            </p>
                            <div class="flex gap-1.5">
                                <Link
                                    href="/jobs/{job.id}/bench"
                                    class="btn {job.due.key === 'brief' ? '' : 'btn-strong'}"
                                    aria-label="Bench of {job.title}">Bench</Link
                                >
                                <Link
                                    href="/jobs/{job.id}/brief"
                                    class="btn {job.due.key === 'brief' ? 'btn-strong' : ''}"
                                    aria-label="Brief of {job.title}">Brief</Link
                                >
                            </div>
                        </div>
                    </li>
                {/each}
            </ul>
            <Elsewhere {words} />
        </div>
        {#if more || asked.page > 1}
            <nav class="flex justify-between border-t border-line py-3" aria-label="Pages">
                <button class="btn" disabled={asked.page === 1} onclick={() => ask({ page: asked.page - 1 })}
                    >Before</button
                >
                <span class="text-soft">page {asked.page}</span>
                <button class="btn" disabled={!more} onclick={() => ask({ page: asked.page + 1 })}
                    >Next</button
                >
            </nav>
        {/if}
    </div>
</Frame>
<NewJob
    bind:open={starting}
    {platforms}
    {templates}
    {units}
    mayMake={signedIn.abilities.includes('keep-library')}
/>
