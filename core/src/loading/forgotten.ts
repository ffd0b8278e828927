/** What one thought well of once, and has not loaded for long. */
import { day } from '../time.ts';
import type { Plugin } from '../catalog/plugin.ts';

/** How well a plugin is thought of: what was made of it, and when it was loaded last. */
export interface Regard {
  readonly loads: number;
  /** ISO 8601; null for never. */
  readonly lastLoaded: string | null;
  readonly isFavourite: boolean;
  readonly folders: number;
}

/** A plugin that was forgotten, and what speaks for it. */
export interface Forgotten {
  readonly plugin: Plugin;
  readonly because: string;
}

/** Not loaded for so many days counts as forgotten (common practice, no source). */
const longAgo = 90;

/** How much is thought of a plugin that was forgotten; 0 of all others. `now` in milliseconds since 1970. */
function thoughtOf({ loads, lastLoaded, isFavourite, folders }: Regard, now: number): number {
  const thought = loads + (isFavourite ? 20 : 0) + 2 * folders;
  const isLate = lastLoaded === null || daysSince(lastLoaded, now) >= longAgo;
  return isLate ? thought : 0;
}

const daysSince = (time: string, now: number): number => Math.floor((now - Date.parse(time)) / day);

/** Whether a plugin was well thought of and not loaded for long. `now` in milliseconds since 1970. */
export const isForgotten = (regard: Regard, now: number): boolean => thoughtOf(regard, now) > 0;

/**
 * The most thought of first, with the reason; plugins that nobody ever filed, favoured or loaded
 * are not forgotten but unknown. `now` in milliseconds since 1970.
 */
export function forgotten(
  plugins: readonly Plugin[],
  regardOf: (plugin: string) => Regard,
  now: number,
): Forgotten[] {
  return plugins
    .flatMap((plugin) => {
      const regard = regardOf(plugin.id);
      const { loads, lastLoaded, isFavourite, folders } = regard;
      const thought = thoughtOf(regard, now);
      if (thought === 0) {
        return [];
      }
      const why = [
        ...(isFavourite ? ['a favourite'] : []),
        ...(loads > 0 ? [`loaded ${loads === 1 ? 'once' : `${loads} times`}`] : []),
        ...(folders > 0 && !isFavourite && loads === 0
          ? [`filed in ${folders === 1 ? 'a folder' : `${folders} folders`}`]
          : []),
      ];
      return [
        {
          plugin,
          thought,
          because: `${why.join(', ')}, ${lastLoaded === null ? 'never loaded' : `not for ${daysSince(lastLoaded, now)} days`}`,
        },
      ];
    })
    .sort((a, b) => b.thought - a.thought || (a.plugin.name < b.plugin.name ? -1 : 1))
    .map(({ plugin, because }) => ({ plugin, because }));
}
