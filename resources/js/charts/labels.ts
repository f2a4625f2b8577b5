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

function overlap(a: Box, b: Box): number {
    const x = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
    const y = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
    return x > 0 && y > 0 ? x * y : 0;
}

/** Takes for each label, in turn, the place that covers least of what is there already. */
export function place(labels: Box[][], taken: Box[], frame: Box): Box[] {
    const there = [...taken];
    return labels.map((places) => {
        const cost = (box: Box) =>
            there.reduce((sum, other) => sum + overlap(box, other), 0) +
            4 * (box.width * box.height - overlap(box, frame));
        const best = places.reduce((a, b) => (cost(b) < cost(a) ? b : a));
        there.push(best);
        return best;
    });
}

type Point = { x: number; y: number };

function distance(box: Box, point: Point): number {
    const x = Math.max(box.x - point.x, 0, point.x - box.x - box.width);
    const y = Math.max(box.y - point.y, 0, point.y - box.y - box.height);
    return Math.hypot(x, y);
}

/** Of the places for a point's label those that lie nearer to it than to any other point; all where none does. */
export function nearest(places: Box[], own: Point, points: Point[]): Box[] {
    const clear = places.filter((box) =>
        points.every((other) => other === own || distance(box, own) + 6 < distance(box, other)),
    );
    return clear.length > 0 ? clear : places;
}
