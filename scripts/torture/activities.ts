/**
 * What each job of the server is made to do while something is killed: one activity a job, so that a new
 * job without one does not compile.
 */
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { JobName } from '../../server/src/jobs/job-names.ts';
import { ask, type Tally } from './client.ts';

/** Where it happens. */
export interface Scene {
  readonly tally: Tally;
  /** The address of the computer. */
  readonly computer: string;
  readonly address: string;
  readonly cabinet: string;
  /** A directory of the trial, in which shelves and places may be. */
  readonly base: string;
}

type Activity = (scene: Scene) => Promise<unknown>;

/** Real plugins to be opened, of Debian's packages (ladspa-sdk, swh-plugins). */
const pluginDirectory = '/usr/lib/ladspa';

const json = (body: object): string => JSON.stringify(body);

/** Places with something to read, and something to open where it is installed. */
export async function addPlaces({ tally, computer, base }: Scene): Promise<void> {
  const place = join(base, 'place');
  writePlugins(place, 0);
  for (const path of [place, pluginDirectory].filter((one) => existsSync(one))) {
    await ask(tally, 'POST', `${computer}/places`, json({ path }));
  }
}

function writePlugins(place: string, round: number): void {
  for (let at = 0; at < 30; at += 1) {
    const bundle = join(place, `tide-${at}.lv2`);
    mkdirSync(bundle, { recursive: true });
    writeFileSync(
      join(bundle, 'manifest.ttl'),
      `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n<urn:tide:${at}> a lv2:Plugin ; doap:name "Tide ${at} ${round}" .\n`,
    );
  }
}

const scan =
  (mode: string): Activity =>
  ({ tally, computer, base }) => {
    writePlugins(join(base, 'place'), Math.floor(Math.random() * 1_000));
    return ask(tally, 'POST', `${computer}/scans`, json({ mode }));
  };

/** One for each job. */
export const activities: Readonly<Record<JobName, Activity>> = {
  'practice host': ({ tally, computer }) =>
    ask(
      tally,
      'PUT',
      `${computer}/session/settings`,
      json({ formats: ['LV2', 'LADSPA'], takes32Bit: Math.random() < 0.5 }),
    ),
  reviewer: ({ tally, computer }) => ask(tally, 'GET', `${computer}/review?part=own`),
  readers: scan('everything'),
  opener: scan('open'),
  scans: scan('changed'),
  backups: ({ tally, address }) => ask(tally, 'POST', `${address}/api/backups`),
  shelves: ({ tally, computer, cabinet, base }) =>
    ask(
      tally,
      'PUT',
      `${computer}/shelf`,
      json({ cabinet, directory: join(base, 'shelf'), hasFigures: true }),
    ),
  watcher: async ({ tally, computer, base }) => {
    const { body } = await ask(tally, 'GET', `${computer}/places`);
    for (const { id } of Array.isArray(body) ? (body as { id: string }[]) : []) {
      await ask(tally, 'PATCH', `${computer}/places/${id}`, json({ isWatched: true }));
    }
    writePlugins(join(base, 'place'), Math.floor(Math.random() * 1_000));
  },
};
