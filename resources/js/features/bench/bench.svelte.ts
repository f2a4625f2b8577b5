import type {
    BenchEstimate,
    CellGlance,
    Command,
    Finding,
    PlanNote,
    PlanState,
    PlanStep,
    HistoryEntry,
    SlotGlance,
    StageGlance,
    Variant,
} from '@/generated/answers';
import { get, postOnce } from '@/lib/api';
import { day } from '@/lib/format';
import type { Asked, Edit } from '@/lib/sync/edits';
import { EditQueue } from '@/lib/sync/queue.svelte';
import { unique } from '@/lib/unique';
import { JobPlans } from './plans.svelte';
import { FOOT, FUEL, HEAD, LANE, NEW, type Echo, type Settings, type View } from './types';
import { Variants } from './variants.svelte';

type LineChange = Omit<Extract<Command, { do: 'line' }>, 'do' | 'stage' | 'part'>;

const EMPTY: readonly CellGlance['state'][] = ['stock', 'missing', 'advised', 'removed', 'unknown'];
const BOUGHT: readonly CellGlance['state'][] = ['new', 'again'];

/** A key that no stage ever had, so that a change made for another one never lands in it. */
const newStage = () => `s-${unique(6)}`;

const isStock = (slot: SlotGlance) => slot.key !== FUEL && slot.cells.every((cell) => cell.state === 'stock');

/** The bench's state: the plan as the server knows it, what is selected, and the edits on their way. */
export class Bench {
    state = $state.raw<PlanState>() as PlanState;
    /** An earlier revision that is only looked at. */
    past = $state.raw<PlanState | null>(null);
    slot = $state('');
    column = $state(1);
    /** Slots that are selected together with the current one, in the same column. */
    picked = $state.raw<string[]>([]);
    /** The stage whose name is being written, by key, or a new one; meanwhile no key is a command. */
    naming = $state<string | typeof NEW | null>(null);
    /** The hold of the stage's panel takes the keys as soon as it is there. */
    wantsHold = $state(false);
    /** How far the stage is takes the keys as soon as it is there. */
    wantsLife = $state(false);
    view = $state<View>({ kind: 'cell' });
    error = $state('');
    announcement = $state('');
    readonly variants: Variants;
    readonly plans: JobPlans;
    readonly plan: number;
    readonly queue: EditQueue;

