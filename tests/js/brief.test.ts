import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { BriefForm } from '@/features/brief/brief.svelte';
import type { Brief, BriefState } from '@/generated/answers';
import * as api from '@/lib/api';

// Nothing is saved that nobody entered, and nothing typed is lost when a server answers badly.

let sent: Brief[];

beforeEach(() => {
    vi.useFakeTimers();
    sent = [];
});
afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
});

function form(answer: () => void = () => {}, brief: Partial<Brief> = {}): BriefForm {
    vi.spyOn(api, 'put').mockImplementation(async (_url, body) => {
        answer();
        sent.push(structuredClone((body as { brief: Brief }).brief));
        return { revision: sent.length + 1 } as never;
    });
    const start = {
        car: { year: 2020, gearbox: 'manual' },
        received: { parts: [], fuel: 'pump' },
        ...brief,
    } as Brief;
    return new BriefForm(1, [], start, 'title', 'customer', { revision: 1 } as BriefState);
}

const settled = () => vi.advanceTimersByTimeAsync(10);

test('a kind of target is saved when its figures were entered, and none before', async () => {
    const brief = form();
    brief.aim('power');
    await settled();
    expect([sent, brief.targetKind, brief.target]).toEqual([[], 'power', {}]);
    brief.aimAt({ power: 300 });
    await settled();
    expect(sent.map((one) => one.target)).toEqual([{ power: 300 }]);
    brief.aim('torque');
    brief.aimAt({ torque: 320 });
    await settled();
    expect(sent).toHaveLength(1);
    expect(brief.target).toEqual({ torque: 320 });
    brief.aimAt({});
    brief.aimAt({ at_rpm: 3200 });
    await settled();
    expect(sent[1]?.target).toEqual({ torque: 320, at_rpm: 3200 });
    brief.aimAt({ at_rpm: 3300 });
    await settled();
    expect(sent[2]?.target, 'one figure changed keeps the other').toEqual({ torque: 320, at_rpm: 3300 });
    brief.aim('none');
    await settled();
    expect([sent[3]?.target, brief.targetKind]).toEqual([undefined, 'none']);
});

test('one end of the rpm range saves nothing by itself', async () => {
    const brief = form();
    brief.drive({ to: 6000 });
    await settled();
    expect([sent, brief.range]).toEqual([[], { to: 6000 }]);
    brief.drive({ from: 2500 });
    await settled();
    expect(sent.map((one) => one.rpm_range)).toEqual([{ from: 2500, to: 6000 }]);
    brief.drive({ to: 5800 });
    await settled();
    expect(sent[1]?.rpm_range).toEqual({ from: 2500, to: 5800 });
});

for (const status of [429, 500, 503])
    test(`after ${status} what was typed is saved by itself when the server answers`, async () => {
        let failures = 2;
        const brief = form(() => {
            if (failures-- > 0) throw new api.Refusal(status, `The server answered ${status}.`, {});
        });
        brief.answer({ use: 'track' });
        await settled();
        expect(brief.error).toContain('kept here');
        await vi.advanceTimersByTimeAsync(13_000);
        expect(sent.map((one) => one.use)).toEqual(['track']);
        expect(brief.error).toBe('');
    });

test('a refused answer is told and stays to be corrected', async () => {
    let refuse = true;
    const brief = form(() => {
        if (refuse) throw new api.Refusal(422, 'brief.rpm_range: 5000 rpm is not below 2000 rpm.', {});
    });
    brief.drive({ from: 5000, to: 2000 });
    await vi.advanceTimersByTimeAsync(120_000);
    expect(vi.mocked(api.put)).toHaveBeenCalledTimes(1);
    expect([brief.error, brief.range.from]).toEqual([
        'brief.rpm_range: 5000 rpm is not below 2000 rpm.',
        5000,
    ]);
    refuse = false;
    brief.drive({ from: 2000, to: 5000 });
    await settled();
    expect([sent.length, brief.error]).toEqual([1, '']);
});
