import type { Brief } from '@/generated/brief';
import type { Estimate, VerdictLine } from '@/generated/estimate';
import { put, Refusal } from '@/lib/api';

export type Saved = {
    revision: number;
    labels: Estimate['labels'];
    verdict: VerdictLine[];
    measured: boolean;
};

type Theirs = { message: string; revision: number; brief: Brief; title: string; customer: string };

/** The brief as it is being asked; saved as one goes. */
export class BriefForm {
    brief = $state() as Brief;
    title = $state('');
    customer = $state('');
    saved = $state.raw() as Saved;
    saving = $state(false);
    error = $state('');
    theirs = $state.raw<Theirs | null>(null);
    #again = false;

    constructor(
        readonly job: number,
        brief: Brief,
        title: string,
        customer: string,
        saved: Saved,
    ) {
        this.brief = brief;
        this.title = title;
        this.customer = customer;
        this.saved = saved;
    }

    get targetKind(): 'power' | 'torque' | 'none' {
        if (!this.brief.target) return 'none';
        return 'power' in this.brief.target ? 'power' : 'torque';
    }

    aim(kind: 'power' | 'torque' | 'none') {
        if (kind === 'none') this.brief.target = undefined;
        if (kind === 'power') this.brief.target = { power: 280 };
        if (kind === 'torque') this.brief.target = { torque: 290, at_rpm: 3000 };
        this.save();
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
                this.saved = await put<Saved>(`/jobs/${this.job}/brief`, {
                    revision: this.saved.revision,
                    title: this.title,
                    customer: this.customer,
                    brief: $state.snapshot(this.brief),
                });
            } while (this.#again);
        } catch (fault) {
            if (fault instanceof Refusal && fault.status === 409) this.theirs = fault.body as Theirs;
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
