/** What a review is made of, out of what the window holds and what the server told. */
import {
  allFolders,
  allPlacements,
  grouped,
  type Answer,
  type Arrangement,
  type Format,
  type Order,
  type Plugin,
  type ReviewMaterial,
  type StudiedFolder,
  type StudiedPlugin,
} from '@clever-drawer/core';

/** Plugins and folders, without what only the server knows. */
export type MaterialHere = Pick<ReviewMaterial, 'plugins' | 'chains' | 'folders' | 'formatOrder'>;

interface Held {
  readonly plugins: readonly Plugin[];
  readonly answers: ReadonlyMap<string, Answer>;
  readonly formatOrder: readonly Format[];
  readonly order: Order;
  readonly arrangement: Pick<Arrangement, 'namings' | 'rules'>;
}

/** Plain values only: they go to a worker. */
export function materialOf({
  plugins,
  answers,
  formatOrder,
  order,
  arrangement,
}: Held): MaterialHere {
  return {
    formatOrder: [...formatOrder],
    plugins: plugins
      .filter(({ chain }) => !chain)
      .map((plugin) => studied(plugin, answers.get(plugin.id), arrangement)),
    chains: plugins.flatMap(({ chain }) => (chain ? [[...chain]] : [])),
    folders: foldersOf(order, arrangement),
  };
}

function studied(
  plugin: Plugin,
  answer: Answer | undefined,
  { namings }: Pick<Arrangement, 'namings'>,
): StudiedPlugin {
  const nickname = namings.get(plugin.id)?.nickname ?? null;
  return {
    id: plugin.id,
    name: nickname ?? plugin.name,
    vendor: plugin.vendor,
    kind: plugin.kind,
    types: plugin.types,
    isHidden: answer?.isHidden ?? false,
    hasNickname: nickname !== null,
    trialEnds: answer?.licence?.state === 'trial' ? answer.licence.until : null,
    copies: plugin.copies.map(({ id, format, is32Bit, state, audioIn, audioOut }) => ({
      id,
      format,
      is32Bit,
      state,
      audioIn,
      audioOut,
    })),
  };
}

/** Folders of all cabinets, with what smart ones hold now; what only stands for another is left out. */
function foldersOf(order: Order, { rules }: Pick<Arrangement, 'rules'>): StudiedFolder[] {
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
