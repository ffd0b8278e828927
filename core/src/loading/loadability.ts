/** What may be loaded where, and why something may not. */
import { kindWords } from '../catalog/kind.ts';
import {
  copyInFront,
  isPresent,
  usualWidth,
  type CopyCard,
  type CopyWish,
  type Plugin,
} from '../catalog/plugin.ts';
import type { AnswerFacts } from '../catalog/answer.ts';
import type { Kind } from '../catalog/kind.ts';
import type { CabinetSlot, Folder } from '../order/records.ts';
import { formats, type Format } from '../formats/found-copy.ts';

/** The kinds of tracks. */
export const trackKinds = ['track', 'instrument', 'notes', 'bus', 'final'] as const;
/**
 * A row of the host's session: an audio track, an instrument track, the notes that play into one, a
 * bus, or the final chain.
 */
export type TrackKind = (typeof trackKinds)[number];
/** What tracks of each kind are called together. */
export const trackWords: Readonly<Record<TrackKind, string>> = {
  track: 'audio tracks',
  instrument: 'instrument tracks',
  notes: 'note tracks',
  bus: 'buses',
  final: 'the final chain',
};

/**
 * What a slot takes: the first slot of an instrument track an instrument, slots of notes note
 * effects, all others effects and tools.
 */
export type SlotKind = 'instrument' | 'note-effect' | 'effect';

/** What a slot takes: only the first slot of an instrument's track takes an instrument. */
export const slotKindAt = (track: TrackKind, index: number): SlotKind => {
  if (track === 'notes') {
    return 'note-effect';
  }
  if (track === 'instrument' && index === 0) {
    return 'instrument';
  }
  return 'effect';
};

/** The sort of slot for which cabinets say that they open: an instrument's effects are a track's. */
export const cabinetSlotAt = (track: TrackKind, index: number): CabinetSlot => {
  if (track === 'notes') {
    return 'note-effect';
  }
  if (track === 'instrument' && index > 0) {
    return 'track';
  }
  return track;
};

/** What a slot takes, in words. */
export const slotNames: Readonly<Record<SlotKind, string>> = {
  instrument: 'an instrument',
  'note-effect': 'note effects',
  effect: 'effects',
};

/** Kinds that nothing is known about are offered everywhere rather than nowhere. */
export const isLoadable = (kind: Kind, slot: SlotKind): boolean =>
  kind === 'unknown' || kind === slot || (slot === 'effect' && kind === 'tool');

/** What a host takes. */
export interface TakenBySession {
  readonly formats: readonly Format[];
  readonly takes32Bit: boolean;
}
/** A session that takes all formats, and no 32-bit copies. */
export const acceptsAll: TakenBySession = { formats, takes32Bit: false };

/** Why a host takes no such copy as it is; null when it does. */
export function whyNotCopy(copy: CopyCard, accepts: TakenBySession): string | null {
  if (copy.state === 'gone' || copy.state === 'awaited') {
    return 'gone from the disk';
  }
  if (copy.state === 'away') {
    return 'out of reach: its place is not there now';
  }
  if (copy.isFailed) {
    return 'failed when it was examined';
  }
  if (copy.lacksProgram) {
    return 'its program is missing';
  }
  if (copy.is32Bit && !accepts.takes32Bit) {
    return '32 bit only, which the session does not take';
  }
  return accepts.formats.includes(copy.format)
    ? null
    : `${copy.format}, which the session does not take`;
}

/** The copy that a host loads: of those it takes, the one in front. Stereo where no width is wished. */
export const copyToLoad = (
  plugin: Pick<Plugin, 'copies'>,
  accepts: TakenBySession,
  wish: CopyWish = {},
): CopyCard | undefined =>
  copyInFront(
    { copies: plugin.copies.filter((copy) => whyNotCopy(copy, accepts) === null) },
    { width: usualWidth, ...wish },
  );

