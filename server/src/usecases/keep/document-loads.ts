/** Loads, of which habits are made, out with a document and in again. They are no part of the order. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import { given, type DocumentLoad, type OrderDocument } from '@clever-drawer/core/documents';
import { findComputer } from '../../database/computers.ts';
import type { LoadRow } from '../../database/session-tables.ts';
import { addLoads, allLoads } from '../../database/session.ts';

/** All loads of a computer, each of the plugin that it counts for now. */
export async function loadsForDocument(
  manager: EntityManager,
  computer: string,
): Promise<DocumentLoad[]> {
  const rows = await allLoads(manager, computer);
  return rows.map(({ plugin, at, track, after, typed, keys, took }) => ({
    plugin,
    at: at.toISOString(),
    track,
    ...given({ after, typed, keys, took }),
  }));
}

const key = (plugin: string, at: Date): string => `${plugin} ${at.toISOString()}`;

/**
 * Takes in the loads of a document that are not here yet; none where nothing is learnt. Gives how
 * many there were.
 */
export async function takeLoads(
  manager: EntityManager,
  computer: string,
  { loads = [] }: Pick<OrderDocument, 'loads'>,
  pluginOf: ReadonlyMap<string, string | null>,
): Promise<number> {
  if (loads.length === 0 || !(await findComputer(manager, computer))?.isLearning) {
    return 0;
  }
  const known = new Set(
    (await allLoads(manager, computer)).map(({ plugin, at }) => key(plugin, at)),
  );
  const rows = loads.flatMap((load): LoadRow[] => {
    const plugin = pluginOf.get(load.plugin) ?? null;
    const at = new Date(load.at);
    if (plugin === null || known.has(key(plugin, at))) {
      return [];
    }
    known.add(key(plugin, at));
    return [
      {
        id: randomUUID(),
        computerId: computer,
        pluginId: plugin,
        copyId: null,
        at,
        track: load.track,
        afterPluginId: pluginOf.get(load.after ?? '') ?? null,
        typed: load.typed ?? null,
        keys: load.keys ?? null,
        took: load.took ?? null,
        folderId: null,
      },
    ];
  });
  await addLoads(manager, rows);
  return rows.length;
}
