<script lang="ts">
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
            value={value ?? ''}
            onchange={(event) => set(event.currentTarget.value)}
        />
        <span class="text-soft">{unit}</span>
    </span>
</label>
