<script lang="ts">
    type Props = { label: string; on: boolean; set: (on: boolean) => void };
    let { label, on, set }: Props = $props();
</script>

<label class="flex min-h-8 items-center gap-1.5 whitespace-nowrap"
    ><input
        type="checkbox"
        checked={on}
        onchange={(event) => set(event.currentTarget.checked)}
    />{label}</label
>
