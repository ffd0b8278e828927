/** What a new cabinet could hold: plans over the catalog, worked out before anything is made. */
import { isPresent, type Plugin } from '../catalog/plugin.ts';
import { compareNames } from '../text/compare.ts';
import { groupOf } from '../taxonomy/tree.ts';
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
  /** Of a smart folder how many it takes in now, where that is known. */
  readonly takesIn?: number;
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
/** What is there, by name. */
export const inOrder = (plugins: readonly Plugin[]): Plugin[] =>
  plugins.filter(isPresent).sort((a, b) => compareNames(a.name, b.name) || (a.id < b.id ? -1 : 1));

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