    constructor(
        readonly job: number,
        person: number,
        state: PlanState,
        plans: PlanNote[] = [],
        /** The unit of power that the person reads in. */
        private readonly unit = 'hp',
        /** Whether the person's role changes plans; others read them. */
        readonly mayEdit = true,
        /** Whether it says how far stages are. */
        readonly mayMark = true,
    ) {
        this.state = state;
        this.plan = state.plan;
        this.plans = new JobPlans(job, this.plan, plans, this.#told);
        this.variants = new Variants(this.plan, this.#told);
        this.queue = new EditQueue(job, person, {
            shown: { show: 'bench', plan: this.plan },
            version: () => this.state.version,
            take: (answer) => answer && 'estimate' in answer && this.#take(answer),
            refresh: () => void this.refresh(),
        });
        this.column = Math.max(1, state.estimate.stages.length - 1);
        this.slot = this.slots[0]?.key ?? FOOT;
    }

    /** Where the plan's changes are sent. */
    get #url() {
        return `/plans/${this.plan}/edits`;
    }

    estimate = $derived.by<BenchEstimate>(() => (this.past ?? this.state).estimate);
    stages = $derived.by(() => this.estimate.stages);
    slots = $derived.by(() => this.estimate.lanes.flatMap((lane) => lane.slots));
    /** Lanes of which somebody wants to see every place, though all is stock. */
    unfolded = $state.raw<string[]>([]);
    folded = $derived.by(() =>
        this.estimate.lanes
            .filter((lane) => !this.unfolded.includes(lane.key) && lane.slots.every((slot) => isStock(slot)))
            .map((lane) => lane.key),
    );
    rows = $derived.by(() => [
        HEAD,
        ...this.estimate.lanes.flatMap((lane) =>
            this.folded.includes(lane.key) ? [LANE + lane.key] : lane.slots.map((slot) => slot.key),
        ),
        FOOT,
    ]);
    saving = $derived.by(() => this.queue.waiting.length > 0);
    stage = $derived.by<StageGlance | undefined>(() => this.stages[this.column]);
    row = $derived.by<SlotGlance | undefined>(() => this.slots.find((slot) => slot.key === this.slot));
    /** What was moved or chosen shows at once; the figures are the server's, and settle when it answers. */
    #echo = $derived.by<Echo>(
        () =>
            Object.assign(
                {},
                ...this.queue.waiting.filter((one) => one.url === this.#url).map((one) => one.echo),
            ) as Echo,
    );

    cell = $derived.by<CellGlance | undefined>(() => this.row && this.shown(this.row, this.column));

    /** A cell as it shows now: the server's, or the echo of a change on its way. */
    shown(row: SlotGlance, column: number): CellGlance {
        const echo = this.past ? undefined : this.#echo[`${row.key}/${column}`];
        return echo ?? row.cells[column] ?? { state: 'stock' };
    }

    select(slot: string, column: number) {
        const to = Math.min(Math.max(0, column), this.stages.length - 1);
        if (to !== this.column) this.picked = [];
        this.slot = slot;
        this.column = to;
        this.view = slot === FOOT || slot === HEAD ? { kind: 'stage' } : { kind: 'cell' };
    }

    unfold(lane: string) {
        this.unfolded = [...this.unfolded, lane];
        const first = this.estimate.lanes.find((one) => one.key === lane)?.slots[0];
        if (first) this.select(first.key, this.column);
    }

    /** Where a place is, wherever its lane is folded. */
    goTo(slot: string, column: number) {
        const lane = this.estimate.lanes.find((one) => one.slots.some((row) => row.key === slot));
        if (lane && this.folded.includes(lane.key)) this.unfold(lane.key);
        this.select(slot, column);
    }

    step(rows: number, columns: number) {
        const at = this.rows.indexOf(this.slot) + rows;
        this.select(
            this.rows[Math.min(Math.max(0, at), this.rows.length - 1)] ?? FOOT,
            this.column + columns,
        );
    }

    /** Takes the current cell into the selection of several, or out of it. */
    pick() {
        if (!this.row) return;
        this.picked = this.picked.includes(this.slot)
            ? this.picked.filter((slot) => slot !== this.slot)
            : [...this.picked, this.slot];
    }

    /** Walks on and takes every cell on the way into the selection. */
    stretch(by: 1 | -1) {
        const before = this.slot;
        this.step(by, 0);
        if (this.row)
            this.picked = [...this.picked, before, this.slot].filter(
                (slot, i, all) => all.indexOf(slot) === i && this.slots.some((row) => row.key === slot),
            );
    }

    /** The rows a change is meant for: those picked, else the current one. */
    get targets(): SlotGlance[] {
        const keys = this.picked.length > 0 ? this.picked : [this.slot];
        return this.slots.filter((row) => keys.includes(row.key));
    }

    /** Those of the targets that this stage buys, each part once. */
    get bought(): SlotGlance[] {
        return this.targets.filter((row) => {
            const cell = this.shown(row, this.column);
            return row.key !== FUEL && cell.part != null && BOUGHT.includes(cell.state);
        });
    }

    /** @param beside  what goes in with it */
    fit(part: string, name: string, beside: { part: string }[] = []) {
        const stage = this.stage;
        if (stage && stage.index > 0)
            this.edit(this.fitting(stage.key, [{ part }, ...beside]), `Fit ${name} in stage ${stage.index}`, {
                [`${this.slot}/${this.column}`]: { state: 'new', name, part },
            });
    }

    burn(fuel: string, name: string, beside: { part: string }[] = []) {
        const stage = this.stage;
        if (stage && stage.index > 0)
            this.edit(
                [{ do: 'fuel', stage: stage.key, fuel }, ...this.fitting(stage.key, beside)],
                `Run stage ${stage.index} on ${name}`,
                { [`${FUEL}/${this.column}`]: { state: 'new', name } },
            );
    }

    private fitting(stage: string, parts: { part: string }[]) {
        return parts.map(({ part }) => ({ do: 'fit' as const, stage, part }));
    }

    /** Accepts that a limit is passed from the stage on, with a reason; null takes it back. */
    acceptLimit(limit: string, name: string, reason: string | null) {
        const stage = this.stage;
        if (stage && stage.index > 0)
            this.edit(
                [{ do: 'accept', stage: stage.key, limit, reason }],
                reason === null
                    ? `Accept ${name} no longer in stage ${stage.index}`
                    : `Accept ${name} past its limit in stage ${stage.index}`,
            );
    }

    /** Has the map of the stage hold torque between two speeds; null releases it. */
    hold(hold: { torque: number; unit: 'lb-ft' | 'Nm'; from_rpm: number; to_rpm: number } | null) {
        const stage = this.stage;
        if (stage && stage.index > 0)
            this.edit(
                [{ do: 'hold', stage: stage.key, hold }],
                hold === null
                    ? `No torque cap in stage ${stage.index}`
                    : `Cap torque at ${hold.torque} ${hold.unit} in stage ${stage.index}`,
            );
    }

    clear() {
        const { stage, column } = this;
        if (!stage || stage.index === 0) return;
        const rows = this.targets.filter((row) => {
            return row.key !== FUEL && !EMPTY.includes(this.shown(row, column).state);
        });
        this.edit(
            rows.map((row) => ({ do: 'clear', stage: stage.key, slot: row.key })),
            `Clear ${rows.map((row) => row.name.toLowerCase()).join(', ')} in stage ${stage.index}`,
            Object.fromEntries(rows.map((row) => [`${row.key}/${column}`, { state: 'stock' }])),
        );
    }

    /** What a stage buys, by name. */
    namesBought(column: number): string[] {
        return this.slots
            .map((row) => this.shown(row, column))
            .filter((cell) => cell.part !== undefined && BOUGHT.includes(cell.state))
            .map((cell) => cell.name ?? '');
    }

    /** Moves what the selected cells fit one stage earlier or later; the selection goes along. */
    shift(by: -1 | 1) {
        this.moveTo(this.column + by);
    }

    moveTo(column: number) {
        const { stage, bought, slot, picked } = this;
        const to = this.stages[column];
        const from = this.column;
        if (!stage || !to || to.index === 0 || to === stage || bought.length === 0) return;
        const cells = bought.map((row) => ({ row, cell: this.shown(row, from) }));
        this.edit(
            cells.map(({ cell }) => ({
                do: 'move',
                stage: stage.key,
                to: to.key,
                part: cell.part as string,
            })),
            `Move ${cells.map(({ cell }) => cell.name ?? '').join(', ')} from stage ${stage.index} to stage ${to.index}`,
            Object.fromEntries(
                cells.flatMap(({ row, cell }) => [
                    [`${row.key}/${from}`, { state: 'stock' as const }],
                    [
                        `${row.key}/${column}`,
                        { state: 'new' as const, name: cell.name ?? '', part: cell.part ?? '' },
                    ],
                ]),
            ),
        );
        this.select(slot, column);
        this.picked = picked;
    }

    /** Buys the part of the cell anew in the next stage: a map again, a consumable. */
    copyForward() {
        const { row, cell, column } = this;
        const to = this.stages[column + 1];
        if (!row || !cell?.part || !to || this.column === 0 || EMPTY.includes(cell.state)) return;
        this.edit(
            [{ do: 'fit', stage: to.key, part: cell.part }],
            `Fit ${cell.name ?? ''} again in stage ${to.index}`,
            { [`${row.key}/${column + 1}`]: { state: 'again', name: cell.name ?? '', part: cell.part } },
        );
        this.select(row.key, column + 1);
    }

    /** Marks the selected parts as the customer's own, or back. */
    own() {
        this.#mark('own', { basis: 'owned' }, { basis: null });
    }

    /** Marks the selected parts as paid and on the shelf, or back. */
    buy() {
        this.#mark('bought', { bought: true }, { bought: null });
    }

    /** Leaves fitting the selected parts to the customer, or takes it back. */
    leaveToCustomer() {
        this.#mark('own work', { own_work: true }, { own_work: null });
    }

    /** Marks them all, or takes the mark back where all have it. */
    #mark(mark: NonNullable<CellGlance['marks']>[number], on: LineChange, off: LineChange) {
        const cells = this.bought.map((row) => this.shown(row, this.column));
        this.price(
            cells.map((cell) => cell.part as string),
            cells.every((cell) => cell.marks?.includes(mark)) ? off : on,
        );
    }

