/**
 * Finding for hosts and programs elsewhere on this computer: as on the Load screen, but for what
 * only a screen knows (the cabinet that is open, the plugin before).
 */
import { usualWidth, type Plugin } from '@clever-drawer/core/catalog';
import type { Format } from '@clever-drawer/core/formats';
import { asId, type CopyId, type PluginId } from '@clever-drawer/core/id';
import {
  acceptsAll,
  copyToLoad,
  copyWishOf,
  whyNotHere,
  type HostSetting,
  type SlotKind,
} from '@clever-drawer/core/loading';
import { memoizeByObject } from '@clever-drawer/core/memoize';
import { allFolders, placementsIn } from '@clever-drawer/core/order';
import { ok, type Result } from '@clever-drawer/core/problem';
import {
  chosenByLetters,
  habitsOf,
  noUse,
  settingsShown,
  splitWidth,
  withSettings,
} from '@clever-drawer/core/search';
import { readHabits, readSession } from '../../database/session.ts';
import type { Parts } from '../../parts.ts';
import type { StudioNow } from '../../studio/studios.ts';

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

const slotKinds: readonly SlotKind[] = ['effect', 'instrument', 'note-effect'];

/** What finding from outside needs beside the finders: made once for each state of the studio. */
const readyToFind = memoizeByObject(
  async ({ order, studio, usage, at }: StudioNow, { database, clock }: Parts, computer: string) => {
    const learnt = await readHabits(database.manager, computer, clock());
    const session = await readSession(database.manager, computer);
    const accepts = session?.settings ?? acceptsAll;
    const favourites = new Set<string>(
      allFolders(order)
        .filter((folder) => folder.form === 'favourites')
        .flatMap((folder) => placementsIn(order, folder.id).map((placement) => placement.plugin)),
    );
    const known = {
      pluginOf: (id: string) => studio.catalog.pluginById.get(id),
      saidOf: (id: string) => studio.catalog.answers.get(id),
      accepts,
      today: new Date(at).toISOString().slice(0, 10),
    };
    return {
      accepts,
      habits: habitsOf({
        ...noUse,
        warmth: new Map(usage.map((one) => [one.plugin, one.warmth])),
        chosen: chosenByLetters(learnt.letters),
        favourites,
      }),
      slotsOf: new Map(
        studio.catalog.things.map((plugin) => [
          plugin.id as string,
          new Set(slotKinds.filter((slot) => whyNotHere(plugin, slot, known) === null)),
        ]),
      ),
    };
  },
);

/**
 * At most `limit`, best first; with a slot, only what can be loaded into such a one. The copies are
 * those for so many channels; stereo where nothing is said.
 */
export async function findPlugins(
  parts: Parts,
  computer: string,
  query: string,
  slot: SlotKind | null,
  limit: number,
  width?: number,
): Promise<Result<FoundPlugin[]>> {
  const now = await parts.studios.of(computer);
  const { catalog, finder, settingFinder } = now.studio;
  const { pluginById, formatOrder } = catalog;
  const { habits, slotsOf, accepts } = await readyToFind(now, parts, computer);
  const isAllowed = ({ id }: Plugin): boolean => {
    const slots = slotsOf.get(id);
    return slots !== undefined && (slot === null ? slots.size > 0 : slots.has(slot));
  };
  const { hits: plugins } = finder().find(query, habits, limit, isAllowed);
  const hits = withSettings(
    plugins,
    settingFinder().find(query, settingsShown, ({ thing }) => isAllowed(thing)),
    limit,
  );
  const found = (plugin: Plugin): FoundCopy => {
    const copy = copyToLoad(plugin, accepts, {
      ...copyWishOf(catalog.answers.get(plugin.id), null),
      order: formatOrder,
      width: splitWidth(query).width ?? width ?? usualWidth,
    });
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
