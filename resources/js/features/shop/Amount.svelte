<script lang="ts">
    import Figure from '@/ui/Figure.svelte';

    /** A number of the shop's terms, with its unit. */
    type Props = {
        label: string;
        value: number | undefined;
        set: (value: number | undefined) => void;
        placeholder?: string;
        required?: boolean;
    };
    let { label, value, set, placeholder, required = false }: Props = $props();
</script>

<label class="flex flex-col gap-0.5"
    ><span class="text-[12px] whitespace-nowrap text-soft">{label}</span><Figure
        class="field w-24"
        {value}
        {placeholder}
        {required}
        set={(now) => set(now)}
    /></label
>
