import type { Cell, Finding, SlotRow, StageEstimate } from '@/generated/estimate';
import { get, Offline, post, Refusal } from '@/lib/api';
import {
    HEAD,
    FOOT,
    FUEL,
    type Command,
    type Conflict,
    type PlanState,
    type RevisionNote,
    type Settings,
    type View,
} from './types';

type Request = { path: 'commands' | 'undo' | 'redo'; commands: Command[]; words: string };

/** The bench's state: the plan as the server knows it, what is selected, and the edits on their way. */
export class Bench {
    state = $state.raw<PlanState>() as PlanState;
    slot = $state('');
    column = $state(1);
    view = $state<View>({ kind: 'cell' });
    error = $state('');
    announcement = $state('');
    conflict = $state<Conflict | null>(null);
    offline = $state(false);
    #waiting = $state<Request[]>([]);
    #sending = false;

    constructor(
        readonly plan: number,
        state: PlanState,
    ) {
        this.state = state;
        this.column = Math.max(1, state.estimate.stages.length - 1);
        this.slot = this.slots[0]?.key ?? FOOT;
    }

    estimate = $derived.by(() => this.state.estimate);
    stages = $derived.by(() => this.state.estimate.stages);
    slots = $derived.by(() => this.state.estimate.lanes.flatMap((lane) => lane.slots));
    rows = $derived.by(() => [HEAD, ...this.slots.map((slot) => slot.key), FOOT]);
    saving = $derived.by(() => this.#waiting.length > 0);
    stage = $derived.by<StageEstimate | undefined>(() => this.stages[this.column]);
    row = $derived.by<SlotRow | undefined>(() => this.slots.find((slot) => slot.key === this.slot));
    cell = $derived.by<Cell | undefined>(() => this.row?.cells[this.column]);

    select(slot: string, column: number) {
        this.slot = slot;
        this.column = Math.min(Math.max(0, column), this.stages.length - 1);
        this.view = slot === FOOT || slot === HEAD ? { kind: 'stage' } : { kind: 'cell' };
    }

    step(rows: number, columns: number) {
        const at = this.rows.indexOf(this.slot) + rows;
        this.select(
            this.rows[Math.min(Math.max(0, at), this.rows.length - 1)] ?? FOOT,
            this.column + columns,
        );
    }

    fit(part: string, name: string) {
        const stage = this.stage;
        if (stage && stage.index > 0)
            this.edit([{ do: 'fit', stage: stage.key, part }], `Fit ${name} in stage ${stage.index}`);
    }

    burn(fuel: string, name: string) {
        const stage = this.stage;
        if (stage && stage.index > 0)
            this.edit([{ do: 'fuel', stage: stage.key, fuel }], `Run stage ${stage.index} on ${name}`);
    }

    clear() {
        const { stage, row, cell } = this;
        if (!stage || stage.index === 0 || !row || row.key === FUEL || !cell) return;
        if (['stock', 'missing', 'advised', 'removed'].includes(cell.state)) return;
        this.edit(
            [{ do: 'clear', stage: stage.key, slot: row.key }],
            `Clear the ${row.name.toLowerCase()} in stage ${stage.index}`,
        );
    }

    /** Moves what the selected cell fits one stage earlier or later; the selection goes along. */
    shift(by: -1 | 1) {
        this.moveTo(this.column + by);
    }

    moveTo(column: number) {
        const { stage, cell, row } = this;
        const to = this.stages[column];
        if (!stage || !to || to.index === 0 || to === stage || !cell?.part || !row) return;
        if (cell.state !== 'new' && cell.state !== 'again') return;
        this.edit(
            [{ do: 'move', stage: stage.key, to: to.key, part: cell.part }],
            `Move ${cell.name} from stage ${stage.index} to stage ${to.index}`,
        );
        this.select(row.key, column);
    }

    /** Fits what is missing or advised here, with everything that needs itself. */
    accept() {
        const { stage, row, cell } = this;
        if (!stage || !row || !cell?.part || (cell.state !== 'missing' && cell.state !== 'advised')) return;
        const way = stage.findings.find((one) => one.slot === row.key && one.fixes[0]?.parts[0] === cell.part)
            ?.fixes[0];
        if (way) this.settle(way);
    }

    settle(way: Finding['fixes'][number]) {
        const stage = this.stage;
        if (!stage || stage.index === 0) return;
        this.edit(
            way.parts.map((part) => ({ do: 'fit', stage: stage.key, part })),
            `Fit ${way.name} in stage ${stage.index}`,
        );
    }

    reckon(settings: Partial<Settings>, words: string) {
        this.edit([{ do: 'settings', ...settings }], words);
    }

    addStage() {
        this.edit([{ do: 'add-stage', name: '' }], 'Add a stage');
    }

    removeStage() {
        const stage = this.stage;
        if (stage && stage.index > 0)
            this.edit([{ do: 'remove-stage', stage: stage.key }], `Remove stage ${stage.index}`);
    }

    rename(column: number, name: string) {
        const stage = this.stages[column];
        if (stage && stage.index > 0 && name !== stage.name) {
            this.edit([{ do: 'rename-stage', stage: stage.key, name }], `Rename stage ${stage.index}`);
        }
    }

    edit(commands: Command[], words: string) {
        this.#queue({ path: 'commands', commands, words });
    }

    undo = () => {
        if (this.state.can_undo || this.saving) this.#queue({ path: 'undo', commands: [], words: 'Undo' });
    };

    redo = () => {
        if (this.state.can_redo || this.saving) this.#queue({ path: 'redo', commands: [], words: 'Redo' });
    };

    /** Sends what waits again after the connection came back. */
    retry = () => {
        this.offline = false;
        void this.#run();
    };

    history(): Promise<RevisionNote[]> {
        return get<RevisionNote[]>(`/plans/${this.plan}/revisions`);
    }

    /** The other's version stands; ours is given up. */
    takeTheirs = async () => {
        this.#waiting = [];
        this.conflict = null;
        this.#take(await get<PlanState>(`/plans/${this.plan}`));
    };

    /** Ours goes on top of the other's version. */
    putMine = () => {
        const conflict = this.conflict;
        if (!conflict) return;
        this.conflict = null;
        this.state = { ...this.state, revision: conflict.revision };
        void this.#run();
    };

    #queue(request: Request) {
        this.error = '';
        this.#waiting = [...this.#waiting, request];
        void this.#run();
    }

