/** One plugin: the product, with all the copies that are the same thing. */
import { stemOfPath, type FoundCopy, type Format } from '../formats/found-copy.ts';
import type { CopyId, PluginId } from '../id.ts';
import type { Kind } from './kind.ts';

/** A copy as the catalog shows it. */
export interface CopyCard {
  readonly id: CopyId;
  readonly format: Format;
  readonly path: string;
  /** Its own name, where it is not that of its plugin. */
  readonly name?: string;
  readonly version: string | null;
  readonly hasPicture: boolean;
  /** Whether it is known to run on 32-bit machines only: a 64-bit host does not take it. */
  readonly is32Bit: boolean;
  /** Whether the last examining failed. */
  readonly isFailed: boolean;
  /** Whether it names a program that is not there, or none that could run. */
  readonly lacksProgram?: boolean;
  readonly state: CopyState;
  /** Copies of its plugin for which it declares to stand in. */
  readonly standsInFor?: readonly CopyId[];
  /** Audio ports; null where reading cannot know. */
  readonly audioIn: number | null;
  readonly audioOut: number | null;
}

/**
 * `present` when the last scan saw it; `away` while its place is out of reach; `gone` keeps what
 * the user made of it; `awaited` was never here: an order from elsewhere names it.
 */
export type CopyState = 'present' | 'away' | 'gone' | 'awaited';

/** A plugin as every screen shows it. */
export interface Plugin {
  readonly id: PluginId;
  readonly name: string;
  readonly vendor: string | null;
  readonly kind: Kind;
  readonly types: readonly string[];
  /** When its first copy was seen, ISO 8601. */
  readonly arrived: string;
  readonly copies: readonly CopyCard[];
  /** What it was called before its copies said otherwise. */
  readonly formerNames?: readonly string[];
  /** Of a chain: the plugins that are loaded one behind the other; it has no copies of its own. */
  readonly chain?: readonly PluginId[];
  /** Of a saved setting: whose it is and where it stands; its copies are those of its plugin that take it. */
  readonly setting?: SettingFacts;
}

/** What makes a thing of the catalog a setting. */
export interface SettingFacts {
  readonly plugin: PluginId;
  /** What its plugin is called: by its nickname, where it has one, and by its own name. None where it is gone. */
  readonly pluginNames: readonly string[];
  readonly bank: string | null;
  readonly format: Format;
  readonly path: string | null;
  /** The URI of an LV2 preset. */
  readonly identity: string | null;
  /** What the host gave for one of the user's own. */
  readonly state: string | null;
  /** Whether its file was there when it was looked for last; one of the user's own always is. */
  readonly isGone: boolean;
}

/** The name to show for a copy: its own, else that of its file. */
export const nameOfCopy = (copy: Pick<FoundCopy, 'name' | 'path'>): string =>
  copy.name ?? stemOfPath(copy.path);

/**
 * Formats, preferred first, until the user says otherwise (common practice, no published source):
 * newer before older.
 */
export const preferred: readonly Format[] = ['VST3', 'CLAP', 'AU', 'LV2', 'VST2', 'LADSPA'];

const stateRank: Readonly<Record<CopyState, number>> = {
  present: 0,
  away: 100,
  gone: 200,
  awaited: 300,
};

/** What tells whether a plugin, a chain or a setting is on this computer. */
interface Presence {
  readonly copies: readonly Pick<CopyCard, 'state'>[];
  readonly chain?: readonly PluginId[];
  readonly setting?: Pick<SettingFacts, 'isGone'>;
}

/** Whether some copy is on the disk, and of a setting also its file. A chain always is. */
export const isPresent = (plugin: Presence): boolean =>
  plugin.chain !== undefined ||
  (!plugin.setting?.isGone && plugin.copies.some((copy) => copy.state === 'present'));

/** Whether nothing of it is on this computer any more: what the user made of it stays, and it counts nowhere. */
export const isGone = (plugin: Presence): boolean =>
  plugin.chain === undefined &&
  (plugin.setting?.isGone === true ||
    (plugin.copies.length > 0 && plugin.copies.every(({ state }) => state === 'gone')));

/** Whether it was never on this computer: it has a place in the order, and is no plugin of the catalog. */
export const isAwaited = ({ copies }: Pick<Plugin, 'copies'>): boolean =>
  copies.length > 0 && copies.every(({ state }) => state === 'awaited');

