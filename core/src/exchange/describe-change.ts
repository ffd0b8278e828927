/** A change of the order in words: what would come, go and be otherwise, folder by folder. */
import { nothingSaid, type Answer, type AnswerFacts } from '../catalog/answer.ts';
import { applyChange, isSameValue } from '../change.ts';
import { grouped } from '../grouped.ts';
import type { NameOfPlugin, OrderChange } from '../acts/act-result.ts';
import {
  allFolders,
  allPlacements,
  cabinetIn,
  folderIn,
  foldersWithin,
  type Cabinet,
  type Folder,
  type Order,
  type OrderRecord,
  type Placement,
} from '../order/records.ts';
import { compareNames } from '../text/compare.ts';
import { plural } from '../text/plural.ts';

/** Whether something comes, goes, or is there before and after but otherwise. */
export const changeWhats = ['comes', 'goes', 'changes'] as const;
/** What a line is about. */
export const changeAbouts = [
  'cabinet',
  'folder',
  'filing',
  'plugin',
  'chain',
  'setting',
  'other',
] as const;

/** One line. */
export interface ChangeLine {
  readonly what: (typeof changeWhats)[number];
  readonly about: (typeof changeAbouts)[number];
  /** The folder, cabinet, chain or plugin that it is about, by name; null for what is none. */
  readonly name: string | null;
  readonly words: string;
  /** Names of the plugins that come or go, in order. */
  readonly plugins: readonly string[];
}

/** A change in words, and how much stays as it is. */
export interface DescribedChange {
  readonly lines: readonly ChangeLine[];
  readonly stays: { readonly folders: number; readonly placements: number };
}

/** What a change does to an order, in words. */
export function describeChange(
  before: Order,
  change: OrderChange,
  nameOf: NameOfPlugin,
): DescribedChange {
  const after = applyChange(before, change);
  const says: Says = {
    before,
    after,
    change,
    sides: { comes: sideOf(after), goes: sideOf(before) },
    name: (id) => nameOf(id) ?? 'a plugin',
  };
  return {
    lines: [
      ...framesOf(says, 'comes'),
      ...filingsOf(says, 'comes'),
      ...framesOf(says, 'goes'),
      ...filingsOf(says, 'goes'),
      ...changedFrames(says),
      ...reordered(says),
      ...saidOf(says),
      ...thingsOf(says, 'chain'),
      ...thingsOf(says, 'setting'),
      ...othersOf(says),
    ],
    stays: staying(says),
  };
}

interface Says {
  readonly before: Order;
  readonly after: Order;
  readonly change: OrderChange;
  /** Where what comes stands, and where what goes stood. */
  readonly sides: Readonly<Record<Way, Side>>;
  readonly name: (plugin: string) => string;
}

type Way = 'comes' | 'goes';

/** An order with its folders and placements, each looked for once. */
interface Side {
  readonly order: Order;
  readonly folders: readonly Folder[];
  readonly placements: readonly Placement[];
}

const sideOf = (order: Order): Side => ({
  order,
  folders: allFolders(order),
  placements: allPlacements(order),
});
type Table = OrderRecord['table'];
type RecordOf<T extends Table> = Extract<OrderRecord, { table: T }>;

function ofTable<T extends Table>(records: readonly OrderRecord[], table: T): RecordOf<T>[] {
  return records.filter((record): record is RecordOf<T> => record.table === table);
}

const movingOf = ({ change }: Says, way: Way): readonly OrderRecord[] =>
  way === 'comes' ? change.added : change.removed;

/** Cabinets, and folders that come or go without what they stand in. */
function framesOf(says: Says, way: Way): ChangeLine[] {
  const records = movingOf(says, way);
  const cabinets = ofTable(records, 'cabinet');
  const folders = ofTable(records, 'folder');
  const gone = new Set<string>([...cabinets, ...folders].map(({ id }) => id));
  const isOutermost = (folder: Folder): boolean =>
    !gone.has(folder.cabinet) && (folder.parent === null || !gone.has(folder.parent));
  return [
    ...cabinets.map((cabinet) => cabinetLine(says, cabinet, way)),
    ...folders.filter(isOutermost).map((folder) => folderLine(says, folder, way)),
  ];
}

const line = (
  what: ChangeLine['what'],
  about: ChangeLine['about'],
  name: string | null,
  words: string,
  plugins: readonly string[] = [],
): ChangeLine => ({ what, about, name, words, plugins });

const namesIn = (says: Says, placements: readonly Placement[]): string[] =>
  placements.map(({ plugin }) => says.name(plugin)).sort(compareNames);

function cabinetLine(says: Says, cabinet: Cabinet, way: Way): ChangeLine {
  const side = says.sides[way];
  const folders = side.folders.filter((folder) => folder.cabinet === cabinet.id);
  const ids = new Set<string>(folders.map(({ id }) => id));
  const placements = side.placements.filter(({ folder }) => ids.has(folder));
  const contents = `with ${plural(folders.length, 'folder')} and ${plural(placements.length, 'plugin')} filed`;
  return line(
    way,
    'cabinet',
    cabinet.name,
    `The cabinet ${cabinet.name} ${contents}`,
    namesIn(says, placements),
  );
}

