import { expect, test } from 'vitest';
import { read, write } from '@/lib/numbers';

// Numbers as people of several countries write them; never twenty litres.

test.each([
    ['2,0', 'comma', 2],
    ['2,0', 'point', 2],
    ['2,0', 'space', 2],
    ['2.0', 'point', 2],
    ['6.800', 'point', 6800],
    ['6.800', 'comma', 6.8],
    ['6,800', 'comma', 6800],
    ['6,800', 'point', 6.8],
    ['6 800', 'space', 6800],
    ['6\u202f800,5', 'space', 6800.5],
    ["6'800", 'comma', 6800],
    ['1.234,5', 'point', 1234.5],
    ['1,234.5', 'comma', 1234.5],
    ['1,234.5', 'point', 1234.5],
    ['1.234.567', 'comma', 1234567],
    ['0,250', 'comma', 0.25],
    ['0.250', 'point', 0.25],
    ['.5', 'comma', 0.5],
    ['-3', 'comma', -3],
    ['−3,5', 'point', -3.5],
    ['290', 'comma', 290],
    ['', 'comma', null],
    ['  ', 'comma', null],
    ['2,0,1', 'comma', undefined],
    ['1.23.4,5', 'point', undefined],
    ['12e3', 'comma', undefined],
    ['98 RON', 'comma', undefined],
    [',', 'comma', undefined],
    ['-', 'comma', undefined],
] as const)('%s with %s is %s', (text, as, value) => {
    expect(read(text, as)).toBe(value);
});

test('what is written is read back the same', () => {
    for (const as of ['comma', 'point', 'space'] as const)
        for (const value of [0, 1, 0.5, -2.25, 1234.5, 6800, 0.125, 1e6, 123456.789, 2.345])
            expect(read(write(value, as), as), `${value} ${as}`).toBe(value);
    expect(write(0.1 + 0.2, 'comma')).toBe('0.3');
});
