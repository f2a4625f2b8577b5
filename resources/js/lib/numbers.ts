import { numerals, type Numerals } from './format';

/** The sign before the decimals, as each country writes it. */
const DECIMAL: Record<Numerals, '.' | ','> = { comma: '.', point: ',', space: ',' };

/** Spaces of every width, and the apostrophe: they part thousands. */
const GAPS = /[\s\u00a0\u202f'’]/g;

/** 1,234,567 or 1.234.567. */
const GROUPED = /^\d{1,3}([.,])\d{3}(?:\1\d{3})*$/;

/**
 * A number as a person of that country means it: 6.800 is six thousand eight hundred where the comma parts decimals. What can only be
 * meant one way is taken so too: "2,0" is two everywhere. Undefined where it is no number; null where nothing is written.
 */
export function read(text: string, as: Numerals = numerals()): number | null | undefined {
    const bare = text.trim().replace(GAPS, '');
    if (bare === '') return null;
    const sign = bare.startsWith('-') ? -1 : 1;
    const digits = bare.replace(/^[-+−]/, '');
    const minus = bare.startsWith('−') ? -1 : sign;
    const value = unsigned(digits, DECIMAL[as]);
    return value === undefined ? undefined : minus * value;
}

function unsigned(digits: string, decimal: '.' | ','): number | undefined {
    const other = decimal === '.' ? ',' : '.';
    const signs = [...digits].filter((one) => one === '.' || one === ',');
    if (!/^[\d.,]*\d[\d.,]*$/.test(digits)) return undefined;
    if (signs.length === 0) return Number(digits);
    const last = signs.at(-1) as '.' | ',';
    const mixed = new Set(signs).size > 1;
    if (mixed) {
        // 1.234,5: the last is the decimals', what is before it parts thousands.
        const [whole = '', rest = ''] = cut(digits, last);
        return GROUPED.test(whole) && /^\d+$/.test(rest)
            ? Number(`${whole.replace(/[.,]/g, '')}.${rest}`)
            : undefined;
    }
    const grouped = GROUPED.test(digits) && !digits.startsWith('0');
    if (last === other && grouped) return Number(digits.replaceAll(other, ''));
    if (signs.length > 1) return grouped ? Number(digits.replaceAll(last, '')) : undefined;
    const number = Number(digits.replace(last, '.'));
    return Number.isFinite(number) ? number : undefined;
}

function cut(text: string, at: string): [string, string] {
    const place = text.lastIndexOf(at);
    return [text.slice(0, place), text.slice(place + 1)];
}

/** A number in a field: with the country's decimal sign, thousands together. */
export function write(value: number, as: Numerals = numerals()): string {
    const plain = String(Number(value.toPrecision(12)));
    return plain.replace('.', DECIMAL[as]);
}
