import type { Answer, Brief, BriefState, SlotChoices } from '@/generated/answers';
import { get } from '@/lib/api';
import { today } from '@/lib/format';
import { withAnswer } from '@/lib/places';
import type { Edit } from '@/lib/sync/edits';
import { EditQueue } from '@/lib/sync/queue.svelte';

export const UNKNOWN = '?';

type Given = NonNullable<Brief['warnings']>[number];
export type Refused = NonNullable<Brief['refuses']>[number];

type Kind = 'power' | 'torque' | 'time' | 'none';
type Figures = { power?: number; torque?: number; at_rpm?: number; quarter_mile?: number };
type Range = NonNullable<Brief['rpm_range']>;
type FigurePlace =
    | `budget.${'total' | 'now' | 'monthly'}`
    | `outside.${'altitude_m' | 'hottest_c' | 'trailer' | 'grade_percent'}`
    | `driving.${keyof NonNullable<Brief['driving']>}`;

/** The brief as it is being asked: answers show at once, and go to the server one behind another. */
export class BriefForm {
    state = $state.raw() as BriefState;
    readonly queue: EditQueue;
    #kind = $state<Kind | null>(null);
    #figures = $state.raw<Figures>({});
    #range = $state.raw<Partial<Range>>({});

    constructor(
        readonly job: number,
        person: number,
        readonly slots: SlotChoices[],
        state: BriefState,
    ) {
        this.state = state;
        this.queue = new EditQueue(job, person, {
            shown: { show: 'brief' },
            version: () => this.state.version,
            take: (answer) => answer && 'readiness' in answer && this.#take(answer),
            refresh: () => void this.refresh(),
        });
    }

