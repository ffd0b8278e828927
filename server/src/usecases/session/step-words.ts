/** What was done to a session, in words. */
import {
  trackOfSlot,
  widthWords,
  type HostSession,
  type HostTrack,
} from '@clever-drawer/core/loading';
import type { HostCommand } from '../../host/host.ts';

/** What is done to what stands in a session. */
export type ChangeCommand = Exclude<HostCommand, { do: 'load' | 'open' }>;

/** A load in words; places of slots are counted from 1 there. */
export const loadedWords = (name: string, { name: track }: HostTrack, index: number): string =>
  `${name} loaded in ${track}, slot ${index + 1}`;

/** What a command does to a session, in words. */
export function stepWords(session: HostSession, command: ChangeCommand): string {
  if (command.do === 'set') {
    return 'Change what the session takes';
  }
  if (command.do === 'widen') {
    const track = session.tracks.find(({ id }) => id === command.track);
    return `${track?.name ?? 'The track'} is ${widthWords(command.width)} now`;
  }
  const track = trackOfSlot(session, command.slot);
  const copy = track?.slots.find(({ id }) => id === command.slot)?.copy;
  const name = copy?.setting?.name ?? copy?.name ?? 'a slot';
  if (command.do === 'bypass') {
    return command.isBypassed ? `Bypass ${name}` : `No longer bypass ${name}`;
  }
  const where = `${name} on ${track?.name ?? 'its track'}`;
  return command.do === 'move' ? `Move ${where}` : `Empty the slot of ${where}`;
}
