/**
 * The list as a table for spreadsheets, out and in: CSV by RFC 4180, with a byte-order mark, which
 * spreadsheets want. A cell that a spreadsheet would take for a formula begins with an apostrophe, which
 * is taken off again when the table is read.
 */
import Papa from 'papaparse';
import { licenceStates, nothingSaid, type Answer } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import type { OrderChange } from '../acts/act-result.ts';
import { grouped, groupedBy } from '../grouped.ts';
import { asId, type FolderId, type PlacementId, type PluginId } from '../id.ts';
import { failed, ok, type Problem, type Result } from '../problem.ts';
import {
  allPlacements,
  answerIn,
  pluginNamesIn,
  type Order,
  type OrderRecord,
  type Placement,
} from '../order/records.ts';
import { noWords, understand, writeValue } from '../rules/language/values.ts';
import { isType } from '../taxonomy/tree.ts';
import { isDay } from '../text/day.ts';
import { plural } from '../text/plural.ts';
import { positionsBefore } from '../order/position.ts';
import { diffRecords } from './merge-order.ts';
import {
  between,
  escaped,
  tableFolders,
  valuesOf,
  type NamedFolder,
  type TableFolders,
} from './table-folders.ts';

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

const formula = /^[=+\-@\t\r]/;
const harmless = (cell: string): string =>
  formula.test(cell) || cell.startsWith("'") ? `'${cell}` : cell;
const asWritten = (cell: string): string => (cell.startsWith("'") ? cell.slice(1) : cell);

/** Where each plugin is filed. */
const filedOf = (order: Order): Map<string, Placement[]> =>
  grouped(
    allPlacements(order).map((placement) => [placement.plugin as string, placement] as const),
  );

/** The plugins as a table, in the order given. */
export function writeTable(order: Order, plugins: readonly Plugin[]): string {
  const { paths } = tableFolders(order);
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
      tags: answer.tags.map(escaped).join(between),
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

/** What is edited; the other columns are only read by people. */
const edited: readonly string[] = tableColumns.slice(0, tableColumns.indexOf('kind'));

/**
 * A line that has too few cells would empty what they hold: it is cut off, or a comma is missing. Some
 * spreadsheets leave out empty cells at the end of a line, but not of the last one alone.
 */
function troubleInCells(heads: readonly string[], lines: readonly string[][]): Problem | null {
  const at = lines.findIndex((cells, line) => {
    const missing = heads.slice(cells.length);
    return line === lines.length - 1
      ? missing.length > 0
      : missing.some((one) => edited.includes(one));
  });
  const count = lines[at]?.length ?? 0;
  return at < 0
    ? null
    : wrong(
        at + 2,
        `It has ${plural(count, 'cell')} where the first line has ${heads.length}: the table is cut off here, or a comma is missing.`,
      );
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
  const cut = troubleInCells(heads, lines);
  if (cut) {
    return failed(cut);
  }
  const rows = lines.map(
    (cells, at): Read => ({
      line: at + 2,
      row: Object.fromEntries(
        heads.map((head, column) => {
          const cell = asWritten(cells[column] ?? '');
          return [head, head === 'notes' ? cell : cell.trim()];
        }),
      ),
    }),
  );
  const reading: Reading = {
    order,
    byId: new Map(plugins.map((plugin) => [plugin.id as string, plugin])),
    filed: filedOf(order),
    folders: tableFolders(order),
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
  readonly folders: TableFolders;
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
  const types = row.types === undefined ? null : valuesOf(row.types).map(typeOf);
  const unknown = types?.find((type) => !isType(type));
  const state = licenceStates.find((one) => one === row.licence);
  const until = row.until ?? '';
  const problems = [
    ...(unknown === undefined ? [] : [wrong(line, `There is no type “${unknown}”.`)]),
    ...(row.licence && !state
      ? [wrong(line, `A licence is one of ${licenceStates.join(', ')}, or nothing.`)]
      : []),
    ...(until !== '' && !isDay(until)
      ? [wrong(line, '“until” is a day as YYYY-MM-DD, such as 2027-01-31.')]
      : []),
  ];
  if (problems.length > 0) {
    return problems;
  }
  const isOther = types !== null && types.join() !== plugin.types.join();
  const after: Answer = {
    ...before,
    ...(isOther ? { types } : {}),
    ...(row.tags === undefined ? {} : { tags: valuesOf(row.tags) }),
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
  const placed = (filed.get(plugin) ?? []).filter(({ folder }) => folders.paths.has(folder));
  const chosen = groupedBy(folders.read(row.folders), ({ path }) => path).values();
  const ids = new Set<string>();
  for (const [first, ...more] of chosen) {
    const meant = first && foldersMeant(first, 1 + more.length, placed);
    if (first && !meant) {
      return [wrong(line, troubleWith(first))];
    }
    meant?.forEach((id) => ids.add(id));
  }
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

/**
 * The folders meant by a path that a cell names so many times: of several that are called alike, those
 * that the plugin is in already. Null where that can't be told.
 */
function foldersMeant(
  { folders }: NamedFolder,
  times: number,
  placed: readonly Placement[],
): readonly string[] | null {
  if (folders.length === 1 || folders.length === times) {
    return folders.length === 0 ? null : folders;
  }
  const own = folders.filter((id) => placed.some(({ folder }) => folder === id));
  return own.length > 0 && own.length === times ? own : null;
}

const troubleWith = ({ path, folders }: NamedFolder): string =>
  folders.length === 0
    ? `There is no folder “${path}”. Create it first, or correct its name.`
    : `There are ${folders.length} folders “${path}”. Put the cabinet and “ / ” before it, or rename one.`;
