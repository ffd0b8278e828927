/** What a review is made of, out of what a computer's catalog, order and history tell. */
import type { Arrangement } from '../arrangement/arrangement.ts';
import type { FoundSettingCard } from '../arrangement/setting-plugin.ts';
import type { Answer } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { grouped } from '../grouped.ts';
import type { Usage } from '../loading/warmth.ts';
import { createStudio } from '../studio/studio.ts';
import {
  allFolders,
  allPlacements,
  allSettings,
  answerIn,
  orderOf,
  type Order,
  type OrderRecord,
} from '../order/records.ts';
import type {
  AskingSession,
  Coming,
  PastUse,
  ReviewMaterial,
  StudiedFolder,
  StudiedPlugin,
} from './studied.ts';
import { tiesIn } from './ties.ts';

/** What a computer tells, as it is stored. */
export interface ReviewSource {
  readonly computer: string;
  readonly catalog: readonly Plugin[];
  readonly order: readonly OrderRecord[];
  /** Saved settings that were found. */
  readonly settings: readonly FoundSettingCard[];
  readonly usage: readonly Usage[];
  readonly uses: readonly PastUse[];
  readonly comings: readonly Coming[];
  readonly sessions: readonly AskingSession[];
}

/** Smart folders hold what they hold at `now`, in milliseconds since 1970. */
export function materialOf(source: ReviewSource, now: number): ReviewMaterial {
  const { computer, uses, comings, sessions } = source;
  const order = orderOf(source.order);
  const { catalog, settings: found, usage } = source;
  const studio = createStudio()({ computer, catalog, order, found, usage });
  const arrangement = studio.arrange(null, now);
  const { plugins } = studio.catalog;
  const ties = tiesIn(order);
  const inFolders = allFolders(order).flatMap(({ firstCopies }) => firstCopies);
  const formatsOf = grouped(allSettings(order).map(({ plugin, format }) => [plugin, format]));
  return {
    plugins: plugins
      .filter(({ chain }) => !chain)
      .map((plugin) => {
        const answer = answerIn(order, plugin.id);
        return {
          ...studied(plugin, answer, arrangement),
          ties: [...(ties.get(plugin.id) ?? [])],
          firstCopies: [...inFolders, ...(answer?.firstCopy ? [answer.firstCopy] : [])].filter(
            (copy) => plugin.copies.some(({ id }) => id === copy),
          ),
          settingFormats: formatsOf.get(plugin.id) ?? [],
        };
      }),
    chains: plugins.flatMap(({ chain }) => (chain ? [chain] : [])),
    folders: foldersOf(order, arrangement),
    uses,
    comings,
    sessions,
  };
}

function studied(
  plugin: Plugin,
  answer: Answer | undefined,
  { pluginNames }: Arrangement,
): Omit<StudiedPlugin, 'ties' | 'firstCopies' | 'settingFormats'> {
  const nickname = pluginNames.get(plugin.id)?.nickname ?? null;
  return {
    id: plugin.id,
    name: nickname ?? plugin.name,
    vendor: plugin.vendor,
    kind: plugin.kind,
    types: plugin.types,
    isHidden: answer?.isHidden ?? false,
    hasNickname: nickname !== null,
    trialEnds: answer?.licence?.state === 'trial' ? answer.licence.until : null,
    copies: plugin.copies,
  };
}

/** Folders of all cabinets, with what smart ones hold now; what only stands for another is left out. */
function foldersOf(order: Order, { rules }: Arrangement): StudiedFolder[] {
  const placed = grouped(
    allPlacements(order).map(({ folder, plugin }) => [folder, plugin as string] as const),
  );
  return allFolders(order)
    .filter(({ form, shortcutTo }) => form !== 'divider' && shortcutTo === null)
    .map(({ id, name, form, cabinet, sortedBy }) => ({
      id,
      name,
      form,
      cabinet,
      sortedBy,
      plugins: [...(rules.membersOf(id) ?? placed.get(id) ?? [])],
    }));
}
