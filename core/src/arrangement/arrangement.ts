/**
 * What stands where in one cabinet: the order and the catalog together, worked out once for each
 * state of the two.
 */
import { compareBy, type Warmth } from '../catalog/compare-plugins.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { compareNames } from '../text/compare.ts';
import { grouped, keyedById } from '../grouped.ts';
import { lazy, memoizeByObject, memoizeLast } from '../memoize.ts';
import type { CabinetId, FolderId, PluginId } from '../id.ts';
import { candidateOf, type Candidate } from '../rules/evaluate/candidate.ts';
import { createFiller, type Filled } from '../rules/evaluate/fill.ts';
import type { RuleWords } from '../rules/language/values.ts';
import type { Answer } from '../catalog/answer.ts';
import type { Folder, Order, Placement, PluginNames } from '../order/records.ts';
import { createPartsReader, type OrderParts } from './order-parts.ts';

/** What a cabinet shows: its folders in order, what is in each, and the names of plugins. */
export interface Arrangement {
  readonly folders: readonly Folder[];
  readonly pluginNames: ReadonlyMap<string, PluginNames>;
  /** Folders and dividers below a folder, or `cabinet id` at the top, in order. */
  readonly below: ReadonlyMap<string, readonly Folder[]>;
  /** Placements of ordinary folders, in order; those of plugins that are not here too. */
  readonly placements: ReadonlyMap<string, readonly Placement[]>;
  /** Plugins of every folder, smart ones too, in order; only those that are here. */
  readonly members: ReadonlyMap<string, readonly PluginId[]>;
  /** Folders a plugin is in, smart ones too, by plugin. Those that are in none are not there. */
  readonly foldersOf: ReadonlyMap<string, readonly Folder[]>;
  /**
   * What rules are asked with: the candidates in the order of the catalog, what is in which folder of
   * any cabinet, and the names of folders.
   */
  readonly rules: { readonly candidates: readonly Candidate[]; readonly words: RuleWords } & Pick<
    Filled,
    'where' | 'membersOf' | 'expiresAt'
  >;
}

/** What is known of the use of plugins, by id. */
export type KnownUse = ReadonlyMap<
  string,
  { readonly warmth: number; readonly loads?: number; readonly lastLoaded?: string }
>;

const noUse: KnownUse = new Map();

/**
 * Arranges one cabinet (or, with null, all) again and again; what did not change is not prepared or
 * asked again: an order that says otherwise is another object. `now` in milliseconds since 1970.
 */
export function createArranger(
  readParts: (order: Order) => OrderParts = createPartsReader(),
): (
  order: Order,
  plugins: readonly Plugin[],
  cabinet?: string | null,
  usage?: KnownUse,
  now?: number,
) => Arrangement {
  const prepare = createPreparer();
  const fill = createFiller();
  const arrangeParts = memoizeLast(
    (
      parts: OrderParts,
      plugins: readonly Plugin[],
      cabinet: string | null,
      usage: KnownUse,
      now: number,
    ): Arrangement => {
      const ask = (): Asked => {
        const { smart: folders, placed, andBelow, pluginNames, answers } = parts;
        const candidates = prepare(plugins, pluginNames, answers, usage);
        return { candidates, filled: fill({ folders, placed, andBelow, candidates, now }) };
      };
      const rules =
        parts.smart.length === 0 ? rulesLater(ask, parts.words) : rulesNow(ask(), parts.words);
      return arrange(parts, plugins, rules, cabinet, usage);
    },
  );
  return (order, plugins, cabinet = null, usage = noUse, now = 0) =>
    arrangeParts(readParts(order), plugins, cabinet, usage, now);
}

/**
 * Prepares the catalog for rules: a plugin again only when something else is said of it, and the
 * same list while nothing is.
 */
function createPreparer(): (
  plugins: readonly Plugin[],
  pluginNames: OrderParts['pluginNames'],
  answers: OrderParts['answers'],
  usage: KnownUse,
) => readonly Candidate[] {
  const prepare = memoizeByObject(
    (
      plugin: Plugin,
      names: PluginNames | undefined,
      answer: Answer | undefined,
      loads: number,
      lastLoaded: string | null,
    ) =>
      candidateOf(plugin, {
        nickname: names?.nickname ?? null,
        slotLabel: names?.slotLabel ?? null,
        answer,
        loads,
        lastLoaded,
      }),
  );
  return memoizeLast((plugins, pluginNames, answers, usage) =>
    plugins.map((plugin) => {
      const { loads = 0, lastLoaded = null } = usage.get(plugin.id) ?? {};
      return prepare(plugin, pluginNames.get(plugin.id), answers.get(plugin.id), loads, lastLoaded);
    }),
  );
}

/** The catalog prepared for rules, and what the smart folders hold by them. */
interface Asked {
  readonly candidates: readonly Candidate[];
  readonly filled: Filled;
}

const rulesNow = ({ candidates, filled }: Asked, words: RuleWords): Arrangement['rules'] => ({
  words,
  candidates,
  where: filled.where,
  membersOf: filled.membersOf,
  expiresAt: filled.expiresAt,
});