    price(parts: string[], change: LineChange) {
        const { stage } = this;
        if (!stage || stage.index === 0) return;
        this.edit(
            parts.map((part) => ({ do: 'line', stage: stage.key, part, ...change })),
            `Change a price in stage ${stage.index}`,
        );
    }

    /** Fits what is missing or advised here, with everything that needs itself. */
    accept() {
        const { row, cell } = this;
        if (row && cell?.fits && (cell.state === 'missing' || cell.state === 'advised'))
            this.settle({ name: cell.name ?? row.name, parts: cell.fits });
    }

    settle(way: Finding['fixes'][number]) {
        const { stage, row, column } = this;
        if (!stage || stage.index === 0) return;
        this.edit(
            way.parts.map((part) => ({ do: 'fit', stage: stage.key, part })),
            `Fit ${way.name} in stage ${stage.index}`,
            row
                ? { [`${row.key}/${column}`]: { state: 'new', name: way.name, part: way.parts[0] ?? '' } }
                : {},
        );
    }

    changeSettings(settings: Partial<Settings>, words: string) {
        this.edit([{ do: 'settings', ...settings }], words);
    }

    addStage(name: string) {
        this.edit(
            [{ do: 'add-stage', key: newStage(), name }],
            name === '' ? 'Add a stage' : `Add stage ${name}`,
        );
    }

