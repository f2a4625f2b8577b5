<script lang="ts">
    import { clock } from '@/lib/format';
    import Sheet from '@/ui/Sheet.svelte';
    import type { Bench } from './bench.svelte';

    let { bench }: { bench: Bench } = $props();
    const others = $derived(
        [...new Set(bench.conflict?.theirs.map((one) => one.author) ?? [])].join(' and '),
    );
</script>

<Sheet
    open={bench.conflict !== null}
    dismissible={false}
    title="{others} changed this plan meanwhile"
    about="Nothing is lost yet. Choose what the plan should be."
>
    <div class="grid grid-cols-2 gap-4">
        <section>
            <h3 class="font-semibold">Theirs, saved</h3>
            <ul>
                {#each bench.conflict?.theirs ?? [] as one (one.number)}
                    <li class="border-t border-faint py-1">
                        {one.label}<span class="block text-[12px] text-soft"
                            >{one.author}, {clock(one.at)}</span
                        >
                    </li>
                {/each}
            </ul>
        </section>
        <section>
            <h3 class="font-semibold">Yours, not saved</h3>
            <p class="border-t border-faint py-1">{bench.conflict?.words}</p>
        </section>
    </div>
    <div class="mt-4 flex justify-end gap-2">
        <button class="btn" onclick={bench.takeTheirs}>Keep theirs, drop mine</button>
        <button class="btn btn-strong" onclick={bench.putMine}>Put mine on top of theirs</button>
    </div>
</Sheet>
