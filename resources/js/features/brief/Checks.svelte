<script lang="ts">
    import type { BriefPage } from '@/generated/answers';
    import type { BriefForm } from './brief.svelte';
    import Choice from './Choice.svelte';

    let { form, checks }: { form: BriefForm; checks: BriefPage['checks'] } = $props();
    type Found = 'good' | 'bad';
    const found = (key: string): Found | undefined =>
        (form.brief.received.checks as Record<string, Found> | undefined)?.[key] ??
        (form.brief.received.checks === undefined && form.brief.received.healthy ? 'good' : undefined);
    const good = $derived(checks.filter((check) => found(check.key) === 'good').length);
    const bad = $derived(checks.filter((check) => found(check.key) === 'bad'));

    const save = (outcomes: Record<string, Found>) =>
        form.give(
            Object.fromEntries(
                Object.entries(outcomes).map(([key, value]) => [`received.checks.${key}`, value]),
            ),
        );

    /** The first check that is noted takes the place of a word for all of them. */
    function set(key: string, value: Found) {
        const known =
            form.brief.received.checks === undefined
                ? Object.fromEntries(
                      checks.flatMap((check) => {
                          const is = found(check.key);
                          return is ? [[check.key, is]] : [];
                      }),
                  )
                : {};
        save({ ...known, [key]: value });
    }
    const all = () => save(Object.fromEntries(checks.map((check) => [check.key, 'good' as const])));
</script>

<details class="w-full">
    <summary class="cursor-pointer"
        >Health: {good} of {checks.length} good{bad.length > 0
            ? `, found: ${bad.map((check) => check.words).join(', ')}`
            : ''}</summary
    >
    <ul class="mt-2 grid grid-cols-1 gap-x-6 gap-y-1 sm:grid-cols-2">
        {#each checks as check (check.key)}
            <li class="grid grid-cols-[minmax(0,1fr)_auto] items-center gap-2">
                <span>{check.words}{check.needed ? '' : ' (recommended)'}</span>
                <Choice
                    label="Check of {check.words}"
                    options={[
                        { value: 'good', words: 'good' },
                        { value: 'bad', words: 'found something' },
                    ]}
                    value={found(check.key)}
                    set={(value) => set(check.key, value)}
                />
            </li>
        {/each}
    </ul>
    <button class="btn mt-2" onclick={all}>All good</button>
</details>
