<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import Figure from '@/ui/Figure.svelte';
    import type { MoneyLine } from '@/generated/answers';
    import { money, precise } from '@/lib/format';
    import type { Bench } from './bench.svelte';
    import type { Basis } from './types';

    /** Price basis, quantity and agreed price of one line. */
    type Props = { bench: Bench; line: MoneyLine };
    let { bench, line }: Props = $props();
    const part = $derived(line.part);
    const symbol = $derived(bench.estimate.labels.money);
    const hours = (many: number) => `${precise(many)}\u00a0h`;
    /** What the money is made of. */
    const made = $derived(
        `: ${[
            `parts ${money(line.goods.likely, symbol)}`,
            ...(line.labour > 0 ? [`labour ${money(line.labour, symbol)} (${hours(line.hours)})`] : []),
            ...(line.dyno > 0 ? [`dyno ${money(line.dyno, symbol)} (${hours(line.dyno_hours)})`] : []),
            `tax ${money(line.tax.likely, symbol)}`,
            `reserve ${money(line.reserve.likely, symbol)}`,
        ].join(', ')}`,
    );
    /** What is being written. */
    let quantity = $state<number>();
    let given = $state<number | null>();
    const agreed = $derived(line.basis === 'agreed' ? line.goods.likely / line.quantity : null);
</script>

<p class="mt-2 border-t border-faint pt-1.5 text-[12px]">
    <b class="font-semibold">{money(line.spend.likely, symbol)} all in</b><span class="text-soft">{made}</span
    >
</p>
<div class="mt-1 flex flex-wrap items-end gap-1.5 text-[12px]">
    <Field label="Price"
        ><select
            class="field min-h-7 w-[88px]"
            value={line.basis === 'agreed' ? '' : line.basis}
            onchange={(event) =>
                bench.price([part], { basis: (event.currentTarget.value || null) as Basis | null })}
        >
            {#if line.basis === 'agreed'}<option value="">agreed</option>{/if}
            <option value="new">new</option>
            <option value="used">second hand</option>
            <option value="owned">own</option>
        </select></Field
    >
    <label class="flex min-h-7 items-center gap-1"
        ><input
            type="checkbox"
            checked={line.bought}
            onchange={(event) => bench.price([part], { bought: event.currentTarget.checked ? true : null })}
        /> bought</label
    >
    <label class="flex min-h-7 items-center gap-1"
        ><input
            type="checkbox"
            checked={line.own_work}
            onchange={(event) => bench.price([part], { own_work: event.currentTarget.checked ? true : null })}
        /> customer fits it</label
    >
    <Field label="How many"
        ><Figure
            class="field min-h-7 w-11 text-right"
            min={1}
            max={99}
            value={quantity ?? line.quantity}
            set={(number) => (quantity = number)}
            left={() => {
                if (quantity && quantity !== line.quantity) bench.price([part], { quantity });
                quantity = undefined;
            }}
        /></Field
    >
    <Field label="Agreed, {symbol}"
        ><Figure
            class="field min-h-7 w-[72px] text-right"
            min={0}
            step={10}
            value={given === undefined ? agreed : given}
            placeholder="none"
            set={(number) => (given = number ?? null)}
            left={() => {
                if (given !== undefined && given !== agreed) bench.price([part], { agreed: given });
                given = undefined;
            }}
        /></Field
    >
</div>