const formWords: Readonly<Record<Folder['form'], string>> = {
  favourites: 'favourites',
  folder: 'folder',
  smart: 'smart folder',
  divider: 'divider',
};

function folderLine(says: Says, folder: Folder, way: Way): ChangeLine {
  const side = says.sides[way];
  const within = foldersWithin(side.folders, [folder.id]);
  const placements = side.placements.filter((placement) => within.has(placement.folder));
  const contents = folder.form === 'folder' ? ` with ${plural(placements.length, 'plugin')}` : '';
  const more = within.size > 1 ? ` and ${plural(within.size - 1, 'folder')} in it` : '';
  const words = `The ${formWords[folder.form]} ${folder.name}${contents}${more}`;
  return line(way, 'folder', folder.name, words, namesIn(says, placements));
}

/** Plugins that come into, or go out of, folders that are there before and after. */
function filingsOf(says: Says, way: Way): ChangeLine[] {
  const { before, after } = says;
  const moved = ofTable(
    says.change.updated.map(([from, to]) => (way === 'comes' ? to : from)),
    'placement',
  );
  const elsewhere = new Set(
    says.change.updated.flatMap(([from, to]) =>
      from.table === 'placement' &&
      to.table === 'placement' &&
      (from.folder !== to.folder || from.plugin !== to.plugin)
        ? [from.id as string]
        : [],
    ),
  );
  const placements = [
    ...ofTable(movingOf(says, way), 'placement'),
    ...moved.filter(({ id }) => elsewhere.has(id)),
  ].filter(({ folder }) => folderIn(before, folder) && folderIn(after, folder));
  const groups = grouped(placements.map((placement) => [placement.folder as string, placement]));
  return [...groups].map(([id, list]) => {
    const name = folderIn(says.sides[way].order, id)?.name ?? '';
    const plugins = namesIn(says, list);
    return line(way, 'filing', name, `${plural(plugins.length, 'plugin')} in ${name}`, plugins);
  });
}

/** Folders and cabinets that are called, ruled or stand otherwise. */
function changedFrames(says: Says): ChangeLine[] {
  return says.change.updated.flatMap(([from, to]) => {
    if (from.table === 'cabinet' && to.table === 'cabinet') {
      const words = [
        ...(from.name === to.name ? [] : [`is called ${to.name}`]),
        ...(isSameValue([from.opensFor, from.sortedBy], [to.opensFor, to.sortedBy])
          ? []
          : ['opens or stands otherwise']),
      ];
      return words.length === 0
        ? []
        : [
            line(
              'changes',
              'cabinet',
              from.name,
              `The cabinet ${from.name} ${words.join(' and ')}`,
            ),
          ];
    }
    if (from.table === 'folder' && to.table === 'folder') {
      const words = folderChanges(says, from, to);
      return words.length === 0
        ? []
        : [line('changes', 'folder', from.name, `${from.name} ${words.join(', ')}`)];
    }
    return [];
  });
}

function folderChanges({ before, after }: Says, from: Folder, to: Folder): string[] {
  const isElsewhere = from.cabinet !== to.cabinet || from.parent !== to.parent;
  const place =
    to.parent === null ? cabinetIn(after, to.cabinet)?.name : folderIn(after, to.parent)?.name;
  const differs = (pick: (folder: Folder) => unknown): boolean =>
    !isSameValue(pick(from), pick(to));
  const byHand = (folder: Folder): unknown => [folder.alwaysIn, folder.alwaysOut];
  const isMoved = !isElsewhere && from.position !== to.position && before !== after;
  return [
    ...(from.name === to.name ? [] : [`is called ${to.name}`]),
    ...(isElsewhere ? [`is in ${place ?? 'another folder'}`] : []),
    ...(isMoved ? ['stands at another place'] : []),
    ...(differs(({ form }) => form) ? [`is a ${formWords[to.form]}`] : []),
    ...(differs(({ rule }) => rule) ? ['has another rule'] : []),
    ...(differs(byHand) ? ['keeps other plugins in or out by hand'] : []),
    ...(differs(({ sortedBy, atMost, isPinned }) => [sortedBy, atMost, isPinned])
      ? ['is sorted, cut or pinned otherwise']
      : []),
    ...(differs(({ notes }) => notes) ? ['has other notes'] : []),
  ];
}

/** Folders whose plugins stand in another order. */
function reordered(says: Says): ChangeLine[] {
  const folders = new Set(
    says.change.updated.flatMap(([from, to]) =>
      from.table === 'placement' &&
      to.table === 'placement' &&
      from.folder === to.folder &&
      from.plugin === to.plugin
        ? [to.folder as string]
        : [],
    ),
  );
  return [...folders].map((id) => {
    const name = folderIn(says.after, id)?.name ?? '';
    return line('changes', 'filing', name, `The order of the plugins in ${name}`);
  });
}

