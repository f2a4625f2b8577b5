<script lang="ts">
    import { output } from '@/lib/format';
    import type { Bench } from './bench.svelte';
    import type { Settings } from './types';

    /** Calculation settings of the plan, with the plain sum always beside. */
    let { bench }: { bench: Bench } = $props();
    const settings = $derived(bench.estimate.settings);
    const labels = $derived(bench.estimate.labels);

    type Choice = { key: keyof Settings; title: string; ways: [string, string, string][] };
    const choices: Choice[] = [
        {
            key: 'stacking',
            title: 'Gains of several parts',
            ways: [
                ['diminishing', 'Diminishing', 'parts of one family share its ceiling'],
                ['compound', 'Compounding', 'each multiplies what the others give'],
                ['sum', 'Plain sum', 'quoted figures added up'],
            ],
        },
        {
            key: 'loss',
            title: 'Between crank and wheels',
            ways: [
                ['percentage', 'Percentage', 'of the power, so the loss grows with it'],
                ['constant', 'Constant', 'one friction torque at any power'],
            ],
        },
        {
            key: 'price_basis',
            title: 'Prices',
            ways: [
                ['new', 'New', 'list price'],
                ['used', 'Second hand', 'where a used price is known'],
            ],
        },
    ];
</script>

<h2 class="text-[14px] font-semibold">Calculation settings</h2>
<p class="mt-0.5 text-soft">{settings.sentence}</p>
{#each choices as choice (choice.key)}
    <fieldset class="mt-2 border-t border-line pt-1.5">
        <legend class="float-left mb-1 w-full font-semibold">{choice.title}</legend>
        {#each choice.ways as [value, name, about] (value)}
            <label class="clear-both flex gap-2 py-0.5">
                <input
                    type="radio"
                    class="mt-1 shrink-0 self-start accent-[var(--river)]"
                    name={choice.key}
                    {value}
                    checked={settings[choice.key] === value}
                    onchange={() => bench.changeSettings({ [choice.key]: value }, `${choice.title}: ${name}`)}
                />
                <span>{name}<span class="block text-[12px] text-soft">{about}</span></span>
            </label>
        {/each}
    </fieldset>
{/each}
<table class="mt-2 w-full border-t border-line text-[12px]">
    <caption class="py-1 text-left font-semibold">Beside the plain sum, {labels.power}</caption>
    <thead class="text-soft">
        <tr>
            <th scope="col" class="text-left font-normal">stage</th>
            <th scope="col" class="text-right font-normal">likely, this way</th>
            <th scope="col" class="text-right font-normal">plain sum</th>
        </tr>
    </thead>
    <tbody>
        {#each bench.stages as stage (stage.key)}
            <tr class="border-t border-faint">
                <th scope="row" class="py-0.5 text-left font-normal"
                    >{stage.index ? `${stage.index} ${stage.name}` : 'as received'}</th
                >
                <td class="text-right">{output(stage.power.likely, bench.estimate.labels.tenths)}</td>
                <td class="text-right">{output(stage.power.plain_sum, bench.estimate.labels.tenths)}</td>
            </tr>
        {/each}
    </tbody>
</table>
