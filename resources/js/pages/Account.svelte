<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import type { AccountPage } from '@/generated/answers';
    import Factor from '@/features/account/Factor.svelte';
    import Password from '@/features/account/Password.svelte';
    import SessionList from '@/features/account/SessionList.svelte';
    import ShopList from '@/features/account/ShopList.svelte';
    import Frame from '@/ui/Frame.svelte';

    let { email, second_factor, recovery_codes, sessions, shops, invitations }: AccountPage = $props();
    let on = $state(untrack(() => second_factor));
</script>

<svelte:head><title>Account · Pebblerun</title></svelte:head>

<Frame>
    {#snippet crumbs()}<span aria-hidden="true">/</span><span class="text-ink">Account</span>{/snippet}
    <div class="mx-auto max-w-[880px] px-6 py-5">
        <div class="mb-4 flex flex-wrap items-baseline gap-3">
            <h1 class="text-[19px] font-semibold tracking-tight">Account</h1>
            <span class="mr-auto text-soft">{email}</span>
            <button class="btn" onclick={() => router.post('/sign-out')}>Sign out</button>
        </div>
        <Password />
        <Factor bind:on left={recovery_codes} />
        <SessionList {sessions} />
        <ShopList {shops} {invitations} />
    </div>
</Frame>
