/** Pebble outlines, about ten units in radius, so that no two beside each other look alike. */
export const stones = [
    'M-10 1C-11-5-4-9 2-8S12-3 10 3 3 9-2 8-9 6-10 1z',
    'M-9-2C-8-7-1-10 5-8s7 7 4 12-9 6-13 3-6-4-5-9z',
    'M-10 0c0-5 5-7 10-7S11-4 10 2 4 8-1 8-10 5-10 0z',
    'M-8-4C-5-9 3-9 7-6s5 9 1 12-10 3-14 0-5-6-2-10z',
] as const;

export function stone(index: number): string {
    return stones[index % stones.length] ?? stones[0];
}

/** A slightly wavy horizontal line. */
export function wavyLine(x0: number, x1: number, y: number): string {
    let path = `M${x0} ${y} q12 -3 24 0`;
    for (let x = x0 + 48; x < x1; x += 24) path += ' t24 0';
    return path;
}
