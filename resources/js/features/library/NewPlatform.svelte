<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import { router } from '@inertiajs/svelte';
    import type { LibraryPage, PlatformMade } from '@/generated/answers';
    import { post } from '@/lib/api';
    import { asked } from '@/lib/keys';
    import { PlatformAnswers } from '@/lib/platformAnswers.svelte';
    import { told } from '@/lib/told.svelte';
    import PlatformFields from '@/ui/PlatformFields.svelte';
    import Sheet from '@/ui/Sheet.svelte';
    import Told from '@/ui/Told.svelte';
    import { untrack } from 'svelte';

    /** A new platform: from a few answers, or as a sibling of one that is there. */
    type Props = {
        open: boolean;
        platforms: LibraryPage['platforms'];
        templates: LibraryPage['templates'];
        units: LibraryPage['units'];
    };
    let { open = $bindable(), platforms, templates, units }: Props = $props();
    const say = told();
    const answers = untrack(() => new PlatformAnswers(templates));
    let sibling = $state('');
    let name = $state('');

    async function make(event: SubmitEvent) {
        event.preventDefault();
        const body = sibling ? { name, sibling_of: Number(sibling) } : answers.body();
        const made = await say.of(post<PlatformMade>('/library', body));
        if (made) router.visit(`/library/${made.id}/platform`);
    }
</script>

<Sheet
    bind:open
    title="New platform"
    about="An engine in a car. Slots, families, starter limits, pumps and cooler come with it, marked typical until somebody knows better."
>
    <form onsubmit={make} class="flex flex-col gap-3">
        {#if sibling}
            <Field label="Name"
                ><input
                    class="field"
                    required
                    minlength="2"
                    maxlength="200"
                    bind:value={name}
                    {@attach asked}
                /></Field
            >
        {:else}<PlatformFields {answers} {templates} {units} first />{/if}
        <Field label="Begins as"
            ><select class="field" bind:value={sibling}
                ><option value="">a new one</option>{#each platforms as platform (platform.id)}<option
                        value={String(platform.id)}>a copy of {platform.name}, with its parts</option
                    >{/each}</select
            ></Field
        >
        <Told {say} />
        <div class="flex justify-end gap-2">
            <button type="button" class="btn" onclick={() => (open = false)}>Cancel</button>
            <button class="btn btn-strong">Make it</button>
        </div>
    </form>
</Sheet>
