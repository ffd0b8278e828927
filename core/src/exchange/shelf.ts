/**
 * A cabinet as directories: a directory for each folder, a link to the copy in front for each plugin.
 * Here it is planned only; nothing is written.
 */
import { copyInFront, type Plugin } from '../catalog/plugin.ts';
import type { Format } from '../formats/found-copy.ts';
import { createArranger, type Arrangement, type KnownUse } from '../arrangement/arrangement.ts';
import type { Folder, Order } from '../order/records.ts';
import { safeSiblings } from './safe-name.ts';

/** What stands at one path of a shelf. */
export type ShelfEntry =
  | { readonly kind: 'directory' }
  | { readonly kind: 'link'; readonly to: string }
  | { readonly kind: 'card'; readonly text: string };

/** Entries by their paths below the shelf, with slashes; directories before what is in them. */
export type ShelfPlan = ReadonlyMap<string, ShelfEntry>;

/** What a shelf is made of. */
export interface ShelfWish {
  readonly order: Order;
  readonly plugins: readonly Plugin[];
  /** The cabinet's id. */
  readonly cabinet: string;
  readonly formatOrder?: readonly Format[] | undefined;
  /** The user's order kept by leading figures. */
  readonly hasFigures: boolean;
  /** Whether links can be made; else every plugin is a text card. */
  readonly hasLinks: boolean;
  /** What rules that ask for loads are asked with. */
  readonly usage?: KnownUse;
  /** Milliseconds since 1970. */
  readonly now?: number;
}

/** Plans the shelf of a cabinet. Dividers have no directory; smart folders hold what they hold now. */
export function planShelf(wish: ShelfWish): ShelfPlan {
  const arrangement = createArranger()(
    wish.order,
    wish.plugins,
    wish.cabinet,
    wish.usage,
    wish.now,
  );
  const plan = new Map<string, ShelfEntry>();
  const byId = new Map(wish.plugins.map((plugin) => [plugin.id as string, plugin]));
  planBelow({ wish, arrangement, plan, byId }, arrangement.below.get(wish.cabinet) ?? [], '');
  return plan;
}

interface Planning {
  readonly wish: ShelfWish;
  readonly arrangement: Arrangement;
  readonly plan: Map<string, ShelfEntry>;
  readonly byId: ReadonlyMap<string, Plugin>;
}

function planBelow(planning: Planning, all: readonly Folder[], path: string): void {
  const folders = all.filter(({ form }) => form !== 'divider');
  const names = named(
    planning.wish,
    folders.map(({ name }) => name),
  );
  for (const [at, folder] of folders.entries()) {
    const directory = `${path}${names[at] ?? ''}`;
    planning.plan.set(directory, { kind: 'directory' });
    planFolder(planning, folder, `${directory}/`);
  }
}

function planFolder(planning: Planning, folder: Folder, path: string): void {
  const { arrangement, plan, byId, wish } = planning;
  const real = folder.shortcutTo ?? folder.id;
  planBelow(planning, arrangement.below.get(real) ?? [], path);
  const plugins = (arrangement.members.get(folder.id) ?? []).flatMap((id) => byId.get(id) ?? []);
  const entries = plugins.map((plugin) => entryOf(plugin, wish));
  const names = named(
    wish,
    plugins.map((plugin) => arrangement.pluginNames.get(plugin.id)?.nickname ?? plugin.name),
  );
  for (const [at, { entry, ending }] of entries.entries()) {
    plan.set(freeName(plan, `${path}${names[at] ?? ''}`, ending), entry);
  }
}

/** A path that no folder beside it has. */
function freeName(plan: ShelfPlan, path: string, ending: string): string {
  let free = `${path}${ending}`;
  for (let number = 2; plan.has(free); number += 1) {
    free = `${path} (${number})${ending}`;
  }
  return free;
}

function named({ hasFigures }: ShelfWish, names: readonly string[]): string[] {
  const digits = String(names.length).length;
  return safeSiblings(names).map((name, at) =>
    hasFigures ? `${String(at + 1).padStart(Math.max(2, digits), '0')} ${name}` : name,
  );
}

const endings = /\.(?:vst3|lv2|clap|component|vst|dll|so)$/i;

/** A link keeps the ending of what it leads to, so that who reads directories knows the format. */
function entryOf(
  plugin: Plugin,
  { formatOrder, hasLinks }: ShelfWish,
): { entry: ShelfEntry; ending: string } {
  const copy = copyInFront(plugin, { order: formatOrder });
  if (copy && hasLinks && copy.state === 'present') {
    return { entry: { kind: 'link', to: copy.path }, ending: endings.exec(copy.path)?.[0] ?? '' };
  }
  const lines = [
    plugin.name,
    plugin.vendor ?? '',
    ...plugin.copies.map(({ format, path }) => `${format} ${path}`),
  ].filter((line) => line !== '');
  return { entry: { kind: 'card', text: `${lines.join('\n')}\n` }, ending: '.txt' };
}
