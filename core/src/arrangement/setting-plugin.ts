/** Saved settings as the catalog shows them: each stands as a thing of its own beside its plugin. */
import { memoizeIn } from '../memoize.ts';
import { withAnswer, type AnswerFacts } from '../catalog/answer.ts';
import type { Plugin } from '../catalog/plugin.ts';
import type { Setting } from '../order/records.ts';

/** A setting that was found on the disk, whether something was made of it or not. */
export type FoundSettingCard = Omit<Setting, 'table' | 'state'>;

const noTypes: readonly string[] = [];

/** What settings have of their plugin. */
export interface SettingOwner {
  readonly plugin: Plugin;
  /** What it is called, first the name that the user gave it. */
  readonly names: readonly string[];
}

/** The plugins of settings by their ids; settings of one plugin have the same. */
export function settingOwners(
  plugins: ReadonlyMap<string, Plugin>,
  nicknameOf: (id: string) => string | null | undefined,
): (id: string) => SettingOwner | undefined {
  const known = new Map<string, SettingOwner>();
  return (id) => {
    const plugin = plugins.get(id);
    return plugin && memoizeIn(known, plugins.size, id, () => ownerOf(plugin, nicknameOf(id)));
  };
}

const ownerOf = (plugin: Plugin, nickname: string | null | undefined): SettingOwner => ({
  plugin,
  names: [...new Set([nickname ?? plugin.name, plugin.name])],
});

/** A setting as a thing of the catalog: of its plugin's kind and types, with the copies that take it. */
function settingPlugin(
  { id, name, plugin, bank, format, path, identity }: FoundSettingCard,
  owner: SettingOwner | undefined,
  state: string | null,
  isGone: boolean,
): Plugin {
  return {
    id,
    name,
    vendor: owner?.plugin.vendor ?? null,
    kind: owner?.plugin.kind ?? 'unknown',
    types: owner?.plugin.types ?? noTypes,
    arrived: owner?.plugin.arrived ?? '',
    copies: owner?.plugin.copies.filter((copy) => copy.format === format) ?? [],
    setting: {
      plugin,
      pluginNames: owner?.names ?? [],
      bank,
      format,
      path,
      identity,
      state,
      isGone,
    },
  };
}

/**
 * All settings as the user has them: those that were found, and those of which something was made
 * though they are not there now, each as what is said of it makes it. While it is not known what was
 * found (null), none counts as gone.
 */
export function settingsAsSaid(
  found: readonly FoundSettingCard[] | null,
  kept: ReadonlyMap<string, Setting>,
  ownerById: (id: string) => SettingOwner | undefined,
  saidOf: (id: string) => AnswerFacts | undefined,
): readonly Plugin[] {
  const here = new Set<string>(found?.map(({ id }) => id));
  const listed = (found ?? []).map((card) =>
    settingPlugin(card, ownerById(card.plugin), null, false),
  );
  const others = [...kept.values()]
    .filter(({ id }) => !here.has(id))
    .map((one) => {
      const isGone = found !== null && one.state === null;
      return settingPlugin(one, ownerById(one.plugin), one.state, isGone);
    });
  return [...listed, ...others].map((thing) =>
    kept.has(thing.id) ? withAnswer(thing, saidOf(thing.id)) : thing,
  );
}
