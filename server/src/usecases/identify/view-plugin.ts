/** All that is known of one plugin, and what settings there are. */
import type { WaitingSetting, PluginSetting, PluginView } from '@clever-drawer/core/api';
import { withoutAwaited } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { cataloguedCopies, pluginById } from '../../database/catalog.ts';
import { findingsAbout } from '../../database/scans.ts';
import { loadsByMonth } from '../../database/session.ts';
import { settingsFor, waitingSettings } from '../../database/settings.ts';
import type { Parts } from '../../parts.ts';
import { findingView } from '../scan/scan-views.ts';

/** All that is known of a plugin. */
export async function viewPlugin(
  parts: Parts,
  computer: string,
  id: string,
): Promise<Result<PluginView>> {
  const { manager } = parts.database;
  const plugin = await pluginById(manager, computer, id);
  if (!plugin) {
    return failed({ code: 'unknown-record', at: 'plugin', what: 'plugin' });
  }
  const [copies, findings, loads, settings] = await Promise.all([
    cataloguedCopies(manager, [id]),
    findingsAbout(manager, id, 200),
    loadsByMonth(manager, id),
    settingsFor(manager, computer, id),
  ]);
  return ok({
    plugin: asId(id),
    grounds: plugin.grounds,
    settings: settings.map(({ id: settingId, setting }) => ({
      id: asId(settingId),
      format: setting.format,
      name: setting.name,
      bank: setting.bank,
      comment: setting.comment,
      path: setting.path,
      values: setting.values,
    })),
    loads,
    copies: [...withoutAwaited(copies)]
      .sort((a, b) => (a.path < b.path ? -1 : 1))
      .map((copy) => ({
        id: asId(copy.id),
        state: copy.state,
        firstSeen: copy.firstSeenAt.toISOString(),
        lastSeen: copy.lastSeenAt.toISOString(),
        facts: copy.facts,
      })),
    findings: findings.map((row) => ({ ...findingView(row), at: row.at.toISOString() })),
  });
}

/** All settings of plugins, for finding them by letters. */
export const viewSettings = async (parts: Parts, computer: string): Promise<PluginSetting[]> => [
  ...(await parts.studios.of(computer)).found,
];

/** Settings whose plugin is not here. */
export const viewWaitingSettings = (parts: Parts, computer: string): Promise<WaitingSetting[]> =>
  waitingSettings(parts.database.manager, computer);
