/**
 * Acts of every kind drawn on whatever order there is. A kind that is added to the registry has to
 * be added here to compile.
 */
import fc from 'fast-check';
import type { Plugin } from '../catalog/plugin.ts';
import { applyChange, reverse } from '../change.ts';
import { asId, type CopyId, type Id, type PluginId } from '../id.ts';
import type { Rule } from '../rules/language/rule.ts';
import {
  allFolders,
  allPlacements,
  cabinetsOf,
  chainIn,
  settingIn,
  allSetAside,
  allSettings,
  allChains,
  orderOf,
  placementsIn,
  type Folder,
  type Order,
} from '../order/records.ts';
import type { Act, ActName, ActOf, NewFolder, Owner } from './act.ts';
import type { OrderChange } from './act-result.ts';
import { acts, perform } from './perform.ts';

/** An order with the catalog behind it: which plugin each copy belongs to. */
export interface World {
  readonly order: Order;
  readonly copies: ReadonlyMap<CopyId, PluginId>;
}

/** Numbers from 0 on, in a row that a property draws. */
export type Draw = (below: number) => number;

export const drawFrom = (numbers: readonly number[]): Draw => {
  let at = 0;
  return (below) => {
    const number = numbers[at % Math.max(1, numbers.length)] ?? 0;
    at += 1;
    return below === 0 ? 0 : (number + at) % below;
  };
};

const one = <T>(draw: Draw, from: readonly T[]): T | undefined => from[draw(from.length)];
const some = <T>(draw: Draw, from: readonly T[]): T[] => from.filter(() => draw(3) === 0);

/** Six plugins, the first with three copies, all others with one, and an empty order. */
export function newWorld(): World {
  const copies = [0, 0, 0, 1, 2, 3, 4, 5].map(
    (plugin, at) => [asId<CopyId>(`copy${at}`), asId<PluginId>(`plugin${plugin}`)] as const,
  );
  return { order: orderOf([]), copies: new Map(copies) };
}

export const isThere = ({ order, copies }: World, id: string): boolean =>
  chainIn(order, id) !== undefined ||
  settingIn(order, id) !== undefined ||
  [...copies.values()].some((plugin) => plugin === id);

const pluginsOf = ({ order, copies }: World): PluginId[] => [
  ...new Set(copies.values()),
  ...allChains(order).map((chain) => chain.id),
  ...allSettings(order).map((setting) => setting.id),
];

const ownerOf = ({ copies }: World, plugin: PluginId): Owner => ({
  plugin,
  copies: [...copies].filter(([, its]) => its === plugin).map(([copy]) => copy),
});

const soundOwners = (world: World): Owner[] =>
  [...new Set(world.copies.values())].map((plugin) => ownerOf(world, plugin));

/** Rules that nicknames, tags and types decide. */
const lines: readonly Rule['cards'][number]['lines'][number][] = [
  { field: 'name', relation: 'has', values: ['called'] },
  { field: 'name', relation: 'has', values: ['kelp 1'] },
  { field: 'tag', relation: 'is', values: ['warm'] },
  { field: 'type', relation: 'is', values: ['delay'] },
];
const anyRule = (draw: Draw): Rule => ({
  cards: [{ lines: [one(draw, lines) ?? lines[0]].flatMap((line) => line ?? []) }],
  never: [],
});

let made = 0;
const fresh = <I extends Id<string>>(): I => {
  made += 1;
  return asId<I>(`new${made}`);
};

const placed = (draw: Draw, world: World): NewFolder['plugins'] =>
  some(draw, pluginsOf(world)).map((plugin) => ({ placement: fresh(), plugin }));

const newFolders = (draw: Draw, world: World): NewFolder[] => {
  const parent = fresh<Folder['id']>();
  const base = { name: 'Made', rule: null, form: 'folder' } as const;
  return [
    { ...base, id: parent, parent: null, plugins: placed(draw, world) },
    { ...base, id: fresh(), parent, plugins: placed(draw, world) },
  ];
};

const folderOf = (draw: Draw, { order }: World): Folder | undefined => one(draw, allFolders(order));
const smartOf = (draw: Draw, { order }: World): Folder | undefined =>
  one(
    draw,
    allFolders(order).filter((folder) => folder.form === 'smart'),
  );

