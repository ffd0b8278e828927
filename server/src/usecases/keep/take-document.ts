/** What a document brings that is no record of the order: plugins that wait, pictures, fields that are not ours. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import type { Match } from '@clever-drawer/core/exchange';
import type { FoundCopy } from '@clever-drawer/core/formats';
import { asId, type PluginId } from '@clever-drawer/core/id';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { copyKey } from '@clever-drawer/core/scan';
import {
  copyFound,
  type IdsHere,
  type ForeignFields,
  type OrderDocument,
} from '@clever-drawer/core/documents';
import type { CopyRow, PluginRow } from '../../database/catalog-tables.ts';
import { addPlugins, saveCopies } from '../../database/catalog.ts';
import { findComputer, saveForeignFields } from '../../database/computers.ts';
import { addPicture, findOwnPicture } from '../../database/pictures.ts';
import { isUuid } from '../../uuid.ts';
import { madeAnew } from '../catalog/pictures.ts';
import type { CatalogHere } from './match-document.ts';
import type { Incoming } from './read-incoming.ts';

/**
 * What each plugin of the document is here. One that is missing, or was asked about in vain, gets a
 * place that waits, the same again: a plugin whose copies are awaited, which a scan that finds one of
 * them fills.
 */
export async function placesFor(
  manager: EntityManager,
  computer: string,
  document: OrderDocument,
  matches: readonly Match[],
  { awaitedByKey, keys }: Pick<CatalogHere, 'awaitedByKey' | 'keys'>,
  choices: Incoming['choices'],
  now: Date,
): Promise<Map<string, PluginId | null>> {
  /** The place that it got when it was read before. */
  const placeOf = ({ id, copies }: OrderDocument['plugins'][number]): string | undefined =>
    [...awaitedByKey.values()].find((place) => place === id) ??
    copies
      .map((copy) => awaitedByKey.get(copyKey(copyFound(copy))))
      .find((place) => place !== undefined);
  const places = new Map<string, PluginId | null>();
  const waiting: OrderDocument['plugins'][number][] = [];
  for (const [at, plugin] of document.plugins.entries()) {
    const { how, choices: found } = matches[at] ?? { how: 'missing', choices: [] };
    const best = found[0]?.plugin;
    if (choices[plugin.id] === null) {
      places.set(plugin.id, null);
    } else if (best !== undefined && how !== 'ask') {
      places.set(plugin.id, asId(best));
    } else if (plugin.copies.length === 0) {
      // Nothing tells what it is, so nothing could ever take its place.
      places.set(plugin.id, null);
    } else {
      const place = placeOf(plugin);
      places.set(plugin.id, asId(place ?? randomUUID()));
      if (place === undefined) {
        waiting.push(plugin);
      }
    }
  }
  const rows = waiting.map(
    (plugin): PluginRow => ({
      id: places.get(plugin.id) ?? randomUUID(),
      computerId: computer,
      name: plugin.name,
      vendor: plugin.vendor,
      kind: plugin.kind,
      types: plugin.types,
      arrivedAt: now,
      grounds: null,
      wentInto: null,
      isRemembered: true,
    }),
  );
  await addPlugins(manager, computer, rows);
  const known = new Set(keys);
  const copies = waiting.flatMap((plugin) =>
    plugin.copies
      .map(copyFound)
      .map((facts) => waitingCopy(facts, computer, places.get(plugin.id) ?? null, now))
      .filter(({ key }) => !known.has(key) && known.add(key)),
  );
  await saveCopies(manager, computer, copies);
  return places;
}

const waitingCopy = (
  facts: FoundCopy,
  computer: string,
  plugin: string | null,
  now: Date,
): CopyRow => ({
  id: randomUUID(),
  computerId: computer,
  pluginId: plugin,
  placeId: null,
  key: copyKey(facts),
  format: facts.format,
  path: facts.path,
  status: 'ok',
  state: 'awaited',
  facts,
  firstSeenAt: now,
  lastSeenAt: now,
});

/** Puts the document's pictures in; what is said of them then names the ones of here. */
export async function takePictures(
  manager: EntityManager,
  computer: string,
  document: OrderDocument,
  now: Date,
): Promise<Result<(document: OrderDocument) => OrderDocument>> {
  const ids = new Map<string, string>();
  for (const [at, { id, data }] of (document.pictures ?? []).entries()) {
    const isHere = isUuid(id) && (await findOwnPicture(manager, computer, id)) !== null;
    ids.set(id, isHere ? id : randomUUID());
    if (isHere) {
      continue;
    }
    const bytes = await madeAnew(Buffer.from(data, 'base64'));
    if (!bytes) {
      const detail = 'it is not a picture of a format that is taken.';
      return failed({ code: 'document-invalid', at: `pictures[${at}]`, line: null, detail });
    }
    await addPicture(manager, { id: ids.get(id) ?? '', computerId: computer, bytes, at: now });
  }
  const said = <T extends Pick<OrderDocument['plugins'][number], 'said'>>(one: T): T =>
    one.said?.picture
      ? { ...one, said: { ...one.said, picture: ids.get(one.said.picture) ?? null } }
      : one;
  return ok((whole: OrderDocument) => ({
    ...whole,
    plugins: whole.plugins.map(said),
    chains: whole.chains.map(said),
    ...(whole.settings ? { settings: whole.settings.map(said) } : {}),
  }));
}

/** Keeps what is not ours, at the ids of here. */
export async function keepForeignFields(
  manager: EntityManager,
  computer: string,
  kept: ForeignFields,
  ids: IdsHere,
): Promise<void> {
  if (Object.keys(kept).length === 0) {
    return;
  }
  const here = (at: string): string | null => {
    const [what = '', id = ''] = at.split(/ (.*)/s);
    switch (what) {
      case '':
        return '';
      case 'cabinet':
        return `cabinet ${ids.cabinet(id)}`;
      case 'folder':
        return `folder ${ids.folder(id)}`;
      case 'chain':
        return `chain ${ids.chain(id)}`;
      case 'setting':
        return `setting ${ids.setting(id)}`;
      default: {
        const plugin = ids.plugin(id);
        return plugin && `plugin ${plugin}`;
      }
    }
  };
  const row = await findComputer(manager, computer);
  const entries = Object.entries(kept).flatMap(([at, fields]) => {
    const place = here(at);
    return place === null ? [] : [[place, fields] as const];
  });
  await saveForeignFields(manager, computer, { ...row?.kept, ...Object.fromEntries(entries) });
}
