<script lang="ts">
    import type { ShopPage } from '@/generated/answers';

    /** When the shop is open; closed on a day that is not ticked. */
    let { papers }: { papers: ShopPage['papers'] } = $props();
    const days = [
        ['mon', 'Monday'],
        ['tue', 'Tuesday'],
        ['wed', 'Wednesday'],
        ['thu', 'Thursday'],
        ['fri', 'Friday'],
        ['sat', 'Saturday'],
        ['sun', 'Sunday'],
    ] as const;
    type Day = (typeof days)[number][0];

    function open(day: Day, on: boolean) {
        const hours = { ...papers.hours };
        if (on) hours[day] = { from: '08:00', to: '17:00' };
        else Reflect.deleteProperty(hours, day);
        papers.hours = hours;
    }

    function at(day: Day, end: 'from' | 'to', time: string) {
        const now = papers.hours?.[day];
        if (now && time) papers.hours = { ...papers.hours, [day]: { ...now, [end]: time } };
    }
</script>

<div class="grid grid-cols-[auto_auto_auto_1fr] items-center gap-x-3 gap-y-1">
    {#each days as [day, name] (day)}
        {@const now = papers.hours?.[day]}
        <label class="flex min-h-8 items-center gap-1.5"
            ><input
                type="checkbox"
                checked={now !== undefined}
                onchange={(event) => open(day, event.currentTarget.checked)}
            />{name}</label
        >
        {#if now}
            {#each ['from', 'to'] as const as end (end)}<input
                    class="field w-24 tabular-nums"
                    pattern="([01]\d|2[0-3]):[0-5]\d"
                    title="A time as 08:00"
                    aria-label="{name}, {end}"
                    value={now[end]}
                    onchange={(event) => at(day, end, event.currentTarget.value)}
                />{/each}<span></span>
        {:else}<span class="col-span-3 text-soft">closed</span>{/if}
    {/each}
</div>
