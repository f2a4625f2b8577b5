<script lang="ts">
    import type { Shops } from '@/generated/answers';
    import { put } from '@/lib/api';
    import { told } from '@/lib/told.svelte';
    import Section from '@/ui/Section.svelte';
    import Told from '@/ui/Told.svelte';

    /** The shops one belongs to, and the way from one to the other. */
    let { shops }: { shops: Shops } = $props();
    const say = told();

    async function go(shop: number) {
        // Everything that is shown belongs to the shop: the page is fetched anew.
        if ((await say.of(put('/account/shop', { shop }))) !== undefined) location.href = '/';
    }
</script>

<Section title="Shops" about="You work in one at a time, on every device.">
    <ul>
        {#each shops as shop (shop.id)}
            <li class="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-faint py-2">
                <span class="font-medium">{shop.name}</span>
                <span class="mr-auto text-soft">{shop.role}</span>
                {#if shop.here}<span>this one</span>{:else}<button class="btn" onclick={() => go(shop.id)}
                        >Work there</button
                    >{/if}
            </li>
        {/each}
    </ul>
    <Told {say} />
</Section>
