/** Which plugins of here the document's are, and how that is shown. */
import type { EntityManager } from 'typeorm';
import type { MatchView } from '@clever-drawer/core/api';
import { matchPlugins, type Match, type ToMatch } from '@clever-drawer/core/exchange';
import { grouped } from '@clever-drawer/core/grouped';
import { copyFound, foldersOfDocument, type OrderDocument } from '@clever-drawer/core/documents';
import type { CopyRow } from '../../database/catalog-tables.ts';
import { allCopies, listPlugins, wherePluginsAre } from '../../database/catalog.ts';
import { isUuid } from '../../uuid.ts';
import type { Incoming } from './read-incoming.ts';

/** What is there on a computer to be matched, and the copies that can be read. */
export interface CatalogHere {
  readonly plugins: ReadonlyMap<string, ToMatch>;
  readonly copies: readonly CopyRow[];
  /** Plugins that are not here, and for which the order has a place. */
  readonly awaited: ReadonlySet<string>;
  /** The plugin of each awaited copy, by the copy's key. */
  readonly awaitedByKey: ReadonlyMap<string, string>;
  /** Keys of all copies, those too that can't be read. */
  readonly keys: ReadonlySet<string>;
}

/** The plugins of a computer that have a copy which can be read, by id. */
export async function catalogOf(manager: EntityManager, computer: string): Promise<CatalogHere> {
  const rows = await allCopies(manager, computer);
  const all = rows.filter(({ status }) => status === 'ok');
  const copies = all.filter(({ state }) => state !== 'awaited');
  const byPlugin = grouped(copies.map((copy) => [copy.pluginId ?? '', copy.facts] as const));
  const plugins = (await listPlugins(manager, computer)).filter(({ id }) => byPlugin.has(id));
  const awaitedByKey = new Map(
    all.flatMap(({ key, state, pluginId }) =>
      state === 'awaited' && pluginId !== null ? [[key, pluginId] as const] : [],
    ),
  );
  return {
    copies,
    awaitedByKey,
    awaited: new Set([...awaitedByKey.values()].filter((id) => !byPlugin.has(id))),
    keys: new Set(rows.map(({ key }) => key)),
    plugins: new Map(
      plugins.map(({ id, name, vendor }) => [
        id,
        { id, name, vendor, copies: byPlugin.get(id) ?? [] },
      ]),
    ),
  };
}

/** Plugins of the document that are here by their very ids, and where their copies are now. */
export async function knownHere(
  manager: EntityManager,
  computer: string,
  document: OrderDocument,
): Promise<Map<string, string>> {
  const ids = document.plugins.map(({ id }) => id).filter(isUuid);
  const where = await wherePluginsAre(manager, computer, ids);
  return new Map([...where].map(([id, { now }]) => [id, now]));
}

/**
 * Each plugin of a document with what it is here, in the document's order: what somebody said, what
 * it is by its very id, else what matching finds.
 */
export function matchDocument(
  document: OrderDocument,
  { plugins, awaited }: CatalogHere,
  choices: Incoming['choices'],
  known: ReadonlyMap<string, string>,
): Match[] {
  const wanted = document.plugins.map(
    ({ id, name, vendor, copies }): ToMatch => ({
      id,
      name,
      vendor,
      copies: copies.map(copyFound),
    }),
  );
  const open = wanted.filter(({ id }) => awaited.has(known.get(id) ?? '') || !known.has(id));
  const found = new Map(
    matchPlugins(open, [...plugins.values()]).map((match) => [match.from, match]),
  );
  return wanted.map(({ id }): Match => {
    const chosen = choices[id];
    const here = known.get(id);
    if (typeof chosen === 'string' && plugins.has(chosen)) {
      const because = 'you said so';
      return { from: id, how: 'same', choices: [{ plugin: chosen, probability: 1, because }] };
    }
    if (here !== undefined && !awaited.has(here)) {
      const because = 'it is the very same plugin of this computer';
      return { from: id, how: 'same', choices: [{ plugin: here, probability: 1, because }] };
    }
    return found.get(id) ?? { from: id, how: 'missing', choices: [] };
  });
}

/** The matches as they are shown, each with the folders that its plugin stands in. */
export function viewsOf(
  matches: readonly Match[],
  document: OrderDocument,
  { plugins }: CatalogHere,
): MatchView[] {
  const wanted = new Map(document.plugins.map((plugin) => [plugin.id, plugin]));
  const foldersOf = grouped(
    foldersOfDocument(document).flatMap((folder) =>
      [...new Set(folder.plugins)].map((id) => [id, folder.name] as const),
    ),
  );
  return matches.map((match) => {
    const from = wanted.get(match.from);
    return {
      from: { id: match.from, name: from?.name ?? '', vendor: from?.vendor ?? null },
      how: match.how,
      choices: match.choices.map((choice) => {
        const plugin = plugins.get(choice.plugin);
        return {
          ...choice,
          name: plugin?.name ?? from?.name ?? '',
          vendor: plugin?.vendor ?? null,
          formats: [...new Set((plugin?.copies ?? []).map(({ format }) => format))],
        };
      }),
      folders: foldersOf.get(match.from) ?? [],
    };
  });
}
