/**
 * A review: its figures over up to 20,000 plugins and 100,000 loads beside one rollup of d3-array's,
 * and opening it in Chromium beside opening File in the same window.
 */
import { rollup } from 'd3-array';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { chromium, type BrowserContext, type Page } from 'playwright-core';
import type { CatalogView } from '@clever-drawer/core/api';
import { trackKinds } from '@clever-drawer/core/loading';
import {
  reviewPart,
  reviewParts,
  wholeReview,
  type PastUse,
  type ReviewMaterial,
} from '@clever-drawer/core/review';
import { makePlugins, writeStudio } from '@clever-drawer/demo';
import { freePort, serve } from '@clever-drawer/server';
import { args } from './keystroke.ts';
import { measured, timed, type Measured } from './measure.ts';
import { firstComputerAt, scanAll } from './server.ts';

const day = 86_400_000;
const now = Date.UTC(2026, 10, 1);
const loads = 100_000;
const rounds = 7;
const web = resolve(import.meta.dirname, '../../web/dist');

/** Loads over two years, the n-th plugin about 1/n as often as the first; always the same. */
function makeUses(ids: readonly string[], count: number, until: number): PastUse[] {
  let seed = 7;
  const next = (): number => {
    seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
    return seed / 2 ** 32;
  };
  let before: string | null = null;
  return Array.from({ length: count }, (_, n): PastUse => {
    const plugin = ids[Math.floor(ids.length ** next()) - 1] ?? ids[0] ?? '';
    const after = n % 4 === 0 ? null : before;
    before = plugin;
    return {
      plugin,
      after,
      at: until - Math.floor(((count - n) / count) * 730 * day),
      track: trackKinds[n % trackKinds.length] ?? 'track',
      typed: 'abcdefgh'.slice(0, 1 + (n % 4)),
      keys: 2 + (n % 6),
      took: 400 + (n % 900),
      folder: null,
    };
  });
}

function makeMaterial(count: number): ReviewMaterial {
  const plugins = makePlugins(7, count).slice(0, count);
  const ids = plugins.map((_, n) => `p${n}`);
  const copy = {
    is32Bit: false,
    state: 'present',
    version: '1.0',
    isFailed: false,
    audioIn: 2,
    audioOut: 2,
  } as const;
  return {
    plugins: plugins.map(({ name, vendor, type }, n) => ({
      id: ids[n] ?? '',
      name,
      vendor: vendor.name,
      kind: 'effect',
      types: [type],
      isHidden: false,
      hasNickname: n % 9 === 0,
      trialEnds: null,
      copies: [
        { ...copy, id: `c${n}`, format: 'VST3', path: `/c${n}` },
        { ...copy, id: `d${n}`, format: 'VST2', path: `/d${n}` },
      ],
      ties: [],
      firstCopies: [],
      settingFormats: [],
    })),
    chains: [],
    folders: Array.from({ length: 200 }, (_, n) => ({
      id: `f${n}`,
      name: `Folder ${n}`,
      form: n % 4 === 0 ? 'smart' : 'folder',
      cabinet: 'cabinet',
      sortedBy: null,
      plugins: ids.filter((__, at) => (at * 7 + n) % 97 === 0).slice(0, 60),
    })),
    uses: makeUses(ids, loads, now),
    comings: [],
    sessions: [],
  };
}

const rolledUp = ({ uses }: ReviewMaterial): unknown =>
  rollup(
    uses,
    (list) => list.length,
    ({ at }) => new Date(at).toISOString().slice(0, 7),
    ({ plugin }) => plugin,
  );

async function figures(): Promise<Measured[]> {
  const rows: Measured[] = [];
  for (const count of [700, 5_000, 20_000]) {
    const material = makeMaterial(count);
    const name = 'one rollup of d3-array by month and plugin';
    const theirs: number[] = [];
    for (let round = 0; round < rounds; round += 1) {
      theirs.push(await timed(() => rolledUp(material)));
    }
    for (const part of reviewParts) {
      const ours: number[] = [];
      for (let round = 0; round < rounds; round += 1) {
        ours.push(await timed(() => reviewPart[part](material, wholeReview(now))));
      }
      const what = `figures of “${part}”, ${count} plugins, ${loads} loads`;
      rows.push(measured(what, ours, { name, samples: theirs }));
    }
  }
  return rows;
}

