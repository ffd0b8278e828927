/** Fills a running server with the demo: places, two scans, an order, a year of loads and a session. */
import type { PastLoad } from '@clever-drawer/core/api';
import type { Plugin } from '@clever-drawer/core/catalog';
import { acceptsAll, slotKindAt, whyNot } from '@clever-drawer/core/loading';
import { allPlacements, orderOf } from '@clever-drawer/core/order';
import { join } from 'node:path';
import { addComputer, apiOf, listComputers, type Api, type ServerAt } from './api.ts';
import { arrangeStudio } from './arrange.ts';
import { computers } from './computers.ts';
import { makeHistory } from './history.ts';
import { keepSettings, settingLoads } from './keep-settings.ts';
import { markPoints } from './mark-points.ts';
import { settleDoubts } from './settle.ts';
import type { Travel } from './travel.ts';
import { misbehaviourOf } from './write-programs.ts';
import { beforeLately, writeStudio, type Lately, type Studio } from './write-studio.ts';

/** What the server calls its first computer, and the tracks of its session. */
export const demoComputer = { name: computers[0]?.name ?? '', tracks: computers[0]?.tracks ?? [] };

/**
 * Writes the folders below `directory` and seeds the server, whose clock is set back
 * meanwhile.
 */
export async function seedStudio(
  server: ServerAt,
  directory: string,
  { setBack }: Travel,
): Promise<void> {
  const known = await listComputers(server);
  for (const [at, computer] of computers.entries()) {
    const view =
      known[at] ?? (await addComputer(server, { name: computer.name, tracks: computer.tracks }));
    await seedComputer(
      apiOf(server, view),
      writeStudio(join(directory, computer.id), undefined, computer),
      setBack,
    );
  }
}

/** How many days ago each thing happened. */
const ago = { firstScan: 400, otherComputers: 45, order: 60 } as const;

async function seedComputer(api: Api, studio: Studio, setBack: Travel['setBack']): Promise<void> {
  const hasOrder = studio.computer.id === 'desk';
  const lately = hasOrder ? beforeLately(studio) : null;
  setBack(hasOrder ? ago.firstScan : ago.otherComputers);
  for (const place of studio.places) {
    await api.addPlace(place);
  }
  // The demo's programs are made up: there is nothing in them that could be opened.
  await api.opens('never');
  await api.scan();
  if (!lately) {
    setBack(0);
    return;
  }
  setBack(ago.order);
  await settleDoubts(api, studio.plugins);
  const used = await arrangeStudio(api, studio.plugins);
  const settings = await keepSettings(api, used);
  await markPoints(api, used, setBack);
  setBack(ago.order);
  const misbehaving = new Set(
    studio.plugins.filter((plugin) => misbehaviourOf(plugin) !== null).map((plugin) => plugin.name),
  );
  const sound = used.filter((plugin) => !misbehaving.has(plugin.name));
  await saveOldSession(api, sound, lately);
  setBack(0);
  const history = await fromFolders(api, makeHistory(sound, Date.now()));
  await api.loads([...history, ...settingLoads(settings, Date.now())]);
  await fillSession(api, sound, filled);
  lately.toToday();
  await api.scan();
}

/** Every third load was chosen in a folder of its plugin that was open. */
async function fromFolders(api: Api, loads: readonly PastLoad[]): Promise<PastLoad[]> {
  const order = orderOf((await api.order()).records);
  const folderOf = new Map(allPlacements(order).map(({ plugin, folder }) => [plugin, folder]));
  return loads.map((load, n) => {
    const folder = n % 3 === 0 ? folderOf.get(load.plugin) : undefined;
    return folder ? { ...load, folder } : load;
  });
}

/** How many slots of each track are filled, now and in the old session. */
const filled = [3, 2, 2, 2, 2, 1, 1, 2, 1, 3];
const filledOnce = [2, 1, 0, 1, 1, 0, 0, 1, 0, 1];

async function fillSession(
  api: Api,
  used: readonly Plugin[],
  many: readonly number[],
): Promise<void> {
  const { tracks } = await api.session();
  const waiting = [...used];
  for (const [t, track] of tracks.entries()) {
    for (let index = 0; index < (many[t] ?? 0); index += 1) {
      const at = waiting.findIndex(
        (p) =>
          whyNot(p, slotKindAt(track.sort, index), undefined, acceptsAll, '') === null &&
          p.kind !== 'unknown',
      );
      const [plugin] = at < 0 ? [] : waiting.splice(at, 1);
      if (plugin) {
        await api.load({
          track: track.id,
          index,
          plugin: plugin.id,
          copy: null,
          typed: plugin.name.slice(0, 2).toLowerCase(),
          keys: 2 + ((t + index) % 3),
          took: 700 + 90 * ((t + index) % 7),
        });
      }
    }
  }
}

/** Copies of an effect with several of them that are programs of 32 bits. */
function soundOldCopies(plugin: Plugin) {
  const isWanted = plugin.kind === 'effect' && plugin.copies.length > 1;
  return (isWanted ? plugin.copies : [])
    .filter((copy) => copy.is32Bit && !copy.isFailed)
    .map((copy) => ({ plugin, copy }));
}

/**
 * A session of long ago: what it holds has moved meanwhile, is gone, or is a program of 32 bits,
 * beside what is still there.
 */
async function saveOldSession(
  api: Api,
  used: readonly Plugin[],
  { moves, goes }: Lately,
): Promise<void> {
  await fillSession(api, used.slice(40), filledOnce);
  const { plugins } = await api.catalog();
  const { tracks, settings } = await api.session();
  const old = plugins.flatMap(soundOldCopies)[0];
  const named = (name: string): Plugin | undefined =>
    plugins.find((plugin) => plugin.name === name);
  await api.takes({ ...settings, takes32Bit: true });
  for (const [plugin, copy] of [
    [named(moves), named(moves)?.copies.find((each) => each.format === 'LV2')?.id ?? null],
    [named(goes), null],
    [old?.plugin, old?.copy.id ?? null],
  ] as const) {
    const index = plugin?.kind === 'instrument' ? 0 : 9;
    const track =
      plugin &&
      tracks.find(
        (one) =>
          whyNot(
            plugin,
            slotKindAt(one.sort, index),
            undefined,
            { ...acceptsAll, takes32Bit: true },
            '',
          ) === null,
      );
    if (track) {
      await api.load({
        track: track.id,
        index,
        plugin: plugin.id,
        copy,
        typed: '',
        keys: 1,
        took: null,
      });
    }
  }
  await api.takes(settings);
  await api.saveSession('The Heron and the Eel, first night');
  await emptySession(api);
}

async function emptySession(api: Api): Promise<void> {
  for (const { slots } of (await api.session()).tracks) {
    for (const slot of slots) {
      await api.emptySlot(slot.id);
    }
  }
}
