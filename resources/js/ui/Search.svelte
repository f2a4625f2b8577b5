<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import type { Found } from '@/generated/answers';
    import { get } from '@/lib/api';
    import FindList from './FindList.svelte';
    import Sheet from './Sheet.svelte';

    /** Anything that the shop has, by a few letters. */
    let { open = $bindable() }: { open: boolean } = $props();
    const PAUSE = 120;
    let words = $state('');
    let found = $state.raw<Found>([]);
    let looked = $state('');
    let failed = $state(false);

    $effect(() => {
        const typed = words.trim();
        if (!open || typed.length < 2) {
            found = [];
            looked = '';
            return;
        }
        let current = true;
        const timer = setTimeout(async () => {
            const answer = await get<Found>(`/search?q=${encodeURIComponent(typed)}`).catch(() => null);
            if (!current) return;
            failed = answer === null;
            found = answer ?? [];
            looked = typed;
        }, PAUSE);
        return () => {
            current = false;
            clearTimeout(timer);
        };
    });

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
        open = true;
    }
</script>

<svelte:window onkeydown={anywhere} />
<Sheet bind:open title="Find">
    <FindList
        bind:words
        {found}
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
        {failed
            ? 'The server does not answer: try again.'
            : looked && found.length === 0
              ? `Nothing is called “${looked}”.`
              : ''}
    </p>
</Sheet>