const answerOf = (draw: Draw, world: World): ActOf<'answer'> => ({
  act: 'answer',
  say: [
    {
      plugins: some(draw, pluginsOf(world)),
      set: one(draw, [
        { isHidden: draw(2) === 0 },
        { types: draw(3) === 0 ? null : ['delay'] },
        { alsoCalled: draw(3) === 0 ? [] : ['the old one', 'kelp'] },
      ]) ?? { isHidden: true },
    },
  ],
});

type Drawn<N extends ActName> = (draw: Draw, world: World) => ActOf<N> | undefined;

const drawn: { readonly [N in ActName]: Drawn<N> } = {
  'add-cabinet': (draw, world) => ({
    act: 'add-cabinet',
    id: fresh(),
    favourites: fresh(),
    name: 'Cabinet',
    opensFor: [],
    folders: newFolders(draw, world),
  }),
  'set-cabinet': (draw, { order }) => {
    const cabinet = one(draw, cabinetsOf(order));
    const set = draw(2) === 0 ? { name: `Cabinet ${draw(9)}` } : { sortedBy: 'name' as const };
    return cabinet && { act: 'set-cabinet', cabinet: cabinet.id, set };
  },
  'move-cabinet': (draw, { order }) => {
    const cabinet = one(draw, cabinetsOf(order));
    return cabinet && { act: 'move-cabinet', cabinet: cabinet.id, before: null };
  },
  'remove-cabinet': (draw, { order }) => {
    const cabinet = one(draw, cabinetsOf(order));
    return cabinet && { act: 'remove-cabinet', cabinet: cabinet.id };
  },
  'add-folder': (draw, world) => {
    const cabinet = one(draw, cabinetsOf(world.order));
    const form = one(draw, ['folder', 'smart', 'divider'] as const) ?? 'folder';
    const parent = folderOf(draw, world);
    return (
      cabinet && {
        act: 'add-folder',
        id: fresh(),
        cabinet: cabinet.id,
        parent: parent?.cabinet === cabinet.id && draw(2) === 0 ? parent.id : null,
        form,
        name: 'Folder',
        rule: form === 'smart' ? anyRule(draw) : null,
        before: null,
        plugins: form === 'folder' ? placed(draw, world) : [],
      }
    );
  },
  'copy-folder': (draw, world) => {
    const cabinet = one(draw, cabinetsOf(world.order));
    const folders = newFolders(draw, world);
    return cabinet && { act: 'copy-folder', cabinet: cabinet.id, parent: null, folders };
  },
  'show-folder': (draw, world) => {
    const folder = folderOf(draw, world);
    const cabinet = one(draw, cabinetsOf(world.order));
    return (
      folder &&
      cabinet && {
        act: 'show-folder',
        id: fresh(),
        folder: folder.id,
        cabinet: cabinet.id,
        before: null,
      }
    );
  },
  'share-favourites': (draw, world) => {
    const all = allFolders(world.order).filter((folder) => folder.form === 'favourites');
    const favourites = draw(3) === 0 ? null : one(draw, all)?.id;
    return favourites === undefined
      ? undefined
      : { act: 'share-favourites', favourites, plugins: placed(draw, world) };
  },
  'rename-folder': (draw, world) => {
    const folder = folderOf(draw, world);
    return folder && { act: 'rename-folder', folder: folder.id, name: `Folder ${draw(9)}` };
  },
  'move-folder': (draw, world) => {
    const folder = folderOf(draw, world);
    const parent = draw(2) === 0 ? null : (folderOf(draw, world)?.id ?? null);
    return folder && { act: 'move-folder', folder: folder.id, parent, before: null };
  },
  'remove-folder': (draw, world) => {
    const folder = folderOf(draw, world);
    return folder && { act: 'remove-folder', folder: folder.id };
  },
  'set-folder': (draw, world) => {
    const folder = folderOf(draw, world);
    const set = one(draw, [
      { isPinned: draw(2) === 0 },
      { firstFormat: draw(2) === 0 ? ('LV2' as const) : null },
      { firstCopies: some(draw, [...world.copies.keys()]) },
    ]);
    return folder && set && { act: 'set-folder', folder: folder.id, set };
  },
  'merge-folders': (draw, world) => {
    const from = folderOf(draw, world);
    const into = folderOf(draw, world);
    return from && into && { act: 'merge-folders', from: from.id, into: into.id };
  },
  'split-folder': (draw, world) => {
    const folder = folderOf(draw, world);
    const placements = folder ? placementsIn(world.order, folder.id).map((each) => each.id) : [];
    return (
      folder && {
        act: 'split-folder',
        folder: folder.id,
        parts: [{ id: fresh(), name: 'Part', placements: some(draw, placements) }],
      }
    );
  },
  'move-to': (draw, world) => {
    const folder = folderOf(draw, world);
    const placements = some(draw, allPlacements(world.order)).map((each) => each.id);
    return folder && { act: 'move-to', placements, folder: folder.id, before: null };
  },
  'set-rule': (draw, world) => {
    const folder = smartOf(draw, world);
    return folder && { act: 'set-rule', folder: folder.id, rule: anyRule(draw) };
  },
  'keep-by-hand': (draw, world) => {
    const folder = smartOf(draw, world);
    const as = one(draw, ['in', 'out', 'rule'] as const) ?? 'in';
    const plugins = some(draw, pluginsOf(world));
    return folder && { act: 'keep-by-hand', folder: folder.id, plugins, as };
  },
  settle: (draw, world) => {
    const folder = smartOf(draw, world);
    return folder && { act: 'settle', folder: folder.id, plugins: placed(draw, world) };
  },
  file: (draw, world) => {
    const folder = folderOf(draw, world);
    return folder && { act: 'file', folder: folder.id, plugins: placed(draw, world), before: null };
  },
  'file-each': (draw, world) => ({
    act: 'file-each',
    entries: some(draw, allFolders(world.order)).map((folder) => ({
      folder: folder.id,
      plugins: placed(draw, world),
    })),
  }),
  'take-out': (draw, world) => ({
    act: 'take-out',
    placements: some(draw, allPlacements(world.order)).map((each) => each.id),
  }),
  'move-placement': (draw, world) => {
    const placement = one(draw, allPlacements(world.order));
    return placement && { act: 'move-placement', placement: placement.id, before: null };
  },
  name: (draw, world) => {
    const plugin = one(draw, pluginsOf(world));
    const nickname = draw(3) === 0 ? null : `Called ${draw(9)}`;
    return plugin && { act: 'name', plugin, nickname, slotLabel: null };
  },
  'add-chain': (draw, world) => ({
    act: 'add-chain',
    id: fresh(),
    name: 'Chain',
    kind: 'effect',
    plugins: some(draw, [...new Set(world.copies.values())]),
  }),
  'remove-chain': (draw, world) => {
    const chain = one(draw, allChains(world.order));
    return chain && { act: 'remove-chain', chain: chain.id };
  },
  'keep-settings': (draw, world) => {
    const plugin = one(draw, [...new Set(world.copies.values())]);
    const known = one(draw, allSettings(world.order));
    const id = known && draw(3) === 0 ? known.id : fresh<PluginId>();
    const folder = one(draw, allFolders(world.order));
    // One of the user's own has what a host gave; one without must be known from the disk.
    const state = draw(4) === 0 ? null : 'what a host gave';
    const facts = { name: 'Snare', bank: null, format: 'LV2', path: null, state } as const;
    return (
      plugin && {
        act: 'keep-settings',
        settings: [{ ...facts, id, plugin, identity: `urn:${id}` }],
        then: folder
          ? {
              act: 'file',
              folder: folder.id,
              plugins: [{ placement: fresh(), plugin: id }],
              before: null,
            }
          : null,
      }
    );
  },
  'remove-setting': (draw, world) => {
    const setting = one(draw, allSettings(world.order));
    return setting && { act: 'remove-setting', setting: setting.id };
  },
  answer: (draw, world) => {
    const owner = one(draw, soundOwners(world));
    return owner && draw(4) === 0
      ? {
          act: 'answer',
          say: [
            {
              plugins: [owner.plugin],
              set: { firstCopy: draw(3) === 0 ? null : (one(draw, owner.copies) ?? null) },
            },
          ],
        }
      : answerOf(draw, world);
  },
  tag: (draw, world) => ({
    act: 'tag',
    plugins: some(draw, pluginsOf(world)),
    add: draw(2) === 0 ? ['warm'] : [],
    remove: ['cold'],
  }),
  join: (draw, world) => {
    const owners = soundOwners(world);
    const into = one(draw, owners);
    const from = one(draw, owners);
    return into && from && { act: 'join', into, from: [from] };
  },
  part: (draw, world) => {
    const from = one(draw, soundOwners(world));
    return from && { act: 'part', copies: from.copies.slice(0, 1), from, plugin: fresh() };
  },
  'keep-apart': (draw, world) => ({
    act: 'keep-apart',
    plugins: some(draw, soundOwners(world)),
  }),
  'set-aside': (draw, { copies }) => ({
    act: 'set-aside',
    copies: some(draw, [...copies.keys()]),
  }),
  restore: (draw, { order }) => ({
    act: 'restore',
    copies: some(
      draw,
      allSetAside(order).map(({ id }) => id),
    ),
  }),
  prefer: (draw) => ({
    act: 'prefer',
    computer: asId('computer'),
    formats: draw(2) === 0 ? ['LV2', 'VST3'] : ['CLAP'],
  }),
  spell: (draw) => ({
    act: 'spell',
    say: [{ spellings: [{ id: fresh(), spelling: `Osier ${draw(3)}` }], vendor: 'Osier' }],
  }),
};

