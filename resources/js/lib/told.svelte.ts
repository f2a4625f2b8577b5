import { Refusal } from './api';

/** What a form says of itself: that it went well, or why not. */
export class Telling {
    good = $state('');
    bad = $state('');

    well(words: string) {
        this.good = words;
        this.bad = '';
    }

    /** What the promise brings; undefined, and the reason told, where it fails. */
    async of<T>(promise: Promise<T>): Promise<T | undefined> {
        this.good = this.bad = '';
        try {
            return await promise;
        } catch (fault) {
            this.bad = fault instanceof Refusal || fault instanceof Error ? fault.message : String(fault);
            return undefined;
        }
    }
}

export const told = () => new Telling();
