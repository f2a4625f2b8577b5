<script lang="ts">
    import { onDestroy } from 'svelte';
    import { Writing } from '@/lib/writing.svelte';

    type Props = {
        label: string;
        unit: string;
        value: number | undefined;
        set: (text: string) => void;
        /** @default 0 */
        min?: number;
        step?: number;
    };
    let { label, unit, value, set, min = 0, step = 1 }: Props = $props();
    const writing = new Writing((text) => text !== String(value ?? '') && set(text), 1200);
    onDestroy(() => writing.end());
    const leave = (event: Event & { currentTarget: HTMLInputElement }) =>
        writing.left(event.currentTarget.value);
</script>

<label class="flex flex-col gap-0.5">
    <span class="text-[12px] text-soft">{label}</span>
    <span class="flex items-center gap-1.5">
        <input
            class="field w-24 text-right"
            type="number"
            inputmode="numeric"
            {min}
            {step}
            value={writing.text ?? value ?? ''}
            oninput={({ currentTarget: field }) =>
                writing.typed(field.value, field.value !== '' && field.validity.valid)}
            onchange={leave}
            onblur={leave}
        />
        <span class="text-soft">{unit}</span>
    </span>
</label>
