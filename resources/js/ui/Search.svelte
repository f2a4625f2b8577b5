<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import type { Found } from '@/generated/answers';
    import { get } from '@/lib/api';
    import Sheet from './Sheet.svelte';

    /** Anything that the shop has, by a few letters. */
    let { open = $bindable() }: { open: boolean } = $props();
    const PAUSE = 120;
    let words = $state('');
    let found = $state.raw<Found>([]);
    let looked = $state('');
    let failed = $state(false);
    let chosen = $state(0);
    const id = $props.id();
    const kinds: Record<string, string> = {
        part: 'part',
        platform: 'platform',
        customer: 'customer',
        car: 'car',
        job: 'job',
        evidence: 'evidence',
    };

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
            chosen = 0;
        }, PAUSE);
        return () => {
            current = false;
            clearTimeout(timer);
        };
    });

    function go(entry: Found[number] | undefined) {
        if (!entry) return;
        open = false;
        words = '';
        router.visit(entry.address);
    }

    function keydown(event: KeyboardEvent) {
        const by = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        if (by) {
            event.preventDefault();
            chosen = Math.min(Math.max(0, chosen + by), found.length - 1);
        }
        if (event.key === 'Enter') {
            event.preventDefault();
            go(found[chosen]);
        }
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
    <!-- svelte-ignore a11y_autofocus -->
    <input
        class="field w-full"
        role="combobox"
        aria-expanded={found.length > 0}
        aria-controls="{id}-list"
        aria-activedescendant={found.length > 0 ? `${id}-${chosen}` : undefined}
        aria-label="Part, platform, customer, car, job or what a figure rests on"
        placeholder="a part, a customer, a registration…"
        maxlength="80"
        autofocus
        bind:value={words}
        onkeydown={keydown}
    />
    <ul id="{id}-list" role="listbox" aria-label="Found" class="mt-2 max-h-[60vh] overflow-y-auto">
        {#each found as entry, i (`${entry.kind} ${entry.address} ${i}`)}
            <!-- svelte-ignore a11y_click_events_have_key_events -->
            <li
                id="{id}-{i}"
                role="option"
                aria-selected={i === chosen}
                class="grid cursor-pointer grid-cols-[5.5em_minmax(0,1fr)] border-t border-faint px-1 py-1 {i ===
                chosen
                    ? 'bg-wash'
                    : ''}"
                onclick={() => go(entry)}
            >
                <span class="text-[12px] text-soft">{kinds[entry.kind] ?? entry.kind}</span>
                <span class="min-w-0 truncate"
                    ><span class="font-medium">{entry.title}</span>{#if entry.detail}<span class="text-soft"
                            >&nbsp;· {entry.detail}</span
                        >{/if}</span
                >
            </li>
        {/each}
    </ul>
    <p class="mt-1 text-soft" role="status">
        {failed
            ? 'The server does not answer: try again.'
            : looked && found.length === 0
              ? `Nothing is called “${looked}”.`
              : ''}
    </p>
</Sheet>
