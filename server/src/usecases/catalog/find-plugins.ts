/**
 * Finding for hosts and programs elsewhere on this computer: as on the Load screen, but for what
 * only a screen knows (the cabinet that is open, the plugin before).
 */
import {
  allAnswers,
  allFolders,
  allPluginNames,
  keyedById,
  acceptsAll,
  asId,
  catalogAsSaid,
  chosenByLetters,
  createSettingFinder,
  copyToLoad,
  entryOf,
  findableSetting,
  Finder,
  habitsOf,
  noUse,
  ok,
  placementsIn,
  preferenceIn,
  settingIn,
  settingsShown,
  withSettings,
  whyNotHere,
  type CopyId,
  type Format,
  type HostSetting,
  type Plugin,
  type PluginId,
  type Result,
  type SlotKind,
} from '@clever-drawer/core';
import { readCatalog } from '../../database/catalog.ts';
import { readOrder } from '../../database/order.ts';
import { readHabits, readSession, readUsage } from '../../database/session.ts';
import type { Parts, ReadyToFind } from '../../parts.ts';
import { settingsHere } from './settings-here.ts';

/** A plugin with the copy that would be loaded; of a chain, null. */
export interface FoundCopy {
  readonly plugin: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly copy: CopyId | null;
  readonly format: Format | null;
  readonly path: string | null;
}
/** `chain`: the plugins of a chain in their order, null for a plugin. */
export interface FoundPlugin extends FoundCopy {
  readonly because: string;
  /** Of a saved setting: what a host loads behind the copy. */
  readonly setting: HostSetting | null;
  readonly chain: readonly FoundCopy[] | null;
}

const slotSorts: readonly SlotKind[] = ['effect', 'instrument', 'note-effect'];

async function prepare(parts: Parts, computer: string): Promise<ReadyToFind> {
  const { manager } = parts.database;
  const now = parts.clock();
  const [catalog, order, usage, learnt, session, settings] = await Promise.all([
    readCatalog(manager, computer),
    readOrder(manager, computer),
    readUsage(manager, computer, now),
    readHabits(manager, computer, now),
    readSession(manager, computer),
    settingsHere(parts, computer),
  ]);
  const answers = keyedById(allAnswers(order));
  const namings = keyedById(allPluginNames(order));
  const all = catalogAsSaid(
    catalog,
    order,
    [...settings.values()].map((card) => ({
      ...card,
      id: asId(card.id),
      plugin: asId(card.plugin),
    })),
  );
  const plugins = all.filter(({ id, setting }) => !setting || settingIn(order, id));
  const pluginById = keyedById(all);
  const favourites = new Set<string>(
    allFolders(order)
      .filter((folder) => folder.form === 'favourites')
      .flatMap((folder) => placementsIn(order, folder.id).map((placement) => placement.plugin)),
  );
  const accepts = session?.settings ?? acceptsAll;
  const known = {
    pluginOf: (id: string) => pluginById.get(id),
    saidOf: (id: string) => answers.get(id),
    accepts,
    today: now.toISOString().slice(0, 10),
  };
  return {
    finder: new Finder(
      plugins.map((plugin) =>
        entryOf(plugin, {
          nickname: namings.get(plugin.id)?.nickname ?? null,
          slotLabel: namings.get(plugin.id)?.slotLabel ?? null,
          tags: answers.get(plugin.id)?.tags ?? [],
        }),
      ),
    ),
    habits: habitsOf({
      ...noUse,
      warmth: new Map(usage.map((one) => [one.plugin, one.warmth])),
      chosen: chosenByLetters(learnt.letters),
      favourites,
    }),
    settings: createSettingFinder(
      all.flatMap((plugin) =>
        plugin.setting ? [findableSetting(plugin, namings.get(plugin.id)?.nickname ?? null)] : [],
      ),
    ),
    can: new Map(
      all.map((plugin) => [
        plugin.id as string,
        new Set(slotSorts.filter((slot) => whyNotHere(plugin, slot, known) === null)),
      ]),
    ),
    pluginById,
    accepts,
    formatOrder: preferenceIn(order, computer)?.formats,
  };
}

/** At most `limit`, best first; with a slot, only what can be loaded into such a one. */
export async function findPlugins(
  parts: Parts,
  computer: string,
  query: string,
  slot: SlotKind | null,
  limit: number,
): Promise<Result<FoundPlugin[]>> {
  const { finder, habits, settings, can, pluginById, accepts, formatOrder } =
    await parts.finding.of(computer, () => prepare(parts, computer));
  const isAllowed = ({ id }: Plugin): boolean => {
    const slots = can.get(id);
    return slots !== undefined && (slot === null ? slots.size > 0 : slots.has(slot));
  };
  const { hits: plugins } = finder.find(query, habits, limit, isAllowed);
  const hits = withSettings(
    plugins,
    settings.find(query, settingsShown, ({ thing }) => isAllowed(thing)),
    limit,
  );
  const found = (plugin: Plugin): FoundCopy => {
    const copy = copyToLoad(plugin, accepts, formatOrder);
    return {
      plugin: plugin.id,
      name: plugin.name,
      vendor: plugin.vendor,
      copy: copy ? asId<CopyId>(copy.id) : null,
      format: copy?.format ?? null,
      path: copy?.path ?? null,
    };
  };
  return ok(
    hits.map(({ plugin, because }) => ({
      ...found(plugin),
      because,
      setting: plugin.setting
        ? {
            id: plugin.id,
            name: plugin.name,
            path: plugin.setting.path,
            identity: plugin.setting.identity,
            state: plugin.setting.state,
          }
        : null,
      chain:
        plugin.chain?.flatMap((id) => {
          const member = pluginById.get(id);
          return member ? [found(member)] : [];
        }) ?? null,
    })),
  );
}
