import type { Variant } from '@/generated/answers';
import { drop, get, Offline, post } from '@/lib/api';

/** A plan's kept variants: which there are, which lie over the run, and which two are compared. */
export class Variants {
    list = $state.raw<Variant[]>([]);
    /** Those that lie over the run, by id. */
    overlaid = $state.raw<number[]>([]);
    /** What is compared: variants by id, 0 for the plan; null for nothing. */
    compared = $state.raw<{ here: number; there: number } | null>(null);
    /** The one that was deleted last, so that it can be taken back. */
    forgotten = $state.raw<Variant | null>(null);

    constructor(
        private readonly plan: number,
        private readonly told: <T>(asked: Promise<T>) => Promise<T | null>,
    ) {
        void this.#take(get<Variant[]>(this.#url));
    }

    get #url() {
        return `/plans/${this.plan}/variants`;
    }

    /** Keeps a revision of the plan under a name. */
    keep(name: string, revision: number) {
        return this.#take(post<Variant[]>(this.#url, { name, revision }));
    }

    forget(variant: Variant) {
        this.forgotten = variant;
        return this.#take(drop<Variant[]>(`${this.#url}/${variant.id}`));
    }

    remember(variant: Variant) {
        this.forgotten = null;
        return this.#take(post<Variant[]>(`${this.#url}/${variant.id}/restore`, {}));
    }

    /** Lays one over the run, or takes it away. */
    overlay(variant: Variant) {
        this.overlaid = this.overlaid.includes(variant.id)
            ? this.overlaid.filter((id) => id !== variant.id)
            : [...this.overlaid, variant.id];
    }

    async #take(asked: Promise<Variant[]>) {
        // That the server cannot be reached is said once, by the changes that wait for it.
        const unlessOffline = asked.catch((fault: unknown) => {
            if (fault instanceof Offline) return this.list;
            throw fault;
        });
        this.list = (await this.told(unlessOffline)) ?? this.list;
    }
}
