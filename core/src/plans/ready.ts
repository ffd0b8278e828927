/**
 * Ready cabinets: a folder for each type, vendor or format. They live, as smart folders that follow
 * corrections and arrivals, or are a snapshot of what the catalog holds now.
 */
import type { Kind } from '../catalog/kind.ts';
import { preferred, type Plugin } from '../catalog/plugin.ts';
import { grouped } from '../grouped.ts';
import { ruleLimits, type Line } from '../rules/language/rule.ts';
import { isWithin, typeGroups } from '../taxonomy/tree.ts';
import { compareNames } from '../text/compare.ts';
import { inOrder, type PlannedFolder } from './plan.ts';

/** By what a ready cabinet is made. */
export type ReadyPlan = 'type' | 'vendor' | 'format';

/** How a ready cabinet is made. */
export interface ReadyOptions {
  /** A folder of more plugins gets folders inside it. */
  readonly atMost: number;
  /** Plugins that a vendor has to have for a folder of its own. */
  readonly atLeast: number;
  /** Effects, instruments and note effects stand apart. */
  readonly isApart: boolean;
  /** Folders fill themselves; else they hold what is there now. */
  readonly isLiving: boolean;
}

/** Some of the plugins, under a name, as a test and as lines of a rule. */
interface Part {
  readonly name: string;
  readonly lines: readonly Line[];
  readonly holds: (plugin: Plugin) => boolean;
  /** Of a group of types its types. */
  readonly inner?: readonly Part[];
}

/** How plugins are parted; only where there are many, unless they always are. */
interface Level {
  readonly isAlways: boolean;
  readonly partsOf: (part: Part) => readonly Part[];
}

/** A folder inside another has so many plugins at least, but for kinds that stand apart. */
const leastInside = 2;

/** The folders of a ready cabinet over a catalog. Folders stand inside others to three levels. */
export function planReady(
  by: ReadyPlan,
  catalog: readonly Plugin[],
  options: ReadyOptions,
): PlannedFolder[] {
  const plugins = inOrder(catalog);
  if (by === 'type') {
    return byType(plugins, options);
  }
  const parts = by === 'vendor' ? vendorParts(plugins, options.atLeast) : formatParts(plugins);
  const kindLevel = { isAlways: true, partsOf: () => kindParts };
  const groupLevel = { isAlways: false, partsOf: () => groupParts };
  const levels = [...(options.isApart ? [kindLevel] : []), groupLevel];
  return foldersOf(parts, plugins, [], levels, options);
}

/** A folder for each group of types in the tree's order; a plugin of several types is in several. */
function byType(plugins: readonly Plugin[], options: ReadyOptions): PlannedFolder[] {
  const levels = [{ isAlways: false, partsOf: ({ inner = [] }: Part) => inner }];
  if (!options.isApart) {
    return foldersOf(groupParts, plugins, [], levels, options);
  }
  return kindParts.flatMap((kind): PlannedFolder[] => {
    const those = plugins.filter(kind.holds);
    const folders = foldersOf(groupParts, those, kind.lines, levels, options);
    return folders.length === 0
      ? []
      : [{ form: 'divider', name: kind.name, rule: null, plugins: [], below: [] }, ...folders];
  });
}

/** A folder for each part that holds some of the plugins. */
function foldersOf(
  parts: readonly Part[],
  plugins: readonly Plugin[],
  lines: readonly Line[],
  levels: readonly Level[],
  options: ReadyOptions,
): PlannedFolder[] {
  return parts.flatMap((part): PlannedFolder[] => {
    const members = plugins.filter(part.holds);
    return members.length === 0
      ? []
      : [folderOf(part, members, [...lines, ...part.lines], levels, options)];
  });
}

