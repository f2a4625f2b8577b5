<script lang="ts">
    import { Link } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { BriefForm, type Saved } from '@/features/brief/brief.svelte';
    import Choice from '@/features/brief/Choice.svelte';
    import NumberField from '@/features/brief/NumberField.svelte';
    import Question from '@/features/brief/Question.svelte';
    import type { Brief } from '@/generated/brief';
    import Frame from '@/ui/Frame.svelte';
    import Sheet from '@/ui/Sheet.svelte';

    type Props = {
        job: { id: number; title: string; customer: string; platform: string };
        fuels: { key: string; name: string }[];
        parts: { key: string; name: string }[];
        state: Saved & { brief: Brief };
    };
    let { job, fuels, parts, state: start }: Props = $props();

    const form = untrack(() => new BriefForm(job.id, start.brief, job.title, job.customer, start));
    const line = (subject: string) => form.saved.verdict.find((one) => one.subject === subject);
    const came = $derived(
        form.brief.came.parts.length === 0
            ? 'stock'
            : form.brief.came.parts
                  .map((key) => parts.find((part) => part.key === key)?.name ?? key)
                  .join(', '),
    );
    function whole(text: string, keep: number): number {
        return text.trim() === '' ? keep : Number(text);
    }
</script>

<svelte:head><title>Brief: {form.title} · Pebblerun</title></svelte:head>

