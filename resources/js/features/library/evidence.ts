import { day } from '@/lib/format';

/** What a figure rests on, as a shape: the fuller, the better it is known. */
export const legend = [
    ['●', "shop's dyno"],
    ['◐', 'another dyno'],
    ['○', "maker's claim"],
    ['◇', 'judgement'],
    ['◌', 'typical of its kind'],
] as const;

export const shape = (rests: string) => legend.find(([, words]) => words === rests)?.[0] ?? '';

type Said = { on: string | null; by: string; build: string; frame: string; source: string; note: string };

/** What a record says beside its figures, in one line. */
export const about = ({ on, by, build, frame, source, note }: Said) =>
    [on ? day(on) : '', by, build, frame, source, note].filter(Boolean).join(' · ');
