/**
 * What an order says, part by part, as it stands after one act upon another: a part is the same
 * object as long as the order says the same in it, and a folder's row as long as nothing in it was
 * changed.
 */
import type { Answer } from '../catalog/answer.ts';
import type { SmartFolder } from '../rules/evaluate/fill.ts';
import type { RuleWords } from '../rules/language/values.ts';
import type { PluginId } from '../id.ts';
import { keyOf, keysBetween } from '../change.ts';
import { keyedById } from '../grouped.ts';
import { byPosition } from '../order/position.ts';
import {
  belowIn,
  ofTable,
  type Chain,
  type Folder,
  type Order,
  type OrderRecord,
  type Placement,
  type PluginNames,
  type Setting,
} from '../order/records.ts';
import { ruleWordsOf, foldersInOrder } from './folder-order.ts';

/** Folders and what is of them alone. */
interface Structure {
  /** All folders of all cabinets, row by row. */
  readonly everywhere: readonly Folder[];
  /** Those that fill themselves. */
  readonly smart: readonly SmartFolder[];
  readonly words: RuleWords;
  /** For each folder, itself and all below it. */
  readonly andBelow: (folder: string) => readonly string[];
}

/** Records by their ids. */
interface Tables {
  readonly pluginNames: ReadonlyMap<string, PluginNames>;
  readonly answers: ReadonlyMap<string, Answer>;
  readonly chains: ReadonlyMap<string, Chain>;
  readonly settings: ReadonlyMap<string, Setting>;
}

/** All parts of an order of which an arrangement is made. */
export interface OrderParts extends Structure, Tables {
  /** What was filed by hand, in order, by folder. */
  readonly placements: ReadonlyMap<string, readonly Placement[]>;
  /** The plugins of these. */
  readonly placed: ReadonlyMap<string, readonly PluginId[]>;
}

/** Gives the parts of one order after another; an order that says otherwise is another object. */
export function createPartsReader(): (order: Order) => OrderParts {
  let last: Order = new Map();
  let parts: OrderParts = {
    ...structureOf(last),
    ...tablesOf(last, tableNames),
    placements: new Map(),
    placed: new Map(),
  };
  return (order) => {
    if (order !== last) {
      parts = partsAfter(parts, order, changesBetween(last, order));
      last = order;
    }
    return parts;
  };
}

function partsAfter(before: OrderParts, order: Order, { tables, rows }: Changes): OrderParts {
  if (tables.size === 0) {
    return before;
  }
  return {
    ...before,
    ...(tables.has('cabinet') || tables.has('folder') ? structureOf(order) : {}),
    ...tablesOf(
      order,
      tableNames.filter((name) => tables.has(tableOf[name])),
    ),
    ...(rows.size > 0 ? withRows(before, order, rows) : {}),
  };
}

/**
 * Which tables two orders say something else in, and the folders whose rows are others, with the
 * placements that are new in them.
 */
interface Changes {
  readonly tables: ReadonlySet<OrderRecord['table']>;
  readonly rows: ReadonlyMap<string, readonly Placement[]>;
}

function changesBetween(before: Order, after: Order): Changes {
  const tables = new Set<OrderRecord['table']>();
  const rows = new Map<string, Placement[]>();
  const rowOf = ({ folder }: Placement): Placement[] => {
    const row = rows.get(folder) ?? [];
    rows.set(folder, row);
    return row;
  };
  for (const key of keysBetween(before, after)) {
    const was = before.get(key);
    const is = after.get(key);
    for (const record of [was, is]) {
      if (record) {
        tables.add(record.table);
      }
    }
    if (was?.table === 'placement') {
      rowOf(was);
    }
    if (is?.table === 'placement') {
      rowOf(is).push(is);
    }
  }
  return { tables, rows };
}

function structureOf(order: Order): Structure {
  const everywhere = foldersInOrder(order);
  return {
    everywhere,
    smart: everywhere.flatMap(({ id, rule, alwaysIn, alwaysOut, shortcutTo }) =>
      rule === null || shortcutTo !== null ? [] : [{ id, rule, alwaysIn, alwaysOut }],
    ),
    words: ruleWordsOf(order, everywhere),
    andBelow: belowIn(order),
  };
}

/** In which table of the order each of them stands. */
const tableOf = {
  pluginNames: 'plugin-names',
  answers: 'answer',
  chains: 'chain',
  settings: 'setting',
} as const satisfies Record<keyof Tables, OrderRecord['table']>;
const tableNames = Object.keys(tableOf) as (keyof Tables)[];

/** Those of the tables by their records' ids; all of them where all are asked for. */
const tablesOf = (order: Order, names: readonly (keyof Tables)[]): Tables =>
  Object.fromEntries(
    names.map((name) => [name, keyedById(ofTable(order, tableOf[name]))]),
  ) as unknown as Tables;

/** With those rows as they are now: what still stands in them, and what is new. */
function withRows(
  before: Pick<OrderParts, 'placements' | 'placed'>,
  order: Order,
  rows: Changes['rows'],
): Pick<OrderParts, 'placements' | 'placed'> {
  const placements = new Map(before.placements);
  const placed = new Map(before.placed);
  for (const [folder, arrived] of rows) {
    const stayed = (placements.get(folder) ?? []).filter((one) => order.get(keyOf(one)) === one);
    const row = [...stayed, ...arrived].sort(byPosition);
    if (row.length > 0) {
      placements.set(folder, row);
      placed.set(
        folder,
        row.map(({ plugin }) => plugin),
      );
    } else {
      placements.delete(folder);
      placed.delete(folder);
    }
  }
  return { placements, placed };
}
