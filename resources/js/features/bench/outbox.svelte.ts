import type { Cell, Command, PlanState } from '@/generated/answers';
import { Offline, post, Refusal, SignedOut } from '@/lib/api';
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

type Owner = {
    revision: () => number;
    take: (state: PlanState) => void;
    refuse: (message: string) => void;
};

const RETRY = 4000;

/** A name that nobody else gives; plain http has no randomUUID. */
function name(): string {
    return [...crypto.getRandomValues(new Uint8Array(16))]
        .map((byte) => byte.toString(16).padStart(2, '0'))
        .join('');
}

/**
 * Changes on their way to the server: one at a time, in order, each on the revision that the one before gave. They are
 * kept in the browser until they are saved, so that neither a lost connection nor a closed page loses one.
 */
export class Outbox {
    waiting = $state.raw<Request[]>([]);
    offline = $state(false);
    conflict = $state.raw<Conflict | null>(null);
    #sending = false;
    /** The revision that the waiting changes were made on, when it is not the one shown. */
    #based: number | null = null;
    #timer: ReturnType<typeof setTimeout> | undefined;

    constructor(
        readonly plan: number,
        /** Whose changes these are: another person at the same screen must not send them. */
        private readonly person: number,
        private readonly owner: Owner,
    ) {
        const kept = localStorage.getItem(this.#name);
        if (!kept) return;
        const { revision, waiting } = JSON.parse(kept) as { revision: number; waiting: Request[] };
        this.#based = revision;
        this.waiting = waiting;
    }

    get #name() {
        return `pebblerun-outbox-${this.person}-${this.plan}`;
    }

    add(request: Omit<Request, 'id'>) {
        this.#set([...this.waiting, { ...request, id: name() }]);
        void this.run();
    }

    clear() {
        this.#based = null;
        this.#set([]);
    }

    retry = () => {
        clearTimeout(this.#timer);
        this.offline = false;
        void this.run();
    };

    /** Ours follow on the other's version: of the first change only those that were picked. */
    follow(picked: Command[]) {
        const conflict = this.conflict;
        const [first, ...rest] = this.waiting;
        if (!conflict || !first) return;
        this.conflict = null;
        this.#based = conflict.revision;
        this.#set(picked.length > 0 ? [{ ...first, id: name(), commands: picked }, ...rest] : rest);
        void this.run();
    }

    async run() {
        if (this.#sending || this.conflict || this.offline) return;
        this.#sending = true;
        try {
            for (let next = this.waiting[0]; next; next = this.waiting[0]) {
                const body = {
                    revision: this.#based ?? this.owner.revision(),
                    request: next.id,
                    ...(next.path === 'commands' ? { commands: next.commands } : {}),
                };
                const state = await post<PlanState>(`/plans/${this.plan}/${next.path}`, body);
                this.#based = null;
                this.#set(this.waiting.slice(1));
                this.owner.take(state);
            }
        } catch (fault) {
            this.#fail(fault);
        } finally {
            this.#sending = false;
        }
    }

    #set(waiting: Request[]) {
        this.waiting = waiting;
        if (waiting.length === 0) localStorage.removeItem(this.#name);
        else
            localStorage.setItem(
                this.#name,
                JSON.stringify({ revision: this.#based ?? this.owner.revision(), waiting }),
            );
    }

    #fail(fault: unknown) {
        const first = this.waiting[0];
        // What waits stays kept, and goes out after the next sign-in.
        if (fault instanceof SignedOut) return;
        if (fault instanceof Offline) {
            this.offline = true;
            this.#timer = setTimeout(this.retry, RETRY);
            return;
        }
        if (fault instanceof Refusal && fault.status === 409 && first) {
            const { revision, theirs, fields } = fault.body as Pick<
                Conflict,
                'revision' | 'theirs' | 'fields'
            >;
            this.conflict = { revision, theirs, fields, mine: first.commands, words: first.words };
            return;
        }
        this.clear();
        this.owner.refuse(
            fault instanceof Error ? fault.message : 'Something went wrong; nothing was changed.',
        );
    }
}
