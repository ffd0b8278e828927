/** Acts on smart folders: their rule, what is in or out by hand, and settling them. */
import { spread } from '../order/position.ts';
import { applyChange } from '../change.ts';
import { failed, type Problem, type Result } from '../problem.ts';
import { circleFrom } from '../rules/evaluate/fill.ts';
import { foldersRead } from '../rules/language/rule.ts';
import {
  belowIn,
  folderIn,
  type Folder,
  type Order,
  type Placement,
  allFolders,
  placementIn,
  plainFolder,
} from '../order/records.ts';
import type { ActOf } from './act.ts';
import { done, type NameOfPlugin, type ActResult, sayPlugins, unknown } from './act-result.ts';
import { type ActRules, noPlugins, withShortcutResolved } from './act-rule.ts';

/** The folders that would ask for one another in a circle, if one of these does. */
export function circleTrouble(order: Order, folders: readonly Folder[]): Problem | null {
  const smart = folders.filter((folder) => folder.rule !== null && folder.shortcutTo === null);
  if (smart.length === 0) {
    return null;
  }
  const andBelow = belowIn(order);
  const asks = (id: string): string[] => {
    const rule = folderIn(order, id)?.rule;
    return rule
      ? foldersRead(rule)
          .flatMap(andBelow)
          .filter((one) => folderIn(order, one)?.rule)
      : [];
  };
  for (const folder of smart) {
    const circle = circleFrom(folder.id, asks);
    if (circle) {
      return {
        code: 'rule-circle',
        at: 'rule',
        names: circle.map((id) => folderIn(order, id)?.name ?? 'a folder'),
      };
    }
  }
  return null;
}

const notSmart = (folder: Folder | undefined): Result<ActResult> | null => {
  if (!folder) {
    return unknown('folder', 'folder');
  }
  if (folder.form !== 'smart') {
    return failed({ code: 'not-a-smart-folder', at: 'folder', name: folder.name });
  }
  return null;
};

function setRule(order: Order, act: ActOf<'set-rule'>): Result<ActResult> {
  const folder = folderIn(order, act.folder);
  const refused = notSmart(folder);
  const title = act.name?.trim();
  if (refused || !folder) {
    return refused ?? unknown('folder', 'folder');
  }
  if (title === '') {
    return failed({ code: 'name-empty', at: 'name' });
  }
  const next: Folder = { ...folder, ...act.smart, rule: act.rule, name: title ?? folder.name };
  const change = { added: [], updated: [[folder, next] as const], removed: [] };
  const circle = circleTrouble(applyChange(order, change), [next]);
  return circle
    ? failed(circle)
    : done(
        `Change the rule of ${folder.name}${next.name === folder.name ? '' : `, now ${next.name}`}`,
        change,
      );
}

function keepByHand(
  order: Order,
  act: ActOf<'keep-by-hand'>,
  nameOf: NameOfPlugin,
): Result<ActResult> {
  const folder = folderIn(order, act.folder);
  const refused = notSmart(folder);
  if (refused || !folder) {
    return refused ?? unknown('folder', 'folder');
  }
  if (act.plugins.some((id) => nameOf(id) === undefined)) {
    return unknown('plugin', 'plugins');
  }
  const those = new Set(act.plugins);
  const without = (ids: Folder['alwaysIn']): Folder['alwaysIn'] =>
    ids.filter((id) => !those.has(id));
  const alwaysIn = [...without(folder.alwaysIn), ...(act.as === 'in' ? those : [])];
  const alwaysOut = [...without(folder.alwaysOut), ...(act.as === 'out' ? those : [])];
  const what = sayPlugins([...those], nameOf);
  const words = {
    in: `Include ${what} in ${folder.name}`,
    out: `Exclude ${what} from ${folder.name}`,
    rule: `Let the rule of ${folder.name} decide on ${what}`,
  }[act.as];
  const isSame =
    alwaysIn.join() === folder.alwaysIn.join() && alwaysOut.join() === folder.alwaysOut.join();
  return done(words, isSame ? {} : { updated: [[folder, { ...folder, alwaysIn, alwaysOut }]] });
}

function settle(order: Order, act: ActOf<'settle'>, nameOf: NameOfPlugin): Result<ActResult> {
  const folder = folderIn(order, act.folder);
  const refused = notSmart(folder);
  if (refused || !folder) {
    return refused ?? unknown('folder', 'folder');
  }
  if (act.plugins.some(({ plugin }) => nameOf(plugin) === undefined)) {
    return unknown('plugin', 'plugins');
  }
  if (
    act.plugins.some(({ placement }) => placementIn(order, placement)) ||
    new Set(act.plugins.map((p) => p.plugin)).size < act.plugins.length ||
    new Set(act.plugins.map((p) => p.placement)).size < act.plugins.length
  ) {
    return failed({ code: 'id-taken', at: 'plugins' });
  }
  const { alwaysIn, alwaysOut, atMost } = plainFolder;
  const keys = spread(null, null, act.plugins.length);
  // Folders that stand for it are of its form.
  const shown = allFolders(order)
    .filter((one) => one.shortcutTo === folder.id)
    .map((one): [Folder, Folder] => [one, { ...one, form: 'folder', rule: null }]);
  return done(`Convert ${folder.name} to an ordinary folder`, {
    updated: [
      [
        folder,
        { ...folder, form: 'folder', rule: null, alwaysIn, alwaysOut, atMost, sortedBy: null },
      ],
      ...shown,
    ],
    added: act.plugins.map(
      (p, i): Placement => ({
        table: 'placement',
        id: p.placement,
        folder: folder.id,
        plugin: p.plugin,
        position: keys[i] ?? '',
      }),
    ),
  });
}

/** Acts on smart folders, by name. */
export const smartFolderActs = {
  'set-rule': { plugins: noPlugins, resolve: withShortcutResolved, perform: setRule },
  'keep-by-hand': {
    plugins: (act) => act.plugins,
    resolve: withShortcutResolved,
    perform: keepByHand,
  },
  settle: {
    plugins: (act) => act.plugins.map((entry) => entry.plugin),
    resolve: withShortcutResolved,
    perform: settle,
  },
} satisfies ActRules<'set-rule' | 'keep-by-hand' | 'settle'>;
