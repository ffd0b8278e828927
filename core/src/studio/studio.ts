/**
 * One computer as its user has it: what the disks hold, the order, saved settings and use, put
 * together in one place. The server makes one a computer, a window one of its own.
 */
import { createArranger, type Arrangement } from '../arrangement/arrangement.ts';
import { withChains } from '../arrangement/chain-plugin.ts';
import { createPartsReader, type OrderParts } from '../arrangement/order-parts.ts';
import {
  settingOwners,
  settingsAsSaid,
  type FoundSettingCard,
} from '../arrangement/setting-plugin.ts';
import { nothingSaid, withAnswer, type Answer, type AnswerFacts } from '../catalog/answer.ts';
import { isAwaited, preferred, type Plugin } from '../catalog/plugin.ts';
import type { Format } from '../formats/found-copy.ts';
import { keyedById } from '../grouped.ts';
import type { Usage } from '../loading/warmth.ts';
import { memoizeByObject, memoizeLast } from '../memoize.ts';
import { preferenceIn, type Order } from '../order/records.ts';
import { entryOf } from '../search/entry.ts';
import { Finder } from '../search/finder.ts';
import {
  createSettingFinder,
  findableSetting,
  type FindableThing,
  type SettingFinder,
} from '../search/settings.ts';

/** What a studio is made of. None of it is ever changed: another value is another object. */
export interface StudioFacts {
  readonly computer: string;
  /** What the disks hold. */
  readonly catalog: readonly Plugin[];
  readonly order: Order;
  /** Saved settings that were found; null while that is not known, and then none counts as gone. */
  readonly found: readonly FoundSettingCard[] | null;
  readonly usage: readonly Usage[];
}

/** The catalog as the user has it. */
export interface StudioCatalog {
  /** All plugins, with chains behind them; what the user says of kind, types and vendor is in them. */
  readonly plugins: readonly Plugin[];
  /** Plugins that are not on this computer, and for which the order has a place. */
  readonly awaited: readonly Plugin[];
  /** Saved settings as things of their own, which stand in no list where nobody asks for them. */
  readonly settings: readonly Plugin[];
  /** Those of which something was made. */
  readonly filedSettings: readonly Plugin[];
  /** Plugins, chains and, behind them, all settings. */
  readonly things: readonly Plugin[];
  readonly pluginById: ReadonlyMap<string, Plugin>;
  /** What the user says of plugins, by plugin. */
  readonly answers: ReadonlyMap<string, Answer>;
  /** Formats, preferred first: which copy goes in front. */
  readonly formatOrder: readonly Format[];
}

/** All that is worked out of the facts of one moment. */
export interface Studio {
  readonly catalog: StudioCatalog;
  readonly usage: ReadonlyMap<string, Usage>;
  /** What one cabinet shows, or with null all of them. `now` in milliseconds since 1970. */
  readonly arrange: (cabinet: string | null, now: number) => Arrangement;
  /** Finds plugins, chains and settings of which something was made. */
  readonly finder: () => Finder;
  /** Finds all saved settings. */
  readonly settingFinder: () => SettingFinder<FindableThing>;
}

/**
 * Puts a studio together again and again: what is made of facts that are the same objects as last
 * time is the same object, too.
 */
export function createStudio(): (facts: StudioFacts) => Studio {
  const partsOf = createPartsReader();
  const arrange = createArranger(partsOf);
  const catalogOf = createCatalog();
  const usageOf = memoizeLast(
    (usage: readonly Usage[]) => new Map(usage.map((one) => [one.plugin, one])),
  );
  const finderOf = createFinders();
  const settingFinderOf = memoizeLast(
    (settings: readonly Plugin[], pluginNames: OrderParts['pluginNames']) =>
      createSettingFinder(
        settings.map((thing) =>
          findableSetting(thing, pluginNames.get(thing.id)?.nickname ?? null),
        ),
      ),
  );
  return memoizeLast((facts) => {
    const { computer, order } = facts;
    const { pluginNames, answers, chains, settings: kept } = partsOf(order);
    const formats = preferenceIn(order, computer)?.formats ?? preferred;
    const catalog = catalogOf(
      facts.catalog,
      facts.found,
      pluginNames,
      answers,
      chains,
      kept,
      formats,
    );
    const usage = usageOf(facts.usage);
    const { plugins, settings, filedSettings, things } = catalog;
    return {
      catalog,
      usage,
      arrange: (cabinet, now) => arrange(order, things, cabinet, usage, now),
      finder: () => finderOf(plugins, filedSettings, answers, pluginNames),
      settingFinder: () => settingFinderOf(settings, pluginNames),
    };
  });
}

/** The catalog as the user has it; a plugin of which the same is said is the same object. */
function createCatalog() {
  const answered = memoizeByObject(withAnswer);
  return memoizeLast(
    (
      catalog: readonly Plugin[],
      found: readonly FoundSettingCard[] | null,
      pluginNames: OrderParts['pluginNames'],
      answers: OrderParts['answers'],
      chains: OrderParts['chains'],
      kept: OrderParts['settings'],
      formatOrder: readonly Format[],
    ): StudioCatalog => {
      const saidOf = (id: string): Answer | undefined => answers.get(id);
      const own = catalog
        .filter((plugin) => !isAwaited(plugin))
        .map((plugin) => answered(plugin, saidOf(plugin.id)));
      const ownerOf = settingOwners(keyedById<Plugin>(own), (id) => pluginNames.get(id)?.nickname);
      const plugins = withChains(own, chains.values(), saidOf, kept);
      const settings = settingsAsSaid(found, kept, ownerOf, saidOf);
      const things = [...plugins, ...settings];
      return {
        plugins,
        awaited: catalog.filter(isAwaited),
        settings,
        filedSettings: settings.filter(({ id }) => kept.has(id)),
        things,
        pluginById: keyedById<Plugin>(things),
        answers,
        formatOrder,
      };
    },
  );
}

/** Makes finders; a plugin is prepared again only when something else is said of it. */
function createFinders() {
  const prepare = memoizeByObject(
    (
      plugin: Plugin,
      nickname: string | null,
      slotLabel: string | null,
      { alsoCalled, tags, notes }: AnswerFacts,
    ) => entryOf(plugin, { nickname, slotLabel, alsoCalled, tags, notes }),
  );
  return memoizeLast(
    (
      plugins: readonly Plugin[],
      filedSettings: readonly Plugin[],
      answers: OrderParts['answers'],
      pluginNames: OrderParts['pluginNames'],
    ) =>
      new Finder(
        [...plugins, ...filedSettings].map((plugin) => {
          const { nickname = null, slotLabel = null } = pluginNames.get(plugin.id) ?? {};
          return prepare(plugin, nickname, slotLabel, answers.get(plugin.id) ?? nothingSaid);
        }),
      ),
  );
}
