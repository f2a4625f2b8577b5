import type { Brief, BriefConflict, BriefState, SlotChoices } from '@/generated/answers';
import { put, Refusal } from '@/lib/api';
import { today } from '@/lib/format';

export const UNKNOWN = '?';

type Given = NonNullable<Brief['warnings']>[number];
export type Refused = NonNullable<Brief['refuses']>[number];

type Kind = 'power' | 'torque' | 'time' | 'none';

/** The brief as it is being asked; saved as one goes. */
export class BriefForm {
    brief = $state() as Brief;
    title = $state('');
    customer = $state('');
    saved = $state.raw() as BriefState;
    saving = $state(false);
    error = $state('');
    theirs = $state.raw<BriefConflict | null>(null);
    #again = false;

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

    get targetKind(): Kind {
        if (!this.brief.target) return 'none';
        if ('quarter_mile' in this.brief.target) return 'time';
        return 'power' in this.brief.target ? 'power' : 'torque';
    }

    aim(kind: Kind) {
        if (kind === 'none') this.brief.target = undefined;
        if (kind === 'power') this.brief.target = { power: 280 };
        if (kind === 'torque') this.brief.target = { torque: 290, at_rpm: 3000 };
        if (kind === 'time') this.brief.target = { quarter_mile: 14 };
        this.save();
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
                // While another answer waits, what the page holds is newer than what the server just wrote.
                if (this.brief.warnings && !this.#again) this.brief.warnings = saved.warnings_given;
            } while (this.#again);
        } catch (fault) {
            if (fault instanceof Refusal && fault.status === 409)
                this.theirs = fault.body as unknown as BriefConflict;
            else this.error = fault instanceof Error ? fault.message : 'Not saved.';
        } finally {
            this.saving = false;
        }
    };

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
