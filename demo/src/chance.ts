/** Seeded chance: the same seed gives the same studio. */

export interface Chance {
  /** A number from 0 up to, not including, 1. */
  next(): number;
  /** A whole number from 0 up to, not including, `n`. */
  below(n: number): number;
  pick<T>(list: readonly T[]): T;
  /** True in `share` of all cases. */
  happens(share: number): boolean;
  shuffle<T>(list: readonly T[]): T[];
}

/** The "mulberry32" generator: small, quick, even enough for sample data. */
export function chanceFrom(seed: number): Chance {
  let state = seed >>> 0;
  const next = (): number => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
  const below = (n: number): number => Math.floor(next() * n);
  return {
    next,
    below,
    pick: (list) => {
      const found = list[below(list.length)];
      if (found === undefined) {
        throw new RangeError('nothing to pick from');
      }
      return found;
    },
    happens: (share) => next() < share,
    shuffle: (list) => {
      const mixed = [...list];
      for (let i = mixed.length - 1; i > 0; i -= 1) {
        const j = below(i + 1);
        [mixed[i], mixed[j]] = [mixed[j] as never, mixed[i] as never];
      }
      return mixed;
    },
  };
}