    removeStage() {
        const stage = this.stage;
        if (stage && stage.index > 0)
            this.edit([{ do: 'remove-stage', stage: stage.key }], `Remove stage ${stage.index}`);
    }

    /** Takes the selected parts into a new stage behind this one. */
    splitStage() {
        const { stage, bought, column } = this;
        const parts = bought.map((row) => this.shown(row, column).part as string);
        if (stage && stage.index > 0 && parts.length > 0)
            this.edit(
                [{ do: 'split-stage', key: newStage(), stage: stage.key, parts }],
                `Split stage ${stage.index}`,
            );
    }

    mergeStage() {
        const stage = this.stage;
        if (stage && stage.index > 1)
            this.edit(
                [{ do: 'merge-stage', stage: stage.key }],
                `Merge stage ${stage.index} into stage ${stage.index - 1}`,
            );
    }

    moveStage(by: -1 | 1) {
        const { stage } = this;
        const to = this.stages[this.column + by];
        if (!stage || stage.index === 0 || !to || to.index === 0) return;
        this.edit(
            [{ do: 'move-stage', stage: stage.key, to: to.key }],
            `Put stage ${stage.index} in the place of stage ${to.index}`,
        );
        this.select(this.slot, to.index);
    }

    rename(key: string, name: string) {
        const stage = this.stages.find((one) => one.key === key);
        if (stage && stage.index > 0 && name !== stage.name)
            this.edit([{ do: 'rename-stage', stage: key, name }], `Rename stage ${stage.index}`);
    }

    edit(commands: Command[], words: string, echo: Echo = {}) {
        if (commands.length > 0) this.#send({ commands }, words, echo);
    }

