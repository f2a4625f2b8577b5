import { tick } from 'svelte';
import type { Attachment } from 'svelte/attachments';

/** ms between two letters of one burst of typing. */
const BURST = 500;
/** ms for which letters wait for the field that was asked for. */
const PATIENCE = 6000;
/** Where letters mean letters. */
const WRITES =
    'input:not([type="checkbox"], [type="radio"], [type="button"], [type="submit"], [type="file"]), textarea, select, [contenteditable], [role="menu"], [data-letters]';
const EDITS = ['Enter', 'Backspace', 'Delete'];
/** They belong to no word: what comes behind them begins anew. */
const WALKS = /^(Arrow|Page|Home|End|Tab|Escape)/;
/** Both move what is selected: one after the other is no word. */
const STEERS = ['[', ']'];

type Key = Pick<KeyboardEvent, 'key' | 'repeat' | 'timeStamp'>;

/**
 * What a key may be, before any page hears it. A single letter is a command only at the start: who types a word where no field is
 * does not mean a command by each of its letters. What follows within half a second is dropped, unless the same key again may mean the
 * same again (undo, undo). Letters behind an action that asks for a word wait for its field and go into it.
 */
export class Keys {
    #last = -Infinity;
    /** Whether the last was a key, and not a page that began. */
    #typed = false;
    /** The one key that a burst is made of so far; empty when there are several. */
    #burst = '';
    #waiting: { keys: string[]; since: number } | null = null;
    /** Whether another page is on its way. */
    #leaving = false;

    /** An action that asks for a word has begun: its field is on its way. */
    expect(now = performance.now()) {
        this.#waiting = { keys: [], since: now };
    }

    /** What a key did is done once: also the same key is no command yet. */
    once() {
        this.#burst = '';
    }

    /** A page begins: letters that were meant for what was there before may still come. */
    begin(now = performance.now()) {
        this.#leaving = false;
        if (now > this.#last) this.#typed = false;
        this.#last = Math.max(this.#last, now);
        this.#burst = '';
    }

    /** Another page is on its way: no letter is for this one any more. */
    leave() {
        this.#leaving = true;
    }

    /** Nothing is waited for any more. */
    forget() {
        this.#waiting = null;
        this.#last = -Infinity;
    }

    /** What becomes of a key: it goes on, it waits for a field, or it is dropped. */
    judge(key: Key, writes: boolean): 'on' | 'waits' | 'dropped' {
        if (WALKS.test(key.key)) {
            if (key.key === 'Escape') this.#waiting = null;
            if (this.#waits(key)) return 'dropped';
            this.#last = -Infinity;
            return 'on';
        }
        if (key.key.length > 1 && !EDITS.includes(key.key)) return 'on';
        if (writes) {
            // The field may go while somebody types: the rest of the word is none of the page's business.
            this.#last = key.key === 'Enter' ? -Infinity : key.timeStamp;
            this.#typed = true;
            this.#burst = '';
            return 'on';
        }
        if (this.#waits(key)) {
            this.#waiting?.keys.push(key.key);
            this.#last = key.timeStamp;
            this.#typed = true;
            return 'waits';
        }
        return this.#starts(key) ? 'on' : 'dropped';
    }

    /** What was typed while the field was on its way, once. */
    taken(): string[] {
        const keys = this.#waiting?.keys ?? [];
        this.#waiting = null;
        return keys;
    }

    #waits(key: Key): boolean {
        if (this.#waiting && key.timeStamp - this.#waiting.since > PATIENCE) this.#waiting = null;
        return this.#waiting !== null;
    }

    #starts(key: Key): boolean {
        // Enter on what has the focus is meant, unless it ends a word.
        const follows = key.timeStamp - this.#last < BURST && (this.#typed || key.key !== 'Enter');
        this.#typed = true;
        const kind = STEERS.includes(key.key) ? STEERS.join('') : key.key;
        const same = this.#burst === kind;
        this.#last = key.timeStamp;
        this.#burst = follows && !same ? '' : kind;
        return (!follows || same) && !key.repeat && !this.#leaving;
    }
}

export const keys = new Keys();

/** Hears every key before the pages do. */
export function attend() {
    keys.begin();
    window.addEventListener(
        'keydown',
        (event) => {
            if (event.ctrlKey || event.metaKey || event.altKey || !event.isTrusted) return;
            const target = event.target instanceof Element ? event.target : null;
            if (keys.judge(event, target?.closest(WRITES) != null) === 'on') return;
            event.preventDefault();
            event.stopImmediatePropagation();
        },
        { capture: true },
    );
    // Whoever points at something means that, and no longer the field.
    window.addEventListener('pointerdown', () => keys.forget(), { capture: true });
}

/** A field that an action asked for is there: it has the focus, what stands in it is selected, what was typed meanwhile goes in. */
export function take(field: HTMLInputElement | HTMLTextAreaElement) {
    field.focus();
    field.select();
    const typed = keys.taken();
    const text = typed.reduce(
        (before, key) =>
            key.length === 1 ? before + key : key === 'Backspace' ? before.slice(0, -1) : before,
        '',
    );
    if (text !== '') {
        field.value = text;
        field.dispatchEvent(new Event('input', { bubbles: true }));
    }
    if (typed.includes('Enter')) void tick().then(() => enter(field));
}

function enter(field: HTMLInputElement | HTMLTextAreaElement) {
    if (press(field, 'Enter')) field.form?.requestSubmit();
}

/** Letters that waited for a list that hears them, as if they were typed now. */
export function replay(target: HTMLElement) {
    for (const key of keys.taken()) press(target, key);
}

function press(target: HTMLElement, key: string): boolean {
    return target.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }));
}

/** On a field that is there because somebody asked for it. */
export const asked: Attachment<HTMLInputElement | HTMLTextAreaElement> = (field) => take(field);
