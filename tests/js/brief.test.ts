import { afterEach, beforeEach, expect, test, vi } from 'vitest';
import { BriefForm } from '@/features/brief/brief.svelte';
import type { Answer, Brief, BriefState } from '@/generated/answers';
import * as api from '@/lib/api';
import { Browser } from './storage';

// Nothing is saved that nobody entered, and nothing typed is lost when a server answers badly.

let sent: Record<string, unknown>[];

beforeEach(() => {
    vi.useFakeTimers();
    new Browser();
    sent = [];
});
afterEach(() => {
    vi.useRealTimers();
    vi.restoreAllMocks();
    vi.unstubAllGlobals();
});

const start = {
    car: { year: 2020, gearbox: 'manual' },
    received: { parts: [], fuel: 'pump' },
} as unknown as Brief;
const state = (brief: Brief, version: number) =>
    ({
        version,
        brief,
        readiness: {},
        title: 'title',
        chassis_number: '',
        customer: { id: 1, name: 'Maren', contact: '', notes: '' },
    }) as unknown as BriefState;

/** A server that keeps what it is given, unless it answers otherwise. */
function form(answer: () => void = () => {}): BriefForm {
    let [brief, version] = [start, 1];
    vi.spyOn(api, 'post').mockImplementation(async (_url, body) => {
        answer();
        const answers = (body as { answers: Answer[] }).answers;
        sent.push(Object.fromEntries(answers.map((one) => [one.place, one.value])));
        for (const { place, value } of answers)
            brief = place.includes('.') ? brief : ({ ...brief, [place]: value ?? undefined } as Brief);
        return { state: state(brief, ++version) } as never;
    });
    return new BriefForm(1, 1, [], state(start, 1));
}

const settled = () => vi.advanceTimersByTimeAsync(10);

test('a kind of target is saved when its figures were entered, and none before', async () => {
    const brief = form();
    brief.aim('power');
    await settled();
    expect([sent, brief.targetKind, brief.target]).toEqual([[], 'power', {}]);
    brief.aimAt({ power: 300 });
    expect(brief.target, 'it shows at once').toEqual({ power: 300 });
    await settled();
    brief.aim('torque');
    brief.aimAt({ torque: 320 });
    await settled();
    expect(sent).toEqual([{ target: { power: 300 } }]);
    expect(brief.target).toEqual({ torque: 320 });
    brief.aimAt({});
    brief.aimAt({ at_rpm: 3200 });
    await settled();
    brief.aimAt({ at_rpm: 3300 });
    await settled();
    brief.aim('none');
    await settled();
    expect(sent.slice(1), 'one figure changed keeps the other').toEqual([
        { target: { torque: 320, at_rpm: 3200 } },
        { target: { torque: 320, at_rpm: 3300 } },
        { target: null },
    ]);
    expect(brief.targetKind).toBe('none');
});

test('one end of the rpm range saves nothing by itself', async () => {
    const brief = form();
    brief.drive({ to: 6000 });
    await settled();
    expect([sent, brief.range]).toEqual([[], { to: 6000 }]);
    brief.drive({ from: 2500 });
    await settled();
    brief.drive({ to: 5800 });
    await settled();
    expect(sent).toEqual([{ rpm_range: { from: 2500, to: 6000 } }, { rpm_range: { from: 2500, to: 5800 } }]);
});

for (const status of [429, 500, 503])
    test(`after ${status} what was typed is saved by itself when the server answers`, async () => {
        let failures = 2;
        const brief = form(() => {
            if (failures-- > 0) throw new api.Refusal(status, `The server answered ${status}.`, {});
        });
        brief.answer({ use: 'track' });
        brief.give({ 'customer.name': 'Maren Lund' });
        await settled();
        expect([brief.queue.trouble, brief.brief.use, brief.customer.name]).toEqual([
            `The server answered ${status}.`,
            'track',
            'Maren Lund',
        ]);
        await vi.advanceTimersByTimeAsync(20_000);
        expect(sent).toEqual([{ use: 'track' }, { 'customer.name': 'Maren Lund' }]);
        expect(brief.queue.trouble).toBe('');
    });

test('a refused answer is told, stays in its field, and is gone when it is given otherwise', async () => {
    let refuse = true;
    const brief = form(() => {
        if (refuse) throw new api.Refusal(422, 'brief.rpm_range: 5000 rpm is not below 2000 rpm.', {});
    });
    brief.drive({ from: 5000, to: 2000 });
    await vi.advanceTimersByTimeAsync(120_000);
    expect(vi.mocked(api.post)).toHaveBeenCalledTimes(1);
    expect(brief.queue.aside.map((one) => [one.reason, one.edit.words])).toEqual([
        ['brief.rpm_range: 5000 rpm is not below 2000 rpm.', 'Answer: rpm range'],
    ]);
    expect(brief.range.from).toBe(5000);
    refuse = false;
    brief.drive({ from: 2000, to: 5000 });
    await settled();
    expect([sent, brief.queue.aside, brief.range]).toEqual([
        [{ rpm_range: { from: 2000, to: 5000 } }],
        [],
        { from: 2000, to: 5000 },
    ]);
});

test('a warning shows as given at once, and one taken back does not', () => {
    const brief = form();
    brief.warn('law', true);
    brief.warn('reserve', true);
    brief.warn('law', false);
    expect(brief.brief.warnings?.map((one) => one.warning)).toEqual(['reserve']);
});
