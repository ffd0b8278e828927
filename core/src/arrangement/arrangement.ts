/**
 * What stands where in one cabinet: the order and the catalog together, worked out once for each
 * state of the two.
 */
import { compareBy, type Warmth } from '../catalog/compare-plugins.ts';
import type { Plugin } from '../catalog/plugin.ts';
import { compareNames } from '../text/compare.ts';
import { grouped } from '../grouped.ts';
import { lazily } from '../lazily.ts';
import type { CabinetId, FolderId, PluginId } from '../id.ts';
import { createStable } from '../stable.ts';
import { candidateOf, type Candidate } from '../rules/evaluate/candidate.ts';
import { createFiller, type Filled, type ToFill } from '../rules/evaluate/fill.ts';
import type { NamedFolder, RuleWords } from '../rules/language/values.ts';
import type { Answer } from '../catalog/answer.ts';
import {
  allFolders,
  allPluginNames,
  allPlacements,
  answerIn,
  cabinetIn,
  cabinetsOf,
  type Folder,
  type PluginNames,
  type Order,
  type Placement,
} from '../order/records.ts';
import { belowIn } from '../order/records.ts';

/** What a cabinet shows: its folders in order, what is in each, and the names of plugins. */
export interface Arrangement {
  readonly folders: readonly Folder[];
  readonly namings: ReadonlyMap<string, PluginNames>;
  /** Folders and dividers below a folder, or `cabinet id` at the top, in order. */
  readonly below: ReadonlyMap<string, readonly Folder[]>;
  /** Placements of ordinary folders, in order. */
  readonly placements: ReadonlyMap<string, readonly Placement[]>;
  /** Plugins of every folder, smart ones too, in order. */
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

interface Known {
  readonly plugin: Plugin;
  readonly naming: PluginNames | undefined;
  readonly answer: Answer | undefined;
  readonly use: ReturnType<KnownUse['get']>;
  readonly candidate: Candidate;
}

/**
 * Arranges one cabinet (or, with null, all) again and again; what did not change is not prepared or
 * asked again: an order that says otherwise is another object. `now` in milliseconds since 1970.
 */
export function createArranger(): (
  order: Order,
  plugins: readonly Plugin[],
  cabinet?: string | null,
  usage?: KnownUse,
  now?: number,
) => Arrangement {
  const known = new Map<string, Known>();
  const fill = createFiller();
  const stableNamings = createStable<string, PluginNames>();
  let last: OfOrder | null = null;
  const prepare = (
    plugin: Plugin,
    naming: PluginNames | undefined,
    answer: Answer | undefined,
    use: Known['use'],
  ): Candidate => {
    const before = known.get(plugin.id);
    if (
      before &&
      isSamePlugin(before.plugin, plugin) &&
      before.naming === naming &&
      before.answer === answer &&
      before.use?.loads === use?.loads &&
      before.use?.lastLoaded === use?.lastLoaded
    ) {
      return before.candidate;
    }
    const candidate = candidateOf(plugin, {
      nickname: naming?.nickname ?? null,
      slotLabel: naming?.slotLabel ?? null,
      answer,
      loads: use?.loads ?? 0,
      lastLoaded: use?.lastLoaded ?? null,
    });
    known.set(plugin.id, { plugin, naming, answer, use, candidate });
    return candidate;
  };
  return (order, plugins, cabinet = null, usage = noUse, now = 0) => {
    // The catalog changes more often than the order, and then what is of the order alone stays.
    last = last?.order === order ? last : ofOrder(order, stableNamings);
    const { namings, everywhere, placements, words, ...toFill } = last;
    const asked = (): Asked => {
      const candidates = plugins.map((plugin) =>
        prepare(plugin, namings.get(plugin.id), answerIn(order, plugin.id), usage.get(plugin.id)),
      );
      return { candidates, filled: fill({ ...toFill, candidates, now }) };
    };
    const rules = toFill.folders.length === 0 ? rulesLater(asked, words) : rulesNow(asked(), words);
    return arrange(order, plugins, { everywhere, placements, rules }, cabinet, usage, namings);
  };
}

/** What an order says whatever the catalog is. */
interface OfOrder extends Pick<ToFill, 'folders' | 'placed' | 'andBelow'> {
  readonly order: Order;
  readonly namings: ReadonlyMap<string, PluginNames>;
  readonly everywhere: readonly Folder[];
  readonly placements: ReadonlyMap<string, Placement[]>;
  readonly words: RuleWords;
}

function ofOrder(
  order: Order,
  stableNamings: (namings: ReadonlyMap<string, PluginNames>) => ReadonlyMap<string, PluginNames>,
): OfOrder {
  const everywhere = standing(order);
  const placements = grouped(
    allPlacements(order).map((placement) => [placement.folder, placement] as const),
  );
  return {
    order,
    namings: stableNamings(
      new Map(allPluginNames(order).map((naming) => [naming.id as string, naming])),
    ),
    everywhere,
    placements,
    words: ruleWordsOf(order, everywhere),
    folders: everywhere.flatMap(({ id, rule, alwaysIn, alwaysOut, shortcutTo }) =>
      rule === null || shortcutTo !== null ? [] : [{ id, rule, alwaysIn, alwaysOut }],
    ),
    placed: new Map([...placements].map(([id, list]) => [id, list.map((p) => p.plugin)])),
    andBelow: belowIn(order),
  };
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
  const now = lazily(ask);
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

/** Whether all is the same that a rule can ask for; an answer makes another object of the same plugin. */
const isSamePlugin = (a: Plugin, b: Plugin): boolean =>
  a === b ||
  (a.name === b.name &&
    a.vendor === b.vendor &&
    a.kind === b.kind &&
    a.types === b.types &&
    a.copies === b.copies &&
    a.arrived === b.arrived &&
    a.setting?.pluginNames.join() === b.setting?.pluginNames.join() &&
    a.setting?.bank === b.setting?.bank &&
    a.setting?.isGone === b.setting?.isGone);

interface Prepared {
  readonly everywhere: readonly Folder[];
  readonly placements: ReadonlyMap<string, Placement[]>;
  readonly rules: Arrangement['rules'];
}

function arrange(
  order: Order,
  plugins: readonly Plugin[],
  { everywhere, placements: placed, rules }: Prepared,
  cabinet: string | null,
  usage: KnownUse,
  namings: ReadonlyMap<string, PluginNames>,
): Arrangement {
  const folders = pinnedFirst(
    cabinet === null
      ? everywhere.filter((folder) => folder.shortcutTo === null)
      : shownIn(everywhere, cabinet),
  );
  const below = grouped(
    folders.map((folder) => [folder.parent ?? folder.cabinet, folder] as const),
  );
  const placements = new Map(placed);
  for (const { id, shortcutTo } of folders) {
    const held = shortcutTo ? placements.get(shortcutTo) : undefined;
    if (held) {
      placements.set(id, held);
    } else if (shortcutTo) {
      placements.delete(id);
    }
  }
  const members = new Map<string, PluginId[]>();
  for (const { id, shortcutTo } of folders) {
    const held =
      (rules.membersOf(shortcutTo ?? id) as PluginId[] | undefined) ??
      placements.get(id)?.map((p) => p.plugin);
    if (held) {
      members.set(id, held);
    }
  }
  sortMembers(folders, members, plugins, namings, usage);
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
    namings,
    below,
    placements,
    members,
    foldersOf,
    rules,
  };
}

/** The folders that rules can name, with the cabinet they are in. */
export function ruleWordsOf(
  order: Order,
  folders: readonly Folder[] = allFolders(order),
): RuleWords {
  const byId = new Map(folders.map((folder) => [folder.id as string, folder]));
  const pathOf = (folder: Folder): string[] => {
    const parent = folder.parent === null ? undefined : byId.get(folder.parent);
    return [
      ...(parent ? pathOf(parent) : [cabinetIn(order, folder.cabinet)?.name ?? '']),
      folder.name,
    ];
  };
  return {
    folders: folders
      .filter((folder) => folder.form !== 'divider' && folder.shortcutTo === null)
      .map((folder): NamedFolder => ({ id: folder.id, path: pathOf(folder) })),
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

/**
 * All folders, row by row in the user's order; in a cabinet sorted by name, those between two
 * dividers by name.
 */
function standing(order: Order): Folder[] {
  const folders = allFolders(order);
  if (cabinetsOf(order).every((cabinet) => cabinet.sortedBy === null)) {
    return folders;
  }
  const rows = grouped(folders.map((folder) => [folder.parent ?? folder.cabinet, folder] as const));
  return [...rows.values()].flatMap((row) =>
    row[0] && cabinetIn(order, row[0].cabinet)?.sortedBy === 'name'
      ? byNameBetweenDividers(row)
      : row,
  );
}

function byNameBetweenDividers(row: readonly Folder[]): Folder[] {
  let section = 0;
  const keyed = row.map((folder) => ({
    folder,
    section: folder.form === 'divider' ? (section += 1) : section,
  }));
  const isDivider = ({ folder }: { folder: Folder }): number => (folder.form === 'divider' ? 0 : 1);
  return keyed
    .sort(
      (a, b) =>
        a.section - b.section ||
        isDivider(a) - isDivider(b) ||
        compareNames(a.folder.name, b.folder.name),
    )
    .map(({ folder }) => folder);
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
  members: Map<string, PluginId[]>,
  plugins: readonly Plugin[],
  namings: ReadonlyMap<string, PluginNames>,
  usage: Warmth,
): void {
  const sorted = folders.filter((folder) => folder.sortedBy);
  const byId =
    sorted.length === 0
      ? new Map<string, Plugin>()
      : new Map(plugins.map((plugin) => [plugin.id as string, plugin]));
  const nameOf = (plugin: Plugin): string => namings.get(plugin.id)?.nickname ?? plugin.name;
  for (const { id, sortedBy } of sorted) {
    const held = (members.get(id) ?? []).flatMap((plugin) => byId.get(plugin) ?? []);
    if (!sortedBy) {
      continue;
    }
    const compare = compareBy(sortedBy, usage);
    members.set(
      id,
      held
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
