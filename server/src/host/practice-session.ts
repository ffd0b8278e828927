/** The practice session: a stand-in for the program that plugins run in, with tracks, buses and slots. */
import { randomUUID } from 'node:crypto';
import { asId, canLoad, copyInFront, failed, fits, isOnly32Bit, ok, slotSortAt, withAnswer, type LoadRequest, type PastLoad, type Plugin, type Result, type SessionView } from '@clever-drawer/core';
import { copiesOfPlugins, pluginById, shownState } from '../database/catalog.ts';
import { pluginNames } from '../database/changes.ts';
import { findAnswer, findPreference } from '../database/order.ts';
import { addLoads, findTrack, listSlots, listTracks, putSlot, removeSlot, slotsOfTrack } from '../database/session.ts';
import type { CopyRow, LoadRow, PluginRow } from '../database/schemas.ts';
import type { Parts } from '../parts.ts';

export async function viewSession(parts: Parts, computer: string): Promise<SessionView> {
  const { manager } = parts.database;
  const [tracks, slots] = await Promise.all([listTracks(manager, computer), listSlots(manager, computer)]);
  return {
    name: 'Practice session',
    tracks: tracks.map(({ id, name, sort }) => ({
      id: asId(id), name, sort,
      slots: slots.filter((s) => s.trackId === id).map((s) => ({ id: asId(s.id), plugin: asId(s.pluginId), copy: s.copyId === null ? null : asId(s.copyId) })),
    })),
  };
}

/** Loads a plugin into a slot and records the load, in one transaction. Past the end of the track it is appended. */
export async function loadIntoSlot(parts: Parts, computer: string, request: LoadRequest): Promise<Result<SessionView>> {
  const result = await parts.database.transaction(async (manager): Promise<Result<null>> => {
    const track = await findTrack(manager, computer, request.track);
    const plugin = await pluginById(manager, computer, request.plugin);
    if (!track) return failed({ code: 'unknown-record', at: 'track', what: 'track' });
    if (!plugin) return failed({ code: 'unknown-record', at: 'plugin', what: 'plugin' });
    const slots = await slotsOfTrack(manager, track.id);
    const number = Math.min(request.index, slots.length);
    const sort = slotSortAt(track.sort, number);
    const said = await findAnswer(manager, plugin.id), card = withAnswer(cardOf(plugin, await copiesOfPlugins(manager, [plugin.id])), said ?? undefined);
    const copy = copyInFront(card, (await findPreference(manager, computer))?.formats);
    if (copy?.state !== 'present' || copy.isFailed) return failed({ code: 'no-copy-to-load', at: 'plugin', name: plugin.name });
    if (fits(card.kind, sort) && !canLoad(card, sort, said ?? undefined)) return failed({ code: 'no-copy-to-load', at: 'plugin', name: plugin.name });
    if (!fits(card.kind, sort)) return failed({ code: 'does-not-fit-slot', at: 'plugin', name: plugin.name, slot: sort === 'instrument' ? 'an instrument' : 'effects' });
    await putSlot(manager, { id: randomUUID(), trackId: track.id, number, pluginId: plugin.id, copyId: copy.id });
    await addLoads(manager, [{
      id: randomUUID(), computerId: computer, pluginId: plugin.id, copyId: copy.id, at: parts.clock(), track: track.sort,
      afterPluginId: slots[number - 1]?.pluginId ?? null, typed: request.typed, keys: request.keys,
    }]);
    return ok(null);
  });
  if (!result.ok) return result;
  parts.events.tell(computer, { event: 'session' });
  parts.events.tell(computer, { event: 'usage' });
  return ok(await viewSession(parts, computer));
}

/** What core needs to know of a plugin in order to choose its copy. */
function cardOf(plugin: PluginRow, copies: readonly CopyRow[]): Plugin {
  return {
    id: asId(plugin.id), name: plugin.name, vendor: plugin.vendor, kind: plugin.kind, types: plugin.types, arrived: plugin.arrivedAt.toISOString(),
    copies: copies.map((c) => ({ id: asId(c.id), format: c.format, path: c.path, version: c.facts.version, hasPicture: c.facts.picture !== null, is32Bit: isOnly32Bit(c.facts.architectures), isFailed: c.status === 'failed', audioIn: c.facts.audioIn, audioOut: c.facts.audioOut, state: shownState(c.state) })),
  };
}

export async function emptySlot(parts: Parts, computer: string, slot: string): Promise<Result<SessionView>> {
  const removed = await parts.database.transaction((manager) => removeSlot(manager, computer, slot));
  if (!removed) return failed({ code: 'unknown-record', at: 'slot', what: 'slot' });
  parts.events.tell(computer, { event: 'session' });
  return ok(await viewSession(parts, computer));
}

/** Takes in loads that happened in a host while nobody listened. */
export async function recordPastLoads(parts: Parts, computer: string, loads: readonly PastLoad[]): Promise<Result<number>> {
  const result = await parts.database.transaction(async (manager): Promise<Result<number>> => {
    const ids = new Set(loads.flatMap((load) => [load.plugin, ...(load.after === null ? [] : [load.after])]));
    const known = await pluginNames(manager, computer, [...ids]);
    if (known.size < ids.size) return failed({ code: 'unknown-record', at: 'loads', what: 'plugin' });
    await addLoads(manager, loads.map((load): LoadRow => ({
      id: randomUUID(), computerId: computer, pluginId: load.plugin, copyId: null, at: new Date(load.at), track: load.track, afterPluginId: load.after, typed: null, keys: null,
    })));
    return ok(loads.length);
  });
  if (result.ok) parts.events.tell(computer, { event: 'usage' });
  return result;
}
