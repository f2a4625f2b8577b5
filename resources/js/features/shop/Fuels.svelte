<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import type { ShopPage } from '@/generated/answers';
    import Figure from '@/ui/Figure.svelte';
    import Octane from '@/ui/Octane.svelte';

    /** The fuels in town, as their pumps really give them. */
    type Props = { document: ShopPage['document']; used: string[] };
    let { document, used }: Props = $props();
    type Fuel = ShopPage['document']['fuels'][number];
    const bounds = ['lowest', 'likely', 'highest'];

    function add() {
        const taken = document.fuels.map(({ key }) => key);
        let at = taken.length + 1;
        while (taken.includes(`fuel-${at}`)) at++;
        document.fuels = [
            ...document.fuels,
            { key: `fuel-${at}`, name: '', octane: 95, ethanol_percent: [0, 5, 10] },
        ];
    }

    const range = (fuel: Fuel) => {
        const given = fuel.ethanol_percent;
        return Array.isArray(given) ? given : given === undefined ? [] : [given, given, given];
    };

    function content(fuel: Fuel, at: number, value: number | undefined) {
        const now = [...range(fuel)];
        now[at] = value ?? 0;
        fuel.ethanol_percent = [now[0] ?? 0, now[1] ?? now[0] ?? 0, now[2] ?? now[1] ?? now[0] ?? 0];
    }

    function kind(fuel: Fuel, to: string) {
        fuel.kind = to as 'petrol' | 'diesel';
        if (to !== 'diesel') return;
        delete fuel.octane;
        delete fuel.ethanol_percent;
    }
</script>

{#each document.fuels as fuel, i (fuel.key)}
    <div
        class="flex flex-wrap items-end gap-3 border-b border-faint py-1.5"
        role="group"
        aria-label="Fuel {i + 1}"
    >
        <Field label="Fuel"
            ><input class="field w-40" required maxlength="100" bind:value={fuel.name} /></Field
        >
        <Field label="For"
            ><select
                class="field"
                value={fuel.kind ?? 'petrol'}
                onchange={(event) => kind(fuel, event.currentTarget.value)}
                ><option value="petrol">petrol engines</option><option value="diesel">diesel engines</option
                ></select
            ></Field
        >
        {#if fuel.kind !== 'diesel'}
            <Octane value={fuel.octane} set={(value) => (fuel.octane = value as number | undefined)} />
            <div class="flex flex-col gap-0.5" role="group" aria-label="Ethanol">
                <span class="text-[12px] whitespace-nowrap text-soft"
                    >Ethanol, %: lowest, likely, highest</span
                >
                <div class="flex gap-1">
                    {#each bounds as bound, at (bound)}<Figure
                            class="field w-16"
                            label="Ethanol, {bound}, %"
                            value={range(fuel)[at]}
                            set={(value) => content(fuel, at, value)}
                        />{/each}
                </div>
            </div>
        {/if}
        {#if used.includes(fuel.key)}<span class="pb-1.5 text-[12px] text-soft">in use</span>
        {:else}<button
                type="button"
                class="btn"
                onclick={() => (document.fuels = document.fuels.filter((one) => one !== fuel))}
                aria-label="Remove fuel {i + 1}">Remove</button
            >{/if}
    </div>
{/each}
<button type="button" class="btn mt-2" onclick={add}>Add a fuel</button>
