/** Acts that say which copies are one plugin: joining, parting, keeping apart. */
import { namesPlugins, referrersOf, withPlugins } from '../order/references.ts';
import { annotated } from './annotations.ts';
import type { AnswerFacts } from '../catalog/answer.ts';
import { failed, type Result } from '../problem.ts';
import type { CopyId, PluginId } from '../id.ts';
import {
  copyAssignmentIn,
  chainIn,
  settingIn,
  type CopyAssignment,
  type Order,
  allPlacements,
  answerIn,
  pluginNamesIn,
} from '../order/records.ts';
import type { ActOf, Owner } from './act.ts';
import {
  done,
  edited,
  type Edited,
  type NameOfPlugin,
  type ActResult,
  unknownPlugin,
} from './act-result.ts';
import { type ActRules, asSaid } from './act-rule.ts';

/** Puts the copies with a plugin; one that was pinned before remembers where it belonged first. */
function belong(
  order: Order,
  copies: readonly CopyId[],
  from: PluginId,
  to: PluginId,
  change: Edited,
): void {
  for (const id of copies) {
    const before = copyAssignmentIn(order, id);
    const after: CopyAssignment = {
      table: 'copy-assignment',
      id,
      plugin: to,
      before: before?.before ?? from,
    };
    if (!before) {
      change.added.push(after);
    } else if (before.plugin !== to) {
      change.updated.push([before, after]);
    }
  }
}

const hasNoCopies = (order: Order, owners: readonly Owner[]): boolean =>
  owners.some(({ plugin }) => Boolean(chainIn(order, plugin) ?? settingIn(order, plugin)));

const needsCopies = (at: string): Result<ActResult> =>
  failed({
    code: 'field-invalid',
    at,
    detail: 'A chain or setting has no copies to join or part.',
  });

function join(order: Order, act: ActOf<'join'>, nameOf: NameOfPlugin): Result<ActResult> {
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
  if (hasNoCopies(order, owners)) {
    return needsCopies('from');
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
  pointElsewhere(order, from, plugin, change);
  return done(
    `Merge ${[...new Set(owners.map((o) => nameOf(o.plugin)))].join(' and ')} into one plugin`,
    change,
  );
}

/** Settings, chains, and smart folders that keep one of the others in or out by hand, name the one that is left. */
function pointElsewhere(
  order: Order,
  from: readonly PluginId[],
  into: PluginId,
  change: Edited,
): void {
  const now = (id: PluginId): PluginId => (from.includes(id) ? into : id);
  for (const record of referrersOf(order, from).filter(namesPlugins)) {
    change.updated.push([record, withPlugins(record, now)]);
  }
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

/** Names and answers of the others count where the first has none; tags and notes add up. */
function inherit(order: Order, from: readonly PluginId[], into: PluginId, change: Edited): void {
  const names = pluginNamesIn(order, into) ?? null;
  const otherNames = from.flatMap((id) => pluginNamesIn(order, id) ?? []);
  change.removed.push(...otherNames);
  const nickname = names?.nickname ?? otherNames.find((n) => n.nickname !== null)?.nickname ?? null;
  const slotLabel =
    names?.slotLabel ?? otherNames.find((n) => n.slotLabel !== null)?.slotLabel ?? null;
  const named = { table: 'plugin-names' as const, id: into, nickname, slotLabel };
  if (names && (names.nickname !== nickname || names.slotLabel !== slotLabel)) {
    change.updated.push([names, named]);
  }
  if (!names && (nickname !== null || slotLabel !== null)) {
    change.added.push(named);
  }
  const others = from.flatMap((id) => answerIn(order, id) ?? []);
  change.removed.push(...others);
  const said = annotated(order, [into], (before) =>
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
        alsoCalled: [...new Set([...sum.alsoCalled, ...other.alsoCalled])],
        firstCopy: sum.firstCopy ?? other.firstCopy,
      }),
      before,
    ),
  );
  change.added.push(...said.added);
  change.updated.push(...said.updated);
}

function part(order: Order, act: ActOf<'part'>, nameOf: NameOfPlugin): Result<ActResult> {
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
    `Split ${act.copies.length === 1 ? 'a copy' : `${act.copies.length} copies`} off from ${name}`,
    change,
  );
}

function keepApart(
  order: Order,
  act: ActOf<'keep-apart'>,
  nameOf: NameOfPlugin,
): Result<ActResult> {
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

/** Acts on which copies are one plugin, by name. */
export const copyAssignmentActs = {
  join: {
    plugins: (act) => [act.into, ...act.from].map((owner) => owner.plugin),
    resolve: asSaid,
    perform: join,
  },
  part: { plugins: (act) => [act.from.plugin], resolve: asSaid, perform: part },
  'keep-apart': {
    plugins: (act) => act.plugins.map((owner) => owner.plugin),
    resolve: asSaid,
    perform: keepApart,
  },
} satisfies ActRules<'join' | 'part' | 'keep-apart'>;
