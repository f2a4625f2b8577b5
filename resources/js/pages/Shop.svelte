<script lang="ts">
    import { untrack } from 'svelte';
    import Amount from '@/features/shop/Amount.svelte';
    import DynoLoss from '@/features/shop/DynoLoss.svelte';
    import Fuels from '@/features/shop/Fuels.svelte';
    import Hours from '@/features/shop/Hours.svelte';
    import Papers from '@/features/shop/Papers.svelte';
    import { ShopTerms } from '@/features/shop/shop.svelte';
    import type { ShopPage } from '@/generated/answers';
    import { day } from '@/lib/format';
    import DayField from '@/ui/DayField.svelte';
    import Frame from '@/ui/Frame.svelte';
    import Section from '@/ui/Section.svelte';
    import Told from '@/ui/Told.svelte';

    let page: ShopPage = $props();
    const shop = untrack(() => new ShopTerms({ ...page }));
    const document = $derived(shop.document);
    const money = $derived(shop.page.currency);

    /** What is charged; the margin alone may stay unsaid. */
    const rates = $derived([
        ['labour_rate', `Labour, ${money} an hour`, true],
        ['dyno_rate', `Dyno, ${money} an hour`, true],
        ['tax_percent', 'Tax, %', true],
        ['reserve_percent', 'Reserve, %', true],
        ['margin_percent', 'Margin on parts, %', false],
    ] as const);
    const place = [
        ['altitude_m', 'Height, m'],
        ['hottest_c', 'Hottest day, °C'],
    ] as const;
    type Figure = (typeof rates)[number][0] | (typeof place)[number][0];

    function set(key: Figure, value: number | undefined, required = false) {
        if (value !== undefined) document[key] = value;
        else if (required) document[key] = 0;
        else Reflect.deleteProperty(document, key);
    }

    function save(event: SubmitEvent) {
        event.preventDefault();
        void shop.keep();
    }
</script>

<svelte:head><title>The shop · Pebblerun</title></svelte:head>

<Frame>
    {#snippet crumbs()}<span aria-hidden="true">/</span><span class="text-ink">The shop</span>{/snippet}
    <form
        class="mx-auto grid max-w-[1180px] gap-8 px-6 py-5 md:grid-cols-[minmax(0,1fr)_280px]"
        onsubmit={save}
    >
        <div>
            <h1 class="mb-3 text-[19px] font-semibold tracking-tight">{shop.page.document.name}</h1>
            <Section title="Rates" about="without tax, in {money}">
                <div class="flex flex-wrap items-end gap-3">
                    {#each rates as [key, label, required] (key)}<Amount
                            {label}
                            {required}
                            value={document[key]}
                            set={(value) => set(key, value, required)}
                        />{/each}
                </div>
                <p class="mt-1 text-[12px] text-soft">
                    The margin is laid on what parts cost the shop, where a price list gives cost prices.
                </p>
            </Section>
            <Section title="Place">
                <div class="flex flex-wrap items-end gap-3">
                    <label class="flex min-w-48 flex-1 flex-col gap-0.5"
                        ><span class="text-[12px] text-soft">Name</span><input
                            class="field"
                            required
                            maxlength="200"
                            bind:value={document.name}
                        /></label
                    >
                    <label class="flex min-w-40 flex-1 flex-col gap-0.5"
                        ><span class="text-[12px] text-soft">Place</span><input
                            class="field"
                            maxlength="200"
                            value={document.place ?? ''}
                            oninput={(event) => (document.place = event.currentTarget.value || undefined)}
                        /></label
                    >
                    {#each place as [key, label] (key)}<Amount
                            {label}
                            value={document[key]}
                            set={(value) => set(key, value)}
                        />{/each}
                </div>
            </Section>
            <Section title="Fuels in town" about="as the pumps really give them">
                <Fuels {document} used={shop.page.fuels_in_use} />
            </Section>
            <Section title="Dyno"><DynoLoss {document} usual={shop.page.usual} /></Section>
            <Section title="Opening hours"><Hours papers={shop.papers} /></Section>
            <Section title="Words on papers"><Papers papers={shop.papers} /></Section>
        </div>
        <aside class="md:sticky md:top-4 md:self-start" aria-label="From which day">
            <div class="flex flex-col items-start gap-3">
                {#key shop.page}<DayField
                        label="Holds from"
                        bind:value={shop.from}
                        least={shop.page.today}
                    />{/key}
                <div class="flex gap-2">
                    <button class="btn btn-strong" disabled={!shop.changed}>Save</button>
                    {#if shop.changed}<button type="button" class="btn" onclick={() => shop.drop()}
                            >Drop changes</button
                        >{/if}
                </div>
            </div>
            <Told say={shop.say} />
            {#if shop.page.terms.length > 0}
                <h2 class="mt-5 font-semibold">What holds, and from when</h2>
                <ul>
                    {#each shop.page.terms as terms (terms.id)}
                        <li class="border-b border-faint py-1.5">
                            <p class="tabular-nums">
                                {terms.holds_from ? `from ${day(terms.holds_from)}` : 'from the beginning'}
                                {#if terms.planned}<span class="text-soft">(planned)</span>{/if}
                            </p>
                            {#each terms.what as what (what)}<p class="text-[12.5px]">{what}</p>{/each}
                            {#if terms.by}<p class="text-[12px] text-soft">{terms.by}</p>{/if}
                            {#if terms.planned}<button
                                    type="button"
                                    class="btn mt-1"
                                    onclick={() => shop.takeBack(terms.id)}>Undo</button
                                >{/if}
                        </li>
                    {/each}
                </ul>
            {/if}
        </aside>
    </form>
</Frame>
