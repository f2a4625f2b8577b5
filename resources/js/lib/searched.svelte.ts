import type { Found } from '@/generated/answers';
import { get } from '@/lib/api';

/** ms; a word is asked for when it is typed, not every letter. */
const PAUSE = 120;

/** What the shop has by a few letters, asked for while somebody types; use it while a component is made. */
export class Searched {
    found = $state.raw<Found>([]);
    /** What it was found by; empty where nothing was asked for. */
    by = $state('');
    failed = $state(false);

    constructor(words: () => string) {
        $effect(() => {
            const typed = words().trim();
            if (typed.length < 2) {
                this.found = [];
                this.by = '';
                return;
            }
            let current = true;
            const timer = setTimeout(async () => {
                const answer = await get<Found>(`/search?q=${encodeURIComponent(typed)}`).catch(() => null);
                if (!current) return;
                this.failed = answer === null;
                this.found = answer ?? [];
                this.by = typed;
            }, PAUSE);
            return () => {
                current = false;
                clearTimeout(timer);
            };
        });
    }
}
