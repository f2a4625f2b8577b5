import type { CounterPage } from '@/generated/answers';

export type Templates = CounterPage['templates'];

/** What is said of an engine to begin a platform with: a usual one of its kind, until somebody knows better. */
export class PlatformAnswers {
    given = $state<Record<string, string | number | undefined>>({});
    kind = $state('');

    constructor(private templates: Templates) {
        const year = Number(new Intl.DateTimeFormat('en', { year: 'numeric' }).format());
        this.given = { make: '', model: '', from: year - 5, to: year, read: 'crank' };
        const [first] = templates;
        if (first) this.begin(first.kind);
    }

    /** Begins with what is usual of a kind; who and when the car is stays. */
    begin(kind: string) {
        const template = this.templates.find((one) => one.kind === kind);
        if (!template) return;
        this.kind = kind;
        Object.assign(this.given, { ...template, kind: undefined, words: undefined });
    }

    body() {
        return { ...this.given, kind: undefined, words: undefined };
    }
}
