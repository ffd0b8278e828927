/** What the parts of the Load screen say to each other of slots. */
import type { SessionView } from '@clever-drawer/core';

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
