/** Likely folders for plugins, told from what is in the folders already. Nothing is ever filed by itself. */
import type { Plugin } from '../catalog/plugin.ts';
import { wordsOf } from '../text/fold.ts';
import { isGenericWord } from '../identify/generic-words.ts';
import { groupOf, typeName } from '../taxonomy/tree.ts';
import type { Folder } from '../order/records.ts';

/** A folder into which a plugin would go, how surely, and why. */
export interface FolderSuggestion {
  readonly folder: string;
  /** From 0 to 1, as a measure to compare by; no probability. */
  readonly score: number;
  readonly reason: string;
}

/** What a folder holds, in short. */
interface Profile {
  readonly folder: Folder;
  readonly size: number;
  readonly types: ReadonlyMap<string, number>;
  readonly vendors: ReadonlyMap<string, number>;
  readonly words: ReadonlyMap<string, number>;
}

/**
 * Folders with fewer plugins say too little; suggestions below the least score are not made, those
 * from `clearFrom` on are clear.
 */
const fewest = 2;
const leastScore = 0.3;
/** A suggestion that is at least so sure counts as clear (a rule of thumb of ours). */
export const clearFrom = 0.65;
/** How much each fact counts at most (common practice, no published source). */
const most = { type: 0.8, group: 0.45, series: 0.6, vendor: 0.5, name: 0.7 } as const;

const counted = <T>(items: readonly T[]): Map<T, number> => {
  const counts = new Map<T, number>();
  for (const item of items) {
    counts.set(item, (counts.get(item) ?? 0) + 1);
  }
  return counts;
};
const ownWords = (plugin: Plugin): string[] => [
  ...new Set(wordsOf(plugin.name).filter((word) => word.length > 3 && !isGenericWord(word))),
];

/** Works the folders out once; the answer gives the likely ones for a plugin, best first, at most `limit`. */
export function createSuggester(
  folders: readonly Folder[],
  members: ReadonlyMap<string, readonly string[]>,
  pluginById: ReadonlyMap<string, Plugin>,
): (plugin: Plugin, limit: number) => FolderSuggestion[] {
  const profiles = folders
    .filter((folder) => folder.form === 'folder')
    .map((folder): Profile => {
      const inside = (members.get(folder.id) ?? []).flatMap((id) => pluginById.get(id) ?? []);
      const types = counted(
        inside.flatMap((plugin) => [...new Set([...plugin.types, ...plugin.types.map(groupOf)])]),
      );
      return {
        folder,
        size: inside.length,
        types,
        vendors: counted(inside.flatMap((plugin) => plugin.vendor ?? [])),
        words: counted(inside.flatMap(ownWords)),
      };
    });
  return (plugin, limit) =>
    profiles
      .filter(({ folder }) => !members.get(folder.id)?.includes(plugin.id))
      .flatMap((profile) => suggestionFrom(profile, plugin))
      .sort((a, b) => b.score - a.score || (a.folder < b.folder ? -1 : 1))
      .slice(0, limit);
}

function suggestionFrom(
  { folder, size, types, vendors, words }: Profile,
  plugin: Plugin,
): FolderSuggestion[] {
  const pieces: { score: number; reason: string }[] = [];
  const share = (count: number | undefined): number => (count ?? 0) / Math.max(1, size);
  const certainty = size / (size + 2);
  for (const type of plugin.types) {
    const exact = types.get(type) ?? 0;
    const group = types.get(groupOf(type)) ?? 0;
    const name = typeName(type);
    if (size >= fewest && exact > 0) {
      pieces.push({
        score: most.type * share(exact) * certainty,
        reason: `${exact} of ${size} there are ${name}`,
      });
    }
    if (size >= fewest && group > 0 && type !== groupOf(type)) {
      pieces.push({
        score: most.group * share(group) * certainty,
        reason: `${group} of ${size} there are ${typeName(groupOf(type))}`,
      });
    }
    if (
      [typeName(type), typeName(groupOf(type))].some((text) =>
        folder.name.toLowerCase().includes(text.toLowerCase()),
      )
    ) {
      pieces.push({ score: most.name, reason: `it is called ${folder.name}` });
    }
  }
  const theirs = vendors.get(plugin.vendor ?? '') ?? 0;
  if (size >= fewest && theirs > 1) {
    pieces.push({
      score: most.vendor * share(theirs) * certainty,
      reason: `${theirs} of ${size} there are by ${plugin.vendor ?? ''}`,
    });
  }
  for (const word of ownWords(plugin)) {
    const count = words.get(word) ?? 0;
    if (count > 0) {
      pieces.push({
        score: most.series * share(count) * certainty + 0.15,
        reason: `${count} there ${count === 1 ? 'is' : 'are'} called “${word}” as well`,
      });
    }
  }
  // Facts add up like chances that none of them holds.
  const score = 1 - pieces.reduce((none, piece) => none * (1 - piece.score), 1);
  const best = pieces.sort((a, b) => b.score - a.score).slice(0, 2);
  return score < leastScore
    ? []
    : [{ folder: folder.id, score, reason: best.map((piece) => piece.reason).join('; ') }];
}
