/** Acts that say what a plugin is: answers, tags, which copies belong together, whose a spelling is. */
import { nothingSaid, saysNothing, type Answer, type AnswerFacts } from '../catalog/answer.ts';
import type { CopyId, PluginId } from '../id.ts';
import { failed, type Result } from '../problem.ts';
import { kindNames } from '../identify/evidence.ts';
import { typeName } from '../taxonomy/tree.ts';
import type { ActOf } from './act.ts';
import {
  allFolders,
  allPlacements,
  allSpellings,
  answerIn,
  belongingIn,
  namingIn,
  preferenceIn,
  type Belonging,
  type Order,
  type OrderRecord,
  type Preference,
  type Spelling,
} from '../order/records.ts';
import { done, sayPlugins, unknown, type NameOfPlugin, type Performed } from './act-result.ts';

interface Edited {
  added: OrderRecord[];
  updated: [OrderRecord, OrderRecord][];
  removed: OrderRecord[];
}
const edited = (): Edited => ({ added: [], updated: [], removed: [] });
const unknownPlugin = (): Result<Performed> => unknown('plugin', 'plugins');

export function answer(
  order: Order,
  { say }: ActOf<'answer'>,
  nameOf: NameOfPlugin,
): Result<Performed> {
  const plugins = say.flatMap((said) => said.plugins);
  const only = say[0];
  if (plugins.some((id) => nameOf(id) === undefined)) {
    return unknownPlugin();
  }
  if (new Set(plugins).size < plugins.length || !only) {
    return failed({
      code: 'field-invalid',
      at: 'say',
      detail: 'Each plugin can be answered once in one act.',
    });
  }
  const changes = say.map(({ plugins: ids, set }) =>
    sayOf(order, ids, (before) => ({
      ...before,
      ...set,
      ...(set.notes === undefined ? {} : { notes: set.notes.trim() }),
    })),
  );
  const words =
    say.length === 1
      ? wordsOf(only.set, sayPlugins(only.plugins, nameOf))
      : `Settle ${plugins.length} plugins`;
  return done(words, {
    added: changes.flatMap((c) => c.added),
    updated: changes.flatMap((c) => c.updated),
    removed: changes.flatMap((c) => c.removed),
  });
}

export function tag(order: Order, act: ActOf<'tag'>, nameOf: NameOfPlugin): Result<Performed> {
  if (act.plugins.some((id) => nameOf(id) === undefined)) {
    return unknownPlugin();
  }
  const add = act.add.map((t) => t.trim()).filter((t) => t !== '');
  const change = sayOf(order, act.plugins, (before) => ({
    ...before,
    tags: [...new Set([...before.tags.filter((t) => !act.remove.includes(t)), ...add])],
  }));
  return done(
    add.length > 0
      ? `Tag ${sayPlugins(act.plugins, nameOf)} ${add.join(', ')}`
      : `Take the tag ${act.remove.join(', ')} off ${sayPlugins(act.plugins, nameOf)}`,
    change,
  );
}

/** What an act says of each plugin, as a change: answers that end up saying nothing are removed. */
function sayOf(
  order: Order,
  plugins: readonly PluginId[],
  next: (before: AnswerFacts) => AnswerFacts,
): Edited {
  const change = edited();
  for (const id of new Set(plugins)) {
    const before = answerIn(order, id);
    const after: Answer = { ...next(before ?? nothingSaid), table: 'answer', id };
    if (saysNothing(after)) {
      if (before) {
        change.removed.push(before);
      }
    } else if (!before) {
      change.added.push(after);
    } else if (!isSame(before, after)) {
      change.updated.push([before, after]);
    }
  }
  return change;
}

const keys: readonly (keyof AnswerFacts)[] = [
  'kind',
  'types',
  'vendor',
  'licence',
  'tags',
  'notes',
  'isHidden',
  'picture',
];
const isSame = (a: AnswerFacts, b: AnswerFacts): boolean =>
  keys.every((key) => JSON.stringify(a[key]) === JSON.stringify(b[key]));

const kindWords = { ...kindNames, unknown: 'of no known kind' };

