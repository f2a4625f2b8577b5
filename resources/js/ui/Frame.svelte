<script lang="ts">
    import { Link, page } from '@inertiajs/svelte';
    import Moon from '@lucide/svelte/icons/moon';
    import Sun from '@lucide/svelte/icons/sun';
    import { untrack, type Snippet } from 'svelte';
    import type { SignedIn } from '@/generated/answers';
    import { speak } from '@/lib/format';
    import { theme } from '@/lib/theme.svelte';
    import Mark from './Mark.svelte';
    import PersonSheet from './PersonSheet.svelte';
    import Kbd from './Kbd.svelte';
    import Search from './Search.svelte';

    type Props = {
        /** Where one is, after the counter. */
        crumbs?: Snippet;
        tools?: Snippet;
        children: Snippet;
        /** Fill the window without page scroll. @default false */
        fixed?: boolean;
        /** Whether Find is here; the counter has its own. @default true */
        find?: boolean;
    };
    let { crumbs, tools, children, fixed = false, find = true }: Props = $props();
    const person = $derived((page.props as { person?: SignedIn }).person);
    let personal = $state(false);
    let finding = $state(false);
    untrack(() => person && speak(person.numerals, person.time_zone));
</script>

<a class="sr-only z-50 bg-paper p-2 focus:not-sr-only focus:absolute" href="#main">To the content</a>
<div
    class={fixed
        ? 'flex min-h-dvh flex-col md:h-dvh md:min-h-[620px] print:block print:h-auto'
        : 'flex min-h-dvh flex-col'}
>
    <header
        class="flex min-h-11 shrink-0 flex-wrap items-center gap-x-3 gap-y-1 border-b border-line px-4 max-md:py-2 md:h-11 md:flex-nowrap print:hidden"
    >
        <Link href="/" class="flex items-center gap-2.5 text-[15px] font-semibold tracking-tight"
            ><Mark />Pebblerun</Link
        >
        <nav class="flex min-w-0 items-center gap-1.5 whitespace-nowrap text-soft" aria-label="Where you are">
            <Link href="/" class="hover:text-ink">Counter</Link>
            {@render crumbs?.()}
        </nav>
        <span class="flex-1"></span>
        {@render tools?.()}
        {#if person && find}<button
                class="whitespace-nowrap text-soft hover:text-ink"
                onclick={() => (finding = true)}>Find <Kbd>/</Kbd></button
            >{/if}
        <button
            class="p-1 text-soft hover:text-ink"
            onclick={theme.toggle}
            aria-label={theme.current === 'light' ? 'Go dark' : 'Go light'}
        >
            {#if theme.current === 'light'}<Moon size={15} />{:else}<Sun size={15} />{/if}
        </button>
        {#if person}
            <button
                class="whitespace-nowrap text-soft hover:text-ink"
                title="Signed in as {person.name}, {person.role}"
                onclick={() => (personal = true)}
            >
                {person.name.split(' ')[0]}
            </button>
        {/if}
    </header>
    <main id="main" class="min-h-0 flex-1 {fixed ? 'flex flex-col print:block' : ''}">
        {@render children()}
    </main>
</div>
{#if person}
    <PersonSheet bind:open={personal} {person} />
    {#if find}<Search bind:open={finding} />{/if}
{/if}
