/** What an outline doesn't say of this order, kept as it is when one is read. */
import { keyOf } from '../change.ts';
import type { FolderId } from '../id.ts';
import { groupedBy } from '../grouped.ts';
import { byPosition, spread } from '../order/position.ts';
import { allFolders, chainIn, settingIn, type Order, type OrderRecord } from '../order/records.ts';
import { isPlaced, rowOf } from './merge-order.ts';

/**
 * The records of an outline, completed from the order: an outline has the names, rules and places of
 * cabinets and folders and the plugins filed in them, and nothing else. Dividers, folders shown from
 * another cabinet, and filed chains and settings are left out of it; they stay where their folder is.
 */
export function withUnsaid(order: Order, records: readonly OrderRecord[]): OrderRecord[] {
  const shared = new Set(
    allFolders(order)
      .filter(({ form, shortcutTo }) => form === 'favourites' && shortcutTo !== null)
      .map(({ cabinet }) => cabinet),
  );
  const completed = records
    // A cabinet that shows another one's favourites has none of its own.
    .filter(
      (record) =>
        !(record.table === 'folder' && record.form === 'favourites' && shared.has(record.cabinet)),
    )
    .map((record) => completedFrom(order.get(keyOf(record)), record));
  const keys = new Set(completed.map(keyOf));
  const unsaid = [...order.values()].filter(
    (record) => !keys.has(keyOf(record)) && !isSaid(order, record),
  );
  const unsaidByKey = new Map(unsaid.map((record) => [keyOf(record), record]));
  const stays = (key: string): boolean => {
    const record = unsaidByKey.get(key);
    return keys.has(key) || (record !== undefined && isKept(record));
  };
  const isKept = (record: OrderRecord): boolean => {
    switch (record.table) {
      case 'folder':
        return (
          stays(`cabinet/${record.cabinet}`) &&
          (record.parent === null || stays(`folder/${record.parent}`))
        );
      case 'placement':
        return stays(`folder/${record.folder}`);
      default:
        return true;
    }
  };
  return inRows(order, completed, unsaid.filter(isKept));
}

function completedFrom(mine: OrderRecord | undefined, record: OrderRecord): OrderRecord {
  if (record.table === 'cabinet' && mine?.table === 'cabinet') {
    return { ...mine, name: record.name, position: record.position };
  }
  if (record.table === 'folder' && mine?.table === 'folder') {
    const { name, rule, cabinet, parent, position } = record;
    return { ...mine, name, rule, cabinet, parent, position };
  }
  return record;
}

/** Whether an outline of the order would hold the record: it, and all folders that it lies in. */
function isSaid(order: Order, record: OrderRecord): boolean {
  switch (record.table) {
    case 'cabinet':
      return true;
    case 'folder':
      return (
        record.form !== 'divider' &&
        record.shortcutTo === null &&
        (record.parent === null || isFolderSaid(order, record.parent))
      );
    case 'placement':
      return (
        isFolderSaid(order, record.folder) &&
        !chainIn(order, record.plugin) &&
        !settingIn(order, record.plugin)
      );
    default:
      return false;
  }
}

function isFolderSaid(order: Order, id: FolderId): boolean {
  const folder = order.get(`folder/${id}`);
  return folder !== undefined && isSaid(order, folder);
}

/** Rows as the outline has them, with what it leaves out in the places that it has now. */
function inRows(
  order: Order,
  said: readonly OrderRecord[],
  unsaid: readonly OrderRecord[],
): OrderRecord[] {
  const rowsSaid = groupedBy(said.filter(isPlaced), rowOf);
  const rowsKept = groupedBy(unsaid.filter(isPlaced), rowOf);
  const rowsNow = groupedBy([...order.values()].filter(isPlaced), rowOf);
  const rows = new Set([...rowsSaid.keys(), ...rowsKept.keys()]);
  return [
    ...[...said, ...unsaid].filter((record) => !isPlaced(record)),
    ...[...rows].flatMap((row) => {
      const kept = new Set(rowsKept.get(row));
      const coming = [...(rowsSaid.get(row) ?? [])].sort(byPosition);
      const now = [...(rowsNow.get(row) ?? [])].sort(byPosition);
      const merged = [
        ...now.flatMap((record) => (kept.has(record) ? record : (coming.shift() ?? []))),
        ...coming,
      ];
      const positions = spread(null, null, merged.length);
      return merged.map((record, at) => ({ ...record, position: positions[at] ?? '' }));
    }),
  ];
}
