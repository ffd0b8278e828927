/** Made-up habits for the benches: who is loaded, how often, and what of it is remembered. */
import type { Plugin } from '@clever-drawer/core/catalog';

/** A text letter by letter, as it is typed. */
export const growing = (text: string): string[] =>
  Array.from({ length: text.length }, (_, n) => text.slice(0, n + 1));

/** The plugins in an order that nobody chose; another one for another turn. */
export const shuffle = (plugins: readonly Plugin[], turn = 0): Plugin[] =>
  plugins
    .map((plugin, i) => ({ plugin, key: ((i + 500 * turn) * 7919) % 10_007 }))
    .sort((a, b) => a.key - b.key)
    .map(({ plugin }) => plugin);

/** Draws places from 0 to below `count`, the n-th 1/n as often as the first; the same ones for the same seed. */
export function zipfDraws(count: number, seed = 11): () => number {
  const shares = Array.from({ length: count }, (_, n) => 1 / (n + 1));
  const total = shares.reduce((sum, share) => sum + share, 0);
  let state = seed;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    let left = (state / 2_147_483_647) * total;
    return Math.max(
      0,
      shares.findIndex((share) => (left -= share) <= 0),
    );
  };
}

/** What is remembered of loads: how warm each plugin is, and what was chosen for which letters. */
export interface Remembered {
  readonly warmth: Map<string, number>;
  readonly chosen: Map<string, Map<string, number>>;
}

/** One load more: all cool down a little, as with ten loads a day (halved after thirty days, loading/warmth.ts). */
export function writeStored({ warmth, chosen }: Remembered, letters: string, plugin: string): void {
  if (letters !== '') {
    const by = chosen.get(letters) ?? new Map<string, number>();
    chosen.set(letters, by.set(plugin, (by.get(plugin) ?? 0) + 1));
  }
  for (const [id, warm] of warmth) {
    warmth.set(id, warm * 2 ** (-1 / 300));
  }
  warmth.set(plugin, (warmth.get(plugin) ?? 0) + 1);
}
