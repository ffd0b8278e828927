/**
 * How time and memory grow with the collection: a first scan, a look again, an act, opening a screen
 * and a keystroke, with 700 plugins up to 60,000. Each beside the same with 700: work that grows with
 * the collection takes as many times longer as there are more plugins, or less.
 */
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser } from 'playwright-core';
import { writeStudio } from '@clever-drawer/demo';
import { actsAt, fileMany, filing } from './acts.ts';
import { args, screens, typing } from './keystroke.ts';
import { measured, median, timed, type Measured, type Outcome } from './measure.ts';
import { startServerProcess } from './server-process.ts';
import { firstComputerAt, scanAll, timeOfFind } from './server.ts';
import { openScreen } from './usable.ts';

const counts = [700, 5_000, 20_000, 60_000] as const;
const rounds = 3;
const acts = 40;

/** Milliseconds by what was done, and megabytes. */
interface Grown {
  readonly plugins: number;
  readonly times: Readonly<Record<string, readonly number[]>>;
  /** The most of the server's process, after the first scan. */
  readonly serverMemory: number;
  /** The most of a window. */
  readonly heap: number;
}

async function repeat(time: () => Promise<number>): Promise<number[]> {
  const times: number[] = [];
  for (let round = 0; round < rounds; round += 1) {
    times.push(await time());
  }
  return times;
}

async function inWindow(browser: Browser, address: string): Promise<Pick<Grown, 'times' | 'heap'>> {
  const times: Record<string, readonly number[]> = {};
  let heap = 0;
  for (const { name, path, part, field } of Object.values(screens)) {
    const opened = [];
    for (let round = 0; round < rounds; round += 1) {
      opened.push(await openScreen(browser, `${address}/${path}`, part));
    }
    times[`address to usable, ${name}`] = opened.map(({ took }) => took);
    heap = Math.max(heap, ...opened.map((one) => one.heap));
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`${address}/${path}`);
    await page.waitForSelector(`[data-testid=${part}]`, { timeout: 120_000 });
    await page.waitForTimeout(6_000);
    times[`keystroke to painted, ${name}`] = await typing(page, field);
    await page.close();
  }
  return { times, heap };
}

async function oneByOne(at: string): Promise<number[]> {
  const act = actsAt(at);
  const { plugins, into } = await fileMany(at, act);
  const times: number[] = [];
  for (const plugin of plugins.slice(0, acts)) {
    times.push(await timed(() => act(filing(into, plugin))));
  }
  return times;
}

async function withCount(browser: Browser, plugins: number): Promise<Grown> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-bench-'));
  const studio = writeStudio(join(data, 'studio'), plugins);
  const server = await startServerProcess(data);
  try {
    const scan = await scanAll(server.address, studio.places);
    const first = await timed(scan);
    const serverMemory = server.peak();
    const again = await repeat(() => timed(scan));
    const found = await repeat(() => timeOfFind(studio.directory));
    const shown = await inWindow(browser, server.address);
    const filed = await oneByOne(await firstComputerAt(server.address));
    return {
      plugins,
      serverMemory,
      heap: shown.heap,
      times: {
        'first scan, database included': [first],
        'unchanged scan': again,
        'find -printf of the same tree': found,
        'an act among 5,000 placements': filed,
        ...shown.times,
      },
    };
  } finally {
    await server.stop();
    rmSync(data, { recursive: true, force: true });
  }
}

export async function benchGrowth(): Promise<Outcome> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args });
  const all: Grown[] = [];
  try {
    for (const count of counts) {
      all.push(await withCount(browser, count));
    }
  } finally {
    await browser.close();
  }
  const [least] = all;
  const rows = all.flatMap(({ plugins, times }) =>
    Object.entries(times).map(
      ([what, samples]): Measured =>
        measured(`${what}, ${plugins.toLocaleString('en')} plugins`, samples, {
          name: 'with the fewest',
          samples: least?.times[what] ?? [],
        }),
    ),
  );
  return { rows, tables: [tableBySize(all)], facts: { all } };
}

/** What was done in lines, how many plugins in columns; medians in milliseconds. */
function tableBySize(all: readonly Grown[]): string {
  const line = (cells: readonly string[]): string => `| ${cells.join(' | ')} |`;
  const whole = (value: number): string => (value < 10 ? value.toFixed(1) : value.toFixed(0));
  const what = Object.keys(all[0]?.times ?? {});
  return [
    line(['ms', ...all.map(({ plugins }) => plugins.toLocaleString('en'))]),
    line(['---', ...all.map(() => '---:')]),
    ...what.map((name) => line([name, ...all.map((one) => whole(median(one.times[name] ?? [])))])),
    line(['most memory of the server, MB', ...all.map((one) => whole(one.serverMemory))]),
    line(['most heap of a window, MB', ...all.map((one) => whole(one.heap))]),
  ].join('\n');
}
