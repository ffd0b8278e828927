/**
 * Open Sound Control 1.0 (https://opensoundcontrol.stanford.edu/spec-1_0.html) over UDP on
 * loopback: an open way in for hosts. The messages are in docs/host.md.
 */
import { createSocket, type RemoteInfo, type Socket } from 'node:dgram';
import { once } from 'node:events';
import { fromBuffer, toBuffer, type OscMessageOutput, type OscPacketOutput } from 'osc-min';
import { formats, type Format } from '@clever-drawer/core/formats';
import { asId } from '@clever-drawer/core/id';
import { trackKinds, widthLimit, type SlotKind, type TrackKind } from '@clever-drawer/core/loading';
import { describe, type Result } from '@clever-drawer/core/problem';
import { storable } from '@clever-drawer/core/text';
import { changeSession, loadIntoSlot, viewSession } from '../usecases/session/practice-session.ts';
import { hearLoad } from '../usecases/loads/external-loads.ts';
import { loggable } from '../log.ts';
import type { Parts } from '../parts.ts';
import { viewComputers } from '../usecases/catalog/view-catalog.ts';
import { findPlugins } from '../usecases/catalog/find-plugins.ts';

type Reply = readonly (string | number)[];
type Answer = (address: string, ...values: Reply) => void;
/** Messages of one packet that are answered; a bundle of more is cut off. */
const messagesLimit = 64;
/** Messages that are obeyed at once, and that wait: what comes beyond is refused, so that windows have their turn. */
const atOnce = 4;
const waitingLimit = 256;
const foundLimit = 9;

/** Hears OSC messages over UDP on loopback, and answers. */
export class OscServer {
  readonly #parts: Parts;
  readonly #socket: Socket = createSocket('udp4');
  readonly #waiting: (() => Promise<void>)[] = [];
  #busy = 0;
  #isOver = false;

  constructor(parts: Parts) {
    this.#parts = parts;
    this.#socket.on('message', (bytes, from) => {
      this.#hear(bytes, from);
    });
  }

  /** Listens on loopback; 0 takes any free port. Gives the port. */
  async listen(port: number): Promise<number> {
    this.#socket.bind({ address: '127.0.0.1', port, exclusive: true });
    await once(this.#socket, 'listening');
    return this.#socket.address().port;
  }

  async close(): Promise<void> {
    this.#isOver = true;
    this.#waiting.length = 0;
    this.#socket.close();
    await once(this.#socket, 'close');
  }

  #hear(bytes: Buffer, from: RemoteInfo): void {
    if (from.port === 0 || from.port === this.#socket.address().port) {
      // Nobody hears an answer to port 0, and one to our own port would be heard as a message.
      return;
    }
    const answer: Answer = (address, ...values) => {
      if (this.#isOver) {
        return;
      }
      const view = toBuffer({
        address,
        args: values.map((value) =>
          typeof value === 'number'
            ? { type: 'integer' as const, value }
            : { type: 'string' as const, value },
        ),
      });
      this.#socket.send(
        new Uint8Array(view.buffer, view.byteOffset, view.byteLength),
        from.port,
        from.address,
        (error) => {
          if (error) {
            this.#parts.log.warn({ error: loggable(error) }, 'an OSC answer could not be sent');
          }
        },
      );
    };
    let messages: OscMessageOutput[];
    try {
      messages = messagesIn(fromBuffer(bytes)).slice(0, messagesLimit);
    } catch (error) {
      answer(
        '/clever-drawer/refused',
        `That is no OSC packet: ${error instanceof Error ? error.message : String(error)}`,
      );
      return;
    }
    for (const message of messages) {
      this.#take(() =>
        this.#obey(message, answer).catch((error: unknown) => {
          this.#parts.log.error(
            { error: loggable(error), address: message.address },
            'an OSC message failed',
          );
          answer('/clever-drawer/refused', 'Something went wrong inside Clever Drawer.');
        }),
      );
    }
  }

  /** Does a piece of work when it has its turn; beyond the limit it is dropped, as UDP may always do. */
  #take(work: () => Promise<void>): void {
    if (this.#waiting.length >= waitingLimit) {
      return;
    }
    this.#waiting.push(work);
    if (this.#busy < atOnce) {
      this.#busy += 1;
      this.#work().catch((error: unknown) => {
        this.#parts.log.error({ error: loggable(error) }, 'OSC messages are not obeyed');
      });
    }
  }

  async #work(): Promise<void> {
    try {
      for (let work = this.#waiting.shift(); work; work = this.#waiting.shift()) {
        await work();
      }
    } finally {
      this.#busy -= 1;
    }
  }

  async #obey({ address, args }: OscMessageOutput, answer: Answer): Promise<void> {
    const [computer] = await viewComputers(this.#parts);
    const values = args.map((arg) => ('value' in arg ? arg.value : null));
    const does = Object.hasOwn(commands, address) ? commands[address] : undefined;
    if (!does || !computer) {
      answer(
        '/clever-drawer/refused',
        `There is no message ${address.slice(0, 200)}. There are ${Object.keys(commands).join(', ')}.`,
      );
      return;
    }
    await does(this.#parts, computer.id, values, answer);
  }
}

