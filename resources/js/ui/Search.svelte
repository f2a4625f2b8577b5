<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import type { Found } from '@/generated/answers';
    import { keys } from '@/lib/keys';
    import { Searched } from '@/lib/searched.svelte';
    import FindList from './FindList.svelte';
    import Sheet from './Sheet.svelte';

    /** Anything that the shop has, by a few letters. */
    let { open = $bindable() }: { open: boolean } = $props();
    let words = $state('');
    const search = new Searched(() => (open ? words : ''));

    function go(entry: Found[number]) {
        open = false;
        words = '';
        router.visit(entry.address);
    }

    /** "/" opens it wherever nobody is writing. */
    function anywhere(event: KeyboardEvent) {
        const target = event.target as HTMLElement;
        if (event.key !== '/' || event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented)
            return;
        if (target.closest('input, textarea, select, [role="dialog"], [role="menu"], [contenteditable]'))
            return;
        event.preventDefault();
        keys.expect();
        open = true;
    }
</script>

<svelte:window onkeydown={anywhere} />
<Sheet bind:open title="Find">
    <FindList
        bind:words
        found={search.found}
        nameOf={(entry, i) => `${entry.kind} ${entry.address} ${i}`}
        label="Part, platform, customer, car, job or what a figure rests on"
        placeholder="a part, a customer, a registration…"
        take={go}
    >
        {#snippet line(entry)}
            <span class="grid grid-cols-[5.5em_minmax(0,1fr)]">
                <span class="text-[12px] text-soft">{entry.kind}</span>
                <span class="min-w-0 truncate"
                    ><span class="font-medium">{entry.title}</span>{#if entry.detail}<span class="text-soft"
                            >&nbsp;· {entry.detail}</span
                        >{/if}</span
                >
            </span>
        {/snippet}
    </FindList>
    <p class="mt-1 text-soft" role="status">
        {search.failed
            ? 'The server does not answer: try again.'
            : search.by && search.found.length === 0
              ? `Nothing is called “${search.by}”.`
              : ''}
    </p>
</Sheet>
