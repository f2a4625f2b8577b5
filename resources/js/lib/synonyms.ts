/** Words of the trade for one thing: whoever looks for one of them finds what is called by another. */
const GROUPS: readonly (readonly string[])[] = [
    ['map', 'tune', 'remap', 'calibration'],
    ['stage', 'power level'],
    ['intercooler', 'charge cooler'],
    ['header', 'manifold'],
];

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
