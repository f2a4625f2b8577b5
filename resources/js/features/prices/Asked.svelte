<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import type { PriceListsPage, Refreshed } from '@/generated/answers';
    import { post } from '@/lib/api';
    import { clock, day } from '@/lib/format';
    import { told } from '@/lib/told.svelte';
    import Told from '@/ui/Told.svelte';

    /** Suppliers that are asked over the wire: every night, and now. */
    let { suppliers }: { suppliers: PriceListsPage['suppliers'] } = $props();
    let asking = $state<number | null>(null);
    const say = told();

    async function ask(id: number) {
        asking = id;
        const answer = await say.of(post<Refreshed>(`/suppliers/${id}/refresh`, {}));
        asking = null;
        if (answer)
            say.well(
                answer.changed === 0
                    ? 'It answered: nothing changed.'
                    : `It answered: ${answer.changed} prices changed.`,
            );
        router.reload({ only: ['suppliers', 'lists'] });
    }
</script>

{#if suppliers.length > 0}
    <h2 class="mt-5 border-t border-line pt-3 font-semibold">Asked every night</h2>
    <ul>
        {#each suppliers as supplier (supplier.id)}
            <li class="flex items-baseline gap-2 py-1">
                <span class="min-w-0 flex-1"
                    >{supplier.name}<span
                        class="block text-[12px] {supplier.trouble ? 'text-rust' : 'text-soft'}"
                        >{supplier.trouble ||
                            (supplier.answered
                                ? `answered ${day(supplier.answered)}, ${clock(supplier.answered)}`
                                : 'not asked yet')}</span
                    ></span
                >
                <button class="btn" disabled={asking !== null} onclick={() => ask(supplier.id)}
                    >{asking === supplier.id ? 'Asking…' : 'Ask now'}</button
                >
            </li>
        {/each}
    </ul>
    <Told {say} />
{/if}
