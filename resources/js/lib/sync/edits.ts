import type { Answer, Command, Conflict, PlanStep } from '@/generated/answers';
import { unique } from '@/lib/unique';

/** What is asked of a document: commands or a step of a plan, answers of a brief. */
export type Asked = { commands: Command[] } | { step: PlanStep } | { answers: Answer[] };

/** A change of a document, on its way. */
export type Edit = {
    /** Its own name: sent twice, it is done once. */
    request: string;
    /** The document’s address. */
    url: string;
    asked: Asked;
    /** Version of the job that was shown when it was made. */
    seen: number;
    /** What a person is told it is. */
    words: string;
    /** What shows until the server has answered; the feature that made it knows. */
    echo?: unknown;
    /** Its place in the queue. */
    made: number;
};

/** A change that the server refused for good, and why; with both sides where others changed the same. */
export type Aside = { edit: Edit; reason: string; conflict: Conflict | null };

const PREFIX = 'pebblerun';
const BROKEN = `${PREFIX}/unreadable/`;

/**
 * Changes kept in the browser until they are saved, each under a key of its own: tabs never read, change and write the same
 * one, and one that cannot be read is put out of the way alone. Whose they are is in the key: another person at the same
 * machine must not send them.
 */
export class EditStore {
    /** What a full or forbidden store would not keep; it still goes, from this page. */
    readonly #memory = new Map<string, string>();

    constructor(
        readonly person: number,
        readonly job: number,
    ) {}

    /** The name of the queue in which a person's changes of a job stand, in this browser. */
    get queue(): string {
        const key = this.#key('queue', '');
        const known = localStorage.getItem(key) ?? this.#memory.get(key);
        if (known && /^[0-9a-f]{16,40}$/.test(known)) return known;
        const made = unique(16);
        this.#write(key, made);
        return made;
    }

    get waiting(): Edit[] {
        return this.#read<Edit>('edit', isEdit).sort(
            (a, b) => a.made - b.made || (a.request < b.request ? -1 : 1),
        );
    }

    get aside(): Aside[] {
        return this.#read<Aside>('aside', (one) => isEdit(one.edit) && typeof one.reason === 'string').sort(
            (a, b) => a.edit.made - b.edit.made,
        );
    }

    add(edit: Omit<Edit, 'request' | 'made'>): Edit {
        const last = this.waiting.at(-1)?.made ?? 0;
        const whole = { ...edit, request: unique(16), made: Math.max(Date.now(), last + 1) };
        this.#write(this.#key('edit', whole.request), JSON.stringify(whole));
        return whole;
    }

    has(edit: Edit): boolean {
        const key = this.#key('edit', edit.request);
        return localStorage.getItem(key) !== null || this.#memory.has(key);
    }

    remove(edit: Edit) {
        this.#remove(this.#key('edit', edit.request));
    }

    /** The refusal is there before the change is gone: a page that is closed in between loses neither. */
    setAside(aside: Aside) {
        this.#write(this.#key('aside', aside.edit.request), JSON.stringify(aside));
        this.remove(aside.edit);
    }

    dismiss(aside: Aside) {
        this.#remove(this.#key('aside', aside.edit.request));
    }

    /** Whether a key that another tab wrote is one of these. */
    concerns(key: string | null): boolean {
        return (
            key === null || key.startsWith(this.#key('edit', '')) || key.startsWith(this.#key('aside', ''))
        );
    }

    #key(kind: 'edit' | 'aside' | 'queue', request: string): string {
        return `${PREFIX}/${kind}/${this.person}/${this.job}/${request}`;
    }

    #read<T>(kind: 'edit' | 'aside', is: (one: T) => boolean): T[] {
        const start = this.#key(kind, '');
        const found: T[] = [];
        for (const key of [...keys(), ...this.#memory.keys()].filter((one) => one.startsWith(start))) {
            const text = localStorage.getItem(key) ?? this.#memory.get(key) ?? '';
            const one = parsed<T>(text);
            if (one && is(one)) found.push(one);
            else this.#putAway(key, text);
        }
        return found;
    }

    #putAway(key: string, text: string) {
        this.#write(BROKEN + key, text);
        this.#remove(key);
    }

    #write(key: string, text: string) {
        try {
            localStorage.setItem(key, text);
        } catch {
            this.#memory.set(key, text);
        }
    }

    #remove(key: string) {
        localStorage.removeItem(key);
        this.#memory.delete(key);
    }
}

/** The jobs of which changes by a person wait in this browser. */
export function waitingJobs(person: number): number[] {
    const start = `${PREFIX}/edit/${person}/`;
    const jobs = keys()
        .filter((key) => key.startsWith(start))
        .map((key) => Number(key.slice(start.length).split('/')[0]));
    return [...new Set(jobs)].filter((job) => Number.isInteger(job) && job > 0);
}

function keys(): string[] {
    return Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i) ?? '');
}

function parsed<T>(text: string): T | null {
    try {
        const one = JSON.parse(text) as T;
        return typeof one === 'object' ? one : null;
    } catch {
        return null;
    }
}

function isEdit(edit: Edit | undefined): boolean {
    return (
        typeof edit?.request === 'string' &&
        /^\/(plans|jobs)\/\d+\/(brief\/)?edits$/.test(edit.url) &&
        Number.isInteger(edit.seen) &&
        Number.isFinite(edit.made) &&
        typeof edit.asked === 'object' &&
        edit.asked !== null &&
        typeof edit.words === 'string'
    );
}
