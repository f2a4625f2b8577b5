<script lang="ts">
    import type { Candidate } from '@/generated/answers';

    type Props = {
        candidates: Candidate[];
        loading: boolean;
        /** They were asked for, and no answer came. @default false */
        failed?: boolean;
        /** What the factory fitted, and whether it stays; absent where nothing can be taken out. */
        stock?: { name: string; stays: boolean };
        pick: (candidate: Candidate) => void;
        clear?: () => void;
        leave: () => void;
    };
    let { candidates, loading, failed = false, stock, pick, clear, leave }: Props = $props();
    let list: HTMLUListElement;
    let typed = '';
    let pause: ReturnType<typeof setTimeout> | undefined;

    const sentence = new Intl.ListFormat('en', { type: 'conjunction' });
    const named = (parts: Candidate['with']) => sentence.format(parts.map(({ name }) => name));

    /** Letters go to the candidate that has them in its name. */
    function seek(letter: string) {
        clearTimeout(pause);
        pause = setTimeout(() => (typed = ''), 900);
        typed += letter.toLowerCase();
        const place = candidates.findIndex((one) => one.name.toLowerCase().includes(typed));
        list.querySelectorAll<HTMLElement>('[data-candidate]')[place]?.focus();
    }

    /** Arrows walk the candidates, letters seek, Escape goes back to the board. */
    function keydown(event: KeyboardEvent) {
        const buttons = [...list.querySelectorAll<HTMLButtonElement>('button')];
        const at = buttons.indexOf(document.activeElement as HTMLButtonElement);
        const to = { ArrowDown: at + 1, ArrowUp: at - 1, Home: 0, End: buttons.length - 1 }[event.key];
        if (to !== undefined) {
            event.preventDefault();
            buttons[Math.min(Math.max(0, to), buttons.length - 1)]?.focus();
        }
        if (event.key === 'Escape') leave();
        if (event.key.length === 1 && /\S/.test(event.key) && !event.ctrlKey && !event.metaKey) {
            event.preventDefault();
            event.stopPropagation();
            seek(event.key);
        }
    }
</script>

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<ul bind:this={list} data-letters onkeydown={keydown} aria-busy={loading}>
    {#each candidates as one, i (one.part)}
        {#if !one.offered && (candidates[i - 1]?.offered ?? true)}<li
                class="border-t border-line pt-2 pb-0.5 text-[12px] text-soft"
            >
                Not for this car or customer
            </li>{/if}
        <li>
            <button
                class="group grid w-full grid-cols-[1fr_auto_62px] gap-x-2 border-t border-faint px-1 py-1.5 text-left text-[12.5px] hover:bg-faint {one.chosen
                    ? 'bg-wash'
                    : ''}"
                aria-pressed={one.chosen}
                data-candidate
                onclick={() => pick(one)}
            >
                <b class="font-semibold">{one.name}</b>
                <span class="text-right whitespace-nowrap">{one.adds}</span>
                <span class="text-right whitespace-nowrap">{one.costs}</span>
                <small class="col-span-3 text-[11.5px] leading-snug text-soft">
                    {one.maker}{one.adds_torque ? `, ${one.adds_torque}` : ''}{one.each
                        ? `, ${one.each}`
                        : ''}{#if one.old_price}<span class="text-rust">, {one.old_price}: ask again</span
                        >{/if}
                </small>
                {#if one.with.length > 0}<small class="col-span-3 text-[11.5px] leading-snug text-soft"
                        >with {named(one.with)}</small
                    >{/if}
                {#each one.also_needs as need (need.sentence)}
                    <small
                        class="col-span-3 text-[11.5px] leading-snug {need.fault ? 'text-rust' : 'text-soft'}"
                        >{need.fault ? '! ' : ''}{need.sentence}</small
                    >
                {/each}
                {#each one.ceilings as ceiling (ceiling)}
                    <small class="col-span-3 text-[11.5px] leading-snug text-straw">{ceiling}</small>
                {/each}
                {#if one.cautions.length > 0}
                    <small
                        class="col-span-3 line-clamp-2 text-[11.5px] leading-snug text-soft group-focus:line-clamp-none group-aria-pressed:line-clamp-none"
                        title={one.cautions.join(' ')}>Mind: {one.cautions.join(' ')}</small
                    >
                {/if}
            </button>
        </li>
    {/each}
    {#if stock && !loading && candidates.length > 0}
        <li>
            <button
                class="flex w-full justify-between border-t border-faint px-1 py-1.5 text-left text-[12.5px] hover:bg-faint {stock.stays
                    ? 'bg-wash'
                    : ''}"
                aria-pressed={stock.stays}
                onclick={clear}
            >
                <b class="font-semibold">{stock.stays ? 'Stock stays' : 'Remove from this stage'}</b><span
                    class="truncate pl-2 text-soft">{stock.name}</span
                >
            </button>
        </li>
    {/if}
    {#if !loading && candidates.length === 0}<li class="border-t border-faint py-1.5 text-soft">
            {failed
                ? 'The candidates could not be fetched: the server does not answer.'
                : 'The catalogue has no part for this slot.'}
        </li>{/if}
    {#if loading}<li class="border-t border-faint py-1.5 text-soft">calculating…</li>{/if}
</ul>
