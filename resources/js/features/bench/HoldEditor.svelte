<script lang="ts">
    import type { StageDetail } from '@/generated/answers';
    import type { Bench } from './bench.svelte';

    /** Torque that the map of a stage holds between two speeds, to spare what is weak down there. */
    type Props = { bench: Bench; hold: StageDetail['hold'] };
    let { bench, hold }: Props = $props();
    const labels = $derived(bench.estimate.labels);
    let torque = $derived<number | null>(hold.torque === null ? null : Math.round(hold.torque));
    let from = $derived<number | null>(hold.from);
    let to = $derived<number | null>(hold.to);
    const whole = $derived(torque !== null && from !== null && to !== null);
    const turned = $derived(from !== null && to !== null && from >= to);

    let first = $state<HTMLInputElement>();
    $effect(() => {
        if (bench.wantsHold && first) {
            bench.wantsHold = false;
            first.focus();
        }
    });

    function keep(event: SubmitEvent) {
        event.preventDefault();
        if (torque !== null && from !== null && to !== null && !turned)
            bench.hold({
                torque,
                unit: labels.torque === 'N·m' ? 'Nm' : 'lb-ft',
                from_rpm: from,
                to_rpm: to,
            });
    }
</script>

{#snippet speed(label: string, rpm: number | null, set: (rpm: number | null) => void)}
    <label class="flex flex-col"
        ><span class="text-soft">{label}, rpm</span><input
            class="field min-h-7 w-[70px] text-right"
            type="number"
            min="100"
            max="20000"
            step="any"
            bind:value={() => rpm, set}
        /></label
    >
{/snippet}

<form class="mt-2 border-t border-faint pt-1.5 text-[12px]" aria-label="Hold torque" onsubmit={keep}>
    <div class="flex flex-wrap items-end gap-1.5">
        <label class="flex flex-col"
            ><span class="text-soft">Hold at, {labels.torque}</span><input
                bind:this={first}
                class="field min-h-7 w-[76px] text-right"
                type="number"
                min="1"
                max="10000"
                step="any"
                bind:value={torque}
            /></label
        >
        {@render speed('from', from, (rpm) => (from = rpm))}
        {@render speed('to', to, (rpm) => (to = rpm))}
        <button class="btn min-h-7 px-2 py-0" disabled={!whole || turned}>Hold</button>
        {#if hold.torque !== null}<button
                type="button"
                class="btn min-h-7 px-2 py-0"
                onclick={() => bench.hold(null)}>Release</button
            >{/if}
    </div>
    {#if turned}<p class="mt-0.5 text-rust">The lower speed comes first.</p>{/if}
    {#if hold.sentence}<p class="mt-0.5 text-soft">{hold.sentence}</p>{/if}
</form>
