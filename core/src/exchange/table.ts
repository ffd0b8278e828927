/**
 * The list as a table for spreadsheets, out and in: CSV by RFC 4180, with a byte-order mark, which
 * spreadsheets want. A cell that a spreadsheet would take for a formula begins with an apostrophe, which
 * is taken off again when the table is read.
 */
import Papa from 'papaparse';
import { licenceStates, nothingSaid, type Answer } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import type { OrderChange } from '../acts/act-result.ts';
import { grouped } from '../grouped.ts';
import { asId, type FolderId, type PlacementId, type PluginId } from '../id.ts';
import { failed, ok, type Problem, type Result } from '../problem.ts';
import {
  allFolders,
  allPlacements,
  answerIn,
  pluginNamesIn,
  type Folder,
  type Order,
  type OrderRecord,
  type Placement,
} from '../order/records.ts';
import { noWords, understand, writeValue } from '../rules/language/values.ts';
import { isType } from '../taxonomy/tree.ts';
import { fold } from '../text/fold.ts';
import { positionsBefore } from '../order/position.ts';
import { diffRecords } from './merge-order.ts';

/** The columns, in their order. What is edited in the first part is read again. */
export const tableColumns = [
  'id',
  'name',
  'vendor',
  'nickname',
  'slotLabel',
  'types',
  'tags',
  'licence',
  'until',
  'notes',
  'folders',
  'kind',
  'formats',
] as const;
type Column = (typeof tableColumns)[number];
type TableRow = Readonly<Record<Column, string>>;

/** Between several values of a cell, and between a folder and what stands in it. */
const between = '; ';
const below = ' / ';

const formula = /^[=+\-@\t\r]/;
const harmless = (cell: string): string =>
  formula.test(cell) || cell.startsWith("'") ? `'${cell}` : cell;
const asWritten = (cell: string): string => (cell.startsWith("'") ? cell.slice(1) : cell);

/** Paths of folders that plugins are filed in by hand, by the folder's id. */
function pathsOf(order: Order): Map<string, string> {
  const folders = allFolders(order);
  const byId = new Map(folders.map((folder) => [folder.id as string, folder]));
  const path = (folder: Folder): string => {
    const parent = folder.parent === null ? undefined : byId.get(folder.parent);
    return parent ? `${path(parent)}${below}${folder.name}` : folder.name;
  };
  return new Map(
    folders
      .filter(
        ({ form, shortcutTo }) =>
          (form === 'folder' || form === 'favourites') && shortcutTo === null,
      )
      .map((folder) => [folder.id, path(folder)]),
  );
}

/** Where each plugin is filed. */
const filedOf = (order: Order): Map<string, Placement[]> =>
  grouped(
    allPlacements(order).map((placement) => [placement.plugin as string, placement] as const),
  );

/** The plugins as a table, in the order given. */
export function writeTable(order: Order, plugins: readonly Plugin[]): string {
  const paths = pathsOf(order);
  const filed = filedOf(order);
  const rows = plugins.map((plugin): TableRow => {
    const answer = answerIn(order, plugin.id) ?? { ...nothingSaid };
    const names = pluginNamesIn(order, plugin.id);
    const folders = (filed.get(plugin.id) ?? []).flatMap(({ folder }) => paths.get(folder) ?? []);
    return {
      id: plugin.id,
      name: plugin.name,
      vendor: plugin.vendor ?? '',
      nickname: names?.nickname ?? '',
      slotLabel: names?.slotLabel ?? '',
      types: plugin.types.map((type) => writeValue('type', type, noWords)).join(between),
      tags: answer.tags.join(between),
      licence: answer.licence?.state ?? '',
      until: answer.licence?.until ?? '',
      notes: answer.notes,
      folders: folders.sort().join(between),
      kind: plugin.kind,
      formats: [...new Set(plugin.copies.map(({ format }) => format))].join(between),
    };
  });
  const cells = rows.map((row) => tableColumns.map((column) => harmless(row[column])));
  const text = Papa.unparse([[...tableColumns], ...cells], { newline: '\r\n' });
  return `\uFEFF${text}\r\n`;
}

const wrong = (line: number, detail: string): Problem => ({
  code: 'document-invalid',
  at: 'table',
  line,
  detail,
});

interface Read {
  readonly row: Partial<TableRow>;
  readonly line: number;
}

/**
 * The change that a table, edited, asks for. Columns that are not there change nothing, nor does the
 * sequence of rows; a plugin is told by its id. `newId` makes ids of placements.
 */
export function readTable(
  text: string,
  order: Order,
  plugins: readonly Plugin[],
  newId: () => string,
): Result<OrderChange> {
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [heads = [], ...lines] = parsed.data;
  const bad = parsed.errors.find(({ type }) => type === 'Quotes');
  if (bad) {
    return failed(wrong((bad.row ?? 0) + 1, 'A quotation mark is not closed.'));
  }
  if (!heads.includes('id')) {
    return failed(
      wrong(
        1,
        `There is no column “id”. The first line names the columns: ${tableColumns.join(', ')}.`,
      ),
    );
  }
  const rows = lines.map(
    (cells, at): Read => ({
      line: at + 2,
      row: Object.fromEntries(
        heads.map((head, column) => [head, asWritten((cells[column] ?? '').trim())]),
      ),
    }),
  );
  const reading: Reading = {
    order,
    byId: new Map(plugins.map((plugin) => [plugin.id as string, plugin])),
    filed: filedOf(order),
    folders: new Map([...pathsOf(order)].map(([id, path]) => [fold(path), id])),
    next: new Map(order),
    newId,
  };
  const problems = rows.flatMap((read) => takeRow(reading, read));
  return problems.length > 0
    ? failed(...problems.slice(0, 20))
    : ok(diffRecords(order, reading.next));
}

