<script lang="ts">
    import { untrack, type Snippet } from 'svelte';

    /** A part of the sheet under a heading of its own; rarely needed ones begin closed. */
    type Props = { title: string; about?: string; closed?: boolean; children: Snippet };
    let { title, about = '', closed = false, children }: Props = $props();
    // As it begins; it does not fold under somebody's hands when the last field in it is emptied.
    let open = $state(untrack(() => !closed));
</script>

<details class="group border-t border-line py-2" bind:open>
    <summary class="cursor-pointer list-none py-1 font-semibold"
        ><span class="mr-1.5 inline-block w-3 text-soft group-open:rotate-90" aria-hidden="true">›</span>
        <h2 class="inline">{title}</h2>
        {#if about}<span class="ml-2 font-normal text-soft">{about}</span>{/if}</summary
    >
    <div class="py-1.5 pl-4.5">{@render children()}</div>
</details>