/** Milliseconds from the key to the end of the frame in which something stands. */
async function opened(shown: Page, keys: string, selector: string): Promise<number> {
  await shown.evaluate((wanted) => {
    const state: { start: number; took: number | null } = { start: 0, took: null };
    Object.assign(window, { opening: state });
    // A method: the loader gives functions their names by what a page does not have.
    const look = {
      again() {
        if (document.querySelector(wanted)) {
          requestAnimationFrame(() => {
            setTimeout(() => {
              state.took = performance.now() - state.start;
            });
          });
        } else {
          requestAnimationFrame(() => {
            look.again();
          });
        }
      },
    };
    window.addEventListener(
      'keydown',
      (event) => {
        if (state.start === 0 && event.key !== 'Alt') {
          state.start = event.timeStamp;
          look.again();
        }
      },
      { capture: true },
    );
  }, selector);
  await shown.keyboard.press(keys);
  const took = await shown.waitForFunction(
    () => (window as unknown as { opening: { took: number | null } }).opening.took,
    null,
    { timeout: 120_000 },
  );
  return (await took.jsonValue()) ?? Number.NaN;
}

async function page(): Promise<Measured[]> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  const studio = writeStudio(join(data, 'studio'), 20_000);
  const running = await serve({
    data,
    port: await freePort(),
    web,
    firstComputer: { name: 'Bench' },
    logLevel: 'warn',
  });
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args });
  try {
    const scan = await scanAll(running.address, studio.places);
    await scan();
    const at = await firstComputerAt(running.address);
    const { plugins } = (await (await fetch(`${at}/catalog`)).json()) as CatalogView;
    const uses = makeUses(
      plugins.map(({ id }) => id),
      loads,
      Date.now(),
    ).map(({ folder, ...use }) => ({
      ...use,
      ...(folder === null ? {} : { folder }),
      at: new Date(use.at).toISOString(),
    }));
    for (let from = 0; from < loads; from += 10_000) {
      const body = JSON.stringify({ loads: uses.slice(from, from + 10_000) });
      const headers = { 'Content-Type': 'application/json' };
      const posted = await fetch(`${at}/loads`, { method: 'POST', headers, body });
      if (!posted.ok) {
        throw new Error(await posted.text());
      }
    }
    const viewport = { width: 1280, height: 800 };
    const known = await browser.newContext({ viewport });
    const openFile = async (context: BrowserContext, idle: number): Promise<Page> => {
      const fresh = await context.newPage();
      await fresh.goto(`${running.address}/file`);
      await fresh.waitForSelector('[data-testid=plugin]', { timeout: 120_000 });
      await fresh.waitForTimeout(idle);
      return fresh;
    };
    const atOnce: number[] = [];
    for (let round = 0; round < rounds; round += 1) {
      const stranger = await browser.newContext({ viewport });
      atOnce.push(await opened(await openFile(stranger, 0), 'Alt+5', '.advice-list'));
      await stranger.close();
    }
    // What is fetched and worked out ahead is there by then.
    const window = await openFile(known, 10_000);
    const first = await opened(window, 'Alt+5', '.advice-list');
    const again: number[] = [];
    const file: number[] = [];
    for (let round = 0; round < rounds; round += 1) {
      file.push(await opened(window, 'Alt+3', '[data-testid=plugin]'));
      again.push(await opened(window, 'Alt+5', '.advice-list'));
    }
    await window.close();
    // What was worked out last stands until what is of now takes its place.
    const kept: number[] = [];
    for (let round = 0; round < rounds; round += 1) {
      const later = await openFile(known, 0);
      kept.push(await opened(later, 'Alt+5', '.advice-list'));
      await later.close();
    }
    const against = { name: 'File, in the same window', samples: file };
    return [
      measured(
        `Review, as soon as File stands for the first time, ${plugins.length} plugins, ${loads} loads`,
        atOnce,
        against,
      ),
      measured(
        `Review, as soon as File stands in a later window, ${plugins.length} plugins, ${loads} loads`,
        kept,
        against,
      ),
      measured(
        `Review, ten seconds later, ${plugins.length} plugins, ${loads} loads`,
        [first],
        against,
      ),
      measured(`Review again, ${plugins.length} plugins, ${loads} loads`, again, against),
    ];
  } finally {
    await browser.close();
    await running.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

export const benchReview = async (): Promise<Measured[]> => [
  ...(await figures()),
  ...(await page()),
];