const messagesIn = (packet: OscPacketOutput): OscMessageOutput[] =>
  packet.oscType === 'message' ? [packet] : packet.elements.flatMap(messagesIn);
const textAt = (values: readonly unknown[], at: number): string =>
  typeof values[at] === 'string' ? storable(values[at]) : '';
const numberAt = (values: readonly unknown[], at: number): number =>
  typeof values[at] === 'number' && Number.isFinite(values[at])
    ? Math.min(1_000_000, Math.max(0, Math.floor(values[at])))
    : 0;
const isSlotSort = (text: string): text is SlotKind =>
  text === 'effect' || text === 'instrument' || text === 'note-effect';
const refused = (answer: Answer, result: Result<unknown>): boolean => {
  if (!result.ok) {
    answer('/clever-drawer/refused', result.problems.map(describe).join(' '));
  }
  return !result.ok;
};

type Command = (
  parts: Parts,
  computer: string,
  values: readonly unknown[],
  answer: Answer,
) => Promise<void>;

const commands: Readonly<Record<string, Command>> = {
  '/clever-drawer/find': async (parts, computer, values, answer) => {
    const slot = textAt(values, 1);
    const found = await findPlugins(
      parts,
      computer,
      textAt(values, 0).slice(0, 200),
      isSlotSort(slot) ? slot : null,
      foundLimit,
      numberAt(values, 2) === 0 ? undefined : Math.min(widthLimit, numberAt(values, 2)),
    );
    if (!found.ok) {
      return;
    }
    for (const [at, one] of found.value.entries()) {
      answer(
        '/clever-drawer/found',
        at + 1,
        one.plugin,
        one.name,
        one.chain ? 'chain' : (one.format ?? ''),
        one.path ?? '',
        one.because,
      );
      if (one.setting) {
        const { name, identity, path, state } = one.setting;
        answer('/clever-drawer/found/setting', at + 1, name, identity ?? path ?? '', state ?? '');
      }
      for (const member of one.chain ?? []) {
        answer(
          '/clever-drawer/found/in',
          at + 1,
          member.plugin,
          member.name,
          member.format ?? '',
          member.path ?? '',
        );
      }
    }
    answer('/clever-drawer/found/end', found.value.length);
  },
  '/clever-drawer/tracks': async (parts, computer, _, answer) => {
    for (const track of (await viewSession(parts, computer)).tracks) {
      answer(
        '/clever-drawer/track',
        track.id,
        track.name,
        track.sort,
        track.slots.length,
        ...track.slots.map((slot) => slot.asked.name),
      );
    }
  },
  '/clever-drawer/load': async (parts, computer, values, answer) => {
    const name = textAt(values, 0);
    const track = (await viewSession(parts, computer)).tracks.find(
      (one) => one.id === name || one.name === name,
    );
    const result = await loadIntoSlot(parts, computer, {
      track: asId(track?.id ?? ''),
      index: numberAt(values, 1),
      plugin: asId(isUuid(textAt(values, 2)) ? textAt(values, 2) : nobody),
      copy: null,
      typed: '',
      keys: 0,
      took: null,
    });
    if (!refused(answer, result)) {
      answer('/clever-drawer/loaded', track?.name ?? '', numberAt(values, 1));
    }
  },
  '/clever-drawer/bypass': async (parts, computer, values, answer) => {
    const name = textAt(values, 0);
    const slot = (await viewSession(parts, computer)).tracks.find(
      (one) => one.id === name || one.name === name,
    )?.slots[numberAt(values, 1)];
    const isBypassed = numberAt(values, 2) !== 0;
    if (
      !refused(
        answer,
        await changeSession(parts, computer, { do: 'bypass', slot: slot?.id ?? '', isBypassed }),
      )
    ) {
      answer('/clever-drawer/bypassed', name, numberAt(values, 1), isBypassed ? 1 : 0);
    }
  },
  '/clever-drawer/host/loaded': async (parts, computer, values, answer) => {
    const format = formats.find((one): one is Format => one === textAt(values, 0));
    const track = trackKinds.find((one): one is TrackKind => one === textAt(values, 2));
    const after = textAt(values, 3);
    const id = textAt(values, 4);
    if (!format || !track) {
      answer(
        '/clever-drawer/refused',
        `/clever-drawer/host/loaded takes a format (${formats.join(', ')}), a path, a sort of track (${trackKinds.join(', ')}) and, if there are any, the path of the plugin before and an id of the load.`,
      );
      return;
    }
    if (
      !refused(
        answer,
        await hearLoad(parts, computer, {
          ...(id === '' ? {} : { id }),
          format,
          path: textAt(values, 1),
          identity: null,
          track,
          after: after === '' ? null : after,
        }),
      )
    ) {
      answer('/clever-drawer/host/heard', textAt(values, 1), ...(id === '' ? [] : [id]));
    }
  },
};

const nobody = '00000000-0000-0000-0000-000000000000';
const isUuid = (text: string): boolean => /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/.test(text);
