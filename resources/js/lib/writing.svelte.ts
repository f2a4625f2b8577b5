/** How many fields have something written that is not handed on yet. */
export const unsaved = $state({ fields: 0 });

/** What is being written in a field: it shows as typed, and is handed on at a pause and on leaving the field or the page. */
export class Writing {
    /** As typed; null while nobody writes here. */
    text = $state<string | null>(null);
    #given: string | null = null;
    #waits = false;
    #timer: ReturnType<typeof setTimeout> | undefined;

    /** @param pause ms */
    constructor(
        private readonly give: (text: string) => void,
        private readonly pause: number,
    ) {}

    /** @param whole whether it may be what was meant: half a number is not handed on at a pause */
    typed(text: string, whole = true) {
        this.text = text;
        this.#wait(true);
        if (whole) this.#timer = setTimeout(() => this.#hand(text), this.pause);
    }

    /** The field was left, or the page. */
    left(text: string) {
        this.#hand(text);
        this.text = null;
        this.#given = null;
    }

    /** The field is gone. */
    end() {
        this.#wait(false);
    }

    #hand(text: string) {
        this.#wait(false);
        if (text === this.#given) return;
        this.#given = text;
        this.give(text);
    }

    #wait(waits: boolean) {
        clearTimeout(this.#timer);
        if (waits !== this.#waits) unsaved.fields += waits ? 1 : -1;
        this.#waits = waits;
    }
}

/** On a page with such fields: whoever goes away with one half written leaves it first. Undone by what it returns. */
export function leaveWithPage(): () => void {
    const leave = () => document.activeElement instanceof HTMLElement && document.activeElement.blur();
    window.addEventListener('pagehide', leave);
    return () => window.removeEventListener('pagehide', leave);
}
