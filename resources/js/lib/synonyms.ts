import words from '../../../schemas/trade-words.json';

/** Words of the trade for one thing, as the core has them. */
const GROUPS: readonly (readonly string[])[] = words;

/** Whether a name has these letters in it, or another word for what they begin. */
export function says(name: string, letters: string): boolean {
    const text = name.toLowerCase();
    const wanted = letters.toLowerCase();
    if (text.includes(wanted)) return true;
    if (wanted.length < 3) return false;
    return GROUPS.some(
        (group) =>
            group.some(
                (word) => word.startsWith(wanted) || word.split(' ').some((one) => one.startsWith(wanted)),
            ) && group.some((word) => text.includes(word)),
    );
}
