<script lang="ts">
    import type { LibraryPage } from '@/generated/answers';
    import { asked } from '@/lib/keys';
    import type { PlatformAnswers, Templates } from '@/lib/platformAnswers.svelte';
    import Figure from '@/ui/Figure.svelte';

    /** Answers about an engine: its kind first, which fills in what is usual. */
    type Props = {
        answers: PlatformAnswers;
        templates: Templates;
        units: LibraryPage['units'];
        /** Whether it takes the keys as soon as it is there. */
        first?: boolean;
    };
    let { answers, templates, units, first = false }: Props = $props();

    type Field = { key: string; label: string; options?: [string, string][] };
    const same = (...words: string[]) => words.map((word): [string, string] => [word, word]);
    const rows: Field[][] = $derived([
        [
            { key: 'displacement', label: 'Displacement, L' },
            { key: 'cylinders', label: 'Cylinders' },
            { key: 'aspiration', label: 'Aspiration', options: same('natural', 'turbo', 'blower') },
            { key: 'injection', label: 'Injection', options: same('port', 'direct') },
        ],
        [
            { key: 'fuel', label: 'Fuel', options: same('petrol', 'diesel') },
            { key: 'drive', label: 'Drive', options: same('front', 'rear', 'all') },
            {
                key: 'gearbox',
                label: 'Gearbox',
                options: [
                    ['manual', 'manual'],
                    ['automatic', 'automatic'],
                    ['dual-clutch', 'dual clutch'],
                ],
            },
            { key: 'rev_limit', label: 'Rev limit, rpm' },
        ],
        [
            { key: 'power', label: `Power, ${units.power}` },
            { key: 'power_rpm', label: 'at rpm' },
            { key: 'torque', label: `Torque, ${units.torque}` },
            { key: 'torque_rpm', label: 'at rpm' },
        ],
    ]);
    const words = (key: string) => String(answers.given[key] ?? '');
    const number = (key: string) => answers.given[key] as number | undefined;
</script>

<div class="grid grid-cols-2 gap-3 sm:grid-cols-4">
    {#each [['make', 'Make'], ['model', 'Model']] as const as [key, label], i (key)}
        <label class="flex min-w-0 flex-col gap-0.5"
            ><span class="text-[12px] text-soft">{label}</span><input
                class="field"
                required
                maxlength="200"
                value={words(key)}
                {@attach first && i === 0 && asked}
                oninput={(event) => (answers.given[key] = event.currentTarget.value)}
            /></label
        >
    {/each}
    {#each [['from', 'Model years from'], ['to', 'to']] as const as [key, label] (key)}
        <label class="flex min-w-0 flex-col gap-0.5"
            ><span class="text-[12px] whitespace-nowrap text-soft">{label}</span><Figure
                value={number(key)}
                required
                set={(value) => (answers.given[key] = value)}
            /></label
        >
    {/each}
</div>
<div class="grid grid-cols-2 gap-3">
    <label class="flex min-w-0 flex-col gap-0.5"
        ><span class="text-[12px] text-soft">Kind of engine</span><select
            class="field"
            value={answers.kind}
            onchange={(event) => answers.begin(event.currentTarget.value)}
            >{#each templates as one (one.kind)}<option value={one.kind}>{one.words}</option>{/each}</select
        ></label
    >
    <label class="flex min-w-0 flex-col gap-0.5"
        ><span class="text-[12px] text-soft">Power and torque are</span><select
            class="field"
            value={words('read')}
            onchange={(event) => (answers.given.read = event.currentTarget.value)}
            ><option value="crank">the factory’s claim, at the crank</option><option value="wheels"
                >measured at the wheels</option
            ></select
        ></label
    >
</div>
{#each rows as row, r (r)}
    <div class="grid grid-cols-2 gap-3 sm:grid-cols-4">
        {#each row as field (field.key)}
            <label class="flex min-w-0 flex-col gap-0.5"
                ><span class="text-[12px] whitespace-nowrap text-soft">{field.label}</span>
                {#if field.options}<select
                        class="field"
                        value={words(field.key)}
                        onchange={(event) => (answers.given[field.key] = event.currentTarget.value)}
                        >{#each field.options as [value, label] (value)}<option {value}>{label}</option
                            >{/each}</select
                    >
                {:else}<Figure
                        value={number(field.key)}
                        required
                        set={(value) => (answers.given[field.key] = value)}
                    />{/if}
            </label>
        {/each}
    </div>
{/each}