    get #url() {
        return `/jobs/${this.job}/brief/edits`;
    }

    /** What was entered and is not saved yet, the latest last: what was refused stands in its field until it is given otherwise. */
    #entered = $derived.by<Answer[]>(() =>
        [...this.queue.aside.map((one) => one.edit), ...this.queue.waiting]
            .filter((edit) => edit.url === this.#url)
            .flatMap((edit) => ('answers' in edit.asked ? edit.asked.answers : [])),
    );

    brief = $derived.by<Brief>(() =>
        this.#entered.reduce<Brief>(
            (brief, { place, value }) =>
                place.startsWith('warnings.')
                    ? {
                          ...brief,
                          warnings: noted(brief.warnings ?? [], place.slice('warnings.'.length), value),
                      }
                    : isOfBrief(place)
                      ? withAnswer(brief, place, value)
                      : brief,
            this.state.brief,
        ),
    );

    title = $derived.by<string>(() => this.#latest('title', this.state.title));
    customer = $derived.by(() => ({
        ...this.state.customer,
        name: this.#latest('customer.name', this.state.customer.name),
        contact: this.#latest('customer.contact', this.state.customer.contact),
        notes: this.#latest('customer.notes', this.state.customer.notes),
    }));
    chassis = $derived.by<string>(() => this.#latest('car.chassis_number', this.state.chassis_number));

    #latest(place: string, saved: string): string {
        const entered = this.#entered.filter((one) => one.place === place).at(-1);
        return typeof entered?.value === 'string' ? entered.value : saved;
    }

    /** The kind of target that is being entered; nothing is saved before its figures are there. */
    get targetKind(): Kind {
        if (this.#kind) return this.#kind;
        if (!this.brief.target) return 'none';
        if ('quarter_mile' in this.brief.target) return 'time';
        return 'power' in this.brief.target ? 'power' : 'torque';
    }

    /** Whether another kind of target was chosen and its figures are not all there: the saved one stands until then. */
    get isAiming() {
        return this.#kind !== null;
    }

    /** The figures of the target as they are entered, those that are there. */
    get target(): Figures {
        return { ...(this.#kind ? {} : this.brief.target), ...this.#figures };
    }

    aim(kind: Kind) {
        this.#kind = kind;
        this.#figures = {};
        if (kind === 'none') this.#give(undefined);
    }

    aimAt(figures: Figures) {
        const { power, torque, at_rpm, quarter_mile } = { ...this.target, ...figures };
        this.#figures = { ...this.#figures, ...figures };
        if (this.targetKind === 'power' && power !== undefined) this.#give({ power });
        if (this.targetKind === 'time' && quarter_mile !== undefined) this.#give({ quarter_mile });
        if (this.targetKind === 'torque' && torque !== undefined && at_rpm !== undefined)
            this.#give({ torque, at_rpm });
    }

    #give(target: Brief['target']) {
        this.#kind = null;
        this.#figures = {};
        this.answer({ target });
    }

    /** The rpm range as it is entered; it is saved when both ends are there. */
    get range(): Partial<Range> {
        return { ...this.brief.rpm_range, ...this.#range };
    }

    drive(ends: Partial<Range>) {
        this.#range = { ...this.#range, ...ends };
        const { from, to } = this.range;
        if (from === undefined || to === undefined) return;
        this.#range = {};
        this.answer({ rpm_range: { from, to } });
    }

    /** Sets some answers and saves them. */
    answer(part: Partial<Brief>) {
        this.give(Object.fromEntries(Object.entries(part)));
    }

    car(part: Partial<Brief['car']>) {
        this.give(under('car', part));
    }

    received(part: Partial<Brief['received']>) {
        this.give(under('received', part));
    }

    /** Answers by place, saved together. What was refused in the same places is given otherwise now. */
    give(answers: Record<string, unknown>) {
        const given = Object.entries(answers).map(([place, value]) => ({ place, value: value ?? null }));
        for (const aside of this.queue.aside)
            if (!aside.conflict && isAnswered(aside.edit, given)) this.queue.dismiss(aside);
        this.queue.add(
            this.#url,
            { answers: given },
            `Answer: ${given.map((one) => named(one.place)).join(', ')}`,
        );
    }

    /** Notes a warning as given, or takes the note back; the server writes who and when. */
    warn(warning: Given['warning'], given: boolean) {
        this.give({ [`warnings.${warning}`]: given ? { warning, on: today(), by: 'now' } : null });
    }

    refuse(key: Refused) {
        const refuses = this.brief.refuses ?? [];
        this.answer({
            refuses: refuses.includes(key) ? refuses.filter((one) => one !== key) : [...refuses, key],
        });
    }

    /** What stands in a place as the car came: a part, nobody knows, or the stock thing. */
    stands(slot: SlotChoices, value: string) {
        const { parts, unknown = [] } = this.brief.received;
        const taken = slot.parts.find((one) => one.key === value)?.slots ?? [slot.key];
        const kept = parts.filter((key) => !this.places(key).some((place) => taken.includes(place)));
        this.received({
            parts: slot.parts.some((one) => one.key === value) ? [...kept, value] : kept,
            unknown: [
                ...unknown.filter((one) => !taken.includes(one)),
                ...(value === UNKNOWN ? [slot.key] : []),
            ],
        });
    }

    standing(slot: SlotChoices): string {
        if (this.brief.received.unknown?.includes(slot.key)) return UNKNOWN;
        return slot.parts.find((one) => this.brief.received.parts.includes(one.key))?.key ?? '';
    }

    private places(part: string): string[] {
        return this.slots.flatMap((slot) => slot.parts).find((one) => one.key === part)?.slots ?? [];
    }

    /** A figure of the brief; an emptied field is not said, and what is usual holds. */
    figure(place: FigurePlace, text: string) {
        this.give({ [place]: text.trim() === '' ? null : Number(text) });
    }

    toggleFuel(key: string) {
        const fuels = this.brief.fuels ?? [];
        this.answer({
            fuels: fuels.includes(key) ? fuels.filter((one) => one !== key) : [...fuels, key],
        });
    }

    async refresh() {
        const state = await get<BriefState>(`/jobs/${this.job}/brief/state`).catch(() => null);
        if (state) this.#take(state);
    }

    /** What was overtaken on its way never replaces something newer. */
    #take(state: BriefState) {
        if (state.version >= this.state.version) this.state = state;
    }
}

function under(part: string, answers: object): Record<string, unknown> {
    return Object.fromEntries(Object.entries(answers).map(([key, value]) => [`${part}.${key}`, value]));
}

/** "budget total", as a person would call a place. */
function named(place: string): string {
    return place.replaceAll(/[._-]/g, ' ');
}

function isOfBrief(place: string): boolean {
    return !/^(title|customer|car$|car\.chassis_number)/.test(place);
}

function isAnswered(edit: Edit, given: Answer[]): boolean {
    return (
        'answers' in edit.asked &&
        edit.asked.answers.every((one) => given.some((other) => other.place === one.place))
    );
}

function noted(warnings: Given[], warning: string, value: unknown): Given[] {
    const others = warnings.filter((one) => one.warning !== warning);
    return value === null ? others : [...others, value as Given];
}
