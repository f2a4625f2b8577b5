import { readFileSync, readdirSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { expect, test } from 'vitest';

// No ring on any level: folders of one folder, and files beside them, can be put in an order in which each uses only those before it.

const ROOT = resolve('resources/js');

const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.(ts|svelte)$/.test(name))
    .map((name) => join(ROOT, name));
const known = new Set(files);

const found = (path: string) =>
    [path, `${path}.ts`, `${path}.svelte.ts`, join(path, 'index.ts')].find((one) => known.has(one));

function used(file: string): string[] {
    const names = [...readFileSync(file, 'utf8').matchAll(/\bfrom\s+'([^']+)'/g)].map(
        ([, name]) => name ?? '',
    );
    return names.flatMap((name) => {
        const path = name.startsWith('@/')
            ? join(ROOT, name.slice(2))
            : name.startsWith('.')
              ? resolve(dirname(file), name)
              : '';
        return found(path) ?? [];
    });
}

/** The folder that has both, and what of it each is in. */
function apart(one: string, other: string): [string, string, string] {
    const [a, b] = [relative(ROOT, one).split('/'), relative(ROOT, other).split('/')];
    let i = 0;
    while (a[i] === b[i] && i < a.length) i++;
    return [a.slice(0, i).join('/'), a[i] ?? '', b[i] ?? ''];
}

function rings(uses: Map<string, string[]>): string[] {
    const levels = new Map<string, Map<string, Set<string>>>();
    for (const [file, others] of uses)
        for (const other of others) {
            const [level, from, to] = apart(file, other);
            if (from === to) continue;
            const arrows = levels.get(level) ?? new Map<string, Set<string>>();
            levels.set(level, arrows.set(from, (arrows.get(from) ?? new Set()).add(to)));
        }
    const reaches = (arrows: Map<string, Set<string>>, from: string) => {
        const seen = new Set<string>();
        const next = [...(arrows.get(from) ?? [])];
        for (let here = next.pop(); here !== undefined; here = next.pop()) {
            if (here === from) return true;
            if (!seen.has(here)) next.push(...(arrows.get(here) ?? []));
            seen.add(here);
        }
        return false;
    };
    return [...levels].flatMap(([level, arrows]) => {
        const on = [...arrows.keys()].filter((one) => reaches(arrows, one)).sort();
        return on.length > 0 ? [`${level}: ${on.join(' ')}`] : [];
    });
}

test('nothing of the pages uses itself by a detour', () => {
    expect(files.length).toBeGreaterThan(100);
    expect(rings(new Map(files.map((file) => [file, used(file)])))).toEqual([]);
});

test('a ring is found on whatever level it is', () => {
    const at = (name: string) => join(ROOT, name);
    const ring = new Map([
        [at('ui/a.ts'), [at('lib/b.ts')]],
        [at('lib/b.ts'), []],
        [at('lib/c.ts'), [at('ui/d.ts')]],
    ]);
    expect(rings(ring)).toEqual([': lib ui']);
    expect(rings(new Map([...ring].slice(0, 2)))).toEqual([]);
});
