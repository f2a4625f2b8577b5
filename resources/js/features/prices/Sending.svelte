<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import type { PriceListSent, PriceListsPage, SupplierMade } from '@/generated/answers';
    import { post, sendFile } from '@/lib/api';
    import { told } from '@/lib/told.svelte';
    import Told from '@/ui/Told.svelte';

    /** A supplier's list, sent as it is; a new supplier by name. */
    let { suppliers }: { suppliers: PriceListsPage['suppliers'] } = $props();
    const MOST = 7_000_000;
    let supplier = $state('');
    let name = $state('');
    let file = $state<FileList>();
    const say = told();

    async function send(event: SubmitEvent) {
        event.preventDefault();
        const chosen = file?.[0];
        if (!chosen) return;
        if (chosen.size > MOST) {
            say.bad = `${chosen.name} has ${Math.round(chosen.size / 1e6)} MB; a list has 7 MB at the most, which is about 60,000 lines. Send it in parts.`;
            return;
        }
        const of = supplier || (await say.of(post<SupplierMade>('/suppliers', { name })))?.id;
        if (!of) return;
        const sent = await say.of(
            sendFile<PriceListSent>(
                `/suppliers/${of}/price-lists?name=${encodeURIComponent(chosen.name)}`,
                chosen,
            ),
        );
        if (sent) router.visit(`/price-lists/${sent.id}`);
    }
</script>

<form class="mt-3 flex flex-col gap-2" onsubmit={send}>
    <label class="flex flex-col gap-1"
        ><span class="text-[12px] text-soft">Supplier</span><select class="field" bind:value={supplier}
            ><option value="">a new one</option>{#each suppliers as one (one.id)}<option
                    value={String(one.id)}>{one.name}</option
                >{/each}</select
        ></label
    >
    {#if !supplier}<label class="flex flex-col gap-1"
            ><span class="text-[12px] text-soft">Its name</span><input
                class="field"
                required
                minlength="2"
                maxlength="200"
                bind:value={name}
            /></label
        >{/if}
    <label class="flex flex-col gap-1"
        ><span class="text-[12px] text-soft">List, as CSV</span><input
            class="text-[12px]"
            type="file"
            accept=".csv,.txt,.tsv,text/csv,text/plain"
            required
            bind:files={file}
        /></label
    >
    <button class="btn self-start">Send</button>
    <Told {say} />
</form>