function wordsOf(set: Partial<AnswerFacts>, plugins: string): string {
  if (set.types !== undefined) {
    if (set.types === null) {
      return `Take back the types of ${plugins}`;
    }
    if (set.types.length === 0) {
      return `Say that ${plugins} has no type`;
    }
    return `Say that ${plugins} is ${set.types.map(typeName).join(' and ')}`;
  }
  if (set.kind !== undefined) {
    return set.kind === null
      ? `Take back the kind of ${plugins}`
      : `Say that ${plugins} is ${kindWords[set.kind]}`;
  }
  if (set.vendor !== undefined) {
    return set.vendor === null
      ? `Take back the vendor of ${plugins}`
      : `Say that ${plugins} is by ${set.vendor}`;
  }
  if (set.licence !== undefined) {
    return set.licence === null
      ? `Take back the licence of ${plugins}`
      : `Say that ${plugins} is ${set.licence.state}${set.licence.until === null ? '' : ` until ${set.licence.until}`}`;
  }
  if (set.isHidden !== undefined) {
    return set.isHidden ? `Hide ${plugins} from loading` : `Show ${plugins} while loading`;
  }
  if (set.notes !== undefined) {
    return `Note on ${plugins}`;
  }
  if (set.picture !== undefined) {
    return set.picture === null ? `Take the picture off ${plugins}` : `Give ${plugins} a picture`;
  }
  return `Change the tags of ${plugins}`;
}

/** Puts the copies with a plugin; one that was pinned before remembers where it belonged first. */
function belong(
  order: Order,
  copies: readonly CopyId[],
  from: PluginId,
  to: PluginId,
  change: Edited,
): void {
  for (const id of copies) {
    const before = belongingIn(order, id);
    const after: Belonging = { table: 'belonging', id, plugin: to, before: before?.before ?? from };
    if (!before) {
      change.added.push(after);
    } else if (before.plugin !== to) {
      change.updated.push([before, after]);
    }
  }
}

export function join(order: Order, act: ActOf<'join'>, nameOf: NameOfPlugin): Result<Performed> {
  const owners = [act.into, ...act.from];
  if (owners.some(({ plugin }) => nameOf(plugin) === undefined)) {
    return unknownPlugin();
  }
  if (new Set(owners.map((o) => o.plugin)).size < owners.length || act.from.length === 0) {
    return failed({
      code: 'field-invalid',
      at: 'from',
      detail: 'Joining needs two different plugins.',
    });
  }
  const change = edited();
  const { plugin } = act.into;
  belong(order, act.into.copies, plugin, plugin, change);
  for (const owner of act.from) {
    belong(order, owner.copies, owner.plugin, plugin, change);
  }
  const from = act.from.map((o) => o.plugin);
  movePlacements(order, from, plugin, change);
  inherit(order, from, plugin, change);
  rename(order, from, plugin, change);
  return done(
    `Join ${[...new Set(owners.map((o) => nameOf(o.plugin)))].join(' and ')} into one plugin`,
    change,
  );
}

/** A folder that has both keeps the place of the first. */
function movePlacements(
  order: Order,
  from: readonly PluginId[],
  into: PluginId,
  change: Edited,
): void {
  const all = allPlacements(order);
  const has = new Set(all.filter((p) => p.plugin === into).map((p) => p.folder));
  for (const placement of all.filter((p) => from.includes(p.plugin))) {
    if (has.has(placement.folder)) {
      change.removed.push(placement);
    } else {
      change.updated.push([placement, { ...placement, plugin: into }]);
    }
    has.add(placement.folder);
  }
}

/** Smart folders that keep one of the others in or out by hand do so with the one that is left. */
function rename(order: Order, from: readonly PluginId[], into: PluginId, change: Edited): void {
  const renamed = (ids: readonly PluginId[]): PluginId[] => [
    ...new Set(ids.map((id) => (from.includes(id) ? into : id))),
  ];
  for (const folder of allFolders(order)) {
    if (![...folder.alwaysIn, ...folder.alwaysOut].some((id) => from.includes(id))) {
      continue;
    }
    const alwaysIn = renamed(folder.alwaysIn);
    change.updated.push([
      folder,
      {
        ...folder,
        alwaysIn,
        alwaysOut: renamed(folder.alwaysOut).filter((id) => !alwaysIn.includes(id)),
      },
    ]);
  }
}

