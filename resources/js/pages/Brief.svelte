<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import { Link, page } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import { BriefForm } from '@/features/brief/brief.svelte';
    import AsReceived from '@/features/brief/AsReceived.svelte';
    import Checks from '@/features/brief/Checks.svelte';
    import Warnings from '@/features/brief/Warnings.svelte';
    import Choice from '@/features/brief/Choice.svelte';
    import NumberField from '@/features/brief/NumberField.svelte';
    import TextField from '@/features/brief/TextField.svelte';
    import Question from '@/features/brief/Question.svelte';
    import type { BriefPage, SignedIn } from '@/generated/answers';
    import Frame from '@/ui/Frame.svelte';
    import ConflictSheet from '@/ui/ConflictSheet.svelte';
    import CustomerField, { type Known } from '@/ui/CustomerField.svelte';
    import SyncNotice from '@/ui/SyncNotice.svelte';
    import { day, figure } from '@/lib/format';
    import { leaveWithPage, unsaved } from '@/lib/writing.svelte';

    let {
        job,
        fuels,
        slots,
        checks,
        tyres,
        dynos,
        corrections,
        refusals,
        warnings,
        state: start,
    }: BriefPage = $props();

    const person = (page.props as unknown as { person: SignedIn }).person;
    const mayEdit = person.abilities.includes('edit-jobs');
    const form = untrack(() => new BriefForm(job.id, person.id, slots, start));
    const line = (subject: string) => form.state.verdict.find((one) => one.subject === subject);
    const readiness = $derived(form.state.readiness);
    const answered = (...keys: string[]) => !readiness.open.some((one) => keys.includes(one.key));

    $effect(() => form.queue.attend());
    $effect(leaveWithPage);

    /** Somebody who is known: the job is for their car, or this car is theirs. */
    function choose({ customer, car }: Known) {
        form.give(car ? { car: car.id } : { customer: customer.id });
    }
    const reading = $derived(form.state.customer.last_reading);
    function whole(text: string, keep: number): number {
        return text.trim() === '' ? keep : Number(text);
    }
    /** What was entered under a name; an emptied field says nothing. */
    function given<K extends string>(name: K, text: string): Partial<Record<K, number>> {
        return text.trim() === '' ? {} : ({ [name]: Number(text) } as Record<K, number>);
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
        {#if form.queue.others.length > 0}
            <span class="flex items-center gap-1.5 whitespace-nowrap text-ink" role="status"
                ><span class="size-2 rounded-full bg-moss" aria-hidden="true"></span>{form.queue.others.join(
                    ' and ',
                )} here too</span
            >
        {/if}
        <span class="text-soft">
            {#if form.queue.trouble}<span class="text-rust">not saved yet</span>
            {:else if form.queue.waiting.length > 0 || unsaved.fields > 0}saving…
            {:else}saved, revision {form.state.revision}{/if}
        </span>
        <Link href="/jobs/{job.id}/bench" class="btn btn-strong">Bench</Link>
    {/snippet}
    <SyncNotice queue={form.queue} />
    {#if !mayEdit}<p class="border-b border-line bg-paper px-4 py-1.5 text-soft" role="status">
            You read this brief: your role does not answer it.
        </p>{/if}
    <fieldset class="contents" disabled={!mayEdit}>
        <div class="mx-auto max-w-[1040px] px-6 py-5">
            <div class="mb-3 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
                <h1 class="text-[19px] font-semibold tracking-tight">
                    Brief <span class="ml-2 text-[13px] font-normal text-soft">{job.platform}</span>
                </h1>
                <p class="text-soft" aria-live="polite">
                    <meter
                        class="mr-2 inline-block w-28 align-middle"
                        min="0"
                        max={readiness.of}
                        value={readiness.answered}
                        aria-label="Questions answered"
                    ></meter>
                    {readiness.answered} of {readiness.of} answered{readiness.open.length > 0
                        ? `; open: ${readiness.open.map((one) => one.words).join(', ')}`
                        : ', ready to plan'}
                </p>
            </div>
            <Question
                ask="Who and what is it for?"
                answered={answered('purpose')}
                means={['The proposal and the job card carry these words.']}
            >
                <label class="flex w-52 flex-col gap-0.5"
                    ><span class="text-[12px] text-soft">Customer</span>
                    <CustomerField
                        value={form.customer.name}
                        {choose}
                        typed={(name) =>
                            name && name !== form.customer.name && form.give({ 'customer.name': name })}
                        except={form.customer.id}
                        platform={job.platform}
                    />
                </label>
                <TextField
                    label="Contact"
                    most={200}
                    placeholder="phone or mail"
                    value={form.customer.contact}
                    set={(text) => form.give({ 'customer.contact': text })}
                />
                <TextField
                    label="Job"
                    most={120}
                    value={form.title}
                    set={(title) => title !== '' && form.give({ title })}
                />
                {#if form.customer.other_jobs > 0}
                    <p class="w-full text-[12px] text-soft">
                        {form.customer.other_jobs === 1
                            ? 'One more job is theirs: a new name or contact holds there too.'
                            : `${form.customer.other_jobs} more jobs are theirs: a new name or contact holds there too.`}
                        <button
                            class="ml-1 underline"
                            onclick={() => form.give({ customer: form.customer.name })}
                            >This is another customer</button
                        >
                    </p>
                {/if}
                <TextField
                    label="Used for"
                    width="w-full"
                    most={400}
                    value={form.brief.purpose ?? ''}
                    set={(text) => form.answer({ purpose: text || undefined })}
                />
                <TextField
                    label="Notes on the customer"
                    width="w-full"
                    rows={2}
                    most={2000}
                    value={form.customer.notes}
                    set={(text) => form.give({ 'customer.notes': text })}
                />
            </Question>
            <Question
                ask="Which car, and in what state was it received?"
                answered={answered('mileage', 'health', 'baseline')}
                means={[
                    form.state.measured
                        ? 'Measured and healthy: chances can be stated.'
                        : form.state.baseline.doubts.length > 0
                          ? 'The baseline is hard to believe: no chance is stated before it is confirmed.'
                          : 'Without its own baseline and a passed health check no chance is stated.',
                    ...(form.state.means.gearbox ?? []),
                ]}
            >
                <NumberField
                    label="Model year"
                    unit=""
                    value={form.brief.car.year}
                    set={(text) => form.car({ year: whole(text, form.brief.car.year) })}
                    min={1980}
                />
                <TextField
                    label="Registration"
                    width="w-32"
                    most={40}
                    value={form.brief.car.registration ?? ''}
                    set={(text) => form.car({ registration: text || undefined })}
                />
                <TextField
                    label="Chassis number"
                    width="w-44"
                    most={40}
                    placeholder="optional"
                    value={form.chassis}
                    set={(text) => form.give({ 'car.chassis_number': text })}
                />
                <NumberField
                    label="Mileage"
                    unit="km"
                    value={form.brief.car.mileage_km}
                    set={(text) => form.car({ mileage_km: text.trim() === '' ? undefined : Number(text) })}
                    step={1000}
                />
                {#if reading}<p class="w-full text-[12px] text-soft">
                        Mileage at the last visit: {figure(reading.km)} km on {day(reading.on)}
                    </p>{/if}
                <Choice
                    label="Gearbox"
                    options={[
                        { value: 'manual', words: 'Manual' },
                        { value: 'automatic', words: 'Automatic' },
                        { value: 'dual-clutch', words: 'Dual clutch' },
                    ]}
                    value={form.brief.car.gearbox}
                    set={(gearbox) => form.car({ gearbox })}
                />
                {#if form.state.variants.length > 1}<Field label="Variant"
                        ><select
                            class="field"
                            value={form.brief.car.variant ?? form.state.variants[0]?.key}
                            onchange={(event) => form.car({ variant: event.currentTarget.value })}
                            >{#each form.state.variants as { key, words } (key)}<option value={key}
                                    >{words}</option
                                >{/each}</select
                        ></Field
                    >{/if}
                <Field label="Tyres"
                    ><select
                        class="field"
                        value={form.brief.car.tyres ?? ''}
                        onchange={(event) =>
                            form.car({
                                tyres: (event.currentTarget.value ||
                                    undefined) as typeof form.brief.car.tyres,
                            })}
                        ><option value="">not said</option>{#each tyres as { key, words } (key)}<option
                                value={key}>{words}</option
                            >{/each}</select
                    ></Field
                >
                <NumberField
                    label="Lift"
                    unit="mm"
                    value={form.brief.car.lift_mm}
                    set={(text) => form.car({ lift_mm: text.trim() === '' ? undefined : Number(text) })}
                    min={-200}
                />
                <NumberField
                    label="Mass with driver"
                    unit={form.state.mass_unit}
                    value={form.brief.car.mass}
                    set={(text) => form.car({ mass: text.trim() === '' ? undefined : Number(text) })}
                    min={1}
                />
                <AsReceived
                    {form}
                    {dynos}
                    {corrections}
                    power={form.state.labels.power}
                    torque={form.state.labels.torque}
                />
                <Checks {form} {checks} />
            </Question>
            <Question
                ask="What should it reach?"
                answered={answered('target')}
                verdict={line('target')}
                means={form.state.means.target}
            >
                <Choice
                    label="Target"
                    options={[
                        { value: 'power', words: 'Wheel power' },
                        { value: 'torque', words: 'Torque at an rpm' },
                        { value: 'time', words: 'A quarter mile' },
                        { value: 'none', words: 'Not set' },
                    ]}
                    value={form.targetKind}
                    set={(value) => form.aim(value)}
                />
                {#if form.targetKind === 'power'}
                    <NumberField
                        label="Wheel power"
                        unit={form.state.labels.power}
                        value={form.target.power}
                        set={(text) => form.aimAt(given('power', text))}
                        min={1}
                    />
                {:else if form.targetKind === 'time'}
                    <NumberField
                        label="Quarter mile in"
                        unit="s"
                        value={form.target.quarter_mile}
                        set={(text) => form.aimAt(given('quarter_mile', text))}
                        min={5}
                        step={0.1}
                    />
                {:else if form.targetKind === 'torque'}
                    <span class="flex gap-2">
                        <NumberField
                            label="Wheel torque"
                            unit={form.state.labels.torque}
                            value={form.target.torque}
                            set={(text) => form.aimAt(given('torque', text))}
                            min={1}
                        />
                        <NumberField
                            label="at"
                            unit="rpm"
                            value={form.target.at_rpm}
                            set={(text) => form.aimAt(given('at_rpm', text))}
                            min={500}
                            step={50}
                        />
                    </span>
                {/if}
                {#if form.isAiming}<p class="w-full text-[12px] text-soft">
                        Not saved yet: enter the figures.
                    </p>{/if}
            </Question>
            <Question
                ask="What may it cost?"
                answered={answered('budget')}
                verdict={line('budget')}
                means={form.state.means.budget}
            >
                {#each [{ key: 'total', label: 'Total', step: 100 }, { key: 'now', label: 'Now', step: 100 }, { key: 'monthly', label: 'Per month', step: 50 }] as const as sum (sum.key)}
                    <NumberField
                        label={sum.label}
                        unit={form.state.labels.money}
                        value={form.brief.budget?.[sum.key]}
                        set={(text) => form.figure(`budget.${sum.key}`, text)}
                        step={sum.step}
                    />
                {/each}
            </Question>
            <Question
                ask="Which rpm range is in use?"
                answered={answered('rpm-range')}
                means={form.state.means.range}
            >
                <NumberField
                    label="From"
                    unit="rpm"
                    value={form.range.from}
                    set={(text) => form.drive(given('from', text))}
                    min={500}
                    step={100}
                />
                <NumberField
                    label="to"
                    unit="rpm"
                    value={form.range.to}
                    set={(text) => form.drive(given('to', text))}
                    min={500}
                    step={100}
                />
            </Question>
            <Question ask="Where is it driven hardest?" answered={true} means={form.state.means.outside}>
                {#each [{ key: 'altitude_m', label: 'Height', unit: 'm', step: 50, min: -400 }, { key: 'hottest_c', label: 'Hottest day', unit: '°C', step: 1, min: -10 }, { key: 'trailer', label: 'Trailer', unit: 'kg', step: 100, min: 0 }, { key: 'grade_percent', label: 'Long grade', unit: '%', step: 1, min: 0 }] as const as field (field.key)}
                    <NumberField
                        label={field.label}
                        unit={field.unit}
                        value={form.brief.outside?.[field.key]}
                        set={(text) => form.figure(`outside.${field.key}`, text)}
                        min={field.min}
                        step={field.step}
                    />
                {/each}
                <p class="w-full text-[12px] text-soft">What is left empty is as at the shop’s place.</p>
            </Question>
            <Question
                ask="How long and how hard will it be driven?"
                answered={true}
                means={form.state.means.driving}
            >
                {#each [{ key: 'months', label: 'Asked for', unit: 'months', step: 6, min: 1 }, { key: 'km_a_month', label: 'Distance a month', unit: 'km', step: 100, min: 0 }, { key: 'hard_percent', label: 'Hard road', unit: '%', step: 5, min: 0 }, { key: 'track_percent', label: 'Track', unit: '%', step: 5, min: 0 }, { key: 'drag_percent', label: 'Drag', unit: '%', step: 5, min: 0 }] as const as field (field.key)}
                    <NumberField
                        label={field.label}
                        unit={field.unit}
                        value={form.brief.driving?.[field.key]}
                        set={(text) => form.figure(`driving.${field.key}`, text)}
                        min={field.min}
                        step={field.step}
                    />
                {/each}
                <p class="w-full text-[12px] text-soft">
                    The rest is daily driving. What is left empty is as usual for the use.
                </p>
            </Question>
            <Question
                ask="Which fuels are within reach?"
                answered={answered('fuels')}
                verdict={line('fuel')}
                means={form.state.means.fuels}
            >
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
            <Question
                ask="Road or track only, and which rules apply?"
                answered={answered('use', 'noise', 'inspection', 'warranty')}
                verdict={line('law')}
                means={form.state.means.use}
            >
                <Choice
                    label="Use"
                    options={[
                        { value: 'road', words: 'Road' },
                        { value: 'track', words: 'Track only' },
                    ]}
                    value={form.brief.use}
                    set={(use) => form.answer({ use })}
                />
                <Choice
                    label="Noise"
                    options={[
                        { value: 'as-stock', words: 'No louder than stock' },
                        { value: 'a-little', words: 'A little louder' },
                        { value: 'open', words: 'Loud is fine' },
                    ]}
                    value={form.brief.noise}
                    set={(noise) => form.answer({ noise })}
                />
                <Choice
                    label="Inspection"
                    options={[
                        { value: 'usual', words: 'Normal inspection' },
                        { value: 'strict', words: 'Strict inspection' },
                        { value: 'none', words: 'None' },
                    ]}
                    value={form.brief.inspection}
                    set={(inspection) => form.answer({ inspection })}
                />
                <Choice
                    label="Warranty"
                    options={[
                        { value: 'running', words: 'Warranty runs' },
                        { value: 'over', words: 'Warranty over' },
                    ]}
                    value={form.brief.warranty}
                    set={(warranty) => form.answer({ warranty })}
                />
            </Question>
            <Question
                ask="What does the customer refuse?"
                answered={answered('refuses')}
                verdict={line('build')}
            >
                {#each refusals as refusal (refusal.key)}
                    <label class="flex items-center gap-1.5"
                        ><input
                            type="checkbox"
                            checked={form.brief.refuses?.includes(refusal.key) ?? false}
                            onchange={() => form.refuse(refusal.key)}
                        />
                        {refusal.words}</label
                    >
                {/each}
                <button class="btn" onclick={() => form.answer({ refuses: [] })}>None of these</button>
            </Question>
            <Question
                ask="How much risk is acceptable?"
                answered={answered('risk')}
                verdict={line('limits')}
                means={form.state.means.risk}
            >
                <Choice
                    label="Risk"
                    options={[
                        { value: 'cautious', words: 'Cautious: every limit clear' },
                        { value: 'normal', words: 'Normal: close to safe is fine' },
                        { value: 'bold', words: 'Bold: over safe, never past where it breaks' },
                    ]}
                    value={form.brief.risk}
                    set={(risk) => form.answer({ risk })}
                />
            </Question>
            <Question
                ask="Which warnings were given to the customer?"
                answered={answered('warnings')}
                means={['Each is noted with the day and who gave it.']}
            >
                <Warnings {form} {warnings} />
            </Question>
        </div>
    </fieldset>
</Frame>
<ConflictSheet queue={form.queue} />