/** The copies without the awaited ones, unless all of them are: once one has arrived, the others say nothing. */
export function withoutAwaited<T extends { readonly state: CopyState }>(
  copies: readonly T[],
): readonly T[] {
  const arrived = copies.filter(({ state }) => state !== 'awaited');
  return arrived.length > 0 ? arrived : copies;
}

/** Whose picture a thing shows: a setting shows its plugin's. */
export const faceOf = ({ id, setting }: Pick<Plugin, 'id' | 'setting'>): PluginId =>
  setting?.plugin ?? id;

/** Machines of 32 bits. */
const machines32: readonly string[] = ['x86', 'arm'];

/** Whether a program is for 32-bit machines only; what is not known counts as no. */
export const isOnly32Bit = (architectures: readonly string[] | null): boolean =>
  architectures !== null &&
  architectures.length > 0 &&
  architectures.every((a) => machines32.includes(a));

/** Formats in the user's order, with those it does not name behind. */
const completed = (order: readonly Format[]): readonly Format[] => [
  ...order,
  ...preferred.filter((format) => !order.includes(format)),
];

/** How many channels a track has where nothing else is said. */
export const usualWidth = 2;

/** How far a copy is from a number of channels: none where it fits, or where that is not known. */
function misfit({ audioIn, audioOut }: CopyCard, width: number): number {
  if (audioOut === null || audioOut === 0) {
    return 0;
  }
  const isNarrowIn = audioIn !== null && audioIn > 0 && audioIn < width;
  return Math.abs(audioOut - width) + (isNarrowIn ? 0.5 : 0);
}

/** What decides which copy is used first; what is left out decides nothing. */
export interface CopyWish {
  /** Formats, preferred first. */
  readonly order?: readonly Format[];
  /** Channels that the copy should have. */
  readonly width?: number | null;
  /** Of a folder: the copies that are used first in it, and the format. */
  readonly folderCopies?: readonly CopyId[];
  readonly folderFormat?: Format | null;
  /** The copy that the user wants first wherever it fits, and with it its format. */
  readonly first?: CopyId | null;
}

/** The copy that is used first. */
export const copyInFront = (
  plugin: Pick<Plugin, 'copies'>,
  wish?: CopyWish,
): CopyCard | undefined => copiesInOrder(plugin, wish)[0];

/**
 * The copies, the one that is used first in front: present before gone, sound before failed, what a
 * folder holds, 64 bit before 32, what fits the width, the format of the folder, the copy of the user's
 * choice and its format, then the preferred format, then by path.
 */
export function copiesInOrder(
  { copies }: Pick<Plugin, 'copies'>,
  {
    order = preferred,
    width = null,
    folderCopies = [],
    folderFormat = null,
    first = null,
  }: CopyWish = {},
): CopyCard[] {
  const formats = completed(order);
  const formatOfFirst = copies.find(({ id }) => id === first)?.format;
  const ranks = (copy: CopyCard): number[] => [
    stateRank[copy.state],
    copy.isFailed || copy.lacksProgram ? 1 : 0,
    folderCopies.includes(copy.id) ? 0 : 1,
    copy.is32Bit ? 1 : 0,
    width === null ? 0 : misfit(copy, width),
    copy.format === folderFormat ? 0 : 1,
    copy.id === first ? 0 : 1,
    copy.format === formatOfFirst ? 0 : 1,
    formats.indexOf(copy.format),
  ];
  const compare = (a: CopyCard, b: CopyCard): number => {
    const of = ranks(b);
    return (
      ranks(a)
        .map((rank, at) => rank - (of[at] ?? 0))
        .find((difference) => difference !== 0) ?? 0
    );
  };
  return [...copies].sort((a, b) => compare(a, b) || (a.path < b.path ? -1 : 1));
}

/** Whether copies of a plugin are for different numbers of channels, so that it matters which is loaded. */
export const differsInWidth = ({ copies }: Pick<Plugin, 'copies'>): boolean =>
  new Set(copies.flatMap(({ audioOut }) => (audioOut ? [audioOut] : []))).size > 1;

/**
 * Whether a copy stays for old sessions only: its format comes later than that of the copy in
 * front, or it is a 32-bit one beside a 64-bit one.
 */
export function isForOldSessions(
  plugin: Pick<Plugin, 'copies'>,
  copy: CopyCard,
  order: readonly Format[] = preferred,
): boolean {
  const front = copyInFront(plugin, { order });
  const formats = completed(order);
  return (
    front !== undefined &&
    front.id !== copy.id &&
    ((copy.is32Bit && !front.is32Bit) ||
      formats.indexOf(copy.format) > formats.indexOf(front.format))
  );
}
