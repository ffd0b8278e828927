/**
 * The process of the practice session: answers one message after the other with a session or with
 * problems.
 */
import {
  changeSlot,
  moveSlot,
  putSlot,
  removeSlot,
  slotLimit,
  trackOfSlot,
  widenTrack,
  type HostCopy,
  type HostSession,
  type HostSlot,
  type HostTrack,
} from '@clever-drawer/core/loading';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import type { HostCommand } from '../host.ts';
import { Crash, openCopy } from './opening.ts';

/** What is sent to the process. */
export interface Asked {
  readonly id: number;
  readonly before: HostSession;
  readonly command: HostCommand;
}
/** What the process sends back. */
export interface Answered {
  readonly id: number;
  readonly result: Result<HostSession>;
}

/** How many copies of a session are opened at once. */
const atOnce = 4;

async function fulfil(session: HostSession, command: HostCommand): Promise<Result<HostSession>> {
  switch (command.do) {
    case 'load': {
      const track = session.tracks.find((one) => one.id === command.track);
      if (!track) {
        return failed({ code: 'unknown-record', at: 'track', what: 'track' });
      }
      if (command.index >= track.slots.length && track.slots.length >= slotLimit) {
        return failed({ code: 'track-full', at: 'track', name: track.name, limit: slotLimit });
      }
      const opened = await openCopy(command.copy, session.settings);
      return opened.ok
        ? ok(
            putSlot(session, track.id, command.index, {
              id: command.slot as HostSlot['id'],
              copy: command.copy,
              isBypassed: false,
              problem: null,
              state: stateOf(command.copy),
            }),
          )
        : opened;
    }
    case 'empty':
      return known(session, command.slot, () => removeSlot(session, command.slot));
    case 'move':
      return session.tracks.some((track) => track.id === command.track)
        ? known(session, command.slot, () =>
            moveSlot(session, command.slot, command.track, command.index),
          )
        : failed({ code: 'unknown-record', at: 'track', what: 'track' });
    case 'bypass':
      return known(session, command.slot, () =>
        changeSlot(session, command.slot, (slot) => ({ ...slot, isBypassed: command.isBypassed })),
      );
    case 'widen':
      return session.tracks.some((track) => track.id === command.track)
        ? ok(widenTrack(session, command.track, command.width))
        : failed({ code: 'unknown-record', at: 'track', what: 'track' });
    case 'set':
      return ok({ ...session, settings: command.settings });
    case 'open':
      return ok({
        ...command.session,
        settings: session.settings,
        tracks: await openTracks(command.session.tracks, session.settings),
      });
    default:
      return command satisfies never;
  }
}

/**
 * What a host would give as the state of a plugin: here, where no plugin runs, what was opened and with
 * which setting. One that was given comes back as it was.
 */
const stateOf = ({ format, identity, name, setting }: HostCopy): string =>
  setting?.state ??
  Buffer.from(
    JSON.stringify({ format, plugin: identity ?? name, setting: setting?.name ?? null }),
  ).toString('base64');

const known = (
  session: HostSession,
  slot: string,
  change: () => HostSession,
): Result<HostSession> =>
  trackOfSlot(session, slot)
    ? ok(change())
    : failed({ code: 'unknown-record', at: 'slot', what: 'slot' });

async function openTracks(
  tracks: readonly HostTrack[],
  settings: HostSession['settings'],
): Promise<HostTrack[]> {
  const problems = new Map<string, HostSlot['problem']>();
  const waiting = tracks.flatMap((track) => track.slots);
  const work = async (): Promise<void> => {
    for (let slot = waiting.shift(); slot; slot = waiting.shift()) {
      problems.set(slot.id, await problemOf(slot, settings));
    }
  };
  await Promise.all(Array.from({ length: atOnce }, work));
  return tracks.map((track) => ({
    ...track,
    slots: track.slots.map((slot) => ({ ...slot, problem: problems.get(slot.id) ?? null })),
  }));
}

/**
 * A saved session that holds what crashes would never open again: such a copy stays closed, with
 * the reason.
 */
async function problemOf(
  { copy }: HostSlot,
  settings: HostSession['settings'],
): Promise<HostSlot['problem']> {
  try {
    const opened = await openCopy(copy, settings);
    return opened.ok ? null : (opened.problems[0] ?? null);
  } catch (error) {
    if (error instanceof Crash) {
      return { code: 'host-crashed', at: copy.path, name: copy.name };
    }
    throw error;
  }
}

process.on('message', ({ id, before, command }: Asked) => {
  fulfil(before, command).then(
    (result) => process.send?.({ id, result } satisfies Answered),
    // What crashes a plugin ends its host, here as anywhere.
    () => {
      process.exit(134);
    },
  );
});
process.on('disconnect', () => {
  process.exit(0);
});
