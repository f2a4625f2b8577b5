/** A part's document. */
type Entry = Record<string, unknown>;

const KEY = 'pebblerun-copied-part';
/** What a copy does not take along: its own key, and that it is no longer offered. */
const OWN = ['key', 'retired'];

/** A part on its way to be copied, to this platform or another. */
export function copy(part: Entry) {
    sessionStorage.setItem(
        KEY,
        JSON.stringify(Object.fromEntries(Object.entries(part).filter(([field]) => !OWN.includes(field)))),
    );
}

/** The part that was copied, once. */
export function copied(): Entry | null {
    const text = sessionStorage.getItem(KEY);
    sessionStorage.removeItem(KEY);
    return text === null ? null : (JSON.parse(text) as Entry);
}
