<script lang="ts">
    import Figure from './Figure.svelte';

    /** An octane number as somebody reads it: RON, or AKI where pumps show the mean of RON and MON. */
    type Octane = number | { aki?: number };
    type Props = {
        value: Octane | undefined;
        label?: string;
        typical?: boolean;
        set: (value: Octane | undefined) => void;
    };
    let { value, label = 'Octane', typical = false, set }: Props = $props();
    let chosen = $state<'RON' | 'AKI'>();
    const scale = $derived(chosen ?? (typeof value === 'object' ? 'AKI' : 'RON'));
    const number = $derived(typeof value === 'object' ? value.aki : value);

    function write(now: number | undefined, on: 'RON' | 'AKI') {
        set(now === undefined ? undefined : on === 'AKI' ? { aki: now } : now);
    }
</script>

<div class="flex flex-col gap-0.5" role="group" aria-label={label}>
    <span class="text-[12px] whitespace-nowrap text-soft"
        >{label}{#if typical}<span class="ml-1 italic" title="typical of such engines">typical</span
            >{/if}</span
    >
    <div class="flex">
        <Figure
            class="field w-16 rounded-r-none"
            label="{label}, {scale}"
            value={number}
            set={(now) => write(now, scale)}
        />
        <select
            class="field rounded-l-none border-l-0"
            aria-label="{label}: which scale"
            value={scale}
            onchange={(event) => {
                chosen = event.currentTarget.value as 'RON' | 'AKI';
                write(number, chosen);
            }}><option>RON</option><option>AKI</option></select
        >
    </div>
</div>
