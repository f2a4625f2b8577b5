<script lang="ts">
    import type { BenchEstimate, StageGlance } from '@/generated/answers';
    import { money, output, precise } from '@/lib/format';
    import { statusWords } from '@/ui/Pebble.svelte';

    type Props = { stage: StageGlance; labels: BenchEstimate['labels']; life?: string };
    let { stage, labels, life = '' }: Props = $props();
    const weakest = $derived(stage.weakest);
    const tone = $derived(
        weakest?.status === 'clear'
            ? 'var(--moss)'
            : weakest?.status === 'close'
              ? 'var(--straw)'
              : 'var(--rust)',
    );
    const filled = $derived(Math.min(100, (weakest?.used_percent ?? 0) / 1.25));
    const likely = $derived(Math.min(100, (weakest?.median_percent ?? 0) / 1.25));
</script>

<div class="leading-tight">
    <div class="whitespace-nowrap">
        <span class="text-[19px] font-bold tracking-tight {stage.index ? 'text-river' : ''}"
            >{output(stage.power.p50, labels.tenths)}</span
        >
        <span class="text-[12px] text-soft"
            >{labels.power} · {output(stage.torque.p50, labels.tenths)} {labels.torque}</span
        >
    </div>
    {#if stage.index === 0}
        <div class="text-[12px] text-soft">before any work</div>
    {:else}
        <div class="line-clamp-2 text-[12px] text-soft">
            {stage.money.cumulative.likely > 0
                ? money(stage.money.cumulative.likely, labels.money)
                : 'nothing bought yet'} · {precise(stage.money.hours)} h{stage.money.own_hours > 0
                ? ` + ${precise(stage.money.own_hours)} h own`
                : ''}{stage.money.per_power === null
                ? ''
                : ` · ${money(stage.money.per_power, labels.money)} per ${labels.power}`}
        </div>
    {/if}
    {#if weakest}
        <svg
            class="mt-1 block h-[7px] w-full"
            preserveAspectRatio="none"
            viewBox="0 0 100 7"
            aria-hidden="true"
        >
            <rect y="1" width="100" height="5" fill="var(--faint)" />
            <rect y="1" width={filled} height="5" fill={tone} opacity="0.45" />
            <rect y="1" width={likely} height="5" fill={tone} />
            <path d="M80 0V7" stroke="var(--ink)" stroke-width="1" vector-effect="non-scaling-stroke" />
        </svg>
        <div
            class="line-clamp-2 text-[12px]"
            style:color={weakest.status === 'clear' ? 'var(--soft)' : tone}
            title={weakest.sentence}
        >
            {weakest.name}
            {weakest.percents}{weakest.status === 'clear' ? '' : `, ${statusWords[weakest.status]}`}
        </div>
    {/if}
    {#if stage.torque_loss}<div
            class="line-clamp-2 text-[12px] text-straw"
            title={stage.torque_loss.sentence}
        >
            {stage.torque_loss.short}
        </div>{/if}
    {#if life}<div class="truncate text-[12px] text-river">{life}</div>{/if}
    {#if stage.gated}<div class="truncate text-[12px] text-rust">gated: no full load, no stop here</div>{/if}
</div>
