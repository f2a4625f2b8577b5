<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import Figure from '@/ui/Figure.svelte';
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
    let written = $state<string | null>(null);

    function write(number: number | undefined, text: string) {
        written = number === undefined && text.trim() !== '' ? null : String(number ?? '');
        if (written !== null) writing.typed(written, number !== undefined && number >= min);
    }

    function leave() {
        if (written !== null) writing.left(written);
        written = null;
    }
</script>

<Field {label}>
    <span class="flex items-center gap-1.5">
        <Figure class="field w-24 text-right" {min} {step} {value} set={write} left={leave} />
        <span class="text-soft">{unit}</span>
    </span>
</Field>
