<script lang="ts">
    import type { PlanState } from '@/generated/answers';
    import { day, today } from '@/lib/format';
    import DayField from '@/ui/DayField.svelte';
    import Field from '@/ui/Field.svelte';
    import Figure from '@/ui/Figure.svelte';
    import type { Bench } from './bench.svelte';

    /** How far the stage is, since when and by whom; and saying so. What is done is written into the car's ledger. */
    type Life = PlanState['lives'][number];
    let { bench, life }: { bench: Bench; life: Life } = $props();
    const DONE = 'done';
    const blank = (): { life: Life['life'] | ''; on: string; km: number | undefined; place: string } => ({
        life: '',
        on: today(),
        km: undefined,
        place: '',
    });
    let next = $state(blank());
    let saving = $state(false);
    let choice = $state<HTMLSelectElement>();
    const chosen = $derived(life.may.some((one) => one.life === next.life) ? next.life : '');

    $effect(() => {
        if (!bench.wantsLife || !choice) return;
        bench.wantsLife = false;
        choice.focus();
    });

    async function keep(event: SubmitEvent) {
        event.preventDefault();
        if (chosen === '' || saving) return;
        saving = true;
        const kept = await bench.mark(life, {
            life: chosen,
            on: next.on,
            ...(chosen === DONE ? { km: next.km ?? null, stock_place: next.place } : {}),
        });
        saving = false;
        if (kept) next = blank();
    }
</script>

<form class="mt-1.5 border-t border-faint pt-1.5 text-[12px]" aria-label="How far it is" onsubmit={keep}>
    <p>
        <b>{life.words}</b>{life.on
            ? ` since ${day(life.on)}${life.by ? `, by ${life.by}` : ''}`
            : ''}{#if life.sent}
            · <a class="text-river underline" href="/plans/{bench.plan}/marks/{life.sent}/bundle" download
                >as it was sent</a
            >{/if}
    </p>
    {#if bench.mayMark && !bench.past}
        <div class="mt-1 flex flex-wrap items-end gap-1.5">
            <Field label="Now it is"
                ><select
                    class="field min-h-7"
                    bind:this={choice}
                    value={chosen}
                    onchange={(event) => (next.life = event.currentTarget.value as Life['life'])}
                >
                    <option value="">choose</option>
                    {#each life.may as one (one.life)}<option value={one.life}>{one.words}</option>{/each}
                </select></Field
            >
            {#if chosen !== ''}
                <DayField label="Since" most={today()} bind:value={next.on} />
                {#if chosen === DONE}
                    <Field label="Mileage, km"
                        ><Figure
                            class="field min-h-7 w-[86px] text-right"
                            min={0}
                            max={2_000_000}
                            value={next.km}
                            set={(number) => (next.km = number ?? undefined)}
                        /></Field
                    >
                    <Field label="Old parts are"
                        ><input
                            class="field min-h-7 w-[120px]"
                            maxlength="200"
                            placeholder="on shelf 4"
                            bind:value={next.place}
                        /></Field
                    >
                {/if}
                <button class="btn min-h-7 px-2 py-0" disabled={saving || next.on === ''}
                    >{saving ? 'Saving…' : 'Save'}</button
                >
            {/if}
        </div>
    {/if}
</form>
