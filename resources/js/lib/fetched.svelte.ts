import { get } from '@/lib/api';

/** What stands at an address, fetched anew whenever the address changes; use it while a component is made. */
export class Fetched<T> {
    value = $state.raw<T | null>(null);
    loading = $state(false);
    failed = $state(false);

    /**
     * @param address null where there is nothing to fetch
     * @param wait ms; spares the server while arrows run over many addresses
     * @param there called when it is there
     */
    constructor(address: () => string | null, wait = 0, there: () => void = () => {}) {
        let before = '';
        $effect(() => {
            const url = address();
            // The same place at another version: what is being written there must not go away under one's hands.
            const same = place(url) === before;
            before = place(url);
            if (!same) this.value = null;
            this.failed = false;
            this.loading = url !== null;
            if (url === null) return;
            let current = true;
            const timer = setTimeout(async () => {
                const answer = await get<T>(url).catch(() => null);
                if (!current) return;
                this.value = answer;
                this.failed = answer === null;
                this.loading = false;
                there();
            }, wait);
            return () => {
                current = false;
                clearTimeout(timer);
            };
        });
    }
}

function place(url: string | null): string {
    return url?.replace(/[?&]at=\d+$/, '') ?? '';
}
