<script lang="ts">
    import type { Said } from '@/generated/answers';
    import { put } from '@/lib/api';
    import Section from '@/ui/Section.svelte';
    import Told from '@/ui/Told.svelte';
    import { told } from '@/lib/told.svelte';

    let now = $state('');
    let password = $state('');
    let again = $state('');
    const say = told();

    async function save(event: SubmitEvent) {
        event.preventDefault();
        const done = await say.of(put<Said>('/account/password', { now, password, again }));
        if (!done) return;
        say.well(done.message);
        now = password = again = '';
    }
</script>

<Section title="Password" about="Changing it signs you out everywhere else.">
    <form class="flex flex-wrap items-end gap-3" onsubmit={save}>
        <label class="flex flex-col gap-1"
            ><span class="text-[12px] text-soft">Now</span><input
                class="field w-52"
                type="password"
                autocomplete="current-password"
                required
                bind:value={now}
            /></label
        >
        <label class="flex flex-col gap-1"
            ><span class="text-[12px] text-soft">New, 12 characters at least</span><input
                class="field w-52"
                type="password"
                autocomplete="new-password"
                required
                minlength="12"
                bind:value={password}
            /></label
        >
        <label class="flex flex-col gap-1"
            ><span class="text-[12px] text-soft">Once more</span><input
                class="field w-52"
                type="password"
                autocomplete="new-password"
                required
                bind:value={again}
            /></label
        >
        <button class="btn btn-strong">Change it</button>
    </form>
    <Told {say} />
</Section>
