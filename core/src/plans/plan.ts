/** What a new cabinet could hold: plans over the catalog, worked out before anything is made. */
import { isPresent, type Plugin } from '../catalog/plugin.ts';
import { compareNames } from '../text/compare.ts';
import { grouped } from '../grouped.ts';
import { groupOf, typeGroups, typeName } from '../taxonomy/tree.ts';
import { keywordRule, type Rule } from '../rules/language/rule.ts';
import {
  folderIn,
  foldersBelow,
  resolveShortcut,
  placementsIn,
  type Cabinet,
  type Folder,
  type FolderForm,
  type Order,
  type SmartPart,
} from '../order/records.ts';

/** A folder as planned, with what is inside it. */
export interface PlannedFolder {
  readonly form: FolderForm;
  readonly name: string;
  readonly rule: Rule | null;
  readonly plugins: readonly string[];
  readonly below: readonly PlannedFolder[];
  readonly smart?: SmartPart;
}

/** The plans of a new cabinet. */
export const plans = [
  'empty',
  'type',
  'vendor',
  'format',
  'job',
  'checks',
  'like',
  'copy',
] as const;
/** The name of a plan. */
export type PlanName = (typeof plans)[number];

const folder = (
  name: string,
  plugins: readonly string[] = [],
  below: readonly PlannedFolder[] = [],
): PlannedFolder => ({ form: 'folder', name, rule: null, plugins, below });
const divider = (name: string): PlannedFolder => ({
  form: 'divider',
  name,
  rule: null,
  plugins: [],
  below: [],
});
const smart = (name: string, keywords: string): PlannedFolder => {
  const rule = keywordRule(keywords);
  return { form: 'smart', name, rule: rule.ok ? rule.value : null, plugins: [], below: [] };
};

const ids = (plugins: readonly Plugin[]): string[] => plugins.map((plugin) => plugin.id);
const inOrder = (plugins: readonly Plugin[]): Plugin[] =>
  plugins.filter(isPresent).sort((a, b) => compareNames(a.name, b.name) || (a.id < b.id ? -1 : 1));

/**
 * A group becomes a folder; within it each type of which there are this many becomes one, the rest
 * stays in the group's.
 */
const ownFolderFrom = 4;

/**
 * A folder for each group of types in the tree's order, with subfolders where they help. A plugin
 * of several types is in several.
 */
export function planByType(catalog: readonly Plugin[]): PlannedFolder[] {
  const plugins = inOrder(catalog);
  return typeGroups.flatMap((group) => {
    const members = plugins.filter((plugin) =>
      plugin.types.some((type) => groupOf(type) === group.id),
    );
    if (members.length === 0) {
      return [];
    }
    const below = group.types.flatMap(({ id }) => {
      const those = members.filter((plugin) => plugin.types.includes(id));
      return those.length >= ownFolderFrom ? [{ id, those }] : [];
    });
    const isBelow = new Set(below.flatMap(({ those }) => ids(those)));
    return below.length < 2
      ? [folder(group.name, ids(members))]
      : [
          folder(
            group.name,
            ids(members).filter((id) => !isBelow.has(id)),
            below.map(({ id, those }) => folder(typeName(id), ids(those))),
          ),
        ];
  });
}

/** A folder for each vendor with at least so many plugins, the most first; all others together in one. */
export function planByVendor(catalog: readonly Plugin[], atLeast: number): PlannedFolder[] {
  const byVendor = grouped(
    inOrder(catalog).map((plugin) => [plugin.vendor ?? '', plugin] as const),
  );
  const big = [...byVendor]
    .filter(([vendor, plugins]) => vendor !== '' && plugins.length >= atLeast)
    .sort((a, b) => b[1].length - a[1].length || compareNames(a[0], b[0]));
  const rest = [...byVendor]
    .filter(([vendor, plugins]) => vendor === '' || plugins.length < atLeast)
    .flatMap(([, plugins]) => plugins);
  return [
    ...big.map(([vendor, plugins]) => folder(vendor, ids(plugins))),
    ...(rest.length > 0 ? [folder('Other vendors', ids(inOrder(rest)))] : []),
  ];
}

