import { vi } from 'vitest';

type Heard = (event: { key: string | null }) => void;

/** What a browser keeps, shared by its tabs, and the events by which a tab hears of the others. */
export class Browser {
    readonly store = new Map<string, string>();
    readonly #tabs: Set<Heard>[] = [];
    #current: Set<Heard> = new Set();
    /** Whether the store takes anything. */
    full = false;

    constructor() {
        const changed = (key: string) => {
            for (const tab of this.#tabs) if (tab !== this.#current) tab.forEach((heard) => heard({ key }));
        };
        vi.stubGlobal('localStorage', {
            getItem: (key: string) => this.store.get(key) ?? null,
            key: (i: number) => [...this.store.keys()][i] ?? null,
            setItem: (key: string, value: string) => {
                if (this.full) throw new Error('QuotaExceededError');
                this.store.set(key, value);
                changed(key);
            },
            removeItem: (key: string) => {
                if (this.store.delete(key)) changed(key);
            },
            get length() {
                return browser.store.size;
            },
        });
        // eslint-disable-next-line @typescript-eslint/no-this-alias
        const browser = this;
        vi.stubGlobal('window', {
            addEventListener: (kind: string, heard: Heard) => kind === 'storage' && this.#current.add(heard),
            removeEventListener: (_: string, heard: Heard) => this.#tabs.forEach((tab) => tab.delete(heard)),
        });
    }

    /** A tab that is opened; what happens inside it is told to the others only. */
    tab(): <T>(inside: () => T) => T {
        const tab = new Set<Heard>();
        this.#tabs.push(tab);
        return (inside) => {
            const before = this.#current;
            this.#current = tab;
            try {
                return inside();
            } finally {
                this.#current = before;
            }
        };
    }
}
