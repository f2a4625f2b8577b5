<script lang="ts">
    import { Link } from '@inertiajs/svelte';
    import type { LibraryPart } from '@/generated/answers';
    import { shape } from './evidence';
    import Prices from './Prices.svelte';

    type Props = { part: LibraryPart; base: string; money: string; mayPrice: boolean; again: () => void };
    let { part, base, money, mayPrice, again }: Props = $props();
    const lists = $derived(
        [
            { title: 'Needs', lines: part.needs },
            { title: 'Goes with', lines: part.goes_with },
            { title: 'Cautions', lines: [...part.cautions, ...(part.law ? [part.law] : [])] },
        ].filter(({ lines }) => lines.length > 0),
    );
</script>

<aside class="overflow-y-auto border-l border-line px-4 py-4" aria-label="The part that is chosen">
    <div class="flex items-baseline gap-2">
        <h2 class="mr-auto text-[15px] font-semibold tracking-tight">{part.name}</h2>
        <Link href="{base}/parts/{part.key}" class="btn">Open</Link>
    </div>
    <p class="text-soft">
        {part.maker} · {part.fills.join(', ')}{#if part.platforms > 1}
            · fits {part.platforms} platforms{/if}
    </p>
    {#if part.retired}<p class="text-rust">{part.retired}</p>{/if}
    {#if part.sound}<p class="mt-1 text-soft">{part.sound}</p>{/if}

    <h3 class="mt-4 border-t border-line pt-3 font-semibold">What it gives</h3>
    {#if part.cases.length === 0}
        <p class="text-soft">No power by itself: it carries what others need.</p>
    {/if}
    {#each part.cases as one, i (i)}
        <div class="border-b border-faint py-1.5">
            <p class="text-soft">{one.when}</p>
            <p class="tabular-nums"><span class="font-medium">{one.power}</span> · {one.torque}</p>
            <p class="text-[12px] text-soft">
                <span aria-hidden="true">{shape(one.kind)}</span>
                {one.rests}{one.note ? `: ${one.note}` : ''}
            </p>
        </div>
    {/each}

    {#each lists as list (list.title)}
        <h3 class="mt-4 border-t border-line pt-3 font-semibold">{list.title}</h3>
        <ul class="list-none">
            {#each list.lines as line, i (i)}<li class="py-0.5 text-soft">{line}</li>{/each}
        </ul>
    {/each}

    <h3 class="mt-4 border-t border-line pt-3 font-semibold">Price and work</h3>
    <p class="tabular-nums">
        <span class="font-medium">{part.price.words}</span><span class="text-soft"
            >{part.price.range ? `, ${part.price.range}` : ''}{part.price.used
                ? ` · used ${part.price.used}`
                : ''}</span
        >{` · ${part.price.hours} to fit`}{part.lead ? ` · ${part.lead}` : ''}
    </p>
    <p class={part.price.old ? 'text-rust' : 'text-soft'}>
        {part.price.age}{part.price.old ? ': ask for a new one' : ''}
    </p>
    <Prices {part} {money} {mayPrice} {again} />
</aside>