    /** One request at a time, in order: each is made on the revision that the one before gave. */
    async #run() {
        if (this.#sending || this.conflict || this.offline) return;
        this.#sending = true;
        try {
            for (let next = this.#waiting[0]; next; next = this.#waiting[0]) {
                const body = {
                    revision: this.state.revision,
                    ...(next.path === 'commands' ? { commands: next.commands } : {}),
                };
                this.#take(await post<PlanState>(`/plans/${this.plan}/${next.path}`, body));
                this.#waiting = this.#waiting.slice(1);
            }
        } catch (fault) {
            this.#fail(fault);
        } finally {
            this.#sending = false;
        }
    }

    #take(state: PlanState) {
        this.state = state;
        this.column = Math.min(this.column, state.estimate.stages.length - 1);
        const last = state.estimate.stages[state.estimate.stages.length - 1];
        this.announcement = `${state.label}. ${last ? `Last stage ${Math.round(last.power.p50)} ${state.estimate.labels.power}` : ''}`;
    }

    #fail(fault: unknown) {
        const first = this.#waiting[0];
        if (fault instanceof Offline) {
            this.offline = true;
            return;
        }
        if (fault instanceof Refusal && fault.status === 409 && first) {
            const { revision, theirs } = fault.body as { revision: number; theirs: RevisionNote[] };
            this.conflict = {
                revision,
                theirs,
                mine: first.commands,
                words: this.#waiting.map((one) => one.words).join('; '),
            };
            return;
        }
        this.#waiting = [];
        this.error = fault instanceof Error ? fault.message : 'Something went wrong; nothing was changed.';
    }
}
