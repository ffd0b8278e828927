/** What loads say about habits. */
import { day } from '../time.ts';

/** After this many days a load counts half. Common practice, no published source. */
export const halfLifeDays = 30;

/**
 * How much a load of that age still counts: 1 now, ½ after the half-life; one that is yet to come a
 * little more, as far as a day ahead. `age` in milliseconds.
 */
export const weightOfAge = (age: number): number =>
  2 ** (-Math.max(-day, age) / (halfLifeDays * day));

/**
 * How warm a plugin is: the sum of the weights of its loads, as of the beginning of the day in UTC, so
 * that it stays the same until something is loaded. Times in milliseconds since 1970.
 */
export function warmth(loads: readonly number[], now: number): number {
  const beginning = Math.floor(now / day) * day;
  return loads.reduce((sum, at) => sum + weightOfAge(beginning - at), 0);
}

/** One plugin's loads in short, as the server sums them up. */
export interface Usage {
  readonly plugin: string;
  readonly loads: number;
  /** ISO 8601 in UTC with milliseconds, as `toISOString` writes it: texts are in the order of times. */
  readonly lastLoaded: string;
  readonly warmth: number;
}
