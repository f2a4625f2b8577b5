<script lang="ts">
    import { Link, router } from '@inertiajs/svelte';
    import type { SignedIn } from '@/generated/answers';
    import { put } from '@/lib/api';
    import type { Numerals } from '@/lib/format';
    import Sheet from './Sheet.svelte';

    /** Who is signed in, and what they read in. */
    let { open = $bindable(), person }: { open: boolean; person: SignedIn } = $props();
    let units = $derived({ ...person.units });
    let numerals = $derived(person.numerals);

    const choices = [
        { key: 'power', name: 'Power', units: ['hp', 'PS', 'kW'] },
        { key: 'torque', name: 'Torque', units: ['lb-ft', 'Nm'] },
        { key: 'pressure', name: 'Pressure', units: ['bar', 'psi', 'kPa', 'inHg'] },
        { key: 'temperature', name: 'Temperature', units: ['C', 'F'] },
        { key: 'mass', name: 'Mass', units: ['kg', 'lb'] },
    ] as const;
    const styles: { key: Numerals; shown: string }[] = [
        { key: 'comma', shown: '1,234.5' },
        { key: 'point', shown: '1.234,5' },
        { key: 'space', shown: '1 234,5' },
    ];

    async function save(event: SubmitEvent) {
        event.preventDefault();
        await put('/me', { units: { ...units }, numerals });
        location.reload();
    }
</script>

<Sheet
    bind:open
    title={person.name}
    about="What the bench shows you in. Briefs stay in the shop’s own units."
>
    <form class="flex flex-col gap-3" onsubmit={save}>
        <div class="grid grid-cols-2 gap-x-6 gap-y-2">
            {#each choices as choice (choice.key)}
                <label class="flex items-center justify-between gap-2"
                    >{choice.name}
                    <select
                        class="field"
                        value={units[choice.key]}
                        onchange={(event) => (units = { ...units, [choice.key]: event.currentTarget.value })}
                    >
                        {#each choice.units as unit (unit)}<option value={unit}
                                >{choice.key === 'temperature' ? `°${unit}` : unit}</option
                            >{/each}
                    </select></label
                >
            {/each}
            <label class="flex items-center justify-between gap-2"
                >Numbers
                <select
                    class="field"
                    value={numerals}
                    onchange={(event) => (numerals = event.currentTarget.value as Numerals)}
                >
                    {#each styles as style (style.key)}<option value={style.key}>{style.shown}</option>{/each}
                </select></label
            >
        </div>
        <div class="flex justify-between gap-2">
            <button type="button" class="btn" onclick={() => router.post('/sign-out')}>Sign out</button>
            <Link class="btn" href="/account">Account</Link>
            {#if person.abilities.includes('manage-people')}<Link class="btn" href="/people">People</Link
                >{/if}
            {#if person.abilities.includes('keep-shop')}<Link class="btn mr-auto" href="/shop">The shop</Link
                >{/if}
            <button type="submit" class="btn btn-strong">Save</button>
        </div>
    </form>
</Sheet>
