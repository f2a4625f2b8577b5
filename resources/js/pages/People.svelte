<script lang="ts">
    import { untrack } from 'svelte';
    import type { Members, PeoplePage } from '@/generated/answers';
    import Audit from '@/features/people/Audit.svelte';
    import Invite from '@/features/people/Invite.svelte';
    import MemberRow from '@/features/people/MemberRow.svelte';
    import { told } from '@/lib/told.svelte';
    import Frame from '@/ui/Frame.svelte';
    import Section from '@/ui/Section.svelte';
    import Told from '@/ui/Told.svelte';

    let { shop, people, roles, catches_mail }: PeoplePage = $props();
    let rows = $state<Members>(untrack(() => people));
    const say = told();

    async function change(asked: Promise<Members>, well: string) {
        const done = await say.of(asked);
        if (!done) return;
        rows = done;
        say.well(well);
    }
</script>

<svelte:head><title>People · Pebblerun</title></svelte:head>

<Frame>
    {#snippet crumbs()}<span aria-hidden="true">/</span><span class="text-ink">People</span>{/snippet}
    <div class="mx-auto max-w-[1040px] px-6 py-5">
        <div class="mb-4 flex flex-wrap items-baseline gap-3">
            <h1 class="mr-auto text-[19px] font-semibold tracking-tight">People of {shop}</h1>
            <a class="btn" href="/health">Health</a>
            {#if catches_mail}<a class="btn" href="/caught-mail">Mail that was sent</a>{/if}
        </div>
        <Told {say} />
        <table class="w-full">
            <thead class="text-left text-[12px] text-soft">
                <tr class="border-b border-line"
                    ><th class="py-1 font-normal">Name</th><th class="font-normal">Role</th><th
                        class="font-normal">State</th
                    ><th class="font-normal">Second factor</th><th class="font-normal">Signed in last</th><th
                        ><span class="sr-only">What can be done</span></th
                    ></tr
                >
            </thead>
            <tbody>
                {#each rows as member (member.id)}<MemberRow {member} {roles} {change} />{/each}
            </tbody>
        </table>
        <div class="mt-6"><Invite {roles} {change} /></div>
        <Section
            title="What happened"
            about="Sign-ins, roles, exports and accepted limits. No line can be changed or deleted."
            >{#key rows}<Audit />{/key}</Section
        >
    </div>
</Frame>
