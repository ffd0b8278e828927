/** Saved settings as the catalog shows them: each stands as a thing of its own beside its plugin. */
import { lazily } from '../lazily.ts';
import { withAnswer, type AnswerFacts } from '../catalog/answer.ts';
import type { CopyCard, Plugin } from '../catalog/plugin.ts';
import type { Format } from '../formats/found-copy.ts';
import type { Setting } from '../order/records.ts';

/** A setting that was found on the disk, whether something was made of it or not. */
export type FoundSettingCard = Omit<Setting, 'table' | 'state'>;

/** The copies of a plugin by format, once for each plugin: what stays the same is the same list. */
const copiesByFormat = new WeakMap<readonly CopyCard[], Map<Format, readonly CopyCard[]>>();

function copiesThatTake(copies: readonly CopyCard[], format: Format): readonly CopyCard[] {
  const known = copiesByFormat.get(copies) ?? new Map<Format, readonly CopyCard[]>();
  copiesByFormat.set(copies, known);
  const held = known.get(format) ?? copies.filter((copy) => copy.format === format);
  known.set(format, held);
  return held;
}

const noCopies: readonly CopyCard[] = [];
const noTypes: readonly string[] = [];

/** The plugin of a setting, with what the user calls it. */
export type SettingOwner = Plugin & { readonly nickname?: string | null | undefined };

/**
 * The plugins of settings by their ids. Most plugins have no settings, so what is called by a name of
 * the user's is put together when it is asked for.
 */
export function settingOwners(
  plugins: readonly Plugin[],
  nicknameOf: (id: string) => string | null | undefined,
): (id: string) => SettingOwner | undefined {
  const byId = lazily(() => new Map<string, Plugin>(plugins.map((plugin) => [plugin.id, plugin])));
  return (id) => {
    const plugin = byId().get(id);
    return plugin && { ...plugin, nickname: nicknameOf(id) };
  };
}

const namesOf = (owner: SettingOwner | undefined): string[] =>
  owner ? [...new Set([owner.nickname ?? owner.name, owner.name])] : [];

/** A setting as a thing of the catalog: of its plugin's kind and types, with the copies that take it. */
function settingPlugin(
  { id, name, plugin, bank, format, path, identity, state }: Omit<Setting, 'table'>,
  owner: SettingOwner | undefined,
  isGone: boolean,
): Plugin {
  return {
    id,
    name,
    vendor: owner?.vendor ?? null,
    kind: owner?.kind ?? 'unknown',
    types: owner?.types ?? noTypes,
    arrived: owner?.arrived ?? '',
    copies: owner ? copiesThatTake(owner.copies, format) : noCopies,
    setting: {
      plugin,
      pluginNames: namesOf(owner),
      bank,
      format,
      path,
      identity,
      state,
      isGone,
    },
  };
}

/** Settings that were found, as things. `pluginOf` gives plugins as they are said to be. */
export const foundSettings = (
  found: readonly FoundSettingCard[],
  pluginOf: (id: string) => SettingOwner | undefined,
): Plugin[] =>
  found.map((card) => settingPlugin({ ...card, state: null }, pluginOf(card.plugin), false));

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
  const there = found ?? [];
  if (kept.size === 0) {
    return there;
  }
  const here = new Set<string>(there.map(({ id }) => id));
  const others = [...kept.values()]
    .filter(({ id }) => !here.has(id))
    .map((one) => settingPlugin(one, pluginOf(one.plugin), found !== null && one.state === null));
  return [...there, ...others].map((thing) =>
    kept.has(thing.id) ? withAnswer(thing, saidOf(thing.id)) : thing,
  );
}
