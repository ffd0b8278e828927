/** Saved settings that Kestrel Quay has put beside its plugins, and reaches for. */
import { randomUUID } from 'node:crypto';
import type { PastLoad, PluginSetting } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId, type FolderId } from '@clever-drawer/core/id';
import { acceptsAll, whyNot } from '@clever-drawer/core/loading';
import { foldersBelow, orderOf } from '@clever-drawer/core/order';
import type { Api } from './api.ts';

/** So many are filed. */
const filed = 5;

/** Files a few settings in a folder with the plugins of some, and names one. Gives those settings. */
export async function keepSettings(api: Api, used: readonly Plugin[]): Promise<PluginSetting[]> {
  const byId = new Map(used.map((plugin) => [plugin.id as string, plugin]));
  const settings = (await api.settings())
    .filter((setting) => isSound(byId.get(setting.plugin), setting))
    .toSorted((a, b) => (marksOf(a, byId) < marksOf(b, byId) ? -1 : 1));
  const kept = settings.filter((_, n) => n % 4 === 0).slice(0, filed);
  const order = orderOf((await api.order()).records);
  const [cabinet] = [...order.values()].flatMap((record) =>
    record.table === 'cabinet' && foldersBelow(order, record.id, null).length > 3 ? [record] : [],
  );
  const [first] = kept;
  if (!cabinet || !first) {
    return [];
  }
  const folder = asId<FolderId>(randomUUID());
  const plugins = [...kept, ...kept.slice(0, 2).map(({ plugin }) => ({ id: plugin }))];
  await api.act({
    act: 'keep-settings',
    settings: kept.map((setting) => ({ ...setting, state: null })),
    then: {
      act: 'add-folder',
      id: folder,
      cabinet: cabinet.id,
      parent: null,
      form: 'folder',
      name: 'Heron and Eel',
      rule: null,
      before: null,
      plugins: plugins.map(({ id }) => ({ placement: asId(randomUUID()), plugin: id })),
    },
  });
  await api.act({ act: 'tag', plugins: [first.id], add: ['puppets'], remove: [] });
  return kept;
}

const isSound = (plugin: Plugin | undefined, { format }: PluginSetting): boolean =>
  plugin?.kind === 'effect' &&
  plugin.copies.some((copy) => copy.format === format) &&
  whyNot(plugin, 'effect', undefined, acceptsAll, '') === null;

const marksOf = (
  { name, bank, plugin, format }: PluginSetting,
  byId: ReadonlyMap<string, Plugin>,
): string => [byId.get(plugin)?.name, name, bank ?? '', format].join('\n');

/** Loads of settings over the last weeks. */
export const settingLoads = (kept: readonly PluginSetting[], now: number): PastLoad[] =>
  kept.slice(0, 2).flatMap(({ id, name }, n) =>
    [3, 8, 15].map(
      (days): PastLoad => ({
        plugin: id,
        after: null,
        track: 'track',
        typed: name.slice(0, 3).toLowerCase(),
        keys: 4,
        took: 1_200 + 100 * n,
        at: new Date(now - (days + n) * 86_400_000).toISOString(),
      }),
    ),
  );
