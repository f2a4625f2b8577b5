<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import type { ShopPage } from '@/generated/answers';
    import Figure from '@/ui/Figure.svelte';
    import Amount from './Amount.svelte';

    /** The shop's dyno: what it reads as lost, and what figures of other dynos are multiplied by to be its own. */
    type Props = { document: ShopPage['document']; usual: ShopPage['usual'] };
    let { document, usual }: Props = $props();
    const dynos = [
        ['inertia-roller', 'inertia roller'],
        ['load-roller', 'load roller'],
        ['hub', 'hubs'],
        ['engine', 'engine dyno'],
    ] as const;
    const names = Object.fromEntries(dynos) as Record<string, string>;
    const of = $derived(usual.find(({ dyno }) => dyno === (document.dyno ?? 'inertia-roller')));
    const drives = [
        ['front', 'front wheels'],
        ['rear', 'rear wheels'],
        ['all', 'all wheels'],
    ] as const;

    function loss(drive: 'front' | 'rear' | 'all', percent: number | undefined) {
        const now = { ...document.loss_percent };
        if (percent === undefined) Reflect.deleteProperty(now, drive);
        else now[drive] = percent;
        if (Object.keys(now).length > 0) document.loss_percent = now;
        else delete document.loss_percent;
    }

    /** Another dyno compares otherwise: its usual factors come with it. */
    function choose(dyno: string) {
        document.dyno = dyno as ShopPage['document']['dyno'];
        const other = usual.find((one) => one.dyno === dyno);
        if (other) document.dyno_factors = $state.snapshot(other.factors);
    }
</script>

<div class="flex flex-wrap items-end gap-3">
    <Field label="Dyno"
        ><select
            class="field"
            value={document.dyno ?? 'inertia-roller'}
            onchange={(event) => choose(event.currentTarget.value)}
            >{#each dynos as [key, name] (key)}<option value={key}>{name}</option>{/each}</select
        ></Field
    >
    {#each drives as [drive, name] (drive)}<Amount
            label="Loss, {name}, %"
            value={document.loss_percent?.[drive]}
            placeholder={String(of?.loss[drive] ?? '')}
            set={(percent) => loss(drive, percent)}
        />{/each}
</div>
<p class="mt-1 text-[12px] text-soft">
    Between crank and wheels with a manual gearbox; what is usual of such a dyno stands there until you say
    otherwise. Where a factory’s claim is known and believable, it decides.
</p>
{#if document.dyno_factors?.length}
    <h3 class="mt-3 font-medium">Figures of other dynos are multiplied by</h3>
    {#each document.dyno_factors as factor (factor.dyno)}
        <div
            class="flex items-center gap-2 py-0.5"
            role="group"
            aria-label={names[factor.dyno] ?? factor.dyno}
        >
            <span class="w-32">{names[factor.dyno] ?? factor.dyno}</span>
            {#each ['at least', 'likely', 'at most'] as bound, at (bound)}
                {@const range = Array.isArray(factor.factor)
                    ? factor.factor
                    : [factor.factor, factor.factor, factor.factor]}
                <Figure
                    class="field w-18"
                    step={0.01}
                    label="{names[factor.dyno] ?? factor.dyno}, {bound}"
                    value={range[at]}
                    set={(value) => {
                        const now = [...range] as [number, number, number];
                        if (value !== undefined) now[at] = value;
                        factor.factor = now;
                    }}
                />
            {/each}
        </div>
    {/each}
{/if}
