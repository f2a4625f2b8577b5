<script lang="ts">
    import { renderSVG } from 'uqr';
    import { untrack } from 'svelte';
    import type { NewFactor, RecoveryCodes, Said } from '@/generated/answers';
    import { drop, post, put } from '@/lib/api';
    import { told } from '@/lib/told.svelte';
    import Section from '@/ui/Section.svelte';
    import Told from '@/ui/Told.svelte';

    /** The second factor: an authenticator's codes, and recovery codes for the day it is lost. */
    let { on = $bindable(), left }: { on: boolean; left: number } = $props();
    let now = $state('');
    let code = $state('');
    let fresh = $state<NewFactor>();
    let codes = $state<string[]>([]);
    let remaining = $state(untrack(() => left));
    const say = told();
    const picture = $derived(
        fresh && `data:image/svg+xml,${encodeURIComponent(renderSVG(fresh.address, { border: 2 }))}`,
    );

    async function begin(event: SubmitEvent) {
        event.preventDefault();
        fresh = await say.of(post<NewFactor>('/account/factor', { now }));
        now = '';
    }

    async function confirm(event: SubmitEvent) {
        event.preventDefault();
        const done = await say.of(put<RecoveryCodes>('/account/factor', { code }));
        code = '';
        if (!done) return;
        codes = done.recovery_codes;
        remaining = codes.length;
        fresh = undefined;
        on = true;
    }

    async function end(event: SubmitEvent) {
        event.preventDefault();
        const done = await say.of(drop<Said>('/account/factor', { now }));
        now = '';
        if (!done) return;
        on = false;
        codes = [];
        say.well(done.message);
    }
</script>

<Section
    title="Second factor"
    about={on
        ? `On: signing in asks for a code of your authenticator too. ${remaining} recovery codes are left.`
        : 'Off: a code of an authenticator beside the password keeps out who learned the password.'}
>
    {#if codes.length > 0}
        <p class="mb-1">
            Recovery codes, shown this once. Keep them apart from the device; each is good once.
        </p>
        <ul class="mb-3 grid max-w-md grid-cols-2 gap-x-6 font-semibold">
            {#each codes as one (one)}<li>{one}</li>{/each}
        </ul>
    {/if}
    {#if fresh}
        <div class="flex flex-wrap items-start gap-5">
            <img class="h-44 w-44 bg-white" src={picture} alt="The secret as a square code, for a camera" />
            <form class="flex max-w-sm flex-col gap-2" onsubmit={confirm}>
                <p>
                    Read the square with your authenticator, or type the secret: <span
                        class="font-semibold break-all">{fresh.secret.match(/.{1,4}/g)?.join(' ')}</span
                    >
                </p>
                <label class="flex flex-col gap-1"
                    ><span class="text-[12px] text-soft">The code that it shows now</span><input
                        class="field w-32"
                        autocomplete="one-time-code"
                        inputmode="numeric"
                        required
                        bind:value={code}
                    /></label
                >
                <div class="flex gap-2">
                    <button class="btn btn-strong">Turn it on</button>
                    <button type="button" class="btn" onclick={() => (fresh = undefined)}>Leave it</button>
                </div>
            </form>
        </div>
    {:else}
        <form class="flex flex-wrap items-end gap-3" onsubmit={on ? end : begin}>
            <label class="flex flex-col gap-1"
                ><span class="text-[12px] text-soft">Your password</span><input
                    class="field w-52"
                    type="password"
                    autocomplete="current-password"
                    required
                    bind:value={now}
                /></label
            >
            <button class="btn">{on ? 'Turn it off' : 'Set it up'}</button>
        </form>
    {/if}
    <Told {say} />
</Section>
