/**
 * Which plugins changed, or their copies, as the database notes it with every statement (migration
 * 0019).
 */
import type { EntityManager } from 'typeorm';

/** With more, they are not told one by one. */
const fewTouched = 2_000;

/** What was touched, and where to go on from. */
export interface Touched {
  /** Ids of plugins; null where they are too many, or what was before is not known. */
  readonly plugins: readonly string[] | null;
  /** The oldest transaction that still ran: whatever is not seen yet is of that one or a later one. */
  readonly from: string;
}

/** What was touched from that transaction on, as far as it is seen in the manager's transaction. */
export async function touchedFrom(
  manager: EntityManager,
  computer: string,
  from: string | null,
): Promise<Touched> {
  const [row]: { from: string; plugins: (string | null)[] | null }[] = await manager.query(
    `SELECT pg_snapshot_xmin(pg_current_snapshot())::text "from", (
       SELECT array_agg(plugin_id) FROM (
         SELECT DISTINCT plugin_id FROM touched
           WHERE computer_id = $1 AND at >= $2::text::xid8 LIMIT ${fewTouched + 1}
       ) ids
     ) plugins`,
    [computer, from],
  );
  const all = row?.plugins ?? [];
  const ids = all.filter((id) => id !== null);
  const isKnown = from !== null && ids.length === all.length && ids.length <= fewTouched;
  return { plugins: isKnown ? ids : null, from: row?.from ?? '' };
}

/** Forgets what was noted of a computer before that transaction: it has been seen. */
export const forgetTouchedBefore = (
  manager: EntityManager,
  computer: string,
  from: string,
): Promise<unknown> =>
  manager.query('DELETE FROM touched WHERE computer_id = $1 AND at < $2::text::xid8', [
    computer,
    from,
  ]);

/** Forgets all that was noted: nobody holds a catalog yet. */
export const forgetAllTouched = (manager: EntityManager): Promise<unknown> =>
  manager.query('TRUNCATE touched');
