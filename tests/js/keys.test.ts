import { beforeEach, expect, test } from 'vitest';
import { Keys } from '@/lib/keys';

// What a key may be before a page hears it: a command only at the start of what is typed.

let keys: Keys;
let now: number;

beforeEach(() => {
    keys = new Keys();
    now = 10_000;
});

/** A key after so many milliseconds. */
function after(ms: number, key: string, writes = false) {
    now += ms;
    return keys.judge({ key, repeat: false, timeStamp: now }, writes);
}

/** Small and seeded: the same words every time. */
function random(seed: number) {
    let state = seed;
    return (below: number) => {
        state = (state * 1103515245 + 12345) % 2147483648;
        return Math.floor((state / 2147483648) * below);
    };
}

test('of a word typed where no field is only the first letter is a command, at any pace of typing', () => {
    const dice = random(7);
    for (let i = 0; i < 400; i++) {
        after(600, 'Shift');
        const heard = [...Array(3 + dice(9))].map((_, at) => {
            const letter = String.fromCharCode(97 + ((at * 7 + dice(7)) % 26));
            return after(at === 0 ? 1000 : dice(151), letter);
        });
        expect(heard.slice(1).every((one) => one === 'dropped')).toBe(true);
        expect(heard[0]).toBe('on');
    }
});

test('the same key again is heard, until a page says that once is enough', () => {
    expect([after(1000, 'u'), after(80, 'u'), after(80, 'u')]).toEqual(['on', 'on', 'on']);
    expect([after(1000, ']'), after(80, '['), after(80, ']')]).toEqual(['on', 'on', 'on']);
    after(1000, 'h');
    keys.once();
    expect(after(80, 'h')).toBe('dropped');
    expect(after(80, 'u')).toBe('dropped');
    expect(after(600, 'u')).toBe('on');
});

test('a held key is one command', () => {
    expect(after(1000, 'u')).toBe('on');
    expect(keys.judge({ key: 'u', repeat: true, timeStamp: now + 30 }, false)).toBe('dropped');
});

test('an arrow ends a word: what follows is meant', () => {
    expect([after(1000, ' '), after(60, 'ArrowDown'), after(60, ' '), after(60, 'ArrowDown')]).toEqual([
        'on',
        'on',
        'on',
        'on',
    ]);
    expect(after(60, 's')).toBe('on');
});

test('what is typed while a field is on its way waits for it', () => {
    keys.expect(now);
    expect([...'Turb'].map((letter) => after(20, letter))).toEqual(Array(4).fill('waits'));
    expect([after(20, 'Backspace'), after(20, 'Enter')]).toEqual(['waits', 'waits']);
    expect(after(20, 'ArrowDown')).toBe('dropped');
    expect(keys.taken()).toEqual(['T', 'u', 'r', 'b', 'Backspace', 'Enter']);
    expect(keys.taken()).toEqual([]);
    expect(after(20, 'u', true)).toBe('on');
});

test('Escape gives up the field, and so does time', () => {
    keys.expect(now);
    expect([after(20, 'a'), after(20, 'Escape'), after(20, 'u')]).toEqual(['waits', 'on', 'on']);
    expect(keys.taken()).toEqual([]);
    keys.expect(now);
    expect(after(7000, 'u')).toBe('on');
    expect(keys.taken()).toEqual([]);
});

test('the rest of a word is nothing when its field goes away, and Enter ends it', () => {
    expect([after(1000, 't', true), after(60, 'u'), after(60, 'r')]).toEqual(['on', 'dropped', 'dropped']);
    expect([after(1000, 't', true), after(60, 'Enter', true), after(60, 'n')]).toEqual(['on', 'on', 'on']);
});

test('a page that begins or goes hears no letter of what was typed at the one before', () => {
    keys.begin(now);
    expect(after(100, 'Enter'), 'on what has the focus').toBe('on');
    keys.begin(now);
    expect([after(100, 'u'), after(100, 'b'), after(100, 'Enter')]).toEqual([
        'dropped',
        'dropped',
        'dropped',
    ]);
    expect(after(600, 'u')).toBe('on');
    keys.leave();
    expect(after(900, 'u')).toBe('dropped');
    keys.begin(now);
    expect(after(600, 'u')).toBe('on');
});
