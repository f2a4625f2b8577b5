<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import type { LibraryKept, LibraryOptions } from '@/generated/answers';
    import { post } from '@/lib/api';
    import { told } from '@/lib/told.svelte';
    import Sheet from '@/ui/Sheet.svelte';
    import Told from '@/ui/Told.svelte';

    /** A part that is no longer offered: plans that have it keep it. */
    type Props = {
        open: boolean;
        base: string;
        key: string;
        options: LibraryOptions;
        used: boolean;
        seen: number;
    };
    let { open = $bindable(), base, key, options, used, seen }: Props = $props();
    let successor = $state('');
    const say = told();

    async function retire(goes: boolean) {
        const kept = await say.of(
            post<LibraryKept>(`${base}/parts/${key}/retirement`, { seen, successor, goes }),
        );
        if (kept) router.visit(goes ? base : `${base}/parts/${key}`);
    }
</script>

<Sheet
    bind:open
    title="No longer offered"
    about={used ? 'Plans have it: they keep it, and new ones are not offered it.' : 'No plan has it.'}
>
    <form
        onsubmit={(event) => {
            event.preventDefault();
            void retire(false);
        }}
    >
        <label class="flex flex-col gap-1"
            ><span class="text-[12px] text-soft">What takes its place</span>
            <select class="field" bind:value={successor}>
                <option value="">nothing</option>
                {#each options.parts.filter((part) => part.key !== key) as part (part.key)}<option
                        value={part.key}>{part.maker} {part.name}</option
                    >{/each}
            </select>
        </label>
        <Told {say} />
        <div class="mt-4 flex justify-end gap-2">
            {#if !used}<button type="button" class="btn" onclick={() => retire(true)}
                    >Take it away whole</button
                >{/if}
            <button class="btn btn-strong">Retire it</button>
        </div>
    </form>
</Sheet>