<Frame>
    {#snippet crumbs()}
        <span>/</span>
        <Link href="/jobs/{job.id}/bench" class="truncate font-semibold text-ink hover:underline"
            >{form.title}</Link
        >
        <span>/</span><span>Brief</span>
    {/snippet}
    {#snippet tools()}
        <span class="text-soft">{form.saving ? 'saving…' : `saved, revision ${form.saved.revision}`}</span>
        <Link href="/jobs/{job.id}/bench" class="btn btn-strong">Bench</Link>
    {/snippet}
    <div class="mx-auto max-w-[1000px] px-6 py-5">
        <div class="mb-3 flex items-baseline justify-between gap-4">
            <h1 class="text-[19px] font-semibold tracking-tight">Brief</h1>
            <span class="text-soft">what each answer means for the plan stands beside it</span>
        </div>
        {#if form.error}<p class="mb-3 border border-rust bg-rust-wash px-3 py-2" role="alert">
                {form.error}
            </p>{/if}

        <Question ask="Who and what is it for?" note="The proposal and the job card carry these words.">
            <label class="flex flex-col gap-0.5"
                ><span class="text-[12px] text-soft">Customer</span><input
                    class="field w-44"
                    maxlength="120"
                    bind:value={form.customer}
                    onchange={form.save}
                /></label
            >
            <label class="flex flex-col gap-0.5"
                ><span class="text-[12px] text-soft">Job</span><input
                    class="field w-52"
                    maxlength="120"
                    bind:value={form.title}
                    onchange={form.save}
                /></label
            >
            <label class="flex w-full flex-col gap-0.5"
                ><span class="text-[12px] text-soft">Used for</span><input
                    class="field w-full"
                    maxlength="400"
                    bind:value={form.brief.purpose}
                    onchange={form.save}
                /></label
            >
        </Question>
        <Question
            ask="Which car, and how did it come in?"
            note="{job.platform}; {came}. {form.saved.measured
                ? 'Measured and healthy: chances can be stated.'
                : 'No own baseline or health check yet: no chance is stated.'}"
        >
            <NumberField
                label="Model year"
                unit=""
                value={form.brief.car.year}
                set={(text) => {
                    form.brief.car.year = whole(text, form.brief.car.year);
                    void form.save();
                }}
                min={1980}
            />
            <NumberField
                label="Mileage"
                unit="km"
                value={form.brief.car.mileage_km}
                set={(text) => {
                    form.brief.car.mileage_km = whole(text, 0);
                    void form.save();
                }}
                step={1000}
            />
            <Choice
                label="Gearbox"
                options={[
                    { value: 'manual', words: 'Manual' },
                    { value: 'automatic', words: 'Automatic' },
                    { value: 'dual-clutch', words: 'Dual clutch' },
                ]}
                value={form.brief.car.gearbox}
                set={(value) => {
                    form.brief.car.gearbox = value;
                    void form.save();
                }}
            />
            <label class="flex items-center gap-2"
                ><input
                    type="checkbox"
                    checked={form.brief.came.healthy ?? false}
                    onchange={(event) => {
                        form.brief.came.healthy = event.currentTarget.checked;
                        void form.save();
                    }}
                /> Health check passed (plugs, compression, leaks, clutch, oil)</label
            >
        </Question>
        <Question ask="What should it reach?" means={line('target')}>
            <Choice
                label="Target"
                options={[
                    { value: 'power', words: 'Wheel power' },
                    { value: 'torque', words: 'Torque at a speed' },
                    { value: 'none', words: 'Not asked yet' },
                ]}
                value={form.targetKind}
                set={(value) => form.aim(value)}
            />
            {#if form.brief.target && 'power' in form.brief.target}
                {@const target = form.brief.target}
                <NumberField
                    label="Wheel power"
                    unit={form.saved.labels.power}
                    value={target.power}
                    set={(text) => {
                        form.brief.target = { power: whole(text, target.power) };
                        void form.save();
                    }}
                    min={1}
                />
            {:else if form.brief.target}
                {@const target = form.brief.target}
                <NumberField
                    label="Wheel torque"
                    unit={form.saved.labels.torque}
                    value={target.torque}
                    set={(text) => {
                        form.brief.target = { ...target, torque: whole(text, target.torque) };
                        void form.save();
                    }}
                    min={1}
                />
                <NumberField
                    label="at"
                    unit="rpm"
                    value={target.at_rpm}
                    set={(text) => {
                        form.brief.target = { ...target, at_rpm: whole(text, target.at_rpm) };
                        void form.save();
                    }}
                    min={500}
                    step={50}
                />
            {/if}
        </Question>
        <Question ask="What may it cost?" means={line('budget')}>
            <NumberField
                label="In all"
                unit={form.saved.labels.money}
                value={form.brief.budget?.total}
                set={(text) => form.money('total', text)}
                step={100}
            />
            <NumberField
                label="Now"
                unit={form.saved.labels.money}
                value={form.brief.budget?.now}
                set={(text) => form.money('now', text)}
                step={100}
            />
            <NumberField
                label="A month"
                unit={form.saved.labels.money}
                value={form.brief.budget?.monthly}
                set={(text) => form.money('monthly', text)}
                step={50}
            />
        </Question>
        <Question
            ask="How high do the revs really go?"
            note="The curves shade this range, and the gain in it is stated for every stage."
        >
            <NumberField
                label="From"
                unit="rpm"
                value={form.brief.rpm_range?.from}
                set={(text) => {
                    form.brief.rpm_range = { from: whole(text, 2000), to: form.brief.rpm_range?.to ?? 5500 };
                    void form.save();
                }}
                min={500}
                step={100}
            />
            <NumberField
                label="to"
                unit="rpm"
                value={form.brief.rpm_range?.to}
                set={(text) => {
                    form.brief.rpm_range = {
                        from: form.brief.rpm_range?.from ?? 2000,
                        to: whole(text, 5500),
                    };
                    void form.save();
                }}
                min={500}
                step={100}
            />
        </Question>
        <Question ask="Which fuels are within reach?" means={line('fuel')}>
            {#each fuels as fuel (fuel.key)}
                <label class="flex items-center gap-1.5"
                    ><input
                        type="checkbox"
                        checked={form.brief.fuels?.includes(fuel.key) ?? false}
                        onchange={() => form.toggleFuel(fuel.key)}
                    />
                    {fuel.name}</label
                >
            {/each}
        </Question>
        <Question ask="Road or track only?" means={line('law')}>
            <Choice
                label="Use"
                options={[
                    { value: 'road', words: 'Road' },
                    { value: 'track', words: 'Track only' },
                ]}
                value={form.brief.use ?? 'road'}
                set={(value) => {
                    form.brief.use = value;
                    void form.save();
                }}
            />
        </Question>
        <Question ask="How much risk is acceptable?" means={line('limits')}>
            <Choice
                label="Risk"
                options={[
                    { value: 'cautious', words: 'Cautious: every limit clear' },
                    { value: 'usual', words: 'Usual: close is fine' },
                    { value: 'bold', words: 'Bold: over safe, never past the edge' },
                ]}
                value={form.brief.appetite ?? 'usual'}
                set={(value) => {
                    form.brief.appetite = value;
                    void form.save();
                }}
            />
        </Question>
        <p class="border-t border-line pt-3 text-soft">
            Said plainly: more power costs reliability, may end a warranty and must be told to the insurer; a
            reserve for breakage is part of the budget. Emission parts, noise and roadworthiness follow local
            rules.
        </p>
    </div>
</Frame>
<Sheet
    open={form.theirs !== null}
    dismissible={false}
    title={form.theirs?.message ?? ''}
    about="Both versions are complete. Choose which one stands."
>
    <div class="flex justify-end gap-2">
        <button class="btn" onclick={form.takeTheirs}>Take theirs</button>
        <button class="btn btn-strong" onclick={form.putMine}>Keep mine</button>
    </div>
</Sheet>
