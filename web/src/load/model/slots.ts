/** What the parts of the Load screen say to each other of slots. */
import type { SessionView, TrackView } from '@clever-drawer/core';

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
}

export interface SlotActs {
  readonly choose: (at: At) => void;
  readonly empty: (slot: string) => void;
  readonly move: (slot: string, track: string, index: number) => void;
  readonly bypass: (slot: string, isBypassed: boolean) => void;
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
