import type { Brief, BriefConflict, BriefState, SlotChoices } from '@/generated/answers';
import { passes, pause, put, Refusal, SignedOut } from '@/lib/api';
import { today } from '@/lib/format';

export const UNKNOWN = '?';

type Given = NonNullable<Brief['warnings']>[number];
export type Refused = NonNullable<Brief['refuses']>[number];

type Kind = 'power' | 'torque' | 'time' | 'none';
type Figures = { power?: number; torque?: number; at_rpm?: number; quarter_mile?: number };
type Range = NonNullable<Brief['rpm_range']>;

/** The brief as it is being asked; saved as one goes. */
export class BriefForm {
    brief = $state() as Brief;
    title = $state('');
    customer = $state('');
    saved = $state.raw() as BriefState;
    saving = $state(false);
    error = $state('');
    theirs = $state.raw<BriefConflict | null>(null);
    #kind = $state<Kind | null>(null);
    #figures = $state.raw<Figures>({});
    #range = $state.raw<Partial<Range>>({});
    #again = false;
    #failures = 0;
    #timer: ReturnType<typeof setTimeout> | undefined;

    constructor(
        readonly job: number,
        readonly slots: SlotChoices[],
        brief: Brief,
        title: string,
        customer: string,
        saved: BriefState,
    ) {
        this.brief = brief;
        this.title = title;
        this.customer = customer;
        this.saved = saved;
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

    /** Sets some answers and saves. */
    answer(part: Partial<Brief>) {
        Object.assign(this.brief, part);
        void this.save();
    }

    car(part: Partial<Brief['car']>) {
        this.answer({ car: { ...this.brief.car, ...part } });
    }

    received(part: Partial<Brief['received']>) {
        this.answer({ received: { ...this.brief.received, ...part } });
    }

    /** Notes a warning as given, or takes the note back; the server writes who and when. */
    warn(warning: Given['warning'], given: boolean) {
        const others = (this.brief.warnings ?? []).filter((one) => one.warning !== warning);
        this.answer({ warnings: given ? [...others, { warning, on: today(), by: 'now' }] : others });
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

    money(key: 'total' | 'now' | 'monthly', text: string) {
        const budget = { ...this.brief.budget, [key]: text.trim() === '' ? undefined : Number(text) };
        this.brief.budget = budget;
        this.save();
    }

    toggleFuel(key: string) {
        const fuels = this.brief.fuels ?? [];
        this.brief.fuels = fuels.includes(key) ? fuels.filter((one) => one !== key) : [...fuels, key];
        this.save();
    }

    /** Saves the whole brief; a change made while saving is saved after it. */
    save = async () => {
        if (this.saving) {
            this.#again = true;
            return;
        }
        clearTimeout(this.#timer);
        this.saving = true;
        this.error = '';
        try {
            do {
                this.#again = false;
                const saved = await put<BriefState>(`/jobs/${this.job}/brief`, {
                    revision: this.saved.revision,
                    title: this.title,
                    customer: this.customer,
                    brief: $state.snapshot(this.brief),
                });
                this.saved = saved;
                this.#failures = 0;
                // While another answer waits, what the page holds is newer than what the server just wrote.
                if (this.brief.warnings && !this.#again) this.brief.warnings = saved.warnings_given;
            } while (this.#again);
        } catch (fault) {
            if (fault instanceof Refusal && fault.status === 409)
                this.theirs = fault.body as unknown as BriefConflict;
            else this.#fail(fault);
        } finally {
            this.saving = false;
        }
    };

    /** What may pass is tried again by itself; what was typed stays on the page either way. */
    #fail(fault: unknown) {
        const words = fault instanceof Error ? fault.message : 'Not saved.';
        if (fault instanceof SignedOut) return;
        if (!passes(fault)) {
            this.error = words;
            return;
        }
        this.error = `${words} What you typed is kept here and saved when the server answers.`;
        this.#timer = setTimeout(() => void this.save(), pause(this.#failures++));
    }

    takeTheirs = () => {
        if (!this.theirs) return;
        this.brief = this.theirs.brief;
        this.title = this.theirs.title;
        this.customer = this.theirs.customer;
        this.saved = { ...this.saved, revision: this.theirs.revision };
        this.theirs = null;
    };

    putMine = () => {
        if (!this.theirs) return;
        this.saved = { ...this.saved, revision: this.theirs.revision };
        this.theirs = null;
        void this.save();
    };
}
