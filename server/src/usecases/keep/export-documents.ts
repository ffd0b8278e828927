/** The order out of the application: as a document, an outline, a table, and copies as lines. */
import type { EntityManager } from 'typeorm';
import { isAwaited, withAnswer, type Plugin } from '@clever-drawer/core/catalog';
import { copyLineOf } from '@clever-drawer/core/exchange';
import { asId, type PluginId } from '@clever-drawer/core/id';
import { answerIn, type Order } from '@clever-drawer/core/order';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import {
  documentOf,
  printDocument,
  writeOutline,
  writeTable,
  type OrderDocument,
} from '@clever-drawer/core/documents';
import { allCopies, listPlugins, readCatalog } from '../../database/catalog.ts';
import { findComputer } from '../../database/computers.ts';
import { readOrder } from '../../database/order/index.ts';
import { ownPictures } from '../../database/pictures.ts';
import type { Parts } from '../../parts.ts';
import { loadsForDocument } from './document-loads.ts';
import { orderOfPoint } from './points.ts';

/** Which document is wanted: of the order as it is, or as it was at a point; with loads or without. */
export interface DocumentWish {
  readonly point: string | null;
  readonly withLoads: boolean;
}

/** The document of a computer's order. */
export function exportDocument(
  { database }: Parts,
  computer: string,
  { point, withLoads }: DocumentWish,
): Promise<Result<string>> {
  return database.transaction('REPEATABLE READ', async (manager) => {
    const order =
      point === null
        ? await readOrder(manager, computer)
        : await orderOfPoint(manager, computer, point);
    const document = order && (await documentHere(manager, computer, order, withLoads));
    return document
      ? ok(printDocument(document))
      : failed({ code: 'unknown-record', at: 'point', what: 'point' });
  });
}

/** An order of a computer as a document, with the plugins, copies and pictures that it speaks of. */
export async function documentHere(
  manager: EntityManager,
  computer: string,
  order: Order,
  withLoads: boolean,
): Promise<OrderDocument> {
  const row = await findComputer(manager, computer);
  const plugins = await listPlugins(manager, computer);
  const copies = await allCopies(manager, computer);
  const pictures = await ownPictures(manager, computer);
  const said = new Set(
    [...order.values()].flatMap((record) =>
      record.table === 'answer' && record.picture !== null ? [record.picture] : [],
    ),
  );
  return documentOf(order, {
    computer: { id: computer, name: row?.name ?? '' },
    plugins: plugins.map((plugin) => ({ ...plugin, id: asId<PluginId>(plugin.id) })),
    copies: copies
      .filter(({ status }) => status === 'ok')
      .map(({ id, pluginId, facts }) => ({ id, plugin: pluginId, facts })),
    kept: row?.kept ?? {},
    pictures: pictures
      .filter(({ id }) => said.has(id))
      .map(({ id, bytes }) => ({ id, data: bytes.toString('base64') })),
    loads: withLoads ? await loadsForDocument(manager, computer) : [],
  });
}

/** The plugins of a computer as a table; of those ids only, and in that order, where some are given. */
export function exportTable(
  { database }: Parts,
  computer: string,
  ids: readonly string[] | null,
): Promise<string> {
  return database.transaction('REPEATABLE READ', async (manager) => {
    const order = await readOrder(manager, computer);
    const plugins = await pluginsAsSaid(manager, computer, order);
    const byId = new Map(plugins.map((plugin) => [plugin.id as string, plugin]));
    return writeTable(order, ids ? ids.flatMap((id) => byId.get(id) ?? []) : plugins);
  });
}

/** The plugins of a computer, with what was said of them. */
export async function pluginsAsSaid(
  manager: EntityManager,
  computer: string,
  order: Order,
): Promise<Plugin[]> {
  const plugins = await readCatalog(manager, computer);
  return plugins
    .filter((plugin) => !isAwaited(plugin))
    .map((plugin) => withAnswer(plugin, answerIn(order, plugin.id)));
}

/** All copies of a computer as lines, as `scan` writes what is found; pictures lie where they lie. */
export async function exportCopies({ database }: Parts, computer: string): Promise<string> {
  const rows = await allCopies(database.manager, computer);
  return rows
    .filter(({ state }) => state === 'present')
    .toSorted((a, b) => (a.key < b.key ? -1 : 1))
    .map(({ facts }) => `${JSON.stringify({ ...copyLineOf(facts), picture: undefined })}\n`)
    .join('');
}

/** The cabinets of a computer as an outline. */
export function exportOutline({ database }: Parts, computer: string): Promise<string> {
  return database.transaction('REPEATABLE READ', async (manager) =>
    writeOutline(await documentHere(manager, computer, await readOrder(manager, computer), false)),
  );
}
