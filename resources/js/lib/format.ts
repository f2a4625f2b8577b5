import type { SignedIn } from '@/generated/answers';

/** Prints figures of documents. Units come with the documents; nothing is converted here. */
export type Numerals = SignedIn['numerals'];

/** A locale that writes numbers so. */
const LOCALES: Record<Numerals, string> = { comma: 'en', point: 'de', space: 'fr' };

let zone = 'UTC';
let spoken: Numerals = 'comma';
let whole = new Intl.NumberFormat('en', { maximumFractionDigits: 0 });
let tenth = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });
let one = new Intl.NumberFormat('en', { minimumFractionDigits: 1, maximumFractionDigits: 1 });

/** Writes numbers as the person's country does, and days and hours in the shop's zone; documents come written so already. */
export function speak(numerals: Numerals, timeZone: string) {
    zone = timeZone;
    spoken = numerals;
    whole = new Intl.NumberFormat(LOCALES[numerals], { maximumFractionDigits: 0 });
    one = new Intl.NumberFormat(LOCALES[numerals], { minimumFractionDigits: 1, maximumFractionDigits: 1 });
    tenth = new Intl.NumberFormat(LOCALES[numerals], { maximumFractionDigits: 1 });
}

/** How the person writes numbers. */
export const numerals = () => spoken;

/** The language that days and fields of days are written in: as the person's country writes them. */
export const locale = () => ({ comma: 'en-GB', point: 'de', space: 'fr' })[spoken];

export function figure(value: number): string {
    return whole.format(value);
}

/** Power or torque: of a small engine with a decimal below 50, as its document says. */
export function output(value: number, tenths: boolean): string {
    return tenths && Math.abs(value) < 50 ? one.format(value) : whole.format(value);
}

export function precise(value: number): string {
    return tenth.format(value);
}

export function money(value: number, symbol: string): string {
    return `${symbol}\u00a0${whole.format(value)}`;
}

/** A day of the calendar, without an hour. */
const DAY = /^\d{4}-\d\d-\d\d$/;

/** The time of day in the shop's own zone. */
export function clock(iso: string): string {
    return new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: zone });
}

/** The day in the shop's own zone; a day of the calendar is that day everywhere. */
export function day(iso: string): string {
    const timeZone = DAY.test(iso) ? 'UTC' : zone;
    return new Date(iso).toLocaleDateString('en-GB', {
        day: 'numeric',
        month: 'short',
        year: 'numeric',
        timeZone,
    });
}

/** Today in the shop's own zone, as documents write it. */
export function today(now = new Date()): string {
    return now.toLocaleDateString('en-CA', { timeZone: zone });
}
