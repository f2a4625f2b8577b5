<script lang="ts">
    import type { Snippet } from 'svelte';

    /** A part of the sheet under a heading of its own; rarely needed ones begin closed. */
    type Props = { title: string; about?: string; closed?: boolean; children: Snippet };
    let { title, about = '', closed = false, children }: Props = $props();
</script>

<details class="group border-t border-line py-2" open={!closed}>
    <summary class="cursor-pointer list-none py-1 font-semibold"
        ><span class="mr-1.5 inline-block w-3 text-soft group-open:rotate-90" aria-hidden="true">›</span>
        <h2 class="inline">{title}</h2>
        {#if about}<span class="ml-2 font-normal text-soft">{about}</span>{/if}</summary
    >
    <div class="py-1.5 pl-4.5">{@render children()}</div>
</details>