    /** Takes back the last change of one's own; what others did stays. */
    undo = () => {
        const of = this.queue.last(this.#url)?.request ?? this.state.undo?.number;
        if (of !== undefined) this.#step({ do: 'undo', of }, 'Undo');
    };

    redo = () => {
        const of = this.queue.last(this.#url)?.request ?? (this.state.redo && this.state.revision);
        if (of) this.#step({ do: 'redo', of }, 'Redo');
    };

    /** Takes back one change of anybody's, by name; what came after it stays. */
    undoChange(revision: HistoryEntry) {
        this.#step({ do: 'undo', of: revision.number }, `Undo: ${revision.label}`);
    }

    /** Keeps the plan as it shows under a name: what still waits is saved first. */
    async keep(name: string) {
        await this.queue.empty();
        return this.variants.keep(name, this.state.revision);
    }

    takeVariant(variant: Variant) {
        this.#step({ do: 'take', of: variant.id }, `Take variant ${variant.name}`);
    }

    /** The target or the budget dragged on the run is an answer of the brief. */
    changeTarget = (answer: { power: number } | { budget: number }) => {
        const url = `/jobs/${this.job}/brief/edits`;
        if ('power' in answer) {
            const value = { power: answer.power };
            this.queue.add(
                url,
                { answers: [{ place: 'target', value, unit: this.unit }] },
                'Change the target',
            );
        } else
            this.queue.add(
                url,
                { answers: [{ place: 'budget.total', value: answer.budget }] },
                'Change the budget',
            );
    };

    /** The address of what is read of the plan when it is opened, as it shows now. */
    opened(part: string, asked: Record<string, string | number>): string {
        const whole = {
            ...asked,
            ...(this.past ? { revision: this.past.revision } : {}),
            at: this.state.version,
        };
        const search = Object.entries(whole).map(([key, value]) => `${key}=${encodeURIComponent(value)}`);
        return `/plans/${this.plan}/${part}?${search.join('&')}`;
    }

    /** Whether the library has something newer than the plan was saved with. */
    get hasNews(): boolean {
        const { version, newest, repriced } = this.state.library;
        return newest > version || repriced;
    }

    renamePlan(name: string) {
        if (name !== this.state.name) this.edit([{ do: 'rename-plan', name }], `Call the plan ${name}`);
    }

    /** A further plan of the job; what still waits is saved first. Its id. */
    async makePlan(name: string, from: boolean): Promise<number | null> {
        await this.queue.empty();
        return this.plans.make(name, from);
    }

    /** What a request brings; null where it was refused, which is told. */
    #told = async <T>(asked: Promise<T>): Promise<T | null> => {
        try {
            return await asked;
        } catch (fault) {
            this.error = fault instanceof Error ? fault.message : 'Not saved.';
            return null;
        }
    };

    /** Sixty at a time, the latest first, or those before a revision. */
    history(before?: number): Promise<HistoryEntry[]> {
        return get<HistoryEntry[]>(`/plans/${this.plan}/revisions${before ? `?before=${before}` : ''}`);
    }

    /** Shows the plan as it was; nothing can be changed until one goes back or restores it. */
    async look(number: number) {
        this.past = await get<PlanState>(`/plans/${this.plan}/revisions/${number}`);
        this.#clamp();
        this.announcement = `Looking at revision ${number}.`;
    }

    back = () => {
        this.past = null;
        this.#clamp();
    };

    renew(number: number) {
        this.#step({ do: 'renew', of: number }, `Take version ${number} of the library`);
        this.view = { kind: 'cell' };
    }

    restore = () => {
        const past = this.past;
        if (!past) return;
        this.back();
        this.#step({ do: 'restore', of: past.revision }, `Restore revision ${past.revision}`);
    };

    /** How far a stage is, where somebody said so. */
    marked(stage: string): string {
        const life = (this.past ?? this.state).lives.find((one) => one.stage === stage);
        return life?.on && life.life !== 'planned' ? `${life.words}, ${day(life.on)}` : '';
    }

    /** Says how far a stage is; whether it was taken. What waits to be saved goes first: a stage may be among it. */
    async mark(
        was: PlanState['lives'][number],
        now: {
            life: PlanState['lives'][number]['life'];
            on: string;
            km?: number | null;
            stock_place?: string;
        },
    ): Promise<boolean> {
        await this.queue.empty();
        const state = await this.#told(
            postOnce<PlanState>(`/plans/${this.plan}/stages/${was.stage}/marks`, { ...now, was: was.life }),
        );
        if (state) this.#take(state);
        return state !== null;
    }

    async refresh() {
        const state = await get<PlanState>(`/plans/${this.plan}`).catch(() => null);
        if (state) this.#take(state);
    }

    #step(step: PlanStep, words: string) {
        this.#send({ step }, words);
    }

    #send(asked: Asked, words: string, echo: Echo = {}): Edit | null {
        if (this.past) {
            this.error = `This is revision ${this.past.revision}, only to look at: restore it, or go back to the plan.`;
            return null;
        }
        if (!this.mayEdit) {
            this.error = 'Your role reads plans and does not change them: ask an owner of the shop.';
            return null;
        }
        this.error = '';
        return this.queue.add(this.#url, asked, words, echo);
    }

    /** What was overtaken on its way never replaces something newer. */
    #take(state: PlanState) {
        if (state.version < this.state.version || state.plan !== this.plan) return;
        this.state = state;
        this.#clamp();
        const last = state.estimate.stages[state.estimate.stages.length - 1];
        this.announcement = `${state.label}. ${last ? `Last stage ${Math.round(last.power.p50)} ${state.estimate.labels.power}` : ''}`;
    }

    #clamp() {
        if (
            this.naming !== null &&
            this.naming !== NEW &&
            !this.stages.some((one) => one.key === this.naming)
        ) {
            this.naming = null;
            this.error = 'The stage that you were naming was removed meanwhile.';
        }
        this.column = Math.min(this.column, this.stages.length - 1);
        this.picked = this.picked.filter((key) => this.slots.some((row) => row.key === key));
    }
}
