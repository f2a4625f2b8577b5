/** Answers of a document by place, "car.year": shown in the page until the server has answered. */

/** The same document with another answer; null and undefined take it away. */
export function withAnswer<T extends object>(document: T, place: string, value: unknown): T {
    const [step, ...rest] = place.split('.') as [string, ...string[]];
    const here = (document as Record<string, unknown>)[step];
    const next =
        rest.length === 0
            ? value
            : withAnswer(typeof here === 'object' && here !== null ? here : {}, rest.join('.'), value);
    const others = Object.entries(document).filter(([key]) => key !== step);
    const whole = next === null || next === undefined ? others : [...others, [step, next]];
    return Object.fromEntries(whole) as T;
}
