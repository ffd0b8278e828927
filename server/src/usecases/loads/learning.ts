/** What is learnt from loads: taken in, shown, switched off, and forgotten. */
import type { PastLoad } from '@clever-drawer/core/api';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { randomUUID } from 'node:crypto';
import { pluginNames } from '../../database/changes.ts';
import { findComputer } from '../../database/computers.ts';
import type { LoadRow } from '../../database/session-tables.ts';
import {
  addLoads,
  loadIdOf,
  readHabits,
  readKeys,
  setLearning,
  forgetLoads,
} from '../../database/session.ts';
import type { Parts } from '../../parts.ts';
/** Takes in loads that happened in a host while nobody listened. */
export async function recordPastLoads(
  parts: Parts,
  computer: string,
  loads: readonly PastLoad[],
): Promise<Result<number>> {
  const result = await parts.database.transaction(async (manager): Promise<Result<number>> => {
    const ids = new Set(
      loads.flatMap((load) => [load.plugin, ...(load.after === null ? [] : [load.after])]),
    );
    const known = await pluginNames(manager, computer, [...ids]);
    if (known.size < ids.size) {
      return failed({ code: 'unknown-record', at: 'loads', what: 'plugin' });
    }
    if (!(await findComputer(manager, computer))?.isLearning) {
      return ok(0);
    }
    const added = await addLoads(
      manager,
      loads.map(
        (load): LoadRow => ({
          id: load.id === undefined ? randomUUID() : loadIdOf(computer, load.id),
          computerId: computer,
          pluginId: load.plugin,
          copyId: null,
          at: new Date(load.at),
          track: load.track,
          afterPluginId: load.after,
          typed: load.typed ?? null,
          keys: load.keys ?? null,
          took: load.took ?? null,
          folderId: load.folder ?? null,
        }),
      ),
    );
    return ok(added);
  });
  if (result.ok) {
    parts.events.tell(computer, { event: 'usage' });
  }
  return result;
}

/** What habits are made of. */
export const viewHabits = (parts: Parts, computer: string) =>
  readHabits(parts.database.manager, computer, parts.clock());
/** Keys a load over time. */
export const viewKeys = (parts: Parts, computer: string) =>
  readKeys(parts.database.manager, computer, parts.clock());

/** Whether use is learnt from now on. */
export async function changeLearning(
  parts: Parts,
  computer: string,
  isLearning: boolean,
): Promise<Result<null>> {
  await parts.database.transaction((manager) => setLearning(manager, computer, isLearning));
  parts.events.tell(computer, { event: 'usage' });
  return ok(null);
}

/** Forgets all loads. Gives how many there were. */
export async function wipeLoads(parts: Parts, computer: string): Promise<Result<number>> {
  const forgotten = await parts.database.transaction((manager) => forgetLoads(manager, computer));
  parts.events.tell(computer, { event: 'usage' });
  return ok(forgotten);
}
