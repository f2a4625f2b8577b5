<script lang="ts">
    import { untrack } from 'svelte';
    import type { Sessions } from '@/generated/answers';
    import { drop } from '@/lib/api';
    import { clock, day } from '@/lib/format';
    import { told } from '@/lib/told.svelte';
    import Section from '@/ui/Section.svelte';
    import Told from '@/ui/Told.svelte';

    /** Where one is signed in, and the way to end it. */
    let { sessions }: { sessions: Sessions } = $props();
    let rows = $state(untrack(() => sessions));
    const say = told();

    async function end(id?: string) {
        rows = (await say.of(drop<Sessions>(`/account/sessions${id ? `/${id}` : ''}`))) ?? rows;
    }
    const browser = (agent: string) =>
        /(Firefox|Edg|Chrome|Safari)\/[\d.]+/
            .exec(agent)?.[0]
            .replace(/\.\d.*/, '')
            .replace('/', ' ') ?? 'a browser';
</script>

<Section title="Signed in" about="Every device that is signed in as you.">
    <ul>
        {#each rows as row (row.id)}
            <li class="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-faint py-2">
                <span class="w-40 font-medium">{browser(row.agent)}</span>
                <span class="text-soft">{row.address ?? ''}</span>
                <span class="mr-auto text-soft">last used {day(row.last)} {clock(row.last)}</span>
                {#if row.here}<span>this one</span>{:else}<button class="btn" onclick={() => end(row.id)}
                        >End it</button
                    >{/if}
            </li>
        {/each}
    </ul>
    {#if rows.length > 1}<button class="btn mt-2" onclick={() => end()}>End all others</button>{/if}
    <Told {say} />
</Section>
