/** Which mark of a picture an arrow key goes to. */

/** Where a mark stands. Pixels, downwards. */
export interface Placed {
  readonly x: number;
  readonly y: number;
}

const ways: Readonly<Record<string, readonly [dx: number, dy: number]>> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowDown: [0, 1],
  ArrowUp: [0, -1],
};

/** How much more a step aside counts than one ahead. */
const aside = 4;

/**
 * The index of the mark that the key goes to from the one at `from`: the nearest in its direction,
 * what lies straight ahead first; with Home and End the first and the last. The same where there is
 * none, null for other keys.
 */
export function markAfter(marks: readonly Placed[], from: number, key: string): number | null {
  if (key === 'Home') {
    return 0;
  }
  if (key === 'End') {
    return marks.length - 1;
  }
  const [dx, dy] = ways[key] ?? [];
  const start = marks[from];
  if (dx === undefined || dy === undefined || !start) {
    return null;
  }
  const farOf = ({ x, y }: Placed): number => {
    const [along, across] = [
      (x - start.x) * dx + (y - start.y) * dy,
      Math.abs((x - start.x) * dy) + Math.abs((y - start.y) * dx),
    ];
    return along <= 0.5 ? Infinity : along + aside * across;
  };
  const distances = marks.map(farOf);
  const nearest = Math.min(...distances);
  return Number.isFinite(nearest) ? distances.indexOf(nearest) : from;
}
