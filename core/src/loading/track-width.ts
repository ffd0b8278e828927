/** How many channels a slot has: those of its track, but for what the copies before it make of them. */
import { plural } from '../text/plural.ts';
import { usualWidth, type CopyCard } from '../catalog/plugin.ts';

/** The widths between which a track is switched by a key: channels. */
export const commonWidths = [2, 1] as const;
/** The most channels that a host may say of a track. */
export const widthLimit = 64;

/** What so many channels are called. */
export const widthWords = (channels: number): string =>
  ({ 0: 'nothing', 1: 'mono', 2: 'stereo' })[channels] ?? plural(channels, 'channel');

/** The width of a track; one of a session that was saved before there were widths is stereo. */
export const widthOfTrack = ({ width }: { readonly width?: number }): number => width ?? usualWidth;

/** The audio ports of a copy; null where reading cannot know. */
export type Ports = Pick<CopyCard, 'audioIn' | 'audioOut'>;

/**
 * The channels that reach a slot: those of the track, until a copy before it takes just as many and
 * gives another number out, as one from mono to stereo does. Copies whose ports are not known, or do
 * not fit the track, change nothing.
 */
export const widthBehind = (width: number, before: readonly (Ports | undefined)[]): number =>
  before.reduce((now, ports) => {
    const fits = ports !== undefined && ports.audioIn === now;
    return fits && ports.audioOut ? ports.audioOut : now;
  }, width);

/** How many channels get through a copy: the fewer of both its ends; null where that is not known. */
export const channelsThrough = ({ audioIn, audioOut }: Ports): number | null =>
  audioOut === null ? null : Math.min(audioIn ?? audioOut, audioOut);

/** Whether a copy gives another number of channels than its slot has; false where that is not known. */
export const misfitsWidth = ({ audioIn, audioOut }: Ports, width: number): boolean => {
  const isNarrow = audioIn !== null && audioIn > 0 && audioIn < width;
  return audioOut !== null && audioOut > 0 && (isNarrow || audioOut < width);
};
