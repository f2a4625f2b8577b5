<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import { router, useForm } from '@inertiajs/svelte';
    import { untrack } from 'svelte';
    import type { CounterPage, Opened, Task } from '@/generated/answers';
    import { sendFile } from '@/lib/api';
    import { Background } from '@/lib/background.svelte';
    import { PlatformAnswers } from '@/lib/platformAnswers.svelte';
    import { told } from '@/lib/told.svelte';
    import PlatformFields from '@/ui/PlatformFields.svelte';
    import Told from '@/ui/Told.svelte';
    import Waits from '@/ui/Waits.svelte';
    import CustomerField, { type Known } from '@/ui/CustomerField.svelte';
    import Sheet from '@/ui/Sheet.svelte';
    import { figure } from '@/lib/format';

    type Props = Pick<CounterPage, 'platforms' | 'templates' | 'units'> & {
        open: boolean;
        mayMake: boolean;
    };
    let { open = $bindable(), platforms, templates, units, mayMake }: Props = $props();
    const answers = untrack(() => new PlatformAnswers(templates));
    /** What stands for a car that the library lacks. */
    const NEW = 'new';

    const form = useForm({
        customer: 'New customer',
        customer_id: null as number | null,
        car: null as number | null,
        title: 'New job',
        platform: null as number | typeof NEW | null,
    });
    let known = $state.raw<Known | null>(null);

    function choose(one: Known) {
        known = one;
        form.customer = one.customer.name;
        form.customer_id = one.customer.id;
        form.car = one.car?.id ?? null;
        if (one.car) form.platform = one.car.platform;
    }

    /** Whoever types on means somebody else. */
    function type(text: string) {
        form.customer = text;
        form.customer_id = null;
        form.car = null;
        known = null;
    }

    /** A plan that another shop wrote: its platform and its parts come from the file. */
    let files = $state<FileList>();
    const say = told();
    const work = new Background();
    async function take(file: File) {
        const whose = new URLSearchParams({ customer: form.customer, title: form.title });
        const opened = await say.of(work.of<Opened>(sendFile<Task>(`/jobs/bundles?${whose}`, file)));
        if (opened) router.visit(`/jobs/${opened.job}/brief`);
    }

    /** Enter starts, also from the list: arrows and letters choose in it. */
    function startOnEnter(event: KeyboardEvent & { currentTarget: HTMLSelectElement }) {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        event.currentTarget.form?.requestSubmit();
    }

    function start(event: SubmitEvent) {
        event.preventDefault();
        const file = files?.[0];
        if (file) return void take(file);
        form.transform((data) =>
            data.platform === NEW ? { ...data, platform: null, platform_of: answers.body() } : data,
        ).post('/jobs');
    }
</script>

<Sheet
    bind:open
    title="New job"
    about="Choose a platform; everything can be changed in the brief. A name, a number or a registration finds who was here before."
>
    <form class="flex flex-col gap-3" onsubmit={start}>
        <Field label="Customer">
            <CustomerField value={form.customer} {choose} oninput={type} focused />
        </Field>
        {#if known}
            <p class="text-[12.5px] text-soft" role="status">
                {known.car
                    ? `Known car: ${known.car.words}${known.car.registration ? `, ${known.car.registration}` : ''}${
                          known.car.last_reading
                              ? `, last read at ${figure(known.car.last_reading.km)} km`
                              : ''
                      }.`
                    : 'Known customer, another car.'}
            </p>
        {/if}
        <Field label="Job"
            ><input
                class="field"
                maxlength="120"
                required
                bind:value={form.title}
                onfocus={(event) => event.currentTarget.select()}
            /></Field
        >
        <Field label="Platform"
            ><select
                class="field"
                required={form.car === null && (files?.length ?? 0) === 0}
                disabled={form.car !== null || (files?.length ?? 0) > 0}
                bind:value={form.platform}
                onkeydown={startOnEnter}
                ><option value={null}>choose a platform</option>{#if mayMake}<option value={NEW}
                        >a car that is not in the library…</option
                    >{/if}{#each platforms as platform (platform.id)}<option value={platform.id}
                        >{platform.name}</option
                    >{/each}</select
            ></Field
        >
        {#if form.platform === NEW && form.car === null}
            <div class="flex flex-col gap-3 rounded border border-line p-3">
                <p class="text-[12.5px] text-soft">
                    A platform is made for it. What nobody has measured is typical of such engines and says
                    so; replace it in the library, figure by figure.
                </p>
                <PlatformFields {answers} {templates} {units} />
            </div>
        {/if}
        <Field label="Or from a plan in a file"
            ><input class="text-[12px]" type="file" accept=".json,application/json" bind:files /></Field
        >
        <Told {say} />
        <Waits {work} words="The file is being read" />
        {#if form.hasErrors}<p class="text-rust" role="alert">{Object.values(form.errors).join(' ')}</p>{/if}
        <div class="flex justify-end gap-2">
            <button type="button" class="btn" onclick={() => (open = false)}>Cancel</button>
            <button type="submit" class="btn btn-strong" disabled={form.processing || work.isLive}
                >Start</button
            >
        </div>
    </form>
</Sheet>
