<script lang="ts">
    import type { Variant } from '@/generated/answers';
    import { clock, day } from '@/lib/format';
    import { asked } from '@/lib/keys';
    import type { Bench } from './bench.svelte';

    /** Plans saved under a name: laid over the run, compared, taken. */
    let { bench }: { bench: Bench } = $props();
    let name = $state('');

    function keep(event: SubmitEvent) {
        event.preventDefault();
        if (name.trim() === '') return;
        void bench.keep(name.trim());
        name = '';
    }

    function forget(variant: Variant) {
        void bench.variants.forget(variant);
    }
</script>

<h2 class="text-[14px] font-semibold">Variants</h2>
<form class="mt-1 flex gap-2" onsubmit={keep}>
    <input
        class="field min-w-0 flex-1"
        aria-label="Name of the variant"
        placeholder="with the larger turbo"
        maxlength="60"
        bind:value={name}
        {@attach asked}
    />
    <button class="btn" type="submit">Save as variant</button>
</form>
{#if bench.variants.forgotten}
    {@const forgotten = bench.variants.forgotten}
    <p class="mt-2 flex items-center gap-2 text-[12.5px]" role="status">
        <span class="flex-1">Variant “{forgotten.name}” is deleted.</span>
        <button class="btn px-1.5 py-0 text-[11.5px]" onclick={() => bench.variants.remember(forgotten)}
            >Undo</button
        >
    </p>
{/if}
<ul class="mt-2 text-[12.5px]">
    {#each bench.variants.list as variant (variant.id)}
        <li class="border-t border-faint py-1.5">
            <b class="font-semibold">{variant.name}</b>
            <span class="text-[11.5px] text-soft"
                >{variant.author}, {day(variant.at)} {clock(variant.at)}</span
            >
            <div class="mt-1 flex flex-wrap items-center gap-1.5 text-[11.5px]">
                <label class="flex items-center gap-1"
                    ><input
                        type="checkbox"
                        checked={bench.variants.overlaid.includes(variant.id)}
                        onchange={() => bench.variants.overlay(variant)}
                    /> on the run</label
                >
                <button
                    class="btn px-1.5 py-0 text-[11.5px]"
                    onclick={() => (bench.variants.compared = { here: 0, there: variant.id })}>Compare</button
                >
                <button class="btn px-1.5 py-0 text-[11.5px]" onclick={() => bench.takeVariant(variant)}
                    >Take it</button
                >
                <button class="btn px-1.5 py-0 text-[11.5px]" onclick={() => forget(variant)}>Delete</button>
            </div>
        </li>
    {:else}
        <li class="border-t border-faint py-1.5 text-soft">
            No variants yet. Save the plan as it is, change it, and compare.
        </li>
    {/each}
</ul>
