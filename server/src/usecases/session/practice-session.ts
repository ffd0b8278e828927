/**
 * The session of a computer: what stands in its slots, and loading into them. The host does it;
 * what it says is kept in the database.
 */
import { randomUUID } from 'node:crypto';
import {
  asId,
  copyToLoad,
  describe,
  failed,
  isOnly32Bit,
  ok,
  slotKindAt,
  whyNot,
  withAnswer,
  type HostCopy,
  type HostSession,
  type LoadRequest,
  type Plugin,
  type Result,
  type SessionView,
  type SlotKind,
} from '@clever-drawer/core';
import {
  copiesOfPlugins,
  pluginById,
  wherePluginsAre,
  shownState,
} from '../../database/catalog.ts';
import {} from '../../database/changes.ts';
import { findComputer } from '../../database/computers.ts';
import { findAnswer, findChain, findPreference } from '../../database/order.ts';
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
import type { CopyRow, PluginRow } from '../../database/catalog-tables.ts';
import type { LoadRow } from '../../database/session-tables.ts';
import type { Parts } from '../../parts.ts';
import { notHere } from '../catalog/elsewhere.ts';
import type { HostCommand } from '../../host/host.ts';

/** The session of a computer as it is kept; an empty one without tracks where there is none. */
export const sessionOf = async (parts: Parts, computer: string): Promise<HostSession> =>
  (await readSession(parts.database.manager, computer)) ?? newSession([]);

/** The session as it stands. */
export async function viewSession(parts: Parts, computer: string): Promise<SessionView> {
  const { manager } = parts.database;
  const session = await sessionOf(parts, computer);
  const asked = session.tracks.flatMap((track) => track.slots.map((slot) => slot.copy));
  const [known, saved] = await Promise.all([
    copiesInCatalog(manager, computer, asked),
    listSavedSessions(manager, computer),
  ]);
  return {
    name: session.name,
    settings: session.settings,
    tracks: session.tracks.map(({ slots, ...track }) => ({
      ...track,
      slots: slots.map(({ id, copy, isBypassed, problem }) => {
        const found = known.get(sessionKey(copy));
        return {
          id,
          plugin: found ? asId(found.plugin) : null,
          copy: found ? asId(found.copy) : null,
          asked: copy,
          isBypassed,
          problem: problem && { ...problem, message: describe(problem) },
        };
      }),
    })),
    saved: saved.map(({ id, name, savedAt, session: held }) => ({
      id,
      name,
      savedAt: savedAt.toISOString(),
      slots: held.tracks.reduce((sum, track) => sum + track.slots.length, 0),
    })),
  };
}

/** Asks the host, and keeps what it says. */
export async function asking(
  parts: Parts,
  computer: string,
  command: HostCommand,
): Promise<Result<SessionView>> {
  const asked = await parts.host.ask(await sessionOf(parts, computer), command);
  return asked.ok ? keep(parts, computer, asked.value) : asked;
}

/** Keeps what the host says together with the loads, in one transaction. */
async function keep(
  parts: Parts,
  computer: string,
  session: HostSession,
  also: readonly LoadRow[] = [],
): Promise<Result<SessionView>> {
  await parts.database.transaction(async (manager) => {
    await writeSession(manager, computer, session);
    await addLoads(manager, also);
  });
  parts.events.tell(computer, { event: 'session' });
  if (also.length > 0) {
    parts.events.tell(computer, { event: 'usage' });
  }
  return ok(await viewSession(parts, computer));
}

/** Does something to the session in its turn, and tells every window. */
export const changeSession = (
  parts: Parts,
  computer: string,
  command: HostCommand,
): Promise<Result<SessionView>> =>
  parts.turns.take(computer, () => asking(parts, computer, command));

type Chosen = Result<{ readonly row: CopyRow; readonly plugin: PluginRow }>;

/**
 * The copy of a plugin that would stand there, or why none can. A copy that was chosen is given to
 * the host as it is: it says itself what it makes of it.
 */
async function chooseCopy(
  { database: { manager }, clock }: Parts,
  computer: string,
  id: string,
  slot: SlotKind,
  { settings }: HostSession,
  wanted: string | null,
): Promise<Chosen> {
  // A window may still show what went into another plugin a moment ago.
  const now = (await wherePluginsAre(manager, computer, [id])).get(id);
  const plugin = now === undefined ? null : await pluginById(manager, computer, now);
  if (!plugin) {
    return failed({ code: 'unknown-record', at: 'plugin', what: 'plugin' });
  }
  const copies = await copiesOfPlugins(manager, [plugin.id]);
  const said = (await findAnswer(manager, plugin.id)) ?? undefined;
  const card = withAnswer(cardOf(plugin, copies), said);
  const reason =
    wanted === null ? whyNot(card, slot, said, settings, clock().toISOString().slice(0, 10)) : null;
  if (reason !== null) {
    return failed({ code: 'cannot-load', at: 'plugin', name: plugin.name, reason });
  }
  const chosen =
    wanted ?? copyToLoad(card, settings, (await findPreference(manager, computer))?.formats)?.id;
  const row = copies.find((copy) => copy.id === chosen);
  return row ? ok({ row, plugin }) : failed({ code: 'unknown-record', at: 'copy', what: 'copy' });
}

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
    const chain = await findChain(manager, computer, request.plugin);
    if (!track) {
      return failed({ code: 'unknown-record', at: 'track', what: 'track' });
    }
    const index = Math.min(request.index, track.slots.length);
    const copies: { readonly row: CopyRow; readonly plugin: PluginRow }[] = [];
    for (const [at, id] of (chain?.plugins ?? [request.plugin]).entries()) {
      const chosen = await chooseCopy(
        parts,
        computer,
        id,
        slotKindAt(track.sort, index + at),
        session,
        chain ? null : request.copy,
      );
      if (!chosen.ok) {
        return chosen;
      }
      copies.push(chosen.value);
    }
    const loaded = await loadAll(
      parts,
      session,
      track.id,
      index,
      copies.map(({ row, plugin }) => hostCopyOf(row, plugin.name)),
    );
    if (!loaded.ok) {
      return loaded;
    }
    const before = track.slots[index - 1]?.copy;
    const after =
      before &&
      (await copiesInCatalog(manager, computer, [before])).get(sessionKey(before))?.plugin;
    const isLearning = (await findComputer(manager, computer))?.isLearning ?? true;
    const about = {
      computerId: computer,
      at: parts.clock(),
      track: track.sort,
      typed: request.typed,
      keys: request.keys,
      took: request.took,
    };
    const byHand: LoadRow = {
      ...about,
      id: randomUUID(),
      pluginId: request.plugin,
      copyId: chain ? null : (copies[0]?.row.id ?? null),
      afterPluginId: after ?? null,
    };
    // What is in a chain counts as loaded, but nobody typed for it.
    const within = chain
      ? copies.map(
          ({ row, plugin }, at): LoadRow => ({
            ...about,
            typed: null,
            keys: null,
            took: null,
            id: randomUUID(),
            pluginId: plugin.id,
            copyId: row.id,
            afterPluginId: copies[at - 1]?.plugin.id ?? after ?? null,
          }),
        )
      : [];
    return keep(parts, computer, loaded.value, isLearning ? [byHand, ...within] : []);
  });

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
    audioIn: c.facts.audioIn,
    audioOut: c.facts.audioOut,
    state: shownState(c.state),
  })),
});