/** Names and answers of the others count where the first has none; tags and notes add up. */
function inherit(order: Order, from: readonly PluginId[], into: PluginId, change: Edited): void {
  const naming = namingIn(order, into) ?? null;
  const otherNamings = from.flatMap((id) => namingIn(order, id) ?? []);
  change.removed.push(...otherNamings);
  const nickname =
    naming?.nickname ?? otherNamings.find((n) => n.nickname !== null)?.nickname ?? null;
  const slotLabel =
    naming?.slotLabel ?? otherNamings.find((n) => n.slotLabel !== null)?.slotLabel ?? null;
  const named = { table: 'naming' as const, id: into, nickname, slotLabel };
  if (naming && (naming.nickname !== nickname || naming.slotLabel !== slotLabel)) {
    change.updated.push([naming, named]);
  }
  if (!naming && (nickname !== null || slotLabel !== null)) {
    change.added.push(named);
  }
  const others = from.flatMap((id) => answerIn(order, id) ?? []);
  change.removed.push(...others);
  const said = sayOf(order, [into], (before) =>
    others.reduce<AnswerFacts>(
      (sum, other) => ({
        kind: sum.kind ?? other.kind,
        types: sum.types ?? other.types,
        vendor: sum.vendor ?? other.vendor,
        licence: sum.licence ?? other.licence,
        picture: sum.picture ?? other.picture,
        tags: [...new Set([...sum.tags, ...other.tags])],
        notes: [sum.notes, other.notes].filter((text) => text !== '').join('\n'),
        isHidden: sum.isHidden,
      }),
      before,
    ),
  );
  change.added.push(...said.added);
  change.updated.push(...said.updated);
}

export function part(order: Order, act: ActOf<'part'>, nameOf: NameOfPlugin): Result<Performed> {
  const name = nameOf(act.from.plugin);
  if (name === undefined) {
    return unknownPlugin();
  }
  const rest = act.from.copies.filter((id) => !act.copies.includes(id));
  if (
    rest.length === 0 ||
    act.copies.some((id) => !act.from.copies.includes(id)) ||
    act.plugin === act.from.plugin
  ) {
    return failed({
      code: 'field-invalid',
      at: 'copies',
      detail: 'Some copies of the plugin have to stay with it.',
    });
  }
  const change = edited();
  belong(order, rest, act.from.plugin, act.from.plugin, change);
  belong(order, act.copies, act.from.plugin, act.plugin, change);
  return done(
    `Part ${act.copies.length === 1 ? 'a copy' : `${act.copies.length} copies`} from ${name}`,
    change,
  );
}

export function keepApart(
  order: Order,
  act: ActOf<'keep-apart'>,
  nameOf: NameOfPlugin,
): Result<Performed> {
  if (act.plugins.some(({ plugin }) => nameOf(plugin) === undefined)) {
    return unknownPlugin();
  }
  const change = edited();
  for (const owner of act.plugins) {
    belong(order, owner.copies, owner.plugin, owner.plugin, change);
  }
  return done(
    `Keep ${[...new Set(act.plugins.map((o) => nameOf(o.plugin)))].join(' and ')} apart`,
    change,
  );
}

export function spell(order: Order, { say }: ActOf<'spell'>): Result<Performed> {
  const change = edited();
  const known = new Map(allSpellings(order).map((s) => [s.spelling, s]));
  const spoken = say.map(({ spellings, vendor }) => ({
    spellings,
    vendor: vendor?.trim() ?? null,
  }));
  const all = spoken.flatMap((one) => one.spellings.map((s) => s.spelling));
  if (spoken.some(({ vendor }) => vendor === '')) {
    return failed({ code: 'name-empty', at: 'vendor' });
  }
  if (new Set(all).size < all.length) {
    return failed({
      code: 'field-invalid',
      at: 'say',
      detail: 'Each spelling can be given to one vendor.',
    });
  }
  for (const { spellings, vendor } of spoken) {
    for (const { id, spelling } of spellings) {
      const before = known.get(spelling);
      const after: Spelling | null =
        vendor === null ? null : { table: 'spelling', id: before?.id ?? id, spelling, vendor };
      if (!after) {
        if (before) {
          change.removed.push(before);
        }
      } else if (!before) {
        change.added.push(after);
      } else if (before.vendor !== after.vendor) {
        change.updated.push([before, after]);
      }
    }
  }
  const words = spoken.map(({ spellings, vendor }) =>
    vendor === null
      ? `Take back whose ${spellings.map((s) => s.spelling).join(', ')} is`
      : `Say that ${spellings.map((s) => s.spelling).join(', ')} is ${vendor}`,
  );
  return done(
    words.length > 1
      ? `Keep ${spoken.map((one) => one.vendor).join(' and ')} apart`
      : (words[0] ?? ''),
    change,
  );
}

export function prefer(order: Order, { computer, formats }: ActOf<'prefer'>): Result<Performed> {
  if (new Set(formats).size < formats.length) {
    return failed({ code: 'field-invalid', at: 'formats', detail: 'Each format can stand once.' });
  }
  const before = preferenceIn(order, computer);
  const after: Preference = { table: 'preference', id: computer, formats };
  const words = `Put ${formats[0] ?? 'no format'} in front`;
  if (!before) {
    return done(words, { added: [after] });
  }
  return done(
    words,
    before.formats.join() === formats.join() ? {} : { updated: [[before, after]] },
  );
}
