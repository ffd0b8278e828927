/** What the parts of the Load screen say to each other of slots. */
import type { SessionView, SlotView, TrackView } from '@clever-drawer/core/api';
import type { CopyCard, Plugin } from '@clever-drawer/core/catalog';
import type { PluginId } from '@clever-drawer/core/id';
import { commonWidths, widthBehind } from '@clever-drawer/core/loading';

/** A slot: the track and the place on it. */
export interface At {
  readonly track: string;
  readonly index: number;
}

/** A load that the host has not answered yet. */
export interface Opening {
  readonly id: number;
  readonly track: string;
  readonly index: number;
  readonly name: string;
  /** How many slots it takes: one, but of a chain. */
  readonly length: number;
  /** The last plugin of it. */
  readonly last: PluginId;
}

export interface SlotActs {
  readonly choose: (at: At) => void;
  readonly empty: (slot: string) => void;
  readonly move: (slot: string, track: string, index: number) => void;
  readonly bypass: (slot: string, isBypassed: boolean) => void;
  /** Gives a track so many channels. */
  readonly widen: (track: string, width: number) => void;
  /** Something done to the session that undo takes back. */
  readonly step: (work: Promise<SessionView>) => void;
  /** Takes the session that comes of it, or says what was wrong. */
  readonly after: (work: Promise<SessionView>, words?: string) => void;
}

/**
 * The slot that a load goes to: the chosen one, else the first empty one behind all that is there
 * or on its way. Null without a track.
 */
export function slotToFill(
  track: TrackView | undefined,
  chosen: At | null,
  opening: readonly Opening[],
): At | null {
  if (!track) {
    return null;
  }
  const filled = track.slots.length;
  const waiting = opening.filter((one) => one.track === track.id && one.index >= filled).length;
  return { track: track.id, index: Math.min(chosen?.index ?? filled, filled + waiting) };
}

/** The plugin in front of a slot, there or on its way; null for the first slot and a gap. */
export function pluginBefore(
  track: TrackView,
  index: number,
  opening: readonly Opening[],
): PluginId | null {
  const coming = opening.find((one) => one.track === track.id && one.index + one.length === index);
  return coming?.last ?? track.slots[index - 1]?.plugin ?? null;
}

/** The copy of a slot as the catalog knows it; undefined where it does not. */
export const copyInSlot = (
  { plugin, copy }: Pick<SlotView, 'plugin' | 'copy'>,
  pluginById: ReadonlyMap<string, Plugin>,
): CopyCard | undefined => pluginById.get(plugin ?? '')?.copies.find(({ id }) => id === copy);

/** The channels that reach a slot. */
export const widthOfSlot = (
  { width, slots }: Pick<TrackView, 'width' | 'slots'>,
  index: number,
  pluginById: ReadonlyMap<string, Plugin>,
): number =>
  widthBehind(
    width,
    slots.slice(0, index).map((slot) => copyInSlot(slot, pluginById)),
  );

/** The width that a key switches a track to. */
export const otherWidth = (width: number): number =>
  commonWidths.find((one) => one !== width) ?? width;
