/**
 * The session of a computer: what stands in its slots, and loading into them. The host does it;
 * what it says is kept in the database.
 */
import { randomUUID } from 'node:crypto';
import type { Direction } from '@clever-drawer/core/acts';
import type { LoadRequest, SessionView } from '@clever-drawer/core/api';
import { isOnly32Bit, withAnswer, type Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { Folder } from '@clever-drawer/core/order';
import {
  copyToLoad,
  copyWishOf,
  slotKindAt,
  whyNot,
  widthBehind,
  widthOfTrack,
  type HostCopy,
  type HostSession,
  type HostTrack,
  type Ports,
  type SlotKind,
  type TrackKind,
} from '@clever-drawer/core/loading';
import { describe, failed, ok, type Result } from '@clever-drawer/core/problem';
import { splitWidth } from '@clever-drawer/core/search';
import { cataloguedCopies, pluginById, wherePluginsAre } from '../../database/catalog.ts';
import { findComputer } from '../../database/computers.ts';
import {
  addToCatalog,
  answers,
  chains,
  findRecord,
  folders,
  pluginNames,
  preferences,
} from '../../database/order/index.ts';
import {
  addLoads,
  copiesInCatalog,
  hostCopyOf,
  listSavedSessions,
  newSession,
  readSession,
  sessionKey,
  writeSession,
} from '../../database/session.ts';
import { addStep, nextStep, nextWords, turnStep } from '../../database/session-steps.ts';
import type { CopyRow, PluginRow } from '../../database/catalog-tables.ts';
import type { LoadRow } from '../../database/session-tables.ts';
import type { Parts } from '../../parts.ts';
import { notHere } from '../catalog/elsewhere.ts';
import type { HostCommand } from '../../host/host.ts';
import { loadedWords, stepWords, type ChangeCommand } from './step-words.ts';
import { settingToLoad, type SettingHere } from './setting-to-load.ts';

/** The session of a computer as it is kept; an empty one without tracks where there is none. */
export const sessionOf = async (parts: Parts, computer: string): Promise<HostSession> =>
  (await readSession(parts.database.manager, computer)) ?? newSession([]);

/** The session as it stands. */
export async function viewSession(parts: Parts, computer: string): Promise<SessionView> {
  const { manager } = parts.database;
  const session = await sessionOf(parts, computer);
  const asked = session.tracks.flatMap((track) => track.slots.map((slot) => slot.copy));
  const [known, saved, undo, redo] = await Promise.all([
    copiesInCatalog(manager, computer, asked),
    listSavedSessions(manager, computer),
    nextWords(manager, computer, 'undo'),
    nextWords(manager, computer, 'redo'),
  ]);
  return {
    name: session.name,
    settings: session.settings,
    undo,
    redo,
    tracks: session.tracks.map(({ slots, ...track }) => ({
      ...track,
      width: widthOfTrack(track),
      slots: slots.map(({ id, copy, isBypassed, problem, state }) => {
        const found = known.get(sessionKey(copy));
        return {
          id,
          plugin: found ? asId(found.plugin) : null,
          copy: found ? asId(found.copy) : null,
          asked: copy,
          state: state ?? null,
          isBypassed,
          problem: problem && { ...problem, message: describe(problem) },
        };
      }),
    })),
    saved: saved.map(({ id, name, savedAt, session: savedSession }) => ({
      id,
      name,
      savedAt: savedAt.toISOString(),
      slots: savedSession.tracks.reduce((sum, track) => sum + track.slots.length, 0),
    })),
  };
}

/** Asks the host, and keeps what it says as a step that can be taken back. */
export async function asking(
  parts: Parts,
  computer: string,
  command: HostCommand,
  wordsOf: (before: HostSession) => string,
): Promise<Result<SessionView>> {
  const before = await sessionOf(parts, computer);
  const asked = await parts.host.ask(before, command);
  return asked.ok
    ? keep(parts, computer, { before, after: asked.value, words: wordsOf(before) })
    : asked;
}

/** What was done to a session. */
interface Step {
  readonly before: HostSession;
  readonly after: HostSession;
  readonly words: string;
}

/** What is kept with a session: loads, and what of them stands in the catalog for the first time. */
interface Beside {
  readonly loads: readonly LoadRow[];
  readonly things: Parameters<typeof addToCatalog>[2];
}

/** Keeps what the host says together with its step and the loads, in one transaction. */
export async function keep(
  parts: Parts,
  computer: string,
  { before, after, words }: Step,
  { loads, things }: Beside = { loads: [], things: [] },
): Promise<Result<SessionView>> {
  await parts.database.transaction(async (manager) => {
    await addStep(manager, computer, words, before);
    await writeSession(manager, computer, after);
    await addToCatalog(manager, computer, things);
    await addLoads(manager, loads);
  });
  parts.events.tell(computer, { event: 'session' });
  if (loads.length > 0) {
    parts.events.tell(computer, { event: 'usage' });
  }
  return ok(await viewSession(parts, computer));
}

/** Does something to the session in its turn, and tells every window. */
export const changeSession = (
  parts: Parts,
  computer: string,
  command: ChangeCommand,
): Promise<Result<SessionView>> =>
  parts.turns.take(computer, () =>
    asking(parts, computer, command, (before) => stepWords(before, command)),
  );

/** Takes the last step of the session back, or does it again: the host opens the session as it stood. */
export const stepSession = (
  parts: Parts,
  computer: string,
  direction: Direction,
): Promise<Result<SessionView>> =>
  parts.turns.take(computer, async () => {
    const { manager } = parts.database;
    const elsewhere = await notHere(parts, computer);
    if (elsewhere) {
      return failed(elsewhere);
    }
    const step = await nextStep(manager, computer, direction);
    if (!step) {
      return failed({ code: `nothing-to-${direction}`, at: 'session' });
    }
    const now = await sessionOf(parts, computer);
    const opened = await parts.host.ask(now, { do: 'open', session: step.session });
    if (!opened.ok) {
      return opened;
    }
    await parts.database.transaction(async (transaction) => {
      await turnStep(transaction, step, now);
      await writeSession(transaction, computer, opened.value);
    });
    parts.events.tell(computer, { event: 'session' });
    return ok(await viewSession(parts, computer));
  });

/** A copy to be loaded, with the setting it gets. */
interface Chosen {
  readonly row: CopyRow;
  readonly plugin: PluginRow;
  readonly setting: SettingHere | null;
}

/** What decides which copy is loaded: one chosen by hand, and the open folder. */
interface Wanted {
  readonly copy: string | null;
  readonly folder: Folder | null;
}

/**
 * The copy of a plugin that would stand there, or why none can. A copy that was chosen is given to
 * the host as it is: it says itself what it makes of it.
 */
async function chooseCopy(
  parts: Parts,
  computer: string,
  id: string,
  slot: SlotKind,
  { settings }: HostSession,
  width: number,
  { copy: wanted, folder }: Wanted,
): Promise<Result<Chosen>> {
  const { clock } = parts;
  const { manager } = parts.database;
  const found = await settingToLoad(parts, computer, id);
  if (found && !found.ok) {
    return found;
  }
  const setting = found?.value ?? null;
  const owner = setting?.plugin ?? id;
  // A window may still show what went into another plugin a moment ago.
  const now = (await wherePluginsAre(manager, computer, [owner])).get(owner)?.now;
  const plugin = now === undefined ? null : await pluginById(manager, computer, now);
  if (!plugin) {
    return failed({ code: 'unknown-record', at: 'plugin', what: 'plugin' });
  }
  const copies = (await cataloguedCopies(manager, [plugin.id])).filter(
    ({ format }) => setting === null || format === setting.format,
  );
  const said = (await findRecord(manager, answers, computer, plugin.id)) ?? undefined;
  const card = withAnswer(cardOf(plugin, copies), said);
  const reason =
    wanted === null ? whyNot(card, slot, said, settings, clock().toISOString().slice(0, 10)) : null;
  if (reason !== null) {
    return failed({ code: 'cannot-load', at: 'plugin', name: plugin.name, reason });
  }
  const preference = await findRecord(manager, preferences, computer, computer);
  const chosen =
    wanted ??
    copyToLoad(card, settings, {
      ...copyWishOf(said, folder),
      ...(preference ? { order: preference.formats } : {}),
      width,
    })?.id;
  const row = copies.find((copy) => copy.id === chosen);
  return row
    ? ok({ row, plugin, setting })
    : failed({ code: 'unknown-record', at: 'copy', what: 'copy' });
}

/** The copy as the host is told of it. */
const toHost = ({ row, plugin, setting }: Chosen): HostCopy => ({
  ...hostCopyOf(row, plugin.name),
  ...(setting
    ? {
        setting: {
          id: asId(setting.id),
          name: setting.name,
          path: setting.path,
          identity: setting.identity,
          state: setting.state,
        },
      }
    : {}),
});

/**
 * Loads a plugin, or all of a chain, into a slot and records the load. Past the end of the track it
 * is appended.
 */
export const loadIntoSlot = (
  parts: Parts,
  computer: string,
  request: LoadRequest,
): Promise<Result<SessionView>> =>
  parts.turns.take(computer, async () => {
    const { manager } = parts.database;
    const elsewhere = await notHere(parts, computer);
    if (elsewhere) {
      return failed(elsewhere);
    }
    const session = await sessionOf(parts, computer);
    const track = session.tracks.find((one) => one.id === request.track);
    const chain = await findRecord(manager, chains, computer, request.plugin);
    if (!track) {
      return failed({ code: 'unknown-record', at: 'track', what: 'track' });
    }
    const index = Math.min(request.index, track.slots.length);
    // A folder that was removed meanwhile decides nothing.
    const folder = request.folder
      ? await findRecord(manager, folders, computer, request.folder)
      : null;
    const copies: Chosen[] = [];
    let width = await widthBefore(parts, computer, track, index);
    for (const [at, id] of (chain?.plugins ?? [request.plugin]).entries()) {
      const chosen = await chooseCopy(
        parts,
        computer,
        id,
        slotKindAt(track.sort, index + at),
        session,
        splitWidth(request.typed).width ?? width,
        { copy: chain ? null : request.copy, folder },
      );
      if (!chosen.ok) {
        return chosen;
      }
      copies.push(chosen.value);
      width = widthBehind(width, [chosen.value.row.facts]);
    }
    const loaded = await loadAll(parts, session, track.id, index, copies.map(toHost));
    if (!loaded.ok) {
      return loaded;
    }
    const before = track.slots[index - 1]?.copy;
    const after =
      before &&
      (await copiesInCatalog(manager, computer, [before])).get(sessionKey(before))?.plugin;
    const isLearning = (await findComputer(manager, computer))?.isLearning ?? true;
    const setting = chain ? null : (copies[0]?.setting ?? null);
    const names = await findRecord(manager, pluginNames, computer, request.plugin);
    const name = names?.nickname ?? chain?.name ?? setting?.name ?? copies[0]?.plugin.name ?? '';
    const words = loadedWords(name, track, index);
    return keep(
      parts,
      computer,
      { before: session, after: loaded.value, words },
      {
        things: setting ? [{ id: request.plugin, name: setting.name, kind: 'unknown' }] : [],
        loads: isLearning
          ? loadRows(
              computer,
              parts.clock(),
              { request, sort: track.sort, after: after ?? null, folder: folder?.id ?? null },
              {
                copies,
                isPlain: chain === null && setting === null,
              },
            )
          : [],
      },
    );
  });

/** The channels that reach a slot. */
async function widthBefore(
  { database: { manager } }: Parts,
  computer: string,
  track: HostTrack,
  index: number,
): Promise<number> {
  const before = track.slots.slice(0, index).map((slot) => slot.copy);
  const known = await copiesInCatalog(manager, computer, before);
  return widthBehind(
    widthOfTrack(track),
    before.map((copy): Ports | undefined => known.get(sessionKey(copy))),
  );
}

interface Loading {
  readonly request: LoadRequest;
  readonly sort: TrackKind;
  /** The plugin in the slot before. */
  readonly after: string | null;
  readonly folder: string | null;
}

/**
 * The load as it was asked for; of a chain or setting also one of each plugin that it loaded, for
 * which nobody typed.
 */
function loadRows(
  computerId: string,
  at: Date,
  { request, sort, after, folder }: Loading,
  { copies, isPlain }: { readonly copies: readonly Chosen[]; readonly isPlain: boolean },
): LoadRow[] {
  const about = { computerId, at, track: sort };
  const byHand: LoadRow = {
    ...about,
    id: randomUUID(),
    pluginId: request.plugin,
    copyId: isPlain ? (copies[0]?.row.id ?? null) : null,
    afterPluginId: after,
    typed: request.typed,
    keys: request.keys,
    took: request.took,
    folderId: folder,
  };
  const within = copies.map(
    ({ row, plugin }, n): LoadRow => ({
      ...about,
      id: randomUUID(),
      pluginId: plugin.id,
      copyId: row.id,
      afterPluginId: copies[n - 1]?.plugin.id ?? after,
      typed: null,
      keys: null,
      took: null,
      folderId: folder,
    }),
  );
  return isPlain ? [byHand] : [byHand, ...within];
}

/** The first in the place of what stands there, the others behind it; all or none. */
async function loadAll(
  parts: Parts,
  session: HostSession,
  track: string,
  index: number,
  copies: readonly HostCopy[],
): Promise<Result<HostSession>> {
  let now: Result<HostSession> = ok(session);
  for (const [at, copy] of copies.entries()) {
    if (!now.ok) {
      return now;
    }
    const slot = randomUUID();
    now = await parts.host.ask(now.value, {
      do: 'load',
      track,
      index: at === 0 ? index : Number.MAX_SAFE_INTEGER,
      slot,
      copy,
    });
    if (now.ok && at > 0) {
      now = await parts.host.ask(now.value, { do: 'move', slot, track, index: index + at });
    }
  }
  return now;
}

/** What core needs to know of a plugin in order to choose its copy. */
export const cardOf = (plugin: PluginRow, copies: readonly CopyRow[]): Plugin => ({
  id: asId(plugin.id),
  name: plugin.name,
  vendor: plugin.vendor,
  kind: plugin.kind,
  types: plugin.types,
  arrived: plugin.arrivedAt.toISOString(),
  copies: copies.map((c) => ({
    id: asId(c.id),
    format: c.format,
    path: c.path,
    version: c.facts.version,
    hasPicture: c.facts.picture !== null,
    is32Bit: isOnly32Bit(c.facts.architectures),
    isFailed: c.status === 'failed',
    lacksProgram:
      c.format === 'LV2' &&
      c.facts.binary !== null &&
      c.facts.architectures === null &&
      c.facts.examined !== 'opened',
    audioIn: c.facts.audioIn,
    audioOut: c.facts.audioOut,
    state: c.state,
  })),
});