/** All kinds of acts there are. */
export const actNames = Object.keys(acts) as ActName[];

/** Some act of a kind; undefined where there is nothing yet on which it could be done. */
export const drawAct = (name: ActName, draw: Draw, world: World): Act | undefined =>
  drawn[name](draw, world);

/** The world behind a change: copies belong where the change says, as the server has it. */
export function afterChange({ order, copies }: World, change: OrderChange): World {
  const moved = new Map(copies);
  for (const record of change.removed) {
    if (record.table === 'copy-assignment') {
      moved.set(record.id, record.before);
    }
  }
  for (const record of [...change.added, ...change.updated.map(([, to]) => to)]) {
    if (record.table === 'copy-assignment') {
      moved.set(record.id, record.plugin);
    }
  }
  return { order: applyChange(order, change), copies: moved };
}

/** The change of an act, or null where it is refused. */
export function changeOf(world: World, act: Act): OrderChange | null {
  const nameOf = (id: string): Plugin['name'] | undefined => (isThere(world, id) ? id : undefined);
  const result = perform(world.order, act, nameOf);
  return result.ok ? result.value.change : null;
}

export const undone = (world: World, change: OrderChange): World =>
  afterChange(world, reverse(change));

/** A kind of act, and the numbers by which one of it is drawn. */
export interface Step {
  readonly name: ActName;
  readonly numbers: readonly number[];
}

