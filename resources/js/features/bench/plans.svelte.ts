import type { PlanMade, PlanNote } from '@/generated/answers';
import { drop, post, put } from '@/lib/api';

/** The plans of a job, of which the bench shows one. */
export class JobPlans {
    list = $state.raw<PlanNote[]>([]);
    /** The one that was deleted last, so that it can be taken back. */
    forgotten = $state.raw<PlanNote | null>(null);

    constructor(
        private readonly job: number,
        private readonly plan: number,
        list: PlanNote[],
        /** Null where it was refused, which is told. */
        private readonly told: <T>(asked: Promise<T>) => Promise<T | null>,
    ) {
        this.list = list;
    }

    /** Which of them this is, counted from 1. */
    get place(): number {
        return this.list.findIndex((one) => one.id === this.plan) + 1;
    }

    /** A further plan, that begins as this one is saved or empty; its id. */
    async make(name: string, from: boolean): Promise<number | null> {
        const made = await this.told(
            post<PlanMade>(`/jobs/${this.job}/plans`, { name, ...(from ? { from: this.plan } : {}) }),
        );
        if (made) this.list = made.plans;
        return made?.id ?? null;
    }

    /** Another plan stands for the job on the counter and in the brief. */
    async choose(plan: number) {
        this.list =
            (await this.told(put<PlanNote[]>(`/jobs/${this.job}/plans/${plan}/choice`, {}))) ?? this.list;
    }

    async forget(plan: PlanNote) {
        const left = await this.told(drop<PlanNote[]>(`/plans/${plan.id}`));
        if (!left) return;
        this.list = left;
        this.forgotten = plan;
    }

    async remember(plan: PlanNote) {
        this.list = (await this.told(post<PlanNote[]>(`/plans/${plan.id}/restore`, {}))) ?? this.list;
        this.forgotten = null;
    }
}
