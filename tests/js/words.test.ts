import { expect, test } from 'vitest';
import { day, speak, today } from '@/lib/format';
import { says } from '@/lib/synonyms';

// Words and days, without a browser.

test('tune, remap and map, power level and stage are found by the same search', () => {
    for (const word of ['map', 'tune', 'remap', 'rema'])
        expect(says('Dyno map, soft ramp', word), word).toBe(true);
    for (const word of ['stage', 'power level', 'level']) expect(says('New stage', word), word).toBe(true);
    expect(says('Undo', 'tune')).toBe(false);
    expect(says('Go to Intercooler, stage 2', 'charge')).toBe(true);
    expect(says('New stage', 'ma'), 'two letters are letters').toBe(false);
});

test('days are the shop’s own, and a day of the calendar is that day everywhere', () => {
    const late = '2026-11-25T23:30:00Z';
    speak('comma', 'Etc/GMT-1');
    expect(day(late)).toBe('26 Nov 2026');
    expect(today(new Date(late))).toBe('2026-11-26');
    expect(day('2026-11-10')).toBe('10 Nov 2026');
    speak('comma', 'Etc/GMT+10');
    expect(day(late)).toBe('25 Nov 2026');
    expect(today(new Date(late))).toBe('2026-11-25');
    expect(day('2026-11-10')).toBe('10 Nov 2026');
    speak('comma', 'UTC');
});
