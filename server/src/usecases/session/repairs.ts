/** What a session could not open, with the best match for each, and taking it. */

import type { RepairView, SessionView } from '@clever-drawer/core/api';
import { grouped } from '@clever-drawer/core/grouped';
import {
  createRepairer,
  type HostCopy,
  type Known,
  type RepairFor,
} from '@clever-drawer/core/loading';
import { memoizeByObject } from '@clever-drawer/core/memoize';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { oneOrMany } from '@clever-drawer/core/text';
import { allCopies, listPlugins } from '../../database/catalog.ts';
import { findRecord, preferences } from '../../database/order/index.ts';
import { hostCopyOf } from '../../database/session.ts';
import type { Parts } from '../../parts.ts';
import type { StudioNow } from '../../studio/studios.ts';
import { cardOf, keep, sessionOf, viewSession } from './practice-session.ts';

interface Broken {
  readonly slot: string;
  readonly track: string;
  readonly index: number;
  readonly view: RepairView;
  readonly copy: HostCopy | null;
}

/** What stands for copies that are gone, and the catalogued copies as a host asks for them. */
interface ReadyToRepair {
  readonly repairFor: RepairFor;
  readonly copyOf: (id: string) => HostCopy | null;
}

/** Made once for each state of the studio. */
const readyToRepair = memoizeByObject(
  (_: StudioNow, parts: Parts, computer: string): Promise<ReadyToRepair> =>
    prepareRepairs(parts, computer),
);

async function prepareRepairs(
  { database: { manager } }: Parts,
  computer: string,
): Promise<ReadyToRepair> {
  const [copies, plugins, preference] = await Promise.all([
    allCopies(manager, computer),
    listPlugins(manager, computer),
    findRecord(manager, preferences, computer, computer),
  ]);
  const rows = new Map(copies.map((copy) => [copy.id, copy]));
  const names = new Map(plugins.map((plugin) => [plugin.id, plugin]));
  const byPlugin = grouped(
    copies.flatMap((copy) => (copy.pluginId === null ? [] : [[copy.pluginId, copy] as const])),
  );
  const known = [...byPlugin].flatMap(([id, of]): Known[] => {
    const row = names.get(id);
    const plugin = row && cardOf(row, of);
    return plugin
      ? plugin.copies.map((card) => ({
          card,
          plugin,
          identity: rows.get(card.id)?.facts.identity ?? null,
          replaces: rows.get(card.id)?.facts.replaces ?? [],
        }))
      : [];
  });
  return {
    repairFor: createRepairer(known, preference?.formats),
    copyOf: (id) => {
      const row = rows.get(id);
      const name = row?.pluginId == null ? undefined : names.get(row.pluginId)?.name;
      return row && name !== undefined ? hostCopyOf(row, name) : null;
    },
  };
}

/** For each slot that could not be opened, the best match that is here. */
async function broken(parts: Parts, computer: string): Promise<Broken[]> {
  const session = await sessionOf(parts, computer);
  const silent = session.tracks.flatMap((track) =>
    track.slots.flatMap((slot, index) => (slot.problem ? [{ track, slot, index }] : [])),
  );
  if (silent.length === 0) {
    return [];
  }
  const { repairFor, copyOf } = await readyToRepair(
    await parts.studios.of(computer),
    parts,
    computer,
  );
  return silent.map(({ track, slot, index }) => {
    const match = repairFor(slot.copy, session.settings);
    return {
      slot: slot.id,
      track: track.id,
      index,
      copy: match && copyOf(match.copy.id),
      view: {
        slot: slot.id,
        track: track.name,
        asked: slot.copy,
        match: match && {
          plugin: match.plugin.id,
          copy: match.copy.id,
          name: match.plugin.name,
          format: match.copy.format,
          because: match.because,
          isSure: match.isSure,
        },
      },
    };
  });
}

/** What could not be opened, each with its best match. */
export const viewRepairs = async (parts: Parts, computer: string): Promise<RepairView[]> =>
  (await broken(parts, computer)).map((one) => one.view);

/** Takes the best match for each of the slots; what the host refuses stays as it was, with the reason. */
export const repairSlots = (
  parts: Parts,
  computer: string,
  slots: readonly string[],
): Promise<Result<SessionView>> =>
  parts.turns.take(computer, async () => {
    const wanted = (await broken(parts, computer)).filter(
      (one) => slots.includes(one.slot) && one.copy !== null,
    );
    const problems = [];
    if (wanted.length === 0) {
      return failed({ code: 'unknown-record', at: 'slots', what: 'match' });
    }
    const before = await sessionOf(parts, computer);
    let after = before;
    for (const { track, index, slot, copy } of wanted) {
      const asked = copy && (await parts.host.ask(after, { do: 'load', track, index, slot, copy }));
      if (asked?.ok) {
        after = asked.value;
      } else if (asked) {
        problems.push(...asked.problems);
      }
    }
    const count = wanted.length - problems.length;
    const words = `${oneOrMany(count, 'One match stands', `${count} matches stand`)} in again`;
    const kept =
      after === before
        ? ok(await viewSession(parts, computer))
        : await keep(parts, computer, { before, after, words });
    return problems.length > 0 ? failed(...problems) : kept;
  });
