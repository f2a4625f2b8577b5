<script lang="ts">
    import Field from '@/ui/Field.svelte';
    import DayField from '@/ui/DayField.svelte';
    import Figure from '@/ui/Figure.svelte';
    import { untrack } from 'svelte';
    import type { PriceListShown, PriceListsPage, Task } from '@/generated/answers';
    import { post } from '@/lib/api';
    import { figure } from '@/lib/format';
    import { told } from '@/lib/told.svelte';
    import Told from '@/ui/Told.svelte';

    /** Which column says what, on the first lines of the list themselves. */
    type Props = {
        list: PriceListShown;
        page: Pick<PriceListsPage, 'currency' | 'tax_percent' | 'margin_percent' | 'today'>;
        looking: (task: Task) => void;
    };
    let { list, page, looking }: Props = $props();
    const fields = [
        ['article', 'article number'],
        ['key', 'our own key'],
        ['maker', 'maker'],
        ['name', 'name'],
        ['price', 'price'],
        ['used', 'used price'],
        ['lead_days', 'days until it is there'],
    ] as const;
    const separators: Record<string, string> = {
        ';': 'semicolons',
        ',': 'commas',
        '\t': 'tabs',
        '|': 'bars',
    };
    const { matching: guessed, names, as_of } = untrack(() => $state.snapshot(list));
    let said = $state(names.map((_, at) => fields.find(([key]) => guessed.columns?.[key] === at)?.[0] ?? ''));
    let decimal = $state(guessed.decimal ?? 'point');
    let taxed = $state(guessed.taxed ?? false);
    let cost = $state(guessed.cost ?? false);
    let rate = $state<number | undefined>(guessed.rate ?? 1);
    let asOf = $state(as_of);
    const say = told();

    async function look(event: SubmitEvent) {
        event.preventDefault();
        const columns = Object.fromEntries(said.flatMap((field, at) => (field ? [[field, at]] : [])));
        const task = await say.of(
            post<Task>(`/price-lists/${list.id}/look`, {
                columns,
                decimal,
                taxed,
                cost,
                rate,
                as_of: asOf,
            }),
        );
        if (task) looking(task);
    }
</script>

<form onsubmit={look}>
    <p class="text-soft">
        {list.encoding}, separated by {separators[list.separator] ?? list.separator}. Say above each column
        what it holds; it is remembered for {list.supplier}.
    </p>
    <div class="mt-2 overflow-x-auto">
        <table class="border-collapse">
            <thead>
                <tr
                    >{#each list.names as name, at (at)}<th
                            class="border-b border-line p-1 text-left align-bottom font-normal"
                        >
                            <select
                                class="field w-full min-w-28 {said[at]
                                    ? 'border-river font-medium'
                                    : 'text-soft'}"
                                aria-label="Column {name} holds"
                                bind:value={said[at]}
                                ><option value="">nothing needed</option
                                >{#each fields as [key, words] (key)}<option value={key}>{words}</option
                                    >{/each}</select
                            >
                            <span class="mt-1 block text-[12px] text-soft">{name}</span>
                        </th>{/each}</tr
                >
            </thead>
            <tbody>
                {#each list.rows as row, r (r)}<tr
                        >{#each said as field, at (at)}<td
                                class="max-w-56 truncate border-b border-faint px-2 py-1 tabular-nums {field
                                    ? ''
                                    : 'text-soft'}">{row[at] ?? ''}</td
                            >{/each}</tr
                    >{/each}
            </tbody>
        </table>
    </div>
    <div class="mt-3 flex flex-wrap items-end gap-3">
        <Field label="Decimals with"
            ><select class="field" bind:value={decimal}
                ><option value="point">a point</option><option value="comma">a comma</option></select
            ></Field
        >
        <Field label="Its prices are"
            ><select class="field" bind:value={cost}
                ><option value={false}>what we sell at</option><option value={true}
                    >what we pay{page.margin_percent === null
                        ? '; the owner says the margin'
                        : `, plus ${figure(page.margin_percent)} % margin`}</option
                ></select
            ></Field
        >
        <Field label="Tax"
            ><select class="field" bind:value={taxed}
                ><option value={false}>not in the prices</option><option value={true}
                    >{page.tax_percent} % is in the prices</option
                ></select
            ></Field
        >
        <Field label="{page.currency} for one of the list's currency"
            ><Figure
                class="field w-24"
                min={0}
                step={0.01}
                required
                value={rate}
                set={(number) => (rate = number)}
            /></Field
        >
        <DayField label="Prices of" most={page.today} bind:value={asOf} />
        <button class="btn btn-strong"
            >{list.state === 'looked' ? 'Preview again' : 'Preview the changes'}</button
        >
    </div>
    <Told {say} />
</form>
