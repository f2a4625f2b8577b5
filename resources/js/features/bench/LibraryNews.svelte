<script lang="ts">
    import type { Renewal } from '@/generated/answers';
    import { Fetched } from '@/lib/fetched.svelte';
    import type { Bench } from './bench.svelte';

    /** What changed in the library since the plan was saved: prices count at once, figures when they are taken. */
    let { bench }: { bench: Bench } = $props();
    const news = new Fetched<Renewal>(() => `/plans/${bench.plan}/renewal?of=${bench.state.revision}`);
    const newer = $derived(news.value !== null && news.value.newest > news.value.version);
</script>

<h2 class="text-[14px] font-semibold">The library since this plan was saved</h2>
{#if news.loading}<p class="mt-1 text-soft">Looking…</p>
{:else if news.failed}<p class="mt-1 text-rust" role="alert">It could not be fetched: try again.</p>
{:else if news.value}
    {#if news.value.changes.length === 0}
        <p class="mt-1 text-soft">
            {newer ? 'Nothing that this plan has was changed.' : 'Nothing was changed.'}
        </p>
    {/if}
    <ul class="mt-2">
        {#each news.value.changes as change, i (i)}<li class="border-t border-faint py-1 tabular-nums">
                {change}
            </li>{/each}
    </ul>
    <dl class="mt-2 grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 border-t border-line pt-2 tabular-nums">
        <dt class="text-soft">As it was saved</dt>
        <dd>{news.value.was}</dd>
        <dt class="text-soft">With all of it</dt>
        <dd class="font-semibold">{news.value.now}</dd>
    </dl>
    {#if newer}
        <p class="mt-2 text-soft">
            Prices count already. Figures stay those of version {news.value.version} until you take version {news
                .value.newest}; undo brings them back.
        </p>
        {#if bench.mayEdit}<button
                class="btn btn-strong mt-2"
                onclick={() => news.value && bench.renew(news.value.newest)}
                >Take version {news.value.newest}</button
            >{/if}
    {/if}
{/if}
