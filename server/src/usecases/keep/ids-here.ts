/** The ids of here for everything that a document speaks of. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import {
  asId,
  type ComputerId,
  type CopyId,
  type PlacementId,
  type PluginId,
} from '@clever-drawer/core/id';
import { allPlacements, allSettings, allSpellings, type Order } from '@clever-drawer/core/order';
import {
  foldersOfDocument,
  identityOf,
  matchFolders,
  type IdsHere,
  type OrderDocument,
} from '@clever-drawer/core/documents';
import type { CopyRow } from '../../database/catalog-tables.ts';
import { takenIds } from '../../database/catalog.ts';
import { settingIdOf, settingsOfPlugins } from '../../database/settings.ts';
import { isUuid } from '../../uuid.ts';

/** What of a document is known to be here, and the copies it may speak of. */
interface KnownHere {
  readonly pluginOf: ReadonlyMap<string, PluginId | null>;
  readonly settings: ReadonlyMap<string, PluginId>;
  readonly copies: readonly CopyRow[];
}

/** Ids of here for everything in the document: what is known, what is free to be taken, new ones. */
export async function idsHere(
  manager: EntityManager,
  computer: string,
  document: OrderDocument,
  before: Order,
  { pluginOf, settings, copies }: KnownHere,
): Promise<IdsHere> {
  const here = matchFolders(before, document);
  const chains = new Map(
    [...before.values()].flatMap((record) =>
      record.table === 'chain' ? [[record.id as string, record] as const] : [],
    ),
  );
  const wanted = [
    ...document.cabinets.map(({ id }) => id),
    ...foldersOfDocument(document).map(({ id }) => id),
    ...document.chains.map(({ id }) => id),
    ...(document.settings ?? []).map(({ id }) => id),
  ].filter(isUuid);
  const taken = await takenIds(manager, wanted);
  const made = new Map<string, string>();
  const fresh = (id: string): string => {
    const known = made.get(id) ?? (isUuid(id) && !taken.has(id) ? id : randomUUID());
    made.set(id, known);
    return known;
  };
  const chainHere = (id: string): PluginId => {
    const chain = document.chains.find((one) => one.id === id);
    const alike = [...chains.values()].find(({ name }) => name === chain?.name);
    return chains.get(id)?.id ?? alike?.id ?? asId(fresh(id));
  };
  const spellings = new Map(allSpellings(before).map(({ spelling, id }) => [spelling, id]));
  const placements = new Map(
    allPlacements(before).map(({ id, folder, plugin }) => [`${folder} ${plugin}`, id]),
  );
  const byIdentity = new Map(copies.map((copy) => [identityOf(copy.facts), copy]));
  return {
    computer: asId<ComputerId>(computer),
    plugin: (id) => pluginOf.get(id) ?? null,
    chain: chainHere,
    setting: (id) => settings.get(id) ?? asId(fresh(id)),
    cabinet: (id) => here.cabinets.get(id) ?? asId(fresh(id)),
    folder: (id) => here.folders.get(id) ?? asId(fresh(id)),
    placement: (folder, plugin) =>
      placements.get(`${folder} ${plugin}`) ?? asId<PlacementId>(randomUUID()),
    spelling: (spelling) => spellings.get(spelling) ?? asId(randomUUID()),
    copy: (copy) => {
      const row = byIdentity.get(identityOf(copy));
      return row?.pluginId ? { id: asId<CopyId>(row.id), plugin: asId(row.pluginId) } : null;
    },
  };
}

/**
 * Settings of a document that are here: kept already, or found for the plugin that theirs is here, by
 * URI, else by path, else by name and bank.
 */
export async function matchSettings(
  manager: EntityManager,
  computer: string,
  before: Order,
  document: OrderDocument,
  pluginOf: ReadonlyMap<string, PluginId | null>,
): Promise<Map<string, PluginId>> {
  const { settings = [] } = document;
  if (settings.length === 0) {
    return new Map();
  }
  const kept = allSettings(before);
  // Not those that are held: plugins that wait were put in a moment ago.
  const found = await settingsOfPlugins(manager, computer);
  const candidates = [
    ...kept,
    ...found.map((one) => ({ ...one, id: asId<PluginId>(one.id), state: null })),
  ];
  const here = settings.flatMap((setting) => {
    const { id, name, format, bank = null, path = null, identity = null, state = null } = setting;
    const same = candidates.filter(
      (one) => one.plugin === pluginOf.get(setting.plugin) && one.format === format,
    );
    const match =
      kept.find((one) => one.id === id) ??
      same.find((one) => identity !== null && one.identity === identity) ??
      same.find((one) => path !== null && one.path === path && one.name === name) ??
      same.find((one) => one.name === name && one.bank === bank && one.state === state);
    const owner = document.plugins.find((one) => one.id === setting.plugin);
    const plugin = owner?.copies.find((copy) => copy.format === format)?.identity ?? null;
    const awaited =
      identity !== null && plugin !== null
        ? settingIdOf(computer, { format, plugin, identity })
        : null;
    const known = match?.id ?? awaited;
    return known === null ? [] : [[id, asId<PluginId>(known)] as const];
  });
  return new Map(here);
}
