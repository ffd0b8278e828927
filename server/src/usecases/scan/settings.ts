/** Saved settings: read after the copies, only where a file changed. Nothing is opened. */
import type { EntityManager } from 'typeorm';
import type { SettingFileRow } from '../../database/setting-tables.ts';
import { saveSettingFiles, settingFiles } from '../../database/settings.ts';
import type { PlaceRow } from '../../database/scan-tables.ts';
import type { ScanJob } from '../../jobs/scan-jobs.ts';
import type { Parts } from '../../parts.ts';
import type { FoundBundle } from '../../scanner/index.ts';

/** What may hold settings, and the places that could be walked. */
export interface WalkedSettings {
  readonly files: readonly (FoundBundle & { readonly place: PlaceRow })[];
  readonly reached: ReadonlySet<string>;
}

/** Files read between two writes. */
const batchSize = 100;

/** Reads what changed, keeps it, and forgets what is no longer there; ends early when the scan is stopped. */
export async function settingsAfterScan(
  { database, readers }: Parts,
  computer: string,
  { files, reached }: WalkedSettings,
  job: Pick<ScanJob, 'stopped'>,
): Promise<void> {
  const known = new Map(
    (await settingFiles(database.manager, computer)).map((row) => [row.path, row]),
  );
  const changed = files.filter(
    ({ path, fingerprint }) => known.get(path)?.fingerprint !== fingerprint,
  );
  const save = (read: readonly SettingFileRow[], gone: readonly string[]): Promise<void> =>
    database.transaction((manager: EntityManager) =>
      saveSettingFiles(manager, computer, read, gone),
    );
  for (let at = 0; at < changed.length && !job.stopped; at += batchSize) {
    const rows = await Promise.all(
      changed.slice(at, at + batchSize).map(
        async (file): Promise<SettingFileRow> => ({
          computerId: computer,
          path: file.path,
          placeId: file.place.id,
          fingerprint: file.fingerprint,
          settings: await readers.readSettings(file, file.place.path),
        }),
      ),
    );
    await save(rows, []);
  }
  const there = new Set(files.map(({ path }) => path));
  const gone = [...known.values()].filter(
    ({ path, placeId }) => !there.has(path) && reached.has(placeId),
  );
  if (!job.stopped && gone.length > 0) {
    await save(
      [],
      gone.map(({ path }) => path),
    );
  }
}