const factWords: Readonly<Record<keyof AnswerFacts, string>> = {
  kind: 'kind',
  types: 'types',
  vendor: 'vendor',
  licence: 'licence',
  tags: 'tags',
  notes: 'notes',
  isHidden: 'whether it is hidden',
  picture: 'picture',
  alsoCalled: 'other names',
  firstCopy: 'copy used first',
};

/** What plugins are called and what is said of them, plugin by plugin. */
function saidOf(says: Says): ChangeLine[] {
  const { before, after, change } = says;
  const ids = [
    ...new Set(
      [...change.added, ...change.removed, ...change.updated.map(([, to]) => to)]
        .filter(({ table }) => table === 'plugin-names' || table === 'answer')
        .map(({ id }) => id as string),
    ),
  ];
  return ids
    .map((id): ChangeLine => {
      const facts = [...namingFacts(before, after, id), ...answerFacts(before, after, id)];
      const name = says.name(id);
      return line(wayOf(before, after, id), 'plugin', name, `${name}: ${facts.join(', ')}`, [name]);
    })
    .sort((a, b) => compareNames(a.name ?? '', b.name ?? ''));
}

/** It comes where nothing was said before, goes where nothing is said behind. */
function wayOf(before: Order, after: Order, id: string): ChangeLine['what'] {
  const isThere = (order: Order): boolean =>
    order.has(`plugin-names/${id}`) || order.has(`answer/${id}`);
  if (!isThere(before)) {
    return 'comes';
  }
  return isThere(after) ? 'changes' : 'goes';
}

function namingFacts(before: Order, after: Order, id: string): string[] {
  const named = (order: Order): RecordOf<'plugin-names'> | undefined =>
    order.get(`plugin-names/${id}`) as RecordOf<'plugin-names'> | undefined;
  const [from, to] = [named(before), named(after)];
  const quoted = (text: string | null | undefined): string => (text ? ` ${text}` : '');
  return [
    ...(from?.nickname === to?.nickname || (from?.nickname ?? to?.nickname ?? null) === null
      ? []
      : [`nickname${quoted(to?.nickname ?? from?.nickname)}`]),
    ...(from?.slotLabel === to?.slotLabel || (from?.slotLabel ?? to?.slotLabel ?? null) === null
      ? []
      : [`slot label${quoted(to?.slotLabel ?? from?.slotLabel)}`]),
  ];
}

function answerFacts(before: Order, after: Order, id: string): string[] {
  const said = (order: Order): AnswerFacts =>
    (order.get(`answer/${id}`) as Answer | undefined) ?? nothingSaid;
  const [from, to] = [said(before), said(after)];
  const facts = Object.keys(factWords) as (keyof AnswerFacts)[];
  return facts.filter((fact) => !isSameValue(from[fact], to[fact])).map((fact) => factWords[fact]);
}

function thingsOf({ change }: Says, sort: 'chain' | 'setting'): ChangeLine[] {
  const said = (what: ChangeLine['what'], records: readonly OrderRecord[]): ChangeLine[] =>
    ofTable<'chain' | 'setting'>(records, sort).map(({ name }) =>
      line(what, sort, name, `The ${sort} ${name}`),
    );
  return [
    ...said('comes', change.added),
    ...said('goes', change.removed),
    ...said(
      'changes',
      change.updated.map(([, to]) => to),
    ),
  ];
}

const otherWords = {
  spelling: (count: number) =>
    `Whose ${plural(count, 'spelling')} of vendors ${count === 1 ? 'is' : 'are'}`,
  'copy-assignment': (count: number) =>
    `Which plugin ${plural(count, 'copy', 'copies')} ${count === 1 ? 'belongs' : 'belong'} to`,
  'set-aside': (count: number) => `${plural(count, 'copy', 'copies')} set aside`,
  preference: () => 'The order of formats',
} as const;

/** What is no plugin's and no folder's, counted. */
function othersOf({ change }: Says): ChangeLine[] {
  const sides = [
    ['comes', change.added],
    ['goes', change.removed],
    ['changes', change.updated.map(([, to]) => to)],
  ] as const;
  return sides.flatMap(([what, records]) =>
    (Object.keys(otherWords) as (keyof typeof otherWords)[]).flatMap((table) => {
      const { length } = ofTable(records, table);
      return length === 0 ? [] : [line(what, 'other', null, otherWords[table](length))];
    }),
  );
}

/** Folders and placements that are the same before and after. */
function staying({ sides, change }: Says): DescribedChange['stays'] {
  const touched = new Set(
    [...change.removed, ...change.updated.map(([from]) => from)].map(({ id }) => id as string),
  );
  const isSame = ({ id }: { readonly id: string }): boolean => !touched.has(id);
  const folders = sides.goes.folders.filter(({ form }) => form !== 'divider');
  return {
    folders: folders.filter(isSame).length,
    placements: sides.goes.placements.filter(isSame).length,
  };
}
