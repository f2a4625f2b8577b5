<script lang="ts">
    import DayField from '@/ui/DayField.svelte';
    import { today } from '@/lib/format';

    /** What every record says beside its figures. */
    type Props = { said: { on: string; build: string; frame: string; source: string; note: string } };
    let { said = $bindable() }: Props = $props();
    const fields = [
        ['build', 'On what build'],
        ['frame', 'Dyno and correction'],
        ['source', 'File or run'],
        ['note', 'Note'],
    ] as const;
</script>

<DayField label="On" most={today()} bind:value={said.on} />
{#each fields as [field, words] (field)}<label class="flex min-w-40 flex-1 flex-col gap-0.5"
        ><span class="text-[12px] text-soft">{words}</span><input
            class="field w-full"
            bind:value={said[field]}
        /></label
    >{/each}
