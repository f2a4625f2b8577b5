<script lang="ts">
    import { untrack } from 'svelte';
    import type { Answered, Invitations, Shops } from '@/generated/answers';
    import { drop, put } from '@/lib/api';
    import { told } from '@/lib/told.svelte';
    import Section from '@/ui/Section.svelte';
    import Told from '@/ui/Told.svelte';

    /** The shops one belongs to and the way from one to the other, and those that ask one in. */
    type Props = { shops: Shops; invitations: Invitations };
    let props: Props = $props();
    let shops = $state.raw(untrack(() => props.shops));
    let invitations = $state.raw(untrack(() => props.invitations));
    const say = told();

    async function go(shop: number) {
        // Everything that is shown belongs to the shop: the page is fetched anew.
        if ((await say.of(put('/account/shop', { shop }))) !== undefined) location.href = '/';
    }

    async function answer(asked: Promise<Answered>, well: string) {
        const now = await say.of(asked);
        if (!now) return;
        ({ shops, invitations } = now);
        say.well(well);
    }
</script>

{#if shops.length > 1 || invitations.length > 0 || say.good}
    <Section title="Shops" about="You work in one at a time, on every device.">
        <ul>
            {#each invitations as shop (shop.id)}
                {@const at = `/account/invitations/${shop.id}`}
                <li class="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-faint py-2">
                    <span class="font-medium">{shop.name}</span>
                    <span class="mr-auto text-soft">invites you as {shop.role}</span>
                    <button
                        class="btn"
                        onclick={() => answer(drop<Answered>(at), `You declined ${shop.name}.`)}
                        >Decline</button
                    >
                    <button
                        class="btn btn-strong"
                        onclick={() => answer(put<Answered>(at, {}), `You belong to ${shop.name} now.`)}
                        >Accept</button
                    >
                </li>
            {/each}
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
{/if}