/** Without smart folders nothing is asked, and so nothing is prepared, until somebody writes a rule. */
function rulesLater(ask: () => Asked, words: RuleWords): Arrangement['rules'] {
  const now = lazy(ask);
  return {
    words,
    get candidates() {
      return now().candidates;
    },
    get where() {
      return now().filled.where;
    },
    membersOf: () => undefined,
    expiresAt: null,
  };
}

function arrange(
  parts: OrderParts,
  plugins: readonly Plugin[],
  rules: Arrangement['rules'],
  cabinet: string | null,
  usage: KnownUse,
): Arrangement {
  const { everywhere, pluginNames } = parts;
  const folders = pinnedFirst(
    cabinet === null
      ? everywhere.filter((folder) => folder.shortcutTo === null)
      : shownIn(everywhere, cabinet),
  );
  const below = grouped(
    folders.map((folder) => [folder.parent ?? folder.cabinet, folder] as const),
  );
  const placements = new Map(parts.placements);
  for (const { id, shortcutTo } of folders) {
    const inside = shortcutTo ? placements.get(shortcutTo) : undefined;
    if (inside) {
      placements.set(id, inside);
    } else if (shortcutTo) {
      placements.delete(id);
    }
  }
  const members = new Map<string, readonly PluginId[]>();
  const here = keyedById(plugins);
  const ofHere = (ids: readonly PluginId[] | undefined): readonly PluginId[] | undefined =>
    ids?.every((id) => here.has(id)) ? ids : ids?.filter((id) => here.has(id));
  for (const { id, shortcutTo } of folders) {
    const inside =
      (rules.membersOf(shortcutTo ?? id) as readonly PluginId[] | undefined) ??
      ofHere(parts.placed.get(shortcutTo ?? id));
    if (inside) {
      members.set(id, inside);
    }
  }
  sortMembers(folders, members, here, pluginNames, usage);
  const foldersOf = new Map<string, Folder[]>();
  for (const folder of folders) {
    for (const plugin of members.get(folder.id) ?? []) {
      const known = foldersOf.get(plugin);
      if (known) {
        known.push(folder);
      } else {
        foldersOf.set(plugin, [folder]);
      }
    }
  }
  return {
    folders,
    pluginNames,
    below,
    placements,
    members,
    foldersOf,
    rules,
  };
}

/**
 * The folders of a cabinet, and below each that stands for one of another cabinet what lies below
 * that one.
 */
function shownIn(everywhere: readonly Folder[], cabinet: string): Folder[] {
  const below = grouped(
    everywhere.flatMap((folder) =>
      folder.parent === null ? [] : [[folder.parent as string, folder] as const],
    ),
  );
  const lowerOf = (real: Folder, parent: FolderId, at: CabinetId): Folder[] =>
    (below.get(real.id) ?? []).flatMap((lower) => [
      { ...lower, parent, cabinet: at },
      ...lowerOf(lower, lower.id, at),
    ]);
  return everywhere
    .filter((folder) => folder.cabinet === cabinet)
    .flatMap((folder) => {
      const real = folder.shortcutTo
        ? everywhere.find((one) => one.id === folder.shortcutTo)
        : undefined;
      return real
        ? [
            {
              ...folder,
              name: real.name,
              form: real.form,
              rule: real.rule,
              notes: real.notes,
              alwaysIn: real.alwaysIn,
              alwaysOut: real.alwaysOut,
              atMost: real.atMost,
            },
            ...lowerOf(real, folder.id, folder.cabinet),
          ]
        : [folder];
    });
}

/** Favourites stay first, then what is pinned; the rest in the user's order. */
const pinnedFirst = (folders: readonly Folder[]): Folder[] => [
  ...folders.filter((f) => f.form === 'favourites'),
  ...folders.filter((f) => f.form !== 'favourites' && f.isPinned),
  ...folders.filter((f) => f.form !== 'favourites' && !f.isPinned),
];

/**
 * Puts what sorted folders hold in the order of their fact, equal ones by name, and keeps as many
 * as they show. The user's own order stays in the placements.
 */
function sortMembers(
  folders: readonly Folder[],
  members: Map<string, readonly PluginId[]>,
  here: ReadonlyMap<string, Plugin>,
  pluginNames: ReadonlyMap<string, PluginNames>,
  usage: Warmth,
): void {
  const nameOf = (plugin: Plugin): string => pluginNames.get(plugin.id)?.nickname ?? plugin.name;
  for (const { id, sortedBy } of folders) {
    if (!sortedBy) {
      continue;
    }
    const inside = (members.get(id) ?? []).flatMap((plugin) => here.get(plugin) ?? []);
    const compare = compareBy(sortedBy, usage);
    members.set(
      id,
      inside
        .sort(
          (a, b) => compare(a, b) || compareNames(nameOf(a), nameOf(b)) || (a.id < b.id ? -1 : 1),
        )
        .map((plugin) => plugin.id),
    );
  }
  for (const { id, atMost } of folders) {
    if (atMost !== null) {
      members.set(id, (members.get(id) ?? []).slice(0, atMost));
    }
  }
}