/** A folder for each format; a plugin is in the folder of every format it has a copy of. */
export function planByFormat(catalog: readonly Plugin[]): PlannedFolder[] {
  const formatsOf = (plugin: Plugin): string[] => [
    ...new Set(
      plugin.copies
        .filter((c) => c.state === 'present')
        .map((c) => (c.is32Bit ? `${c.format}, 32 bit` : c.format)),
    ),
  ];
  const byFormat = grouped(
    inOrder(catalog).flatMap((plugin) =>
      formatsOf(plugin).map((format) => [format, plugin.id as string] as const),
    ),
  );
  return [...byFormat]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([format, plugins]) => folder(format, plugins));
}

/** Empty folders for the jobs of a studio, to be filled by hand. */
export const planByJob = (): PlannedFolder[] => [
  divider('Recording'),
  folder('Voices'),
  folder('Guitars & bass'),
  folder('Drums & percussion'),
  folder('Keys'),
  divider('Mixing'),
  folder('Clean up'),
  folder('Shape'),
  folder('Colour'),
  folder('Space'),
  folder('Glue'),
  divider('Delivery'),
  folder('Final chain'),
  folder('Checks'),
];

/** What is looked at last: meters in a folder, and what may still have to be mended. */
export function planChecks(catalog: readonly Plugin[]): PlannedFolder[] {
  const plugins = inOrder(catalog);
  const of = (...types: string[]): string[] =>
    ids(
      plugins.filter((plugin) =>
        plugin.types.some((type) => types.includes(type) || types.includes(groupOf(type))),
      ),
    );
  return [
    divider('Listen'),
    folder('Headphones & width', of('spatial/headphone', 'spatial/width')),
    divider('Look'),
    folder('Loudness', of('meter/loudness', 'meter/level')),
    folder('Spectrum & phase', of('meter/spectrum', 'meter/phase', 'meter/scope')),
    divider('Mend'),
    folder('Limiters', of('dynamics/limiter')),
    folder('Repair', of('restoration')),
    smart('Dither', 'dither'),
  ];
}

/** The folders of a cabinet that is there, with what they hold or without. */
export function planLike(order: Order, cabinet: Cabinet, isFilled: boolean): PlannedFolder[] {
  return foldersBelow(order, cabinet.id, null).map((each) => planOf(order, each, isFilled));
}

/** A folder that is there, with all below it; one that stands for another as that other. */
export function planOf(order: Order, which: Folder, isFilled: boolean): PlannedFolder {
  const real = folderIn(order, resolveShortcut(order, which.id)) ?? which;
  const plugins =
    isFilled && real.rule === null ? placementsIn(order, real.id).map((p) => p.plugin) : [];
  const { alwaysIn, alwaysOut, sortedBy, atMost } = real;
  return {
    ...(real.form === 'smart' ? { smart: { alwaysIn, alwaysOut, sortedBy, atMost } } : {}),
    form: real.form,
    name: real.name,
    rule: real.rule,
    plugins,
    below: foldersBelow(order, real.cabinet, real.id).map((lower) =>
      planOf(order, lower, isFilled),
    ),
  };
}

/** How many folders and placements a plan would make. */
export function countPlan(folders: readonly PlannedFolder[]): { folders: number; plugins: number } {
  const parts = folders.map((f) => countPlan(f.below));
  return {
    folders:
      folders.filter((f) => f.form === 'folder' || f.form === 'smart').length +
      parts.reduce((sum, p) => sum + p.folders, 0),
    plugins:
      folders.reduce((sum, f) => sum + f.plugins.length, 0) +
      parts.reduce((sum, p) => sum + p.plugins, 0),
  };
}
