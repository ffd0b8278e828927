/** A year of loads: a handful of plugins makes most of them, working days only, several in a chain. */
import { day } from '@clever-drawer/core/time';
import type { PastLoad } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import type { TrackKind } from '@clever-drawer/core/loading';
import { chanceFrom, type Chance } from './chance.ts';

/**
 * What was typed, in fewer keys as the year goes by: at first half the name, in the end two letters
 * and Enter. `ago` in days.
 */
function typing(
  name: string,
  ago: number,
  chance: Chance,
): Pick<PastLoad, 'typed' | 'keys' | 'took'> {
  const letters = Math.max(
    1,
    Math.min(name.length, Math.round(1.4 + (ago / 365) * 3.2 + chance.next() * 1.6)),
  );
  const typed = name.slice(0, letters).toLowerCase();
  const keys = letters + 1 + (chance.happens(0.2) ? 1 : 0);
  return { typed: typed.trim(), keys, took: Math.round(keys * (210 + 300 * chance.next())) };
}

/**
 * Loads of the year before `now` (milliseconds since 1970), oldest first. `used` has the most used
 * plugin first.
 */
export function makeHistory(used: readonly Plugin[], now: number): PastLoad[] {
  const chance = chanceFrom(5);
  const effects = used.filter((p) => p.kind !== 'instrument');
  const instruments = used.filter((p) => p.kind === 'instrument');
  const loads: PastLoad[] = [];
  for (let ago = 365; ago >= 1; ago -= 1) {
    const weekday = new Date(now - ago * day).getUTCDay();
    if (weekday === 0 || (weekday === 6 && chance.happens(0.7)) || chance.happens(0.12)) {
      continue;
    }
    const chains = 2 + chance.below(5);
    for (let c = 0; c < chains; c += 1) {
      const track = trackOfChain(c);
      let after: PastLoad['after'] = null;
      let begun = 0;
      const length = 1 + chance.below(4);
      for (let i = 0; i < length; i += 1) {
        const from =
          track === 'instrument' && i === 0 && instruments.length > 0 ? instruments : effects;
        // Zipf's law, roughly: the n-th plugin is loaded about 1/n as often as the first.
        const plugin = from[Math.floor(from.length ** chance.next()) - 1];
        if (!plugin) {
          continue;
        }
        const drawn = now - ago * day + chance.below(9 * 3_600_000) - 4 * 3_600_000;
        // Of one chain, one behind the other.
        begun = i === 0 ? drawn : begun + 40_000;
        loads.push({
          plugin: plugin.id,
          at: new Date(begun).toISOString(),
          track,
          after,
          ...typing(plugin.name, ago, chance),
        });
        after = plugin.id;
      }
    }
  }
  return [...loads, ...habitualChains(effects, now)].sort((a, b) => (a.at < b.at ? -1 : 1));
}

/** What is loaded one behind the other again and again: places among the most used, and on which tracks. */
const habits: readonly { readonly places: readonly number[]; readonly track: TrackKind }[] = [
  { places: [0, 3, 1], track: 'track' },
  { places: [2, 5, 4, 0], track: 'bus' },
  { places: [1, 6], track: 'track' },
];

/** Each of them about once a week in the last four months. */
function habitualChains(effects: readonly Plugin[], now: number): PastLoad[] {
  const chance = chanceFrom(11);
  return habits.flatMap(({ places, track }) =>
    Array.from({ length: 16 }, (_, week) => week).flatMap((week): PastLoad[] => {
      const begun = now - (week * 7 + 1 + chance.below(5)) * day - chance.below(4 * 3_600_000);
      const chain = places.flatMap((place) => effects[place] ?? []);
      return chain.map((plugin, i) => ({
        plugin: plugin.id,
        at: new Date(begun + i * 40_000).toISOString(),
        track,
        after: chain[i - 1]?.id ?? null,
        ...typing(plugin.name, week * 7, chance),
      }));
    }),
  );
}

/** Of every four chains one is of an instrument, of every five one of a bus. */
function trackOfChain(chain: number): TrackKind {
  if (chain % 4 === 3) {
    return 'instrument';
  }
  return chain % 5 === 4 ? 'bus' : 'track';
}
