<script lang="ts">
    import { Link } from '@inertiajs/svelte';
    import { Searched } from '@/lib/searched.svelte';

    /** What is found besides the jobs in the list, which has their customers and cars: parts, platforms, what figures rest on. */
    let { words }: { words: string } = $props();
    const search = new Searched(() => words);
    const others = $derived(search.found.filter((one) => !['job', 'customer', 'car'].includes(one.kind)));
</script>

{#if search.failed}<p class="mb-3 text-soft" role="status">
        Parts are not listed: the server does not answer.
    </p>{/if}
{#if others.length > 0}
    <section class="mb-3 border-t border-line pt-2" aria-label="Found besides jobs">
        <ul class="grid gap-x-6 md:grid-cols-2">
            {#each others as one, i (`${one.kind} ${one.address} ${i}`)}
                <li class="min-w-0">
                    <Link
                        data-found
                        href={one.address}
                        class="grid grid-cols-[5.5em_minmax(0,1fr)] py-0.5 hover:bg-faint focus-visible:bg-wash"
                        ><span class="text-[12px] text-soft">{one.kind}</span><span class="truncate"
                            ><span class="font-medium">{one.title}</span>{#if one.detail}<span
                                    class="text-soft">&nbsp;· {one.detail}</span
                                >{/if}</span
                        ></Link
                    >
                </li>
            {/each}
        </ul>
    </section>
{/if}
