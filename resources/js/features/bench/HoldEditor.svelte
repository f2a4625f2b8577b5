<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import Figure from '@/ui/Figure.svelte';
    import type { StageDetail } from '@/generated/answers';
    import { take } from '@/lib/keys';
    import type { Bench } from './bench.svelte';

    /** Torque that the map of a stage holds between two speeds, to spare what is weak down there. */
    type Props = { bench: Bench; hold: StageDetail['hold'] };
    let { bench, hold }: Props = $props();
    const labels = $derived(bench.estimate.labels);
    /** What is being written; what stands in the plan may change meanwhile. */
    let written = $state<{ torque?: number | null; from?: number | null; to?: number | null }>({});
    const torque = $derived(
        written.torque !== undefined ? written.torque : hold.torque === null ? null : Math.round(hold.torque),
    );
    const from = $derived(written.from !== undefined ? written.from : hold.from);
    const to = $derived(written.to !== undefined ? written.to : hold.to);
    const turned = $derived(from !== null && to !== null && from >= to);
    const whole = $derived(torque !== null && from !== null && to !== null);

    let first = $state<HTMLInputElement>();
    $effect(() => {
        if (!bench.wantsHold || !first) return;
        bench.wantsHold = false;
        take(first);
    });

    function keep(event: SubmitEvent) {
        event.preventDefault();
        if (torque === null || from === null || to === null || turned) return;
        bench.hold({
            torque,
            unit: labels.torque === 'N·m' ? 'Nm' : 'lb-ft',
            from_rpm: from,
            to_rpm: to,
        });
        written = {};
    }

    function release() {
        bench.hold(null);
        written = {};
    }
</script>

{#snippet speed(label: string, rpm: number | null, set: (rpm: number | null) => void)}
    <Field label="{label}, rpm"
        ><Figure
            class="field min-h-7 w-[70px] text-right"
            min={100}
            max={20_000}
            step={100}
            value={rpm}
            set={(number) => set(number ?? null)}
        /></Field
    >
{/snippet}

<form class="mt-2 border-t border-faint pt-1.5 text-[12px]" aria-label="Cap torque" onsubmit={keep}>
    <div class="flex flex-wrap items-end gap-1.5">
        <Field label="Cap at, {labels.torque}"
            ><Figure
                attach={(field) => {
                    first = field;
                }}
                class="field min-h-7 w-[76px] text-right"
                min={1}
                max={10_000}
                value={torque}
                set={(number) => (written.torque = number ?? null)}
            /></Field
        >
        {@render speed('from', from, (rpm) => (written.from = rpm))}
        {@render speed('to', to, (rpm) => (written.to = rpm))}
        <button class="btn min-h-7 px-2 py-0" disabled={!whole || turned}>Cap</button>
        {#if hold.torque !== null}<button type="button" class="btn min-h-7 px-2 py-0" onclick={release}
                >Release</button
            >{/if}
    </div>
    {#if turned}<p class="mt-0.5 text-rust">The lower speed comes first.</p>{/if}
    {#if hold.sentence}<p class="mt-0.5 text-soft">{hold.sentence}</p>{/if}
</form>
