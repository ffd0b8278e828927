/** A host's session as a host knows it: rows of slots, each with a copy by what the disk tells of it. */
import type { Format } from '../formats/found-copy.ts';
import type { TrackKind } from './loadability.ts';
import type { PluginId, SlotId, TrackId } from '../id.ts';
import type { Problem } from '../problem.ts';

/** A copy as sessions name it: enough to find it again, or its like. */
export interface HostCopy {
  readonly format: Format;
  readonly path: string;
  readonly identity: string | null;
  readonly name: string;
  readonly vendor: string | null;
  /** The program file, where it is known. */
  readonly binary: string | null;
  /** The saved setting that it is loaded with. */
  readonly setting?: HostSetting;
}

/** A saved setting as a host is told of it: a file, for LV2 also the preset's URI, or a state it gave. */
export interface HostSetting {
  /** What it stands in the catalog as. */
  readonly id: PluginId;
  readonly name: string;
  readonly path: string | null;
  readonly identity: string | null;
  readonly state: string | null;
}

/** A slot with what stands in it. */
export interface HostSlot {
  readonly id: SlotId;
  readonly copy: HostCopy;
  readonly isBypassed: boolean;
  /** Why nothing sounds here: the copy could not be opened. Null when it is open. */
  readonly problem: Problem | null;
  /** What the host gives as the state of what stands here, opaque. */
  readonly state?: string;
}

/** A track with its slots in order. */
export interface HostTrack {
  readonly id: TrackId;
  readonly name: string;
  readonly sort: TrackKind;
  /** Channels; not said in sessions that were saved before tracks had a width. */
  readonly width?: number;
  readonly slots: readonly HostSlot[];
}

/** What the host takes: formats, and whether programs of 32 bits beside those of 64. */
export interface HostSettings {
  readonly formats: readonly Format[];
  readonly takes32Bit: boolean;
}

/** A session as a host keeps it. */
export interface HostSession {
  readonly name: string;
  readonly settings: HostSettings;
  readonly tracks: readonly HostTrack[];
}

/** The most slots of a track. */
export const slotLimit = 64;

const onTrack = (
  session: HostSession,
  track: string,
  change: (slots: readonly HostSlot[]) => readonly HostSlot[],
): HostSession => ({
  ...session,
  tracks: session.tracks.map((one) =>
    one.id === track ? { ...one, slots: change(one.slots) } : one,
  ),
});

/** The session with a track of so many channels. */
export const widenTrack = (session: HostSession, track: string, width: number): HostSession => ({
  ...session,
  tracks: session.tracks.map((one) => (one.id === track ? { ...one, width } : one)),
});

/** The track that has the slot. */
export const trackOfSlot = (session: HostSession, slot: string): HostTrack | undefined =>
  session.tracks.find((track) => track.slots.some((one) => one.id === slot));

/** Puts a slot at a place: in the place of what stands there, or behind the last. */
export const putSlot = (
  session: HostSession,
  track: string,
  index: number,
  slot: HostSlot,
): HostSession =>
  onTrack(session, track, (slots) =>
    index < slots.length ? slots.map((one, at) => (at === index ? slot : one)) : [...slots, slot],
  );

/** The session without a slot. */
export const removeSlot = (session: HostSession, slot: string): HostSession =>
  onTrack(session, trackOfSlot(session, slot)?.id ?? '', (slots) =>
    slots.filter((one) => one.id !== slot),
  );

/** The session with a slot changed. */
export const changeSlot = (
  session: HostSession,
  slot: string,
  change: (slot: HostSlot) => HostSlot,
): HostSession =>
  onTrack(session, trackOfSlot(session, slot)?.id ?? '', (slots) =>
    slots.map((one) => (one.id === slot ? change(one) : one)),
  );

/** Moves a slot along its track, or to another; the others close up. */
export function moveSlot(
  session: HostSession,
  slot: string,
  track: string,
  index: number,
): HostSession {
  const moved = trackOfSlot(session, slot)?.slots.find((one) => one.id === slot);
  return moved === undefined
    ? session
    : onTrack(removeSlot(session, slot), track, (slots) => [
        ...slots.slice(0, index),
        moved,
        ...slots.slice(index),
      ]);
}