export const anyStep: fc.Arbitrary<Step> = fc.record({
  name: fc.constantFrom(...actNames),
  numbers: fc.array(fc.nat(50), { minLength: 8 }),
});

/** An act that was tried; no change where it was refused, and the world is as before. */
export interface Tried {
  readonly act: Act;
  readonly change: OrderChange | null;
  readonly before: World;
  readonly after: World;
}

/** The acts that can be drawn one upon another, beginning with a cabinet. */
export function* triedOneByOne(steps: readonly Step[]): Generator<Tried> {
  let before = newWorld();
  for (const { name, numbers } of [
    { name: 'add-cabinet', numbers: [1, 2, 3] } as const,
    ...steps,
  ]) {
    const act = drawAct(name, drawFrom(numbers), before);
    if (act) {
      const change = changeOf(before, act);
      const after = change ? afterChange(before, change) : before;
      yield { act, change, before, after };
      before = after;
    }
  }
}

/** Enough acts for most of an order to be touched. */
export const anySteps: fc.Arbitrary<Step[]> = fc.array(anyStep, { minLength: 10, maxLength: 30 });

/** Every order on the way: after each act, as it is confirmed, where it is undone, and done again. */
export function ordersOf(steps: readonly Step[]): Order[] {
  const orders: Order[] = [];
  for (const { change, before, after } of triedOneByOne(steps)) {
    if (change) {
      // As it is confirmed: another order made of the same one, with the same said by other objects.
      const confirmed = applyChange(before.order, structuredClone(change));
      const back = undone(after, change);
      orders.push(after.order, confirmed, back.order, afterChange(back, change).order);
    }
  }
  return orders;
}
