/** Prints figures of documents. Units come with the documents; nothing is converted here. */
export type Numerals = 'comma' | 'point' | 'space';

/** A locale that writes numbers so. */
const LOCALES: Record<Numerals, string> = { comma: 'en', point: 'de', space: 'fr' };

let whole = new Intl.NumberFormat('en', { maximumFractionDigits: 0 });
let tenth = new Intl.NumberFormat('en', { maximumFractionDigits: 1 });

/** Writes numbers from now on as the person's country does; documents come written so already. */
export function speak(numerals: Numerals) {
    whole = new Intl.NumberFormat(LOCALES[numerals], { maximumFractionDigits: 0 });
    tenth = new Intl.NumberFormat(LOCALES[numerals], { maximumFractionDigits: 1 });
}

export function figure(value: number): string {
    return whole.format(value);
}

export function precise(value: number): string {
    return tenth.format(value);
}

export function money(value: number, symbol: string): string {
    return `${symbol}\u00a0${whole.format(value)}`;
}

export function clock(iso: string): string {
    return new Date(iso).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });
}

export function day(iso: string): string {
    return new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
}

/** Today as documents write it. */
export function today(): string {
    return new Date().toISOString().slice(0, 10);
}