/** A smart folder holds all of its part; of a snapshot a folder holds what stands in none inside it. */
function folderOf(
  part: Part,
  members: readonly Plugin[],
  lines: readonly Line[],
  [level, ...deeper]: readonly Level[],
  options: ReadyOptions,
): PlannedFolder {
  const isParted = level !== undefined && (level.isAlways || members.length > options.atMost);
  const parts = isParted
    ? level
        .partsOf(part)
        .filter(({ holds }) => level.isAlways || members.filter(holds).length >= leastInside)
    : [];
  const inner = foldersOf(parts, members, lines, deeper, options);
  const { name } = part;
  // One folder inside that holds it all parts nothing.
  const below = inner.length > 1 ? inner : [];
  if (options.isLiving) {
    const rule = { cards: [{ lines }], never: [] };
    return { form: 'smart', name, rule, plugins: [], below, takesIn: members.length };
  }
  const isBelow = new Set(below.flatMap(allIn));
  const plugins = members.map(({ id }) => id as string).filter((id) => !isBelow.has(id));
  return { form: 'folder', name, rule: null, plugins, below };
}

const allIn = ({ plugins, below }: PlannedFolder): string[] => [
  ...plugins,
  ...below.flatMap(allIn),
];

const is = (field: Line['field'], ...values: readonly string[]): Line => ({
  field,
  relation: 'is',
  values,
});

const kindPart = (name: string, ...kinds: readonly Kind[]): Part => ({
  name,
  lines: [is('kind', ...kinds)],
  holds: ({ kind }) => kinds.includes(kind),
});
const kindParts: readonly Part[] = [
  kindPart('Effects', 'effect', 'tool', 'unknown'),
  kindPart('Instruments', 'instrument'),
  kindPart('Note effects', 'note-effect'),
];

const typePart = ({ id, name }: { readonly id: string; readonly name: string }): Part => ({
  name,
  lines: [is('type', id)],
  holds: ({ types }) => types.some((type) => isWithin(type, id)),
});
const groupParts: readonly Part[] = typeGroups.map((group) => ({
  ...typePart(group),
  inner: group.types.map(typePart),
}));

/** A part for each vendor with at least so many plugins, the most first; all others in one. */
function vendorParts(plugins: readonly Plugin[], atLeast: number): Part[] {
  const byVendor = grouped(plugins.map((plugin) => [plugin.vendor ?? '', plugin] as const));
  const vendors = [...byVendor]
    .filter(([vendor, those]) => vendor !== '' && those.length >= atLeast)
    .sort((a, b) => b[1].length - a[1].length || compareNames(a[0], b[0]))
    .map(([vendor]) => vendor);
  const isBig = new Set(vendors);
  const others = Array.from(
    { length: Math.ceil(vendors.length / ruleLimits.values) },
    (_, n): Line => ({
      field: 'vendor',
      relation: 'is not',
      values: vendors.slice(n * ruleLimits.values, (n + 1) * ruleLimits.values),
    }),
  );
  return [
    ...vendors.map(
      (name): Part => ({
        name,
        lines: [is('vendor', name)],
        holds: ({ vendor }) => vendor === name,
      }),
    ),
    {
      name: 'Other vendors',
      lines: others.length > 0 ? others : [is('thing', 'plugin')],
      holds: ({ vendor }) => !isBig.has(vendor ?? ''),
    },
  ];
}

/** A part for each format, and one for what runs on 32-bit machines only. */
function formatParts(plugins: readonly Plugin[]): Part[] {
  const copiesOf = ({ copies }: Plugin) => copies.filter(({ state }) => state === 'present');
  const only32: Part = {
    name: '32 bit only',
    lines: [{ field: 'bits', relation: 'is only', values: ['32'] }],
    holds: (plugin) => {
      const copies = copiesOf(plugin);
      return copies.length > 0 && copies.every((copy) => copy.is32Bit);
    },
  };
  const formats = preferred.map(
    (format): Part => ({
      name: format,
      lines: [is('format', format)],
      holds: (plugin) => copiesOf(plugin).some((copy) => copy.format === format),
    }),
  );
  return [...formats, only32].filter(({ holds }) => plugins.some(holds));
}
