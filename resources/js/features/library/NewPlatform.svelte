<script lang="ts">
    import { router } from '@inertiajs/svelte';
    import type { LibraryPage, PlatformMade } from '@/generated/answers';
    import { post } from '@/lib/api';
    import { asked } from '@/lib/keys';
    import { told } from '@/lib/told.svelte';
    import Figure from '@/ui/Figure.svelte';
    import Sheet from '@/ui/Sheet.svelte';
    import Told from '@/ui/Told.svelte';

    /** A new platform: from a few answers, or as a sibling of one that is there. */
    type Props = { open: boolean; platforms: LibraryPage['platforms']; units: LibraryPage['units'] };
    let { open = $bindable(), platforms, units }: Props = $props();
    const say = told();
    let sibling = $state('');
    const year = new Date().getFullYear();
    let answers = $state<Record<string, string>>({
        name: '',
        make: '',
        model: '',
        aspiration: 'turbo',
        injection: 'direct',
        fuel: 'petrol',
        drive: 'front',
        gearbox: 'manual',
    });
    /** What is a number among them. */
    let figures = $state<Record<string, number | undefined>>({ from: year - 5, to: year, cylinders: 4 });
    const rows: { key: string; label: string; options?: string[]; number?: boolean }[][] = $derived([
        [
            { key: 'make', label: 'Make' },
            { key: 'model', label: 'Model' },
            { key: 'from', label: 'Years from', number: true },
            { key: 'to', label: 'to', number: true },
        ],
        [
            { key: 'displacement', label: 'Displacement, L', number: true },
            { key: 'cylinders', label: 'Cylinders', number: true },
            { key: 'aspiration', label: 'Aspiration', options: ['natural', 'turbo', 'blower'] },
            { key: 'injection', label: 'Injection', options: ['port', 'direct'] },
        ],
        [
            { key: 'fuel', label: 'Fuel', options: ['petrol', 'diesel'] },
            { key: 'drive', label: 'Drive', options: ['front', 'rear', 'all'] },
            { key: 'gearbox', label: 'Gearbox', options: ['manual', 'automatic', 'dual-clutch'] },
            { key: 'rev_limit', label: 'Rev limit, rpm', number: true },
        ],
        [
            { key: 'torque', label: `Wheel torque, ${units.torque}`, number: true },
            { key: 'torque_rpm', label: 'at rpm', number: true },
            { key: 'power', label: `Wheel power, ${units.power}`, number: true },
            { key: 'power_rpm', label: 'at rpm', number: true },
        ],
    ]);

    async function make(event: SubmitEvent) {
        event.preventDefault();
        const body = sibling
            ? { name: answers.name, sibling_of: Number(sibling) }
            : { ...answers, ...figures };
        const made = await say.of(post<PlatformMade>('/library', body));
        if (made) router.visit(`/library/${made.id}/platform`);
    }
</script>

<Sheet
    bind:open
    title="New platform"
    about="An engine in a car. Its slots come with it; limits, pumps and the curve you give next."
>
    <form onsubmit={make} class="flex flex-col gap-3">
        <div class="grid grid-cols-2 gap-3">
            <label class="flex flex-col gap-0.5"
                ><span class="text-[12px] text-soft">Name</span><input
                    class="field"
                    required
                    minlength="2"
                    maxlength="200"
                    bind:value={answers.name}
                    {@attach asked}
                /></label
            >
            <label class="flex flex-col gap-0.5"
                ><span class="text-[12px] text-soft">Begins as</span><select
                    class="field"
                    bind:value={sibling}
                    ><option value="">a new one</option>{#each platforms as platform (platform.id)}<option
                            value={String(platform.id)}>a copy of {platform.name}, with its parts</option
                        >{/each}</select
                ></label
            >
        </div>
        {#if !sibling}
            {#each rows as row, r (r)}
                <div class="grid grid-cols-4 gap-3">
                    {#each row as field (field.key)}
                        <label class="flex flex-col gap-0.5"
                            ><span class="text-[12px] whitespace-nowrap text-soft">{field.label}</span>
                            {#if field.options}<select class="field" bind:value={answers[field.key]}
                                    >{#each field.options as option (option)}<option>{option}</option
                                        >{/each}</select
                                >
                            {:else if field.number}<Figure
                                    value={figures[field.key]}
                                    required
                                    set={(number) => (figures[field.key] = number)}
                                />
                            {:else}<input
                                    class="field"
                                    required
                                    value={answers[field.key]}
                                    oninput={(event) => (answers[field.key] = event.currentTarget.value)}
                                />{/if}
                        </label>
                    {/each}
                </div>
            {/each}
        {/if}
        <Told {say} />
        <div class="flex justify-end gap-2">
            <button type="button" class="btn" onclick={() => (open = false)}>Cancel</button>
            <button class="btn btn-strong">Make it</button>
        </div>
    </form>
</Sheet>
