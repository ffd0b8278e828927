/** What may be loaded where. */
import type { Plugin } from '../catalog/plugin.ts';
import type { AnswerFacts } from '../catalog/answer.ts';
import type { Kind } from '../catalog/kind.ts';

export const trackSorts = ['track', 'instrument', 'bus', 'final'] as const;
/** A row of the host's session: an audio track, an instrument track, a bus, or the final chain. */
export type TrackSort = (typeof trackSorts)[number];
/** What a slot takes: the first slot of an instrument track an instrument, all others effects and tools. */
export type SlotSort = 'instrument' | 'effect';

export const slotSortAt = (track: TrackSort, index: number): SlotSort => (track === 'instrument' && index === 0 ? 'instrument' : 'effect');

/** Kinds that nothing is known about are offered everywhere rather than nowhere. */
export const fits = (kind: Kind, slot: SlotSort): boolean =>
  kind === 'unknown' || (slot === 'instrument' ? kind === 'instrument' : kind === 'effect' || kind === 'tool');

/** Whether a plugin can be loaded into such a slot now: it fits, is neither hidden nor without licence, and a sound copy is there that a 64-bit host takes. */
export const canLoad = (plugin: Plugin, slot: SlotSort, said: Pick<AnswerFacts, 'isHidden' | 'licence'> | undefined): boolean => fits(plugin.kind, slot) && !said?.isHidden && said?.licence?.state !== 'not licensed' && plugin.copies.some((copy) => copy.state === 'present' && !copy.is32Bit && !copy.isFailed);
