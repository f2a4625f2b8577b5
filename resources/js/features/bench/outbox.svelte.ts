import type { Cell, Command, PlanState } from '@/generated/answers';
import { passes, pause, post, SignedOut, type Refusal } from '@/lib/api';
import { unique } from '@/lib/unique';
import type { Conflict } from './types';

/** What a cell shows until the server has answered, by "slot/column". */
export type Echo = Record<string, Pick<Cell, 'state' | 'name' | 'part'>>;

export type Request = {
    /** Its own name: sent twice, it is done once. */
    id: string;
    path: string;
    commands: Command[];
    words: string;
    echo: Echo;
};

/** A change that the server refused for good, and why; it can be tried again. */
export type Aside = { request: Request; reason: string };

type Kept = { revision: number; waiting: Request[]; aside?: Aside[] };

type Owner = {
    revision: () => number;
    take: (state: PlanState) => void;
};

/**
 * Changes on their way to the server: one at a time, in order, each on the revision that the one before gave. They are
 * kept in the browser until they are saved, so that neither a lost connection, a server in trouble nor a closed page loses one.
 * A change that is refused for good is set aside with the reason, and what stands behind it goes on.
 */
export class Outbox {
    waiting = $state.raw<Request[]>([]);
    aside = $state.raw<Aside[]>([]);
    /** Why what waits is not sent now; empty when it is. */
    trouble = $state('');
    conflict = $state.raw<Conflict | null>(null);
    #sending = false;
    /** The revision that the waiting changes were made on, when it is not the one shown. */
    #based: number | null = null;
    #failures = 0;
    #emptied: (() => void)[] = [];
    #timer: ReturnType<typeof setTimeout> | undefined;

    constructor(
        readonly plan: number,
        /** Whose changes these are: another person at the same screen must not send them. */
        private readonly person: number,
        private readonly owner: Owner,
    ) {
        const kept = this.#read();
        if (!kept) return;
        this.#based = kept.waiting.length > 0 ? kept.revision : null;
        this.waiting = kept.waiting;
        this.aside = kept.aside ?? [];
    }

    get #name() {
        return `pebblerun-outbox-${this.person}-${this.plan}`;
    }

    add(request: Omit<Request, 'id'>) {
        this.#keep([...this.waiting, { ...request, id: unique(16) }]);
        void this.run();
    }

    retry = () => {
        clearTimeout(this.#timer);
        this.trouble = '';
        void this.run();
    };

    /** When everything that waits has been saved, or was refused. */
    empty(): Promise<void> {
        return this.waiting.length === 0
            ? Promise.resolve()
            : new Promise((resolve) => this.#emptied.push(resolve));
    }

    /** Ours follow on the other's version: of the first change only those that were picked. */
    follow(picked: Command[]) {
        const conflict = this.conflict;
        const [first, ...rest] = this.waiting;
        if (!conflict || !first) return;
        this.conflict = null;
        this.#based = conflict.revision;
        this.#keep(picked.length > 0 ? [{ ...first, id: unique(16), commands: picked }, ...rest] : rest);
        void this.run();
    }

    /** The other's version stands: ours is given up, what was done after it still goes and is held against theirs. */
    giveUp() {
        if (!this.conflict) return;
        const rest = this.waiting.slice(1);
        this.conflict = null;
        this.#based = rest.length > 0 ? (this.#based ?? this.owner.revision()) : null;
        this.#keep(rest);
        void this.run();
    }

    /** What was refused is sent once more, behind what waits. */
    again(aside: Aside) {
        this.dismiss(aside);
        this.add(aside.request);
    }

    dismiss(aside: Aside) {
        this.aside = this.aside.filter((one) => one !== aside);
        this.#keep(this.waiting);
    }

    async run() {
        if (this.#sending || this.conflict || this.trouble) return;
        this.#sending = true;
        try {
            for (let next = this.waiting[0]; next; next = this.waiting[0]) {
                try {
                    this.#saved(await this.#send(next));
                } catch (fault) {
                    if (!this.#goesOnAfter(fault, next)) return;
                }
            }
        } finally {
            this.#sending = false;
        }
    }

    #send(next: Request): Promise<PlanState> {
        return post<PlanState>(`/plans/${this.plan}/${next.path}`, {
            revision: this.#based ?? this.owner.revision(),
            request: next.id,
            ...(next.path === 'commands' ? { commands: next.commands } : {}),
        });
    }

    #saved(state: PlanState) {
        this.#based = null;
        this.#failures = 0;
        this.#keep(this.waiting.slice(1));
        this.owner.take(state);
    }

    /** Whether what stands behind a change that was not saved is sent now. */
    #goesOnAfter(fault: unknown, request: Request): boolean {
        // What waits stays kept, and goes out after the next sign-in.
        if (fault instanceof SignedOut) return false;
        if (passes(fault)) {
            this.trouble = fault instanceof Error ? fault.message : 'The server does not answer.';
            this.#timer = setTimeout(this.retry, pause(this.#failures++));
            return false;
        }
        const refusal = fault as Refusal;
        if (refusal.status === 409 && 'fields' in refusal.body) {
            const { revision, theirs, fields } = refusal.body as Pick<
                Conflict,
                'revision' | 'theirs' | 'fields'
            >;
            this.conflict = { revision, theirs, fields, mine: request.commands, words: request.words };
            return false;
        }
        this.aside = [...this.aside, { request, reason: refusal.message }];
        this.#keep(this.waiting.slice(1));
        return true;
    }

    #keep(waiting: Request[]) {
        this.waiting = waiting;
        if (waiting.length === 0) this.#emptied.splice(0).forEach((resolve) => resolve());
        if (waiting.length === 0 && this.aside.length === 0) return localStorage.removeItem(this.#name);
        const kept: Kept = { revision: this.#based ?? this.owner.revision(), waiting, aside: this.aside };
        try {
            localStorage.setItem(this.#name, JSON.stringify(kept));
        } catch {
            // A full or forbidden store keeps nothing over a reload; what waits here still goes.
        }
    }

    /** What was kept; what cannot be read is put out of the way, so that it blocks no page. */
    #read(): Kept | null {
        const text = localStorage.getItem(this.#name);
        if (!text) return null;
        try {
            const kept = JSON.parse(text) as Kept;
            if (Number.isInteger(kept.revision) && Array.isArray(kept.waiting)) return kept;
        } catch {
            // Falls through to the same end.
        }
        localStorage.setItem(`${this.#name}-unreadable`, text);
        localStorage.removeItem(this.#name);
        return null;
    }
}
