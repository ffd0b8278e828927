/** Fills a running server with the demo: places, two scans, an order, a year of loads and a session. */
import { acceptsAll, slotSortAt, whyNot, type Plugin } from '@clever-drawer/core';
import { join } from 'node:path';
import { addComputer, apiOf, listComputers, type Api } from './api.ts';
import { arrangeStudio } from './arrange.ts';
import { computers } from './computers.ts';
import { makeHistory } from './history.ts';
import { settleDoubts } from './settle.ts';
import type { Travel } from './travel.ts';
import { beforeLately, writeStudio, type Studio } from './write-studio.ts';

/** What the server calls its first computer, and the tracks of its session. */
export const demoComputer = { name: computers[0]?.name ?? '', tracks: computers[0]?.tracks ?? [] };

/** Writes the folders below `directory` and seeds the server at `address`, whose clock is set back meanwhile. */
export async function seedStudio(address: string, directory: string, { setBack }: Travel): Promise<void> {
  const known = await listComputers(address);
  for (const [at, computer] of computers.entries()) {
    const view = known[at] ?? (await addComputer(address, { name: computer.name, tracks: computer.tracks }));
    await seedComputer(apiOf(address, view), writeStudio(join(directory, computer.id), undefined, computer), setBack);
  }
}

/** How many days ago each thing happened. */
const ago = { firstScan: 400, otherComputers: 45, order: 60 } as const;

async function seedComputer(api: Api, studio: Studio, setBack: Travel['setBack']): Promise<void> {
  const hasOrder = studio.computer.id === 'desk', toToday = hasOrder ? beforeLately(studio) : null;
  setBack(hasOrder ? ago.firstScan : ago.otherComputers);
  for (const place of studio.places) await api.addPlace(place);
  await api.scan();
  if (!toToday) { setBack(0); return; }
  setBack(ago.order);
  await settleDoubts(api, studio.plugins);
  const used = await arrangeStudio(api, studio.plugins);
  setBack(0);
  await api.loads(makeHistory(used, Date.now()));
  await fillSession(api, used);
  toToday();
  await api.scan();
}

/** How many slots of each track are filled. */
const filled = [3, 2, 2, 2, 2, 1, 2, 1, 3];

async function fillSession(api: Api, used: readonly Plugin[]): Promise<void> {
  const { tracks } = await api.session();
  const waiting = [...used];
  for (const [t, track] of tracks.entries()) {
    for (let index = 0; index < (filled[t] ?? 0); index += 1) {
      const at = waiting.findIndex((p) => whyNot(p, slotSortAt(track.sort, index), undefined, acceptsAll, '') === null && p.kind !== 'unknown');
      const [plugin] = at < 0 ? [] : waiting.splice(at, 1);
      if (plugin) await api.load({ track: track.id, index, plugin: plugin.id, copy: null, typed: '', keys: 1, took: null });
    }
  }
}
