<script lang="ts">
    import { tick } from 'svelte';
    import type { StageDetail } from '@/generated/answers';
    import { Fetched } from '@/lib/fetched.svelte';
    import { figure, money, precise, output } from '@/lib/format';
    import { keys } from '@/lib/keys';
    import HoldEditor from './HoldEditor.svelte';
    import LimitRow from './LimitRow.svelte';
    import StageLife from './StageLife.svelte';
    import type { Bench } from './bench.svelte';

    let { bench }: { bench: Bench } = $props();
    const stage = $derived(bench.stage);
    const labels = $derived(bench.estimate.labels);
    const life = $derived((bench.past ?? bench.state).lives.find((one) => one.stage === stage?.key));
    const opened = new Fetched<StageDetail>(
        () => (stage ? bench.opened('stage', { stage: stage.index }) : null),
        60,
        () => void greet(),
    );
    const detail = $derived(opened.value);
    /** What the stage's money is made of. */
    const sums = $derived.by<[string, number][]>(() => {
        const spent = detail?.money;
        if (!spent) return [];
        const all: [string, number][] = [
            ['parts', spent.goods],
            ['labour', spent.labour],
            ['dyno', spent.dyno],
            ['tax', spent.tax.likely],
            ['reserve for breakage', spent.reserve.likely],
        ];
        return all.filter(([, amount]) => amount > 0);
    });

    /** Nothing to hold here: what was typed for it goes nowhere. */
    async function greet() {
        await tick();
        if (bench.wantsHold) keys.forget();
        bench.wantsHold = false;
    }
</script>

{#if stage}
    <h2 class="text-[14px] font-semibold">
        {stage.index ? `Stage ${stage.index} ${stage.name}` : 'As received'}
    </h2>
    <p class="mt-0.5">
        <span class="text-soft">8 cars in 10:</span>
        <b>{output(stage.power.p10, labels.tenths)}–{output(stage.power.p90, labels.tenths)} {labels.power}</b
        ><span class="text-soft"
            >, likely {output(stage.power.p50, labels.tenths)} near {figure(stage.power.rpm)} rpm</span
        >
    </p>
    <p class="text-soft">
        {output(stage.torque.p10, labels.tenths)}–{output(stage.torque.p90, labels.tenths)}
        {labels.torque}, likely {output(stage.torque.p50, labels.tenths)} near {figure(stage.torque.rpm)} rpm. Plain
        sum: {output(stage.power.plain_sum, labels.tenths)}
        {labels.power}.
    </p>
    {#if stage.chance !== null}<p class="text-soft">
            Target: {stage.chance.words}.
        </p>{/if}
    {#if life}{#key life.stage}<StageLife {bench} {life} />{/key}{/if}
    {#if opened.loading}<p class="mt-2 text-soft" role="status">calculating…</p>{/if}
    {#if opened.failed}<p class="mt-2 text-soft" role="status">
            Limits and money are not here: the server does not answer.
        </p>{/if}
    {#if detail}
        {#each detail.ceilings as ceiling, at (at)}<p class="mt-1 text-straw">
                {ceiling.sentence}
            </p>{/each}

        {#if detail.torque_loss}<p class="mt-1 text-straw">{detail.torque_loss.sentence}</p>{/if}
        {#if detail.soak}<p class="mt-1 text-soft">{detail.soak.sentence}</p>{/if}
        {#if detail.boost}<p class="mt-1 text-soft">{detail.boost.sentence}</p>{/if}
        {#if detail.hot}<p class="mt-1 text-soft">{detail.hot.sentence}</p>{/if}
        {#if detail.mass}<p class="mt-1 text-soft">{detail.mass.sentence}</p>{/if}

        {#if stage.index > 0 && (detail.hold.can || detail.hold.torque !== null) && !bench.past}<HoldEditor
                {bench}
                hold={detail.hold}
            />{/if}

        <h3 class="mt-2 font-semibold">Limits</h3>
        <ul>
            {#each detail.limits as limit (limit.key)}
                <LimitRow
                    {limit}
                    symbol={labels.money}
                    fit={stage.index ? (part, name) => bench.fit(part, name) : null}
                    accept={stage.index && !bench.past
                        ? (limit, name, reason) => bench.acceptLimit(limit, name, reason)
                        : null}
                />
            {/each}
        </ul>

        {#if detail.breaking}<p class="mt-1 text-soft">{detail.breaking.sentence}</p>{/if}

        {#if detail.money.lines.length > 0}
            <h3 class="mt-2 font-semibold">
                Money <span class="font-normal text-soft">fitted, with tax</span>
            </h3>
            <table class="w-full text-[12px]">
                <tbody>
                    {#each detail.money.lines as line (line.part)}
                        <tr class="border-t border-faint align-top">
                            <td class="py-0.5"
                                >{line.name}{line.revision ? ', revision' : ''}{line.basis === 'new'
                                    ? ''
                                    : `, ${line.basis}`}{line.bought ? ', bought' : ''}{line.hours +
                                    line.dyno_hours >
                                0
                                    ? `, ${precise(line.hours + line.dyno_hours)} h${line.own_work ? ' by the customer' : ''}`
                                    : ''}</td
                            >
                            <td class="py-0.5 pl-2 text-right whitespace-nowrap"
                                >{money(line.gross.likely, labels.money)}</td
                            >
                        </tr>
                    {/each}
                    <tr class="border-t border-line font-semibold"
                        ><td class="py-0.5">this stage, all in</td><td class="py-0.5 text-right"
                            >{money(detail.money.spend.likely, labels.money)}</td
                        ></tr
                    >
                    {#each sums as [name, amount] (name)}
                        <tr
                            ><td class="text-soft">{name}</td><td class="text-right text-soft"
                                >{money(amount, labels.money)}</td
                            ></tr
                        >
                    {/each}
                    {#if detail.money.own_hours > 0}<tr
                            ><td class="text-soft">work by the customer, not billed</td><td
                                class="text-right text-soft">{precise(detail.money.own_hours)} h</td
                            ></tr
                        >{/if}
                    {#if detail.money.resale > 0}<tr
                            ><td class="text-soft">old parts may bring</td><td class="text-right text-soft"
                                >{money(detail.money.resale, labels.money)}</td
                            ></tr
                        >{/if}
                </tbody>
            </table>
        {/if}
        {#if detail.cautions.length > 0}
            <h3 class="mt-2 font-semibold text-rust">Cautions</h3>
            <ul class="text-[12px] leading-snug">
                {#each detail.cautions as caution (caution.code)}<li class="border-t border-faint py-0.5">
                        {caution.sentence}
                    </li>{/each}
            </ul>
        {/if}
    {/if}
{/if}
