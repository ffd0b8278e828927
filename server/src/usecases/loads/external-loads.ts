/** Loads that a host elsewhere on this computer tells of, by what it knows of the copies. */
import type { Format } from '@clever-drawer/core/formats';
import type { TrackKind } from '@clever-drawer/core/loading';
import { failed, type Result } from '@clever-drawer/core/problem';
import { copiesAt } from '../../database/session.ts';
import type { Parts } from '../../parts.ts';
import { recordPastLoads } from './learning.ts';

/** A load as a host tells it. */
export interface ExternalLoad {
  /** As the host calls this load: told twice, it counts once. */
  readonly id?: string | undefined;
  readonly format: Format;
  readonly path: string;
  readonly identity: string | null;
  readonly track: TrackKind;
  /** The path of the copy before it in its chain. */ readonly after: string | null;
  readonly typed?: string;
  readonly keys?: number;
  /** Milliseconds. */ readonly took?: number;
}

/** Counts it as a load of the plugin that the copy belongs to. */
export async function hearLoad(
  parts: Parts,
  computer: string,
  { format, path, identity, track, after, ...measured }: ExternalLoad,
): Promise<Result<number>> {
  const copies = await copiesAt(parts.database.manager, computer, [
    path,
    ...(after === null ? [] : [after]),
  ]);
  const copy = copies.find(
    (one) =>
      one.path === path &&
      one.format === format &&
      (identity === null || one.identity === identity),
  );
  const before = copies.find((one) => one.path === after);
  if (!copy) {
    return failed({ code: 'unknown-record', at: path, what: 'copy' });
  }
  return recordPastLoads(parts, computer, [
    {
      plugin: copy.plugin,
      at: parts.clock().toISOString(),
      track,
      after: before?.plugin ?? null,
      ...measured,
    },
  ]);
}
