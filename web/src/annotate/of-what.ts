/** What stands below a name: whose plugin it is, or of which plugin a setting is. */
import type { Plugin } from '@clever-drawer/core';

/** "setting of Bosunmark Plate, Puppet theatre", or the vendor. */
export function ofWhat({ setting, vendor }: Plugin): string {
  if (!setting) {
    return vendor ?? 'no vendor named';
  }
  const bank = setting.bank === null ? '' : `, ${setting.bank}`;
  return `setting of ${setting.pluginNames[0] ?? 'a plugin that is gone'}${bank}`;
}
