<script lang="ts">
    import type { LibraryDoubt, LibraryKept, LibraryState } from '@/generated/answers';
    import { post, Refusal } from '@/lib/api';
    import { told } from '@/lib/told.svelte';
    import Told from '@/ui/Told.svelte';

    /** What is not published yet, and publishing it: new plans are made with it from then on. */
    type Props = { base: string; state: LibraryState; mayEdit: boolean; again: () => void };
    let { base, state: shown, mayEdit, again }: Props = $props();
    let doubts = $state<LibraryDoubt[]>([]);
    const say = told();
    const open = $derived(shown.version === null || shown.changes.length > 0);

    async function publish(confirmed: boolean) {
        doubts = [];
        const kept = await say.of(
            post<LibraryKept>(`${base}/publication`, { seen: shown.number, confirmed }).catch(
                (fault: unknown) => {
                    if (fault instanceof Refusal && Array.isArray(fault.body.doubts))
                        doubts = fault.body.doubts as LibraryDoubt[];
                    throw fault;
                },
            ),
        );
        if (!kept) return;
        say.well(`Version ${kept.state.version} is published.`);
        again();
    }
</script>

{#if open}
    <section class="mt-4 border-t border-line px-2 pt-3 text-[12px]" aria-label="Not published yet">
        <h2 class="font-semibold">{shown.version === null ? 'Never published' : 'Not published yet'}</h2>
        <ul class="max-h-40 overflow-y-auto text-soft">
            {#each shown.changes as change, i (i)}<li class="py-0.5">{change}</li>{/each}
        </ul>
        {#if mayEdit}<button class="btn btn-strong mt-2" onclick={() => publish(false)}
                >Publish version {(shown.version ?? 0) + 1}</button
            >{/if}
        {#if doubts.length > 0}
            <ul class="mt-2">
                {#each doubts as doubt, i (i)}<li class="py-0.5 text-rust">
                        <span aria-hidden="true">△</span>
                        {doubt.part ? `${doubt.part}: ` : ''}{doubt.message}
                    </li>{/each}
            </ul>
            <button class="btn mt-2" onclick={() => publish(true)}>Publish all the same</button>
        {/if}
    </section>
{/if}
<div class="px-2 text-[12px]"><Told {say} /></div>