interface Reading {
  readonly order: Order;
  readonly byId: ReadonlyMap<string, Plugin>;
  readonly filed: ReadonlyMap<string, readonly Placement[]>;
  /** Ids by their folded paths. */
  readonly folders: ReadonlyMap<string, string>;
  readonly next: Map<string, OrderRecord>;
  readonly newId: () => string;
}

function takeRow(reading: Reading, { row, line }: Read): Problem[] {
  const plugin = reading.byId.get(row.id ?? '');
  if (!plugin) {
    return [wrong(line, `There is no plugin with the id “${row.id ?? ''}”.`)];
  }
  return [
    ...takeNames(reading, plugin.id, row),
    ...takeAnswer(reading, plugin, row, line),
    ...takeFolders(reading, plugin.id, row, line),
  ];
}

const listOf = (cell: string): string[] =>
  cell
    .split(';')
    .map((part) => part.trim())
    .filter((part) => part !== '');

function takeNames({ order, next }: Reading, id: PluginId, row: Partial<TableRow>): Problem[] {
  const before = pluginNamesIn(order, id);
  const cell = (text: string | undefined, now: string | null | undefined): string | null =>
    text === undefined ? (now ?? null) : text || null;
  const nickname = cell(row.nickname, before?.nickname);
  const slotLabel = cell(row.slotLabel, before?.slotLabel);
  if (nickname === null && slotLabel === null) {
    next.delete(`plugin-names/${id}`);
  } else {
    next.set(`plugin-names/${id}`, { table: 'plugin-names', id, nickname, slotLabel });
  }
  return [];
}

/** The type that a text means, or the text where it means none. */
const typeOf = (text: string): string => {
  const understood = understand('type', 'is', text, noWords);
  return understood.ok ? understood.value : text;
};

function takeAnswer(
  { order, next }: Reading,
  plugin: Plugin,
  row: Partial<TableRow>,
  line: number,
): Problem[] {
  const { id } = plugin;
  const before: Answer = answerIn(order, id) ?? { ...nothingSaid, table: 'answer', id };
  const types = row.types === undefined ? null : listOf(row.types).map(typeOf);
  const unknown = types?.find((type) => !isType(type));
  const state = licenceStates.find((one) => one === row.licence);
  const until = row.until ?? '';
  const problems = [
    ...(unknown === undefined ? [] : [wrong(line, `There is no type “${unknown}”.`)]),
    ...(row.licence && !state
      ? [wrong(line, `A licence is one of ${licenceStates.join(', ')}, or nothing.`)]
      : []),
    ...(until !== '' && !/^\d{4}-\d{2}-\d{2}$/.test(until)
      ? [wrong(line, '“until” is a day as YYYY-MM-DD.')]
      : []),
  ];
  if (problems.length > 0) {
    return problems;
  }
  const isOther = types !== null && types.join() !== plugin.types.join();
  const after: Answer = {
    ...before,
    ...(isOther ? { types } : {}),
    ...(row.tags === undefined ? {} : { tags: listOf(row.tags) }),
    ...(row.notes === undefined ? {} : { notes: row.notes }),
    ...(row.licence === undefined
      ? {}
      : { licence: state ? { state, until: until || null } : null }),
  };
  const isNothing =
    JSON.stringify({ ...nothingSaid, table: 'answer', id }) ===
    JSON.stringify({ ...nothingSaid, ...after });
  if (isNothing) {
    next.delete(`answer/${id}`);
  } else {
    next.set(`answer/${id}`, after);
  }
  return [];
}

function takeFolders(
  { filed, folders, next, newId }: Reading,
  plugin: PluginId,
  row: Partial<TableRow>,
  line: number,
): Problem[] {
  if (row.folders === undefined) {
    return [];
  }
  const wanted = listOf(row.folders).map((path) => ({ path, id: folders.get(fold(path)) }));
  const unknown = wanted.find(({ id }) => id === undefined);
  if (unknown) {
    return [
      wrong(line, `There is no folder “${unknown.path}”. Make it first, or correct its name.`),
    ];
  }
  const ids = new Set(wanted.flatMap(({ id }) => id ?? []));
  const known = new Set(folders.values());
  const placed = (filed.get(plugin) ?? []).filter(({ folder }) => known.has(folder));
  for (const placement of placed.filter(({ folder }) => !ids.has(folder))) {
    next.delete(`placement/${placement.id}`);
  }
  const there = new Set<string>(placed.map(({ folder }) => folder));
  for (const id of [...ids].filter((one) => !there.has(one))) {
    const folder = asId<FolderId>(id);
    const row_ = [...next.values()].filter(
      (record): record is Placement => record.table === 'placement' && record.folder === folder,
    );
    const [position = ''] = positionsBefore(row_, null, 1);
    const placement = asId<PlacementId>(newId());
    next.set(`placement/${placement}`, {
      table: 'placement',
      id: placement,
      folder,
      plugin,
      position,
    });
  }
  return [];
}
