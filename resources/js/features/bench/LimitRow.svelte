<script lang="ts">
    import type { LimitReading } from '@/generated/answers';
    import { money } from '@/lib/format';
    import Pebble from '@/ui/Pebble.svelte';

    /** One limit: what half and 90 % of cars stay below, against safe and edge, and what would move it. */
    type Props = {
        limit: LimitReading;
        symbol: string;
        /** Fits a part here; null where nothing can be fitted. */
        fit: ((part: string, name: string) => void) | null;
        /** Accepts that it is passed, with a reason; null takes it back. Null where nothing can be accepted. */
        accept: ((limit: string, name: string, reason: string | null) => void) | null;
    };
    let { limit, symbol, fit, accept }: Props = $props();

    let asking = $state(false);
    let reason = $state('');
    const refusable = $derived(['over', 'held-back', 'past-edge', 'not-estimated'].includes(limit.status));

    function keep(event: SubmitEvent) {
        event.preventDefault();
        if (reason.trim().length >= 3) accept?.(limit.key, limit.name, reason.trim());
    }

    const used = $derived(limit.used_percent);
    const median = $derived(limit.median_percent ?? 0);
    const end = $derived(Math.max(limit.edge_percent, used ?? 0) * 1.04);
    const noted = $derived(limit.status !== 'clear');
    const colour = $derived(
        {
            clear: 'bg-moss',
            close: 'bg-straw',
            over: 'bg-rust',
            'held-back': 'bg-rust',
            'past-edge': 'bg-rust',
            'not-estimated': '',
        }[limit.status],
    );
</script>

<li class="flex gap-2 border-t border-faint py-1.5">
    <span class="mt-0.5 shrink-0"><Pebble status={limit.status} size={14} /></span>
    <div class="min-w-0 flex-1 text-[12px] leading-snug">
        {#if used !== null}
            <div class="flex items-center gap-2">
                <div class="relative h-2 min-w-0 flex-1 bg-faint" aria-hidden="true">
                    <span
                        class="beyond-safe absolute inset-y-0 right-0"
                        style:left="{(100 * 100) / end}%"
                        style:width="{(100 * (limit.edge_percent - 100)) / end}%"
                    ></span>
                    <span
                        class="absolute inset-y-0 left-0 opacity-45 {colour}"
                        style:width="{(100 * used) / end}%"
                    ></span>
                    <span class="absolute inset-y-0 left-0 {colour}" style:width="{(100 * median) / end}%"
                    ></span>
                    <span class="absolute -inset-y-0.5 w-px bg-ink" style:left="{(100 * 100) / end}%"></span>
                    <span
                        class="absolute -inset-y-0.5 w-px bg-rust"
                        style:left="{(100 * limit.edge_percent) / end}%"
                    ></span>
                </div>
                <b class="w-20 shrink-0 text-right font-semibold whitespace-nowrap">{limit.percents}</b>
            </div>
        {/if}
        <p>
            {limit.sentence}
            <span class="text-soft">{noted ? `Beyond, ${limit.consequence}.` : ''} ({limit.evidence})</span>
        </p>
        {#if limit.accepted}
            <p class="text-straw">
                Accepted by {limit.accepted.by}, {limit.accepted.on}: {limit.accepted.reason}
                {#if accept}<button
                        class="btn ml-1 px-1.5 py-0 text-[11.5px]"
                        onclick={() => accept(limit.key, limit.name, null)}>Undo</button
                    >{/if}
            </p>
        {:else if accept && refusable}
            {#if asking}
                <form class="mt-0.5 flex items-end gap-1.5" onsubmit={keep}>
                    <label class="flex min-w-0 flex-1 flex-col"
                        ><span class="text-soft">Accepted, because</span><input
                            class="field min-h-7"
                            minlength="3"
                            maxlength="400"
                            required
                            bind:value={reason}
                            {@attach (field) => field.focus()}
                        /></label
                    >
                    <button class="btn min-h-7 px-2 py-0" disabled={reason.trim().length < 3}>Accept</button>
                    <button type="button" class="btn min-h-7 px-2 py-0" onclick={() => (asking = false)}
                        >Cancel</button
                    >
                </form>
            {:else}
                <button
                    class="btn mt-0.5 px-1.5 py-0 text-[11.5px]"
                    aria-label="Accept {limit.name} past its limit"
                    onclick={() => (asking = true)}>Accept it …</button
                >
            {/if}
        {/if}
        {#if limit.movers.length > 0}
            <details open={noted} class="mt-0.5">
                <summary class="cursor-pointer text-soft">What would move it</summary>
                <ul>
                    {#each limit.movers as mover (mover.sentence)}
                        <li class="flex items-baseline justify-between gap-2 py-0.5">
                            <span
                                >{mover.sentence}{mover.price === null
                                    ? ''
                                    : ` ${money(mover.price, symbol)} fitted.`}</span
                            >
                            {#if mover.part !== null && fit}
                                {@const part = mover.part}
                                <button
                                    class="btn shrink-0 px-1.5 py-0 text-[11.5px]"
                                    aria-label="Fit {mover.name}"
                                    onclick={() => fit(part, mover.name)}>Fit</button
                                >
                            {/if}
                        </li>
                    {/each}
                </ul>
            </details>
        {/if}
    </div>
</li>
