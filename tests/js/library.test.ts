import { expect, test } from 'vitest';
import { placed, worded } from '@/features/library/edit/labels';
import { at, isTypical, put, sendable, type Entry } from '@/features/library/edit/paths';

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
    expect(placed('gains[1].power')).toBe('Gain 2, Power');
    expect(placed('fuel_system[0].flow_l_h')).toBe('Pump or injector 1, Flow, L/h');
    expect(worded('give "safe" and "edge", or "over_rpm".')).toBe(
        'give “Safe to” and “Breaks at”, or “Figures by rpm”.',
    );
    expect(worded('"Panel filter" is there twice')).toBe('"Panel filter" is there twice');
});

test('a typical figure is somebody’s own from the moment that he writes one', () => {
    const platform: Entry = {
        typical: ['mass', 'air.cooler.effectiveness'],
        mass: 1450,
        limits: [{ safe: 300, edge: 345, evidence: { kind: 'typical', note: 'of such engines' } }],
    };
    const [limit] = platform.limits as [Entry];
    put(limit, 'name', 'Gearbox');
    expect(limit.evidence).toEqual({ kind: 'typical', note: 'of such engines' });
    put(limit, 'safe', 285);
    expect(limit.evidence).toEqual({ kind: 'judgement' });
    put(limit, 'evidence.kind', 'typical');
    expect(limit.evidence).toEqual({ kind: 'typical' });

    expect(isTypical(platform, 'mass')).toBe(true);
    put(platform, 'mass', 1390);
    expect(isTypical(platform, 'mass')).toBe(false);
    expect(isTypical(platform, 'air.cooler.effectiveness')).toBe(true);
    put(platform, 'air.cooler.effectiveness', undefined);
    expect(sendable(platform)).not.toHaveProperty('typical');
});
