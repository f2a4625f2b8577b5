<script lang="ts">
    import Curves from '@/charts/Curves.svelte';
    import type { CurvesDetail } from '@/generated/answers';
    import { figure, output } from '@/lib/format';
    import { Fetched } from '@/lib/fetched.svelte';
    import Pebble from '@/ui/Pebble.svelte';
    import Sheet from '@/ui/Sheet.svelte';
    import type { Bench } from './bench.svelte';

    /** The curves large: the range of the chosen stage, what its ceilings take and where every limit stands, read speed by speed. */
    let { bench, open = $bindable() }: { bench: Bench; open: boolean } = $props();

    let width = $state(0);
    let height = $state(0);
    let pointed = $state<number | null>(null);
    const estimate = $derived(bench.estimate);
    const stage = $derived(bench.stages[bench.column] ?? bench.stages[bench.stages.length - 1]);
    const detail = new Fetched<CurvesDetail>(() =>
        open && stage ? bench.opened('curves', { stage: stage.index }) : null,
    );
    const curves = $derived(detail.value);
    /** Where nothing is pointed at, the highest power. */
    const at = $derived(
        pointed ?? Math.round(((stage?.power.rpm ?? 0) - estimate.grid.first) / estimate.grid.step),
    );
    const units = $derived({ torque: estimate.labels.torque, power: estimate.labels.power });
    const say = (value: number | undefined) =>
        value === undefined ? '–' : output(value, estimate.labels.tenths);
    const others = $derived(bench.stages.filter((one) => one !== stage).reverse());
    const name = (index: number) => (index === 0 ? 'As received' : `Stage ${index}`);

    function keydown(event: KeyboardEvent) {
        const by = { ArrowUp: -1, ArrowDown: 1 }[event.key];
        if (by === undefined) return;
        event.preventDefault();
        bench.select(bench.slot, Math.min(bench.stages.length - 1, Math.max(0, bench.column + by)));
    }
</script>

<Sheet
    bind:open
    wide
    title="Curves: {stage ? name(stage.index) : ''}{stage?.name ? `, ${stage.name}` : ''}"
    about="Likely at the wheels, with the range of 8 cars in 10. Left and right read along the revs, with Shift in larger steps; up and down change the stage."
>
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div class="grid h-[68vh] grid-cols-[1fr_290px] gap-4" onkeydown={keydown}>
        <div class="relative min-w-0" bind:clientWidth={width} bind:clientHeight={height}>
            {#if width > 0 && stage}
                <Curves {estimate} {width} {height} chosen={stage.index} detail={curves} bind:pointed />
            {/if}
        </div>
        <div class="min-h-0 overflow-auto" aria-live="polite">
            {#if stage}
                <p class="mb-2 text-[15px] font-semibold">
                    {figure(estimate.grid.first + at * estimate.grid.step)} rpm
                </p>
                <table
                    class="w-full text-right tabular-nums [&_td]:pl-3 [&_td]:align-top [&_td]:whitespace-nowrap"
                >
                    <thead class="text-[12px] text-soft">
                        <tr
                            ><td></td><th scope="col" class="font-normal">{units.torque}</th><th
                                scope="col"
                                class="font-normal">{units.power}</th
                            ></tr
                        >
                    </thead>
                    <tbody>
                        <tr class="font-semibold">
                            <th scope="row" class="text-left font-semibold">{name(stage.index)}</th>
                            <td>{say(stage.curve.torque[at])}</td><td>{say(stage.curve.power[at])}</td>
                        </tr>
                        {#if curves}
                            <tr>
                                <th scope="row" class="text-left font-normal text-soft">8 cars in 10</th>
                                <td>{say(curves.low.torque[at])}–{say(curves.high.torque[at])}</td>
                                <td>{say(curves.low.power[at])}–{say(curves.high.power[at])}</td>
                            </tr>
                        {/if}
                        {#each others as other (other.key)}
                            <tr class="text-soft">
                                <th scope="row" class="text-left font-normal">{name(other.index)}</th>
                                <td>{say(other.curve.torque[at])}</td><td>{say(other.curve.power[at])}</td>
                            </tr>
                        {/each}
                        {#each curves?.ceilings ?? [] as ceiling, i (i)}
                            <tr>
                                <th scope="row" class="text-left font-normal"
                                    ><span class="text-straw" aria-hidden="true">╌</span> without {ceiling.name}</th
                                >
                                <td>{say(ceiling.torque[at])}</td><td>{say(ceiling.power[at])}</td>
                            </tr>
                        {/each}
                    </tbody>
                </table>
                {#if curves}
                    <h3 class="mt-3 mb-1 font-semibold">
                        Limits here <span class="font-normal text-soft">safe to, breaks at</span>
                    </h3>
                    {#each curves.limits as limit (limit.key)}
                        <p class="flex items-baseline gap-2">
                            <Pebble status={limit.status} />
                            <span class="min-w-0 flex-1">{limit.name}</span>
                            <span class="whitespace-nowrap tabular-nums"
                                >{say(limit.safe[at])}, {say(limit.edge[at])} {units[limit.on]}</span
                            >
                        </p>
                    {:else}<p class="text-soft">No limit of power or torque.</p>{/each}
                    {#if stage.torque_loss}<p class="mt-3">{stage.torque_loss.sentence}</p>{/if}
                    {#each curves.ceilings as ceiling, at (at)}<p class="mt-1">
                            {ceiling.sentence}
                        </p>{/each}
                {:else if detail.failed}<p class="mt-3 text-rust">
                        The range could not be read: close this and open it again.
                    </p>
                {:else}<p class="mt-3 text-soft">Drawing the range…</p>{/if}
            {/if}
        </div>
    </div>
</Sheet>
