<script lang="ts">
    import { untrack } from 'svelte';
    import type { Members } from '@/generated/answers';
    import { post } from '@/lib/api';
    import Section from '@/ui/Section.svelte';

    type Props = { roles: string[]; change: (asked: Promise<Members>, well: string) => Promise<void> };
    let { roles, change }: Props = $props();
    let name = $state('');
    let email = $state('');
    let role = $state(untrack(() => roles[1] ?? roles[0]));

    async function invite(event: SubmitEvent) {
        event.preventDefault();
        await change(post<Members>('/people', { name, email, role }), `${email} is sent an invitation.`);
        name = email = '';
    }
</script>

<Section title="Invite a person" about="They get a link by mail and choose a password themselves.">
    <form class="flex flex-wrap items-end gap-3" onsubmit={invite}>
        <label class="flex flex-col gap-1"
            ><span class="text-[12px] text-soft">Name</span><input
                class="field w-52"
                required
                maxlength="120"
                bind:value={name}
            /></label
        >
        <label class="flex flex-col gap-1"
            ><span class="text-[12px] text-soft">Email</span><input
                class="field w-64"
                type="email"
                required
                maxlength="200"
                bind:value={email}
            /></label
        >
        <label class="flex flex-col gap-1"
            ><span class="text-[12px] text-soft">Role</span><select class="field" bind:value={role}
                >{#each roles as one (one)}<option>{one}</option>{/each}</select
            ></label
        >
        <button class="btn btn-strong">Invite</button>
    </form>
</Section>
