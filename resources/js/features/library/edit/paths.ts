/** Reading and writing inside documents by path, such as "evidence.kind". */
export type Entry = Record<string, unknown>;

export function at(entry: Entry, path: string): unknown {
    return path.split('.').reduce<unknown>((value, key) => (value as Entry | undefined)?.[key], entry);
}

/** A figure that somebody writes is no longer the typical one: its entry rests on judgement, its path is no longer named. */
export function put(entry: Entry, path: string, value: unknown) {
    set(entry, path, value);
    const evidence = entry.evidence as Entry | undefined;
    if (evidence?.kind === 'typical' && !path.startsWith('evidence') && path !== 'name')
        entry.evidence = { kind: 'judgement' };
    if (Array.isArray(entry.typical))
        entry.typical = (entry.typical as string[]).filter((one) => one !== path);
}

/** Whether a figure is typical of such engines: nobody has looked at this one. */
export function isTypical(entry: Entry, path: string): boolean {
    return Array.isArray(entry.typical) && (entry.typical as string[]).includes(path);
}

/** Undefined takes the field away, and what holds nothing after that. */
function set(entry: Entry, path: string, value: unknown) {
    const [key, ...rest] = path.split('.') as [string, ...string[]];
    if (rest.length > 0) {
        const inner = (entry[key] ??= {}) as Entry;
        set(inner, rest.join('.'), value);
        if (Object.keys(inner).length === 0) Reflect.deleteProperty(entry, key);
    } else if (value === undefined) Reflect.deleteProperty(entry, key);
    else entry[key] = value;
}

/** Lists that a document has even where they are empty. */
const ALWAYS = new Set(['limits', 'variants', 'ceilings', 'slots']);

const isEmpty = (value: unknown) =>
    value === undefined ||
    value === '' ||
    (typeof value === 'object' && value !== null && Object.keys(value).length === 0);

/** Without fields that nobody filled in. */
function pruned<T>(value: T, top = true): T {
    if (Array.isArray(value)) return value.map((one: unknown) => pruned(one, false)) as T;
    if (typeof value !== 'object' || value === null) return value;
    const kept = Object.entries(value)
        .map(([key, inner]) => [key, pruned(inner as unknown, false)] as const)
        .filter(([key, inner]) => !isEmpty(inner) || (top && ALWAYS.has(key) && Array.isArray(inner)));
    return Object.fromEntries(kept) as T;
}

/** A key from its name for what has none yet. */
function keyed(entries: Entry[]): Entry[] {
    const taken = new Set(entries.map((entry) => entry.key));
    return entries.map((entry) => {
        // A part says its slots as plain keys.
        if (typeof entry !== 'object' || entry.key) return entry;
        const base =
            String(entry.name ?? '')
                .toLowerCase()
                .replace(/[^a-z0-9]+/g, '-')
                .replace(/^-|-$/g, '')
                .slice(0, 50) || 'entry';
        let key = base;
        for (let i = 2; taken.has(key); i++) key = `${base}-${i}`;
        taken.add(key);
        return { ...entry, key };
    });
}

/** Lists whose entries are known by a key. */
const KEYED = new Set([
    'limits',
    'variants',
    'ceilings',
    'fuel_system',
    'supplies',
    'slots',
    'families',
    'lanes',
]);

/** The document as it is sent: without fields that nobody filled in, and with a key for everything that has a name. */
export function sendable(document: Entry): Entry {
    const kept = pruned(document);
    for (const place of [kept, kept.effects as Entry | undefined])
        for (const list of place ? Object.keys(place) : [])
            if (place && KEYED.has(list) && Array.isArray(place[list]))
                place[list] = keyed(place[list] as Entry[]);
    return kept;
}
