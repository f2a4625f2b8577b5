import { untrack } from 'svelte';
import type { Conflict, EditAnswer, JobVersion, Presence } from '@/generated/answers';
import { get, passes, pause, post, SignedOut, type Refusal } from '@/lib/api';
import { EditStore, type Aside, type Asked, type Edit } from './edits';

/** What a page shows, so that an answer brings just that. */
export type Shown = { show: 'bench'; plan: number } | { show: 'brief' } | { show: 'nothing' };

/** ms between two greetings. */
const GREETING = 5_000;
/** ms between two looks at what others did, while they are here. */
const LOOKING = 600;

type Owner = {
    shown: Shown;
    /** Version of the job that shows. */
    version: () => number;
    take: (state: EditAnswer['state']) => void;
    /** Another tab or another person saved something: it is to be asked for. */
    refresh: () => void;
};

/**
 * The changes of a job's documents on their way to the server: one at a time, in order. They are kept in the browser until they
 * are saved, so that neither a lost connection, a server in trouble, a sign-in nor a closed page loses one. A change that is
 * refused for good is set aside with the reason, and what stands behind it goes on.
 */
export class EditQueue {
    waiting = $state.raw<Edit[]>([]);
    aside = $state.raw<Aside[]>([]);
    /** Who else has the job open. */
    others = $state.raw<string[]>([]);
    /** Why what waits is not sent now; empty when it is. */
    trouble = $state('');
    #sending = false;
    #looking = false;
    #failures = 0;
    #emptied: (() => void)[] = [];
    #timer: ReturnType<typeof setTimeout> | undefined;
    readonly #store: EditStore;

    constructor(
        readonly job: number,
        readonly person: number,
        private readonly owner: Owner,
    ) {
        this.#store = new EditStore(person, job);
        this.#show();
    }

    /** Is there with the others: says so every few seconds, not while nobody looks; undone by what it returns. */
    attend(): () => void {
        const greet = () => document.visibilityState === 'visible' && void this.greet();
        greet();
        const timer = setInterval(greet, GREETING);
        const looks = setInterval(
            () => this.others.length > 0 && document.visibilityState === 'visible' && void this.look(),
            LOOKING,
        );
        const end = this.listen();
        return () => {
            clearInterval(timer);
            clearInterval(looks);
            end();
        };
    }

