<script lang="ts">
    import { onMount } from 'svelte';
    import type { AuditTrail } from '@/generated/answers';
    import { get } from '@/lib/api';
    import { clock, day } from '@/lib/format';

    let trail = $state<AuditTrail>({ entries: [], more: false });

    async function further() {
        const before = trail.entries.at(-1)?.id;
        const next = await get<AuditTrail>(`/audit${before ? `?before=${before}` : ''}`);
        trail = { entries: [...trail.entries, ...next.entries], more: next.more };
    }
    onMount(further);
</script>

<table class="w-full text-[12.5px]">
    <thead class="text-left text-soft"
        ><tr class="border-b border-line"
            ><th class="py-1 font-normal">When</th><th class="font-normal">Who</th><th class="font-normal"
                >What</th
            ><th class="font-normal">From</th></tr
        ></thead
    >
    <tbody>
        {#each trail.entries as entry (entry.id)}
            <tr class="border-b border-faint align-top">
                <td class="py-1 pr-4 whitespace-nowrap">{day(entry.at)} {clock(entry.at)}</td>
                <td class="py-1 pr-4 whitespace-nowrap">{entry.who}</td>
                <td class="py-1 pr-4">{entry.what}{entry.details ? `: ${entry.details}` : ''}</td>
                <td class="py-1 text-soft">{entry.address ?? ''}</td>
            </tr>
        {/each}
    </tbody>
</table>
{#if trail.more}<button class="btn mt-2" onclick={further}>Earlier</button>{/if}
