<script lang="ts">
    import Figure from '@/ui/Figure.svelte';
    import { at, put, type Entry } from './paths';

    /** A limit as one pair, or as a small table over rpm: straight between the speeds, flat outside. */
    type Props = { entry: Entry };
    let { entry }: Props = $props();
    type Point = { rpm?: number; safe?: number; edge?: number };
    const points = $derived(at(entry, 'over_rpm') as Point[] | undefined);
    const columns = [
        ['rpm', 'rpm'],
        ['safe', 'Safe to'],
        ['edge', 'Breaks at'],
    ] as const;

    const write = (now: Point[] | undefined) => put(entry, 'over_rpm', now);

    function byRpm() {
        const pair = { safe: entry.safe as number | undefined, edge: entry.edge as number | undefined };
        write([
            { rpm: 2000, ...pair },
            { rpm: 4000, ...pair },
        ]);
        put(entry, 'safe', undefined);
        put(entry, 'edge', undefined);
    }

    function atAnyRpm() {
        const first = points?.[0];
        write(undefined);
        put(entry, 'safe', first?.safe);
        put(entry, 'edge', first?.edge);
    }

    const set = (i: number, key: keyof Point, value: number | undefined) =>
        write((points ?? []).map((point, each) => (each === i ? { ...point, [key]: value } : point)));
</script>

{#if points}
    <table class="border-collapse" aria-label="By rpm">
        <thead>
            <tr
                >{#each columns as [key, label] (key)}<th
                        class="pr-1 text-left text-[12px] font-normal text-soft">{label}</th
                    >{/each}</tr
            >
        </thead>
        <tbody>
            {#each points as point, i (i)}
                <tr>
                    {#each columns as [key, label] (key)}
                        <td class="pr-1 pb-1"
                            ><Figure
                                class="field w-19"
                                step={key === 'rpm' ? 100 : 1}
                                label="{label}, row {i + 1}"
                                value={point[key]}
                                set={(value) => set(i, key, value)}
                            /></td
                        >
                    {/each}
                    <td
                        >{#if points.length > 1}<button
                                class="px-1 text-soft hover:text-ink"
                                aria-label="Remove row {i + 1}"
                                onclick={() => write(points.filter((_, each) => each !== i))}>×</button
                            >{/if}</td
                    >
                </tr>
            {/each}
        </tbody>
    </table>
    <span class="flex gap-1">
        <button
            class="btn"
            onclick={() =>
                write([
                    ...points,
                    { ...points[points.length - 1], rpm: (points[points.length - 1]?.rpm ?? 0) + 500 },
                ])}>Add a row</button
        >
        <button class="btn" onclick={atAnyRpm}>At any rpm</button>
    </span>
{:else}<button class="btn" onclick={byRpm}>By rpm</button>{/if}