/** What is said of a plugin and of the folder from which it is loaded, as a wish for its copy. */
export const copyWishOf = (
  said: Pick<AnswerFacts, 'firstCopy'> | undefined,
  folder: Pick<Folder, 'firstFormat' | 'firstCopies'> | null | undefined,
): CopyWish => ({
  first: said?.firstCopy ?? null,
  folderCopies: folder?.firstCopies ?? [],
  folderFormat: folder?.firstFormat ?? null,
});

/** Why a plugin is not offered that the user put out of sight: it is not even told of, unless it is called so. */
export const hiddenFromLoading = 'hidden from loading';

type Said = Pick<AnswerFacts, 'isHidden' | 'licence'> | undefined;

/**
 * Why a plugin cannot be loaded into such a slot now; null when it can. `today` as YYYY-MM-DD. Of a
 * chain this looks at the chain itself, `whyNotHere` also at what is in it.
 */
export function whyNot(
  plugin: Plugin,
  slot: SlotKind,
  said: Said,
  accepts: TakenBySession,
  today: string,
): string | null {
  if (!isLoadable(plugin.kind, slot)) {
    return `${slot === 'effect' || plugin.kind !== 'effect' ? kindWords[plugin.kind].one : 'an effect'}, and this is a slot for ${slotNames[slot]}`;
  }
  if (said?.isHidden) {
    return hiddenFromLoading;
  }
  if (said?.licence?.state === 'not licensed') {
    return 'not licensed';
  }
  if (
    said?.licence?.state === 'trial' &&
    said.licence.until !== null &&
    said.licence.until < today
  ) {
    return `its trial ended on ${said.licence.until}`;
  }
  if (plugin.setting?.isGone) {
    return 'its file is gone from the disk';
  }
  if (plugin.chain || plugin.copies.some((copy) => whyNotCopy(copy, accepts) === null)) {
    return null;
  }
  const nearest =
    plugin.copies.find((copy) => copy.state === 'present' && !copy.isFailed) ??
    plugin.copies.find((copy) => copy.state === 'present') ??
    plugin.copies[0];
  if (nearest && isPresent(plugin)) {
    return whyNotCopy(nearest, accepts);
  }
  if (plugin.copies.some((copy) => copy.state === 'away')) {
    return 'out of reach: its place is not there now';
  }
  return 'gone from the disk';
}

/** What is known around a plugin: the others, what is said of them, what the host takes, and the day. */
export interface Surroundings {
  readonly pluginOf: (id: string) => Plugin | undefined;
  readonly saidOf: (id: string) => Said;
  readonly accepts: TakenBySession;
  readonly today: string;
}

/**
 * The same also of a chain and what is in it: the first of its plugins that cannot be loaded where
 * it would stand.
 */
export function whyNotHere(plugin: Plugin, slot: SlotKind, known: Surroundings): string | null {
  const reason = whyNot(plugin, slot, known.saidOf(plugin.id), known.accepts, known.today);
  if (reason !== null) {
    return reason;
  }
  if (plugin.setting) {
    const owner = plugin.setting.plugin;
    const why = whyNotUnder(known.pluginOf(owner), slot, owner, known);
    return why === null ? null : `its plugin ${plugin.setting.pluginNames[0] ?? ''}: ${why}`;
  }
  for (const [at, id] of (plugin.chain ?? []).entries()) {
    const member = known.pluginOf(id);
    const why = whyNotUnder(
      member,
      at === 0 || slot === 'note-effect' ? slot : 'effect',
      id,
      known,
    );
    if (why !== null) {
      return `its ${member?.name ?? 'plugin'}: ${why}`;
    }
  }
  return null;
}

/** Why a plugin that something else stands on cannot be loaded. */
const whyNotUnder = (
  plugin: Plugin | undefined,
  slot: SlotKind,
  id: string,
  { saidOf, accepts, today }: Surroundings,
): string | null =>
  plugin ? whyNot(plugin, slot, saidOf(id), accepts, today) : 'no longer in the catalog';