    /** Follows what other tabs do; undone by what it returns. */
    listen(): () => void {
        const heard = (event: StorageEvent) => {
            if (!this.#store.concerns(event.key)) return;
            const before = this.waiting.length;
            this.#show();
            if (this.waiting.length < before) this.owner.refresh();
            void this.run();
        };
        window.addEventListener('storage', heard);
        window.addEventListener('online', this.retry);
        // Pages listen in an effect: followed by it, every trouble would end it and with it the next try.
        untrack(() => void this.run());
        return () => {
            window.removeEventListener('storage', heard);
            window.removeEventListener('online', this.retry);
            clearTimeout(this.#timer);
        };
    }

    add(url: string, asked: Asked, words: string, echo?: unknown): Edit {
        const edit = this.#store.add({ url, asked, words, seen: this.owner.version(), echo });
        this.#show();
        void this.run();
        return edit;
    }

    /** The last change of a document that waits. */
    last(url: string): Edit | undefined {
        return this.waiting.filter((edit) => edit.url === url).at(-1);
    }

    /** Says that one has the job open, hears who else has, and fetches what they did. */
    greet = async () => {
        const answer = await post<Presence>(`/jobs/${this.job}/presence`, {}).catch(() => null);
        if (!answer) return;
        this.others = answer.others;
        // The server answers: what waits for it need not wait on.
        if (this.trouble) this.retry();
        this.#follow(answer.version);
    };

    /** Fetches what others saved since, one look at a time. */
    async look() {
        if (this.#looking || this.trouble) return;
        this.#looking = true;
        const answer = await get<JobVersion>(`/jobs/${this.job}/version`).catch(() => null);
        this.#looking = false;
        this.#follow(answer?.version ?? 0);
    }

    #follow(version: number) {
        if (version > this.owner.version() && this.waiting.length === 0) this.owner.refresh();
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

    /** What was refused is sent once more, behind what waits. */
    again(aside: Aside) {
        const { url, asked, words, echo } = aside.edit;
        this.add(url, asked, words, echo);
        this.dismiss(aside);
    }

    /** Of a change that others were in the way of, what was picked is sent on what they left. */
    follow(aside: Aside, picked: boolean[]) {
        const { url, asked, words } = aside.edit;
        const rest = pick(asked, picked);
        if (rest && aside.conflict)
            this.#store.add({ url, asked: rest, words, seen: aside.conflict.version });
        this.dismiss(aside);
        void this.run();
    }

    dismiss(aside: Aside) {
        this.#store.dismiss(aside);
        this.#show();
        if (aside.conflict) this.owner.refresh();
    }

    async run() {
        if (this.#sending || this.trouble) return;
        this.#sending = true;
        try {
            let next = this.#store.waiting[0];
            while (next && (await this.#alone(next))) next = this.#store.waiting[0];
        } finally {
            this.#sending = false;
        }
    }

    /** One tab at a time where the browser can say so; it only saves traffic, for the same request is done once. */
    #alone(edit: Edit): Promise<boolean> {
        const send = () => (this.#store.has(edit) ? this.#send(edit) : Promise.resolve(true));
        return typeof navigator !== 'undefined' && 'locks' in navigator && navigator.locks
            ? navigator.locks.request(`pebblerun/${this.person}/${this.job}`, send)
            : send();
    }

    /** Whether what stands behind it is sent now. */
    async #send(edit: Edit): Promise<boolean> {
        try {
            const answer = await post<EditAnswer>(edit.url, {
                request: edit.request,
                queue: this.#store.queue,
                seen: edit.seen,
                person: this.person,
                ...this.owner.shown,
                ...edit.asked,
            });
            this.#failures = 0;
            this.#store.remove(edit);
            this.owner.take(answer.state);
            this.#show();
            return true;
        } catch (fault) {
            return this.#goesOnAfter(fault, edit);
        }
    }

    #goesOnAfter(fault: unknown, edit: Edit): boolean {
        // What waits stays kept, and goes out after the next sign-in.
        if (fault instanceof SignedOut) return false;
        if (passes(fault)) {
            this.trouble = fault instanceof Error ? fault.message : 'The server does not answer.';
            this.#timer = setTimeout(this.retry, pause(this.#failures++));
            return false;
        }
        const refusal = fault as Refusal;
        const conflict =
            refusal.status === 409 && 'fields' in refusal.body ? (refusal.body as unknown as Conflict) : null;
        this.#store.setAside({ edit, reason: refusal.message, conflict });
        // An undo of what was never done has nothing to take back.
        for (const one of this.#store.waiting)
            if ('step' in one.asked && one.asked.step.of === edit.request) this.#store.remove(one);
        this.#show();
        return true;
    }

    #show() {
        this.waiting = this.#store.waiting;
        this.aside = this.#store.aside;
        if (this.waiting.length > 0) return;
        // All was saved, here or by another tab.
        clearTimeout(this.#timer);
        this.trouble = '';
        this.#failures = 0;
        this.#emptied.splice(0).forEach((resolve) => resolve());
    }
}

/** Of what was asked what was picked; null where nothing was. */
function pick(asked: Asked, picked: boolean[]): Asked | null {
    const those = <T>(all: T[]) => all.filter((_, i) => picked[i]);
    if ('step' in asked) return picked[0] ? asked : null;
    if ('commands' in asked) {
        const commands = those(asked.commands);
        return commands.length > 0 ? { commands } : null;
    }
    const answers = those(asked.answers);
    return answers.length > 0 ? { answers } : null;
}
