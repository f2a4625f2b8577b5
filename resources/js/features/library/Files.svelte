<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import type { Taken, Task } from '@/generated/answers';
    import { sendFile } from '@/lib/api';
    import { Background } from '@/lib/background.svelte';
    import { told } from '@/lib/told.svelte';
    import Sheet from '@/ui/Sheet.svelte';
    import Told from '@/ui/Told.svelte';
    import Waits from '@/ui/Waits.svelte';

    /** The library in the open formats, out and in; and everything that the shop owns as one archive. */
    type Props = { open: boolean; base: string; name: string; mayEdit: boolean; mayExport: boolean };
    let { open = $bindable(), base, name, mayEdit, mayExport }: Props = $props();
    let platform = $state<FileList>();
    let parts = $state<FileList>();
    let dry = $state.raw<Taken | null>(null);
    const say = told();
    const work = new Background();
    const outs = [
        ['platform.json', 'the platform'],
        ['parts.json', 'its parts'],
        ['parts.csv', 'its parts as a table, for a spreadsheet'],
    ] as const;
    const lists = [
        ['added', 'new'],
        ['changed', 'changed'],
        ['gone', 'no longer there: retired where a plan has it'],
    ] as const;

    async function send(isDry: boolean) {
        const files = [platform?.[0], parts?.[0]];
        if (!files[0] || !files[1]) return;
        const sent = new FormData();
        sent.set('platform', files[0]);
        sent.set('parts', files[1]);
        sent.set('dry', isDry ? '1' : '0');
        const taken = await say.of(work.of<Taken>(sendFile<Task>('/library/documents', sent)));
        dry = isDry ? (taken ?? null) : null;
        if (taken && !isDry) {
            open = false;
            router.visit(`/library/${taken.platform}`);
        }
    }
</script>

<Sheet bind:open title="Files">
    <h3 class="font-semibold">Out</h3>
    <ul class="mb-3">
        {#each outs as [file, words] (file)}<li>
                <a class="underline" href="{base}/files/{file}" download>{name}: {words}</a>
            </li>{/each}
        {#if mayExport}<li>
                <a class="underline" href="/archive" download>Everything the shop owns, as one archive</a>
            </li>{/if}
    </ul>
    {#if mayEdit}
        <h3 class="font-semibold">In</h3>
        <form
            class="flex flex-wrap items-end gap-3"
            onsubmit={(event) => {
                event.preventDefault();
                void send(true);
            }}
        >
            <label class="flex flex-col gap-1"
                ><span class="text-[12px] text-soft">A platform</span><input
                    class="text-[12px]"
                    type="file"
                    accept=".json,application/json"
                    required
                    bind:files={platform}
                    onchange={() => (dry = null)}
                /></label
            >
            <label class="flex flex-col gap-1"
                ><span class="text-[12px] text-soft">Its parts</span><input
                    class="text-[12px]"
                    type="file"
                    accept=".json,application/json"
                    required
                    bind:files={parts}
                    onchange={() => (dry = null)}
                /></label
            >
            <button class="btn" disabled={work.isLive}>Preview</button>
        </form>
        <Waits {work} words="The files are being read" />
        {#if say.bad}<pre
                class="mt-2 max-h-60 overflow-auto text-[12px] whitespace-pre-wrap text-rust"
                role="alert">{say.bad}</pre>{:else}<Told {say} />{/if}
        {#if dry}
            <div class="mt-3 border-t border-line pt-2" role="status">
                <p class="font-medium">
                    {dry.name} would be version {dry.version}: {dry.unchanged} parts stay, {dry.prices} prices are
                    new.
                </p>
                {#each lists as [key, words] (key)}{#if dry[key].length > 0}<p class="text-soft">
                            {dry[key].length}
                            {words}: {dry[key].join(', ')}
                        </p>{/if}{/each}
                <button class="btn btn-strong mt-2" onclick={() => send(false)}>Take them in</button>
            </div>
        {/if}
    {/if}
</Sheet>
