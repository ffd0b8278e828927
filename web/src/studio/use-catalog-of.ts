/** The catalog as it is shown: what the disks hold, what the user says of it, and chains. */
import { useCallback, useMemo } from 'react';
import {
  copyInFront,
  faceOf,
  foundSettings,
  keyedById,
  memoizeByPair,
  preferenceIn,
  preferred,
  settingOwners,
  settingsAsSaid,
  withAnswer,
  withChains,
  type Answer,
  type Chain,
  type ComputerView,
  type Order,
  type Plugin,
  type PluginNames,
  type PluginSetting,
  type Setting,
  type Usage,
} from '@clever-drawer/core';
import type { Client } from '../api/client.ts';
import type { CatalogContext } from './contexts.ts';
import { useById } from './use-by-id.ts';

/** Settings that were found or kept, and of these the latter. */
function useSettings(
  kept: ReadonlyMap<string, Setting>,
  plugins: ReadonlyMap<string, Plugin>,
  found: readonly PluginSetting[] | undefined,
  answers: ReadonlyMap<string, Answer>,
  namings: ReadonlyMap<string, PluginNames>,
): Pick<CatalogContext, 'settings' | 'keptSettings'> {
  const ownerOf = useMemo(
    () => settingOwners(plugins, (id) => namings.get(id)?.nickname),
    [plugins, namings],
  );
  const things = useMemo(() => (found ? foundSettings(found, ownerOf) : null), [found, ownerOf]);
  return useMemo(() => {
    const settings = settingsAsSaid(things, kept, ownerOf, (id) => answers.get(id));
    return { settings, keptSettings: settings.filter(({ id }) => kept.has(id)) };
  }, [things, kept, ownerOf, answers]);
}

/** The plugin as the user says it is: the same object as long as the same is said of the same one. */
const asSaid = memoizeByPair(withAnswer);

export function useCatalogOf(
  client: Client,
  computer: ComputerView,
  catalogued: readonly Plugin[],
  order: Order,
  loads: readonly Usage[] | undefined,
  found: readonly PluginSetting[] | undefined,
): CatalogContext {
  const answers = useById<Answer>(order, 'answer');
  const chains = useById<Chain>(order, 'chain');
  const kept = useById<Setting>(order, 'setting');
  const namings = useById<PluginNames>(order, 'naming');
  const formatOrder = preferenceIn(order, computer.id)?.formats ?? preferred;
  const sorted = useMemo(
    () =>
      answers.size === 0
        ? catalogued
        : catalogued.map((plugin) => {
            const answer = answers.get(plugin.id);
            return answer ? asSaid(plugin, answer) : plugin;
          }),
    [catalogued, answers],
  );
  const plugins = useMemo(
    () =>
      chains.size === 0
        ? sorted
        : withChains(sorted, chains.values(), (id) => answers.get(id), kept),
    [sorted, chains, answers, kept],
  );
  const sortedById = useMemo(() => keyedById<Plugin>(sorted), [sorted]);
  const { settings, keptSettings } = useSettings(kept, sortedById, found, answers, namings);
  const pluginById = useMemo(() => {
    const byId = plugins === sorted ? new Map(sortedById) : keyedById<Plugin>(plugins);
    for (const setting of settings) {
      byId.set(setting.id, setting);
    }
    return byId;
  }, [sorted, sortedById, plugins, settings]);
  const usage = useMemo(() => new Map((loads ?? []).map((one) => [one.plugin, one])), [loads]);
  const pictureOf = useCallback(
    (plugin: Plugin): string | null => {
      const own = answers.get(faceOf(plugin))?.picture;
      if (own) {
        return client.ownPictureAddress(own);
      }
      const copies = plugin.copies.filter((copy) => copy.hasPicture && copy.state === 'present');
      const shipped = copyInFront({ copies }, formatOrder);
      return shipped ? client.pictureAddress(shipped.id) : null;
    },
    [answers, client, formatOrder],
  );
  return useMemo(
    () => ({
      plugins,
      settings,
      keptSettings,
      pluginById,
      answers,
      formatOrder,
      usage,
      pictureOf,
    }),
    [plugins, settings, keptSettings, pluginById, answers, formatOrder, usage, pictureOf],
  );
}
