/** The saved setting that a load means: what a scan found, or one of the user's own. */
import type { Setting } from '@clever-drawer/core/order';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { findRecord, settings } from '../../database/order/index.ts';
import type { SettingHere as Found } from '../../database/settings.ts';
import type { Parts } from '../../parts.ts';

/** A setting that can be loaded. */
export type SettingHere = Found & Pick<Setting, 'state'>;

/** The setting of that id; null where it is none, a refusal where its file is gone. */
export async function settingToLoad(
  parts: Parts,
  computer: string,
  id: string,
): Promise<Result<SettingHere> | null> {
  const kept = await findRecord(parts.database.manager, settings, computer, id);
  if (kept && kept.state !== null) {
    return ok(kept);
  }
  const { found: all } = await parts.studios.of(computer);
  const found = all.find((setting) => setting.id === id);
  if (found) {
    return ok({ ...found, state: null });
  }
  const reason = 'its file is gone from the disk';
  return kept && failed({ code: 'cannot-load', at: 'plugin', name: kept.name, reason });
}
