import type { LibraryKept, LibraryLook, LibraryState } from '@/generated/answers';
import { post, postOnce, put, Refusal } from '@/lib/api';
import { told } from '@/lib/told.svelte';
import { sendable, type Entry } from './paths';

/** ms after the last key until the server looks at what was typed. */
const PAUSE = 350;

type Addresses = { look: string; keep: string; adds: boolean };

/** A document of the library while somebody changes it: looked at as they type, kept when told, never lost on the way. */
export class Editing {
    document = $state<Entry>({});
    look = $state.raw<LibraryLook | null>(null);
    state = $state.raw<LibraryState>() as LibraryState;
    looking = $state(false);
    /** It was not kept when the page was left last time. */
    again = $state(false);
    /** What somebody else made of it meanwhile. */
    theirs = $state.raw<{ document: Entry; number: number } | null>(null);
    say = told();
    private kept = $state('');
    private seen = 0;

    constructor(
        kept: Entry,
        state: LibraryState,
        look: LibraryLook | null,
        private addresses: Addresses,
    ) {
        this.document = $state.snapshot(kept);
        this.kept = this.written();
        this.state = state;
        this.seen = state.number;
        this.look = look;
        this.restore();
        $effect(() => {
            const written = this.written();
            if (written === this.kept) {
                localStorage.removeItem(this.key);
                if (!look || this.look === look) return;
            } else localStorage.setItem(this.key, JSON.stringify({ seen: this.seen, document: written }));
            this.looking = true;
            let current = true;
            const timer = setTimeout(async () => {
                const found = await post<LibraryLook>(this.addresses.look, {
                    document: JSON.parse(written) as Entry,
                }).catch(() => null);
                if (!current) return;
                this.look = found ?? this.look;
                this.looking = false;
            }, PAUSE);
            return () => {
                current = false;
                clearTimeout(timer);
            };
        });
    }

    get changed(): boolean {
        return this.written() !== this.kept;
    }

    private get key(): string {
        return `pebblerun library ${this.addresses.keep}`;
    }

    private written(): string {
        return JSON.stringify(sendable($state.snapshot(this.document)));
    }

    private restore() {
        try {
            const left = JSON.parse(localStorage.getItem(this.key) ?? 'null') as {
                seen: number;
                document: string;
            } | null;
            if (!left || left.document === this.kept) return;
            this.document = JSON.parse(left.document) as Entry;
            this.seen = left.seen;
            this.again = true;
        } catch {
            localStorage.removeItem(this.key);
        }
    }

    /** Back to what is kept. */
    drop() {
        this.document = JSON.parse(this.kept) as Entry;
        this.again = false;
        this.say.well('');
    }

    /** Goes on from what the other made of it. */
    takeTheirs() {
        if (!this.theirs) return;
        this.document = $state.snapshot(this.theirs.document);
        this.kept = this.written();
        this.seen = this.theirs.number;
        this.theirs = null;
        this.say.well('This is what it says now.');
    }

    /** Adds it to other platforms as well, where it is new. */
    async keep(also: number[] = []): Promise<LibraryKept | undefined> {
        const send = this.addresses.adds ? postOnce : put;
        let conflict: Refusal | undefined;
        const kept = await this.say.of(
            send<LibraryKept>(this.addresses.keep, {
                seen: this.seen,
                document: JSON.parse(this.written()) as Entry,
                ...(also.length > 0 ? { also } : {}),
            }).catch((fault: unknown) => {
                if (fault instanceof Refusal && fault.status === 409) conflict = fault;
                throw fault;
            }),
        );
        if (conflict)
            this.theirs = {
                document: conflict.body.theirs as Entry,
                number: conflict.body.number as number,
            };
        if (kept) this.took(kept, 'Saved. Plans see it once it is published.');
        return kept;
    }

    /** What the server says after a change. */
    took(kept: LibraryKept, words: string) {
        localStorage.removeItem(this.key);
        if (kept.document) this.document = $state.snapshot(kept.document) as unknown as Entry;
        this.kept = this.written();
        this.state = kept.state;
        this.seen = kept.state.number;
        this.again = false;
        this.theirs = null;
        this.say.well(words);
    }
}
