<script lang="ts">
    import { Link, router } from '@inertiajs/svelte';
    import type { Bench } from './bench.svelte';

    /** The plans of the job: opened, made from this one or empty, renamed, chosen to stand for the job, deleted. */
    let { bench }: { bench: Bench } = $props();
    let name = $state('');

    async function make(from: boolean) {
        const made = await bench.makePlan(name.trim() || `Plan ${bench.plans.list.length + 1}`, from);
        if (made) router.visit(`/jobs/${bench.job}/bench/${made}`);
    }

    function rename(event: Event & { currentTarget: HTMLInputElement }) {
        const given = event.currentTarget.value.trim();
        if (given === '') event.currentTarget.value = bench.state.name;
        else bench.renamePlan(given);
    }
</script>

<h2 class="text-[14px] font-semibold">Plans of this job</h2>
<p class="mt-0.5 text-[12px] text-soft">The current plan is the one that the counter and the brief show.</p>
<label class="mt-2 flex flex-col gap-0.5 text-[12px]"
    ><span class="text-soft">Name of this plan</span><input
        class="field"
        maxlength="60"
        value={bench.state.name}
        onchange={rename}
    /></label
>
<ul class="mt-2 text-[12.5px]">
    {#each bench.plans.list as plan (plan.id)}
        {@const here = plan.id === bench.plan}
        <li class="border-t border-faint py-1.5">
            <b class="font-semibold">{here ? bench.state.name : plan.name}</b>
            <span class="text-[11.5px] text-soft"
                >{plan.stages === 1 ? '1 stage' : `${plan.stages} stages`}{plan.chosen
                    ? ', the current plan'
                    : ''}{here ? ', open here' : ''}</span
            >
            <div class="mt-1 flex flex-wrap items-center gap-1.5">
                {#if !here}
                    <Link
                        href="/jobs/{bench.job}/bench/{plan.id}"
                        class="btn px-1.5 py-0 text-[11.5px]"
                        aria-label="Open {plan.name}">Open</Link
                    >
                {/if}
                {#if !plan.chosen}
                    <button class="btn px-1.5 py-0 text-[11.5px]" onclick={() => bench.plans.choose(plan.id)}
                        >Make it the current plan</button
                    >
                    {#if !here}
                        <button class="btn px-1.5 py-0 text-[11.5px]" onclick={() => bench.plans.forget(plan)}
                            >Delete</button
                        >
                    {/if}
                {/if}
            </div>
        </li>
    {/each}
</ul>
{#if bench.plans.forgotten}
    {@const forgotten = bench.plans.forgotten}
    <p class="flex items-center gap-2 border-t border-faint py-1.5 text-[12.5px]" role="status">
        <span class="flex-1">Plan “{forgotten.name}” is deleted.</span>
        <button class="btn px-1.5 py-0 text-[11.5px]" onclick={() => bench.plans.remember(forgotten)}
            >Undo</button
        >
    </p>
{/if}
<form
    class="flex flex-col gap-1.5 border-t border-line pt-2 text-[12px]"
    onsubmit={(event) => {
        event.preventDefault();
        void make(true);
    }}
>
    <label class="flex flex-col gap-0.5"
        ><span class="text-soft">A further plan</span><input
            class="field"
            maxlength="60"
            placeholder="without strong fuel"
            bind:value={name}
        /></label
    >
    <span class="flex gap-1.5">
        <button class="btn" type="submit">Start from this plan</button>
        <button class="btn" type="button" onclick={() => make(false)}>Start empty</button>
    </span>
</form>
