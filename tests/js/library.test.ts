import { expect, test } from 'vitest';
import { at, put, readable, sendable } from '@/features/library/edit/paths';

// Documents of the library as a page changes them, without a browser.

test('a field is read, written and taken away by its path, with what is empty after it', () => {
    const entry: Record<string, unknown> = { price: { hours: 2 } };
    put(entry, 'evidence.kind', 'maker');
    expect(at(entry, 'evidence.kind')).toBe('maker');
    put(entry, 'evidence.kind', undefined);
    expect(entry).toEqual({ price: { hours: 2 } });
    expect(at(entry, 'workshop.tools')).toBeUndefined();
});

test('what nobody filled in is not sent, what has a name gets a key, and plain keys stay plain', () => {
    expect(
        sendable({ name: 'Pipe', slots: ['downpipe'], tags: [], law: { note: '' }, effects: { limits: [] } }),
    ).toEqual({ name: 'Pipe', slots: ['downpipe'] });
    const sent = sendable({
        limits: [{ name: 'Gearbox low!' }, { key: 'clutch', name: 'Clutch' }, { name: 'Clutch' }],
        ceilings: [],
    });
    expect((sent.limits as { key: string }[]).map(({ key }) => key)).toEqual([
        'gearbox-low',
        'clutch',
        'clutch-2',
    ]);
    expect(sent.ceilings, 'a list that a platform always has').toEqual([]);
});

test('a path is told as one reads it', () => {
    expect(readable('gains[1].power')).toBe('gains 2, power');
    expect(readable('fuel_system[0].flow_l_h')).toBe('fuel system 1, flow l h');
});
