import { expect, test } from 'vitest';
import { nearest, place, spread } from '@/charts/labels';
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

test('a label takes the place that covers least', () => {
    const frame = { x: 0, y: 0, width: 200, height: 100 };
    const box = (x: number, y: number) => ({ x, y, width: 40, height: 16 });
    const water = { x: 0, y: 48, width: 200, height: 8 };
    expect(place([[box(10, 44), box(10, 70)]], [water], frame)).toEqual([box(10, 70)]);
    expect(place([[box(180, 10), box(100, 10)]], [], frame)).toEqual([box(100, 10)]);
    const [first, second] = place([[box(10, 10)], [box(12, 12), box(60, 10)]], [], frame);
    expect(first).toEqual(box(10, 10));
    expect(second).toEqual(box(60, 10));
});

test('a label stands by its own point and not by another', () => {
    const box = (x: number, y: number) => ({ x, y, width: 100, height: 18 });
    const [own, other] = [
        { x: 100, y: 100 },
        { x: 190, y: 110 },
    ];
    const [beside, before] = [box(114, 104), box(-14, 104)];
    expect(nearest([beside, before], own, [own, other])).toEqual([before]);
    expect(nearest([beside, before], own, [own]), 'alone, any place will do').toEqual([beside, before]);
    expect(nearest([beside], own, [own, other]), 'where none is nearer, one must do').toEqual([beside]);
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
