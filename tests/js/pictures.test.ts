import { expect, test } from 'vitest';
import { place, spread, tie } from '@/charts/labels';
import { fixed, roomy } from '@/charts/scale';
import { figure, money, precise } from '@/lib/format';
import { stone, stones, wavyLine } from '@/lib/stones';

// The drawing helpers of the pictures, without a browser.

test('labels at the ends of curves keep their distance and stay inside', () => {
    const placed = spread([10, 12, 14, 90], 13, [5, 100]);
    const sorted = [...placed].sort((a, b) => a - b);
    for (let i = 1; i < sorted.length; i++)
        expect((sorted[i] ?? 0) - (sorted[i - 1] ?? 0)).toBeGreaterThanOrEqual(13);
    expect(Math.max(...placed)).toBeLessThanOrEqual(100);
    expect(spread([20, 60], 13, [0, 100])).toEqual([20, 60]);
});

test('labels that would leave at the bottom push the others up', () => {
    const placed = spread([95, 97, 99], 13, [0, 100]);
    expect(placed).toEqual([74, 87, 100]);
});

const frame = { x: 0, y: 0, width: 400, height: 200 };
const label = (x: number, y: number) => ({ x, y, width: 40, height: 16 });
const far = { x: 390, y: 190 };

test('a label takes the place that covers least, inside the frame', () => {
    const water = { x: 0, y: 48, width: 200, height: 8 };
    const own = { x: 5, y: 60 };
    expect(place([{ own, places: [label(10, 44), label(10, 70)] }], [water], frame)).toEqual([label(10, 70)]);
    expect(place([{ own, places: [label(380, 10), label(100, 10)] }], [], frame)).toEqual([label(100, 10)]);
});

test('labels keep off each other, also one that was placed before', () => {
    const [first, second] = place(
        [
            { own: { x: 5, y: 20 }, places: [label(10, 10), label(10, 40)] },
            { own: { x: 60, y: 18 }, places: [label(12, 12)] },
        ],
        [],
        frame,
    );
    expect([first, second]).toEqual([label(10, 40), label(12, 12)]);
});

test('a label stands by its own point and not by another', () => {
    const own = { x: 100, y: 100 };
    const other = { own: { x: 160, y: 104 }, places: [label(300, 20)] };
    const [beside, before] = [label(114, 104), label(46, 104)];
    expect(place([{ own, places: [beside, before] }, other], [], frame)[0]).toEqual(before);
    expect(place([{ own, places: [beside, before] }], [], frame), 'alone, the first will do').toEqual([
        beside,
    ]);
    expect(
        place([{ own: far, places: [beside] }, other], [], frame)[0],
        'where none is nearer, one must do',
    ).toEqual(beside);
});

test('a label that is not beside its point is tied to it', () => {
    expect(tie(label(20, 10), { x: 10, y: 12 })).toBeNull();
    expect(tie(label(20, 60), { x: 10, y: 12 })).toEqual([
        { x: 10, y: 12 },
        { x: 20, y: 60 },
    ]);
});

test('a roomy scale has air around its values and never collapses', () => {
    const scale = roomy([200, 300], [100, 0], { below: 0.1, above: 0.2 });
    expect(scale.domain()).toEqual([190, 320]);
    expect(scale(190)).toBe(100);
    expect(scale(320)).toBe(0);
    expect(roomy([5, 5], [10, 0], { below: 0.1, above: 0.1 })(5)).toBeCloseTo(5);
    expect(fixed([0, 10], [0, 100])(4)).toBe(40);
});

test('figures are printed in whole or tenths, money with its sign', () => {
    expect(figure(6481.4)).toBe('6,481');
    expect(precise(25.04)).toBe('25');
    expect(precise(25.46)).toBe('25.5');
    expect(money(6481.2, '€')).toBe('€\u00a06,481');
});

test('no two pebbles beside each other look alike, and the water reaches across', () => {
    for (let i = 0; i < 12; i++) expect(stone(i)).not.toBe(stone(i + 1));
    expect(stone(stones.length)).toBe(stones[0]);
    const reach = 40 + 24 * (wavyLine(40, 640, 100).match(/24 0/g)?.length ?? 0);
    expect(reach).toBeGreaterThanOrEqual(616);
});

test('a single value lies in the middle of its picture', () => {
    expect(roomy([150, 150], [100, 0], { below: 0, above: 0 })(150)).toBe(50);
});
