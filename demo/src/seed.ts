/** Fills a running server with the demo: places, two scans, an order, a year of loads and a session. */
import { slotSortAt, fits, type Plugin } from '@clever-drawer/core';
import { apiOf, firstComputer, type Api } from './api.ts';
import { arrangeStudio } from './arrange.ts';
import { makeHistory } from './history.ts';
import { beforeLately, writeStudio } from './write-studio.ts';

/** The made-up studio's first computer and the tracks of its session. */
export const demoComputer = {
  name: 'Quay Room · desk computer',
  tracks: [
    { name: 'Narrator', sort: 'track' }, { name: 'Puppet · Heron', sort: 'track' }, { name: 'Puppet · Eel', sort: 'track' }, { name: 'Accordion', sort: 'track' },
    { name: 'Sea bed', sort: 'instrument' }, { name: 'Brass pad', sort: 'instrument' }, { name: 'Voices', sort: 'bus' }, { name: 'Weather', sort: 'bus' }, { name: 'Programme', sort: 'final' },
  ],
} as const;

/** Writes the folders below `directory` and seeds the server at `address`. `now` in milliseconds since 1970. */
export async function seedStudio(address: string, directory: string, now: number): Promise<void> {
  const studio = writeStudio(directory);
  const toToday = beforeLately(studio);
  const api = apiOf(address, await firstComputer(address));
  for (const place of studio.places) await api.addPlace(place);
  await api.scan();
  const used = await arrangeStudio(api, studio.plugins);
  await api.loads(makeHistory(used, now));
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
      const at = waiting.findIndex((p) => fits(p.kind, slotSortAt(track.sort, index)) && p.kind !== 'unknown');
      const [plugin] = at < 0 ? [] : waiting.splice(at, 1);
      if (plugin) await api.load({ track: track.id, index, plugin: plugin.id, typed: '', keys: 1 });
    }
  }
}
