import { day } from '@/lib/format';

/** What a figure rests on, as a shape: the fuller, the better it is known. */
const SHAPES: Record<string, string> = {
    'shop-dyno': '●',
    'other-dyno': '◐',
    maker: '○',
    judgement: '◇',
    typical: '◌',
};

export const shape = (kind: string | null) => SHAPES[kind ?? ''] ?? '';

type Said = { on: string | null; by: string; build: string; frame: string; source: string; note: string };

/** What a record says beside its figures, in one line. */
export const about = ({ on, by, build, frame, source, note }: Said) =>
    [on ? day(on) : '', by, build, frame, source, note].filter(Boolean).join(' · ');
