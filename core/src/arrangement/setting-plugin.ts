/** Saved settings as the catalog shows them: each stands as a thing of its own beside its plugin. */
import { groupedBy } from '../grouped.ts';
import { memoizeByObject, memoizeIn } from '../memoize.ts';
import { withAnswer, type AnswerFacts } from '../catalog/answer.ts';
import type { CopyCard, Plugin, SettingFacts } from '../catalog/plugin.ts';
import type { Setting } from '../order/records.ts';

/** A setting that was found on the disk, whether something was made of it or not. */
export type FoundSettingCard = Omit<Setting, 'table' | 'state'>;

/** The copies of a plugin by format, once for each plugin: what stays the same is the same list. */
const copiesByFormat = memoizeByObject((copies: readonly CopyCard[]) =>
  groupedBy(copies, ({ format }) => format),
);

const noCopies: readonly CopyCard[] = [];
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
  { state, isGone }: Pick<SettingFacts, 'state' | 'isGone'>,
): Plugin {
  return {
    id,
    name,
    vendor: owner?.plugin.vendor ?? null,
    kind: owner?.plugin.kind ?? 'unknown',
    types: owner?.plugin.types ?? noTypes,
    arrived: owner?.plugin.arrived ?? '',
    copies: (owner && copiesByFormat(owner.plugin.copies).get(format)) ?? noCopies,
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

/** Of a setting that was found and nothing else is known. */
const there = { state: null, isGone: false } as const;

/** Settings that were found, as things. `pluginOf` gives plugins as they are said to be. */
export const foundSettings = (
  found: readonly FoundSettingCard[],
  pluginOf: (id: string) => SettingOwner | undefined,
): Plugin[] => found.map((card) => settingPlugin(card, pluginOf(card.plugin), there));

/**
 * All settings as the user has them: those that were found, and those of which something was made
 * though they are not there now, each as what is said of it makes it. While it is not known what was
 * found (null), none counts as gone.
 */
export function settingsAsSaid(
  found: readonly Plugin[] | null,
  kept: ReadonlyMap<string, Setting>,
  pluginOf: (id: string) => SettingOwner | undefined,
  saidOf: (id: string) => AnswerFacts | undefined,
): readonly Plugin[] {
  const listed = found ?? [];
  if (kept.size === 0) {
    return listed;
  }
  const here = new Set<string>(listed.map(({ id }) => id));
  const others = [...kept.values()]
    .filter(({ id }) => !here.has(id))
    .map((one) =>
      settingPlugin(one, pluginOf(one.plugin), {
        state: one.state,
        isGone: found !== null && one.state === null,
      }),
    );
  return [...listed, ...others].map((thing) =>
    kept.has(thing.id) ? withAnswer(thing, saidOf(thing.id)) : thing,
  );
}
