<script lang="ts">
    import { parseDate, type DateValue } from '@internationalized/date';
    import { DateField } from 'bits-ui';
    import { locale } from '@/lib/format';

    /** A day, in the order and with the signs of the person's country. */
    type Props = {
        label: string;
        /** As documents write it: 2026-11-30. */
        value: string;
        /** The latest day that it can be. */
        most?: string;
        /** The earliest. */
        least?: string;
    };
    let { label, value = $bindable(), most, least }: Props = $props();
    const day = (text: string | undefined) => (text ? parseDate(text) : undefined);
</script>

<DateField.Root
    bind:value={() => day(value), (to: DateValue | undefined) => (value = to?.toString() ?? '')}
    minValue={day(least)}
    maxValue={day(most)}
    locale={locale()}
    granularity="day"
    required
>
    <div class="flex flex-col gap-0.5">
        <DateField.Label class="text-[12px] text-soft">{label}</DateField.Label>
        <DateField.Input class="field flex items-center tabular-nums data-invalid:border-rust">
            {#snippet children({ segments })}
                {#each segments as { part, value: text }, i (i)}
                    {#if part === 'literal'}
                        <DateField.Segment {part} class="text-soft">{text}</DateField.Segment>
                    {:else}
                        <DateField.Segment
                            {part}
                            data-letters
                            class="rounded px-0.5 focus:bg-wash focus-visible:outline-2 focus-visible:outline-river aria-[valuetext=Empty]:text-soft"
                            >{text}</DateField.Segment
                        >
                    {/if}
                {/each}
            {/snippet}
        </DateField.Input>
    </div>
</DateField.Root>
