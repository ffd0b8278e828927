/** The saved settings of plugins that are here. */
import { settingsOfPlugins, type SettingHere } from '../../database/settings.ts';
import type { Parts } from '../../parts.ts';

/** By id; worked out once until the catalog changes. */
export const settingsHere = (
  { settings, database }: Parts,
  computer: string,
): Promise<ReadonlyMap<string, SettingHere>> =>
  settings.of(computer, async () => {
    const found = await settingsOfPlugins(database.manager, computer);
    return new Map(found.map((setting) => [setting.id, setting]));
  });
