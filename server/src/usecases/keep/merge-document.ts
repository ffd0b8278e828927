/** A document, outline, table or tree into the order, and what that would do. */
import { randomUUID } from 'node:crypto';
import type { EntityManager } from 'typeorm';
import type { OrderChange } from '@clever-drawer/core/acts';
import type { MatchView, OrderPreview, OrderStep } from '@clever-drawer/core/api';
import { describeChange, mergeRecords, type MergeMode } from '@clever-drawer/core/exchange';
import { pluginsOfChange, type Order } from '@clever-drawer/core/order';
import { ok, type Result } from '@clever-drawer/core/problem';
import { readTable, recordsOf, withUnsaid } from '@clever-drawer/core/documents';
import { pluginNames, type WorkedChange } from '../../database/changes.ts';
import { findComputer } from '../../database/computers.ts';
import { readOrder } from '../../database/order/index.ts';
import { loggable } from '../../log.ts';
import type { Parts } from '../../parts.ts';
import { step } from '../order/step.ts';
import { takeLoads } from './document-loads.ts';
import { pluginsAsSaid } from './export-documents.ts';
import { idsHere, matchSettings } from './ids-here.ts';
import { catalogOf, knownHere, matchDocument, viewsOf } from './match-document.ts';
import { readIncoming, type Incoming } from './read-incoming.ts';
import { keepForeignFields, placesFor, takePictures } from './take-document.ts';

/** Puts a document into the order, as one change. */
export async function mergeDocument(
  parts: Parts,
  computer: string,
  incoming: Incoming,
): Promise<Result<OrderStep>> {
  const merged = await step(parts, computer, async (manager, order) => {
    const worked = await workOut(parts, manager, computer, order, incoming);
    return worked.ok ? ok({ ...worked.value, pointBefore: 'before-document' }) : worked;
  });
  if (merged.ok) {
    // Places that wait are plugins of the catalog.
    parts.events.tell(computer, { event: 'catalog' });
    parts.events.tell(computer, { event: 'usage' });
  }
  return merged;
}

/** What that would do. Everything is done and taken back again, so that it is just what would be. */
export async function previewDocument(
  parts: Parts,
  computer: string,
  incoming: Incoming,
): Promise<Result<OrderPreview>> {
  const runner = parts.database.createQueryRunner();
  await runner.connect();
  await runner.startTransaction('REPEATABLE READ');
  try {
    const before = await readOrder(runner.manager, computer);
    const worked = await workOut(parts, runner.manager, computer, before, incoming);
    if (!worked.ok) {
      return worked;
    }
    const { change, matches, computer: from, loads } = worked.value;
    const names = await pluginNames(runner.manager, computer, pluginsOfChange(change));
    return ok({
      change: describeChange(before, change, (id) => names.get(id)),
      matches,
      computer: from,
      loads,
    });
  } finally {
    await runner.rollbackTransaction().catch((error: unknown) => {
      parts.log.warn({ error: loggable(error) }, 'a preview could not be taken back');
    });
    await runner.release();
  }
}

interface WorkedOut extends WorkedChange {
  readonly matches: readonly MatchView[];
  /** The computer it is of, by its name. */
  readonly computer: string;
  readonly loads: number;
}

async function workOut(
  { clock, reach }: Pick<Parts, 'clock' | 'reach'>,
  manager: EntityManager,
  computer: string,
  before: Order,
  incoming: Incoming,
): Promise<Result<WorkedOut>> {
  if (incoming.form === 'table') {
    return workOutTable(manager, computer, before, incoming.text ?? '');
  }
  const read = await readIncoming(reach, manager, computer, incoming);
  if (!read.ok) {
    return read;
  }
  const { document, kept } = read.value;
  const now = clock();
  const catalog = await catalogOf(manager, computer);
  const matches = matchDocument(
    document,
    catalog,
    incoming.choices,
    await knownHere(manager, computer, document),
  );
  const pluginOf = await placesFor(
    manager,
    computer,
    document,
    matches,
    catalog,
    incoming.choices,
    now,
  );
  const pictures = await takePictures(manager, computer, document, now);
  if (!pictures.ok) {
    return pictures;
  }
  const settings = await matchSettings(manager, computer, before, document, pluginOf);
  const known = { pluginOf, settings, copies: catalog.copies };
  const ids = await idsHere(manager, computer, document, before, known);
  const theirs = recordsOf(pictures.value(document), ids);
  const records = incoming.form === 'outline' ? withUnsaid(before, theirs) : theirs;
  const change: OrderChange = mergeRecords(before, records, incoming.how);
  await keepForeignFields(manager, computer, kept, ids);
  const loads =
    incoming.hasLoads === false ? 0 : await takeLoads(manager, computer, document, pluginOf);
  const from = document.computer === '' ? '' : ` of ${document.computer}`;
  return ok({
    change,
    words: `Read the order${from}: ${howWords[incoming.how]}`,
    matches: viewsOf(matches, document, catalog),
    computer: document.computer,
    loads,
  });
}

const howWords: Readonly<Record<MergeMode, string>> = {
  add: 'what was not here',
  theirs: 'it wins',
  mine: 'this one wins',
  replace: 'instead of this one',
};

/** What an edited table asks for: it is of this computer, so there is nothing to be matched. */
async function workOutTable(
  manager: EntityManager,
  computer: string,
  before: Order,
  text: string,
): Promise<Result<WorkedOut>> {
  const read = readTable(text, before, await pluginsAsSaid(manager, computer, before), randomUUID);
  return read.ok
    ? ok({
        change: read.value,
        words: 'Read a table',
        matches: [],
        loads: 0,
        computer: (await findComputer(manager, computer))?.name ?? '',
      })
    : read;
}
