/**
 * The version of each computer: a number that goes up with every change of what is shown of it, beside
 * what changed with it. Who holds a version reads only that again.
 */
import type { EntityManager } from 'typeorm';

/** What of a computer changes by itself; the order has a revision of its own. */
export type StudioPart = 'catalog' | 'sort' | 'settings' | 'use' | 'session';

/** With more plugins at once it is only noted that many changed. */
const most = 500;
/** For so many versions it is known what changed. */
const knownFor = 1_000;

/**
 * Counts the version of a computer up in the transaction of a change. `plugins` are those of which the
 * catalog shows something else, null where all may. The computer stays locked until the transaction
 * ends, so nothing else of it may be locked before.
 */
export async function noteChange(
  manager: EntityManager,
  computer: string,
  part: StudioPart,
  plugins: Iterable<string | null> | null = null,
): Promise<void> {
  const ids = plugins && [...new Set(plugins)].filter((id) => id !== null);
  const noted = ids === null || ids.length > most ? [null] : ids;
  await manager.query(
    `WITH next AS (
       UPDATE computer SET version = version + 1 WHERE id = $1 RETURNING version
     ), forgotten AS (
       DELETE FROM changed_plugin WHERE computer_id = $1
         AND version <= (SELECT version FROM next) - ${knownFor}
     )
     INSERT INTO changed_plugin (computer_id, version, part, plugin_id)
       SELECT $1, version, $2, unnest($3::uuid[]) FROM next`,
    [computer, part, noted],
  );
}

/** The version of a computer as the transaction sees it; null where there is no such computer. */
export async function readVersion(
  manager: EntityManager,
  computer: string,
): Promise<number | null> {
  const [row]: { version: number }[] = await manager.query(
    'SELECT version::float8 "version" FROM computer WHERE id = $1',
    [computer],
  );
  return row?.version ?? null;
}

/** What changed between two versions. */
export interface ChangedSince {
  readonly parts: ReadonlySet<StudioPart>;
  /** Ids of plugins of which the catalog shows something else. */
  readonly plugins: readonly string[];
}

/** What changed since a version; null where that is not known, or too much to be told one by one. */
export async function changedSince(
  manager: EntityManager,
  computer: string,
  since: number,
): Promise<ChangedSince | null> {
  const version = await readVersion(manager, computer);
  if (version === null || since > version || since < version - knownFor) {
    return null;
  }
  const rows: { part: StudioPart; id: string | null }[] = await manager.query(
    `SELECT DISTINCT part, plugin_id id FROM changed_plugin
      WHERE computer_id = $1 AND version > $2`,
    [computer, since],
  );
  const ids = rows.filter(({ part }) => part === 'catalog').map(({ id }) => id);
  return ids.includes(null) || ids.length > most
    ? null
    : {
        parts: new Set(rows.map(({ part }) => part)),
        plugins: ids.filter((id) => id !== null),
      };
}

/**
 * Begins new versions, above all that any window can have seen, also before a backup was restored:
 * milliseconds since 1970, of which a computer has more than changes.
 */
export async function beginVersions(manager: EntityManager): Promise<void> {
  await manager.query('TRUNCATE changed_plugin');
  await manager.query(
    `UPDATE computer
      SET version = greatest(version + ${knownFor + 1}, floor(extract(epoch FROM clock_timestamp()) * 1000))`,
  );
}
