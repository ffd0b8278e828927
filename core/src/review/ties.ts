/**
 * What a person made of a plugin or copy, or does with it. An act on many leaves out what has ties,
 * unless it is chosen.
 */
import type { Order } from '../order/records.ts';
import {
  allFolders,
  allPlacements,
  allPluginNames,
  allSettings,
  allAnswers,
} from '../order/records.ts';

/** The kinds of ties. */
export type Tie =
  | 'favourite'
  | 'filed'
  | 'named'
  | 'tagged'
  | 'noted'
  | 'loaded'
  | 'setting'
  | 'session'
  | 'first';

/** Each in words, for beside a name. */
export const tieWords: Readonly<Record<Tie, string>> = {
  favourite: 'a favourite',
  filed: 'in a folder',
  named: 'named by you',
  tagged: 'tagged',
  noted: 'has notes',
  loaded: 'loaded before',
  setting: 'a saved setting needs it',
  session: 'a session needs it',
  first: 'you want it first',
};

/** What the order says of plugins, by plugin: filed by hand, named, tagged, noted, with saved settings. */
export function tiesIn(order: Order): ReadonlyMap<string, ReadonlySet<Tie>> {
  const ties = new Map<string, Set<Tie>>();
  const tie = (plugin: string, kind: Tie): void => {
    const known = ties.get(plugin);
    if (known) {
      known.add(kind);
    } else {
      ties.set(plugin, new Set([kind]));
    }
  };
  const folders = allFolders(order);
  const favourites = new Set<string>(
    folders.filter(({ form }) => form === 'favourites').map(({ id }) => id),
  );
  for (const { folder, plugin } of allPlacements(order)) {
    tie(plugin, favourites.has(folder) ? 'favourite' : 'filed');
  }
  for (const plugin of folders.flatMap(({ alwaysIn }) => alwaysIn)) {
    tie(plugin, 'filed');
  }
  for (const { id } of allPluginNames(order)) {
    tie(id, 'named');
  }
  for (const { id, tags, notes, alsoCalled } of allAnswers(order)) {
    if (tags.length > 0) {
      tie(id, 'tagged');
    }
    if (notes !== '') {
      tie(id, 'noted');
    }
    if (alsoCalled.length > 0) {
      tie(id, 'named');
    }
  }
  for (const { plugin } of allSettings(order)) {
    tie(plugin, 'setting');
  }
  return ties;
}
