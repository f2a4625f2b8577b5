/** Keeps labels apart: pushes each down until it clears the one above it. */
export function spread(wanted: number[], height: number, bounds: [number, number]): number[] {
    const order = wanted.map((y, index) => ({ y, index })).sort((a, b) => a.y - b.y);
    let floor = bounds[0];
    for (const label of order) {
        label.y = Math.max(label.y, floor);
        floor = label.y + height;
    }
    let ceiling = bounds[1];
    for (const label of [...order].reverse()) {
        label.y = Math.min(label.y, ceiling);
        ceiling = label.y - height;
    }
    const placed = new Array<number>(wanted.length);
    for (const label of order) placed[label.index] = label.y;
    return placed;
}

export type Box = { x: number; y: number; width: number; height: number };

/** How much of a box lies over others, as a share. */
export function covered(box: Box, others: Box[]): number {
    return others.reduce((sum, other) => sum + overlap(box, other), 0) / area(box);
}

function overlap(a: Box, b: Box): number {
    const x = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
    const y = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
    return x > 0 && y > 0 ? x * y : 0;
}

type Point = { x: number; y: number };

function distance(box: Box, point: Point): number {
    const x = Math.max(box.x - point.x, 0, point.x - box.x - box.width);
    const y = Math.max(box.y - point.y, 0, point.y - box.y - box.height);
    return Math.hypot(x, y);
}

/** From a point to its label where that is not beside it: a line ties them together; null where none is needed. */
export function tie(box: Box, own: Point): [Point, Point] | null {
    const to = {
        x: Math.min(Math.max(own.x, box.x), box.x + box.width),
        y: Math.min(Math.max(own.y, box.y), box.y + box.height),
    };
    return distance(box, own) < BESIDE ? null : [own, to];
}

const area = (box: Box) => box.width * box.height;

/** As far as a label may be from its point without a line, in px. */
const BESIDE = 24;

/** How bad each fault of a place is, as a share of the label’s area. */
const FAULTS = { covers: 1, label: 3, outside: 4, astray: 2 };
/** A point must be nearer to its own label than to another’s by so much, in px. */
const CLEAR = 1;
/** Each label is placed again in sight of the others, so often. */
const PASSES = 4;

/**
 * Takes for each label the place that is best: over little of what is there already, over no other label, inside the frame, and
 * nearer to its own point than to any other.
 */
export function place(labels: { own: Point; places: Box[] }[], taken: Box[], frame: Box): Box[] {
    const points = labels.map((label) => label.own);
    const chosen: (Box | undefined)[] = labels.map(() => undefined);
    const cost = (box: Box, i: number) => {
        const own = labels[i]?.own;
        const astray = points.some(
            (other) => other !== own && own && distance(box, other) < distance(box, own) + CLEAR,
        );
        return (
            FAULTS.covers * taken.reduce((sum, other) => sum + overlap(box, other), 0) +
            FAULTS.label *
                chosen.reduce((sum, other, j) => sum + (other && j !== i ? overlap(box, other) : 0), 0) +
            FAULTS.outside * (area(box) - overlap(box, frame)) +
            (astray ? FAULTS.astray * area(box) : 0)
        );
    };
    for (let pass = 0; pass < PASSES; pass++)
        labels.forEach(({ places }, i) => {
            chosen[i] = places.reduce((a, b) => (cost(b, i) < cost(a, i) ? b : a));
        });
    return chosen.filter((box): box is Box => box !== undefined);
}
