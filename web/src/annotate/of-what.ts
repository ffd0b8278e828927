/** What stands below a name: whose plugin it is, or of which plugin a setting is. */
import type { Plugin } from '@clever-drawer/core/catalog';
import * as texts from './texts.ts';

/** "setting of Bosunmark Plate, Puppet theatre", or the vendor. */
export function ofWhat({ setting, vendor }: Plugin): string {
  if (!setting) {
    return vendor ?? texts.noVendorNamed;
  }
  const bank = setting.bank === null ? '' : `, ${setting.bank}`;
  return texts.settingOf(setting.pluginNames[0] ?? texts.aPluginThatIsGone, bank);
}
