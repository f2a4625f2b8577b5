/** What a figure rests on, as a shape: the fuller, the better it is known. */
export const legend = [
    ['●', "shop's dyno"],
    ['◐', 'another dyno'],
    ['○', "maker's claim"],
    ['◇', 'judgement'],
] as const;

export const shape = (rests: string) => legend.find(([, words]) => words === rests)?.[0] ?? '';
