/**
 * Directories that somebody prepared: links, pipes, sockets, devices and files where others are meant,
 * some swapped by a second process between a look and a use. Shelves, backups, the directory of the data
 * and places have to write nothing outside, and wait for nothing.
 */
import { execFileSync, spawn } from 'node:child_process';
import {
  chmodSync,
  lstatSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  realpathSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { once } from 'node:events';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ShelfEntry } from '@clever-drawer/core/exchange';
import { ownDirectory } from '@clever-drawer/server';
import { writeShelf } from '@clever-drawer/server/shelf';
import { BackupKeeper } from '../../server/src/jobs/backup-keeper.ts';
import { walk } from '../../server/src/scanner/walk.ts';
import type { Tally } from './client.ts';
import { pause } from './program.ts';

const random = (below: number): number => Math.floor(Math.random() * below);
const key = Buffer.alloc(32, 5);
/** Nothing may be waited for longer than this. Milliseconds. */
const patience = 5_000;

const names = [
  ...['shelf', 'backups', 'lock', 'cluster-password', 'running.json', 'key', 'cluster'],
  ...['.clever-drawer-shelf.json', 'studio-2026-01-01-00-00-00.backup', 'Squeeze', 'a.lv2'],
];

/** What is laid at a path; `victim` lies outside. */
const traps: readonly ((at: string, victim: string) => void)[] = [
  (at, victim) => {
    symlinkSync(victim, at);
  },
  (at, victim) => {
    symlinkSync(join(victim, '..'), at);
  },
  (at) => {
    symlinkSync(at, at);
  },
  (at) => {
    symlinkSync('/proc/self/root', at);
  },
  (at) => {
    execFileSync('mkfifo', [at]);
  },
  (at) => {
    mkdirSync(at);
    writeFileSync(join(at, 'mine'), 'mine');
  },
  (at) => {
    writeFileSync(at, 'mine');
  },
  (at) => {
    mkdirSync(at, { mode: 0o500 });
  },
  (at) => {
    symlinkSync('/dev/zero', at);
  },
  (at) => {
    createServer()
      .on('error', () => undefined)
      .listen(at)
      .unref();
  },
];

const plan = new Map<string, ShelfEntry>([
  ['Squeeze', { kind: 'directory' }],
  ['Squeeze/Tide.lv2', { kind: 'link', to: '/plugins/tide.lv2' }],
  ['Gone.txt', { kind: 'card', text: 'Gone\n' }],
]);

/** As a server has it that was told of this directory alone. */
const outsideOf = (allowed: string) => (real: string) =>
  Promise.resolve(real.startsWith(`${allowed}/`) ? null : 'It was not allowed.');

/** What is done in a prepared directory; each may refuse, none may harm. */
const uses: Readonly<Record<string, (hostile: string) => Promise<unknown>>> = {
  shelf: (hostile) => writeShelf(join(hostile, 'shelf'), plan, { key, whyNot: outsideOf(hostile) }),
  backup: async (hostile) => {
    const keeper = new BackupKeeper(hostile, {
      clock: () => new Date(),
      write: () => Promise.resolve(),
      read: (_, path) => Promise.resolve({ at: path, bytes: 0, rows: {} }),
      whyNot: outsideOf(hostile),
      failed: () => undefined,
    });
    await keeper.now();
    await keeper.view();
  },
  data: (hostile) => ownDirectory(hostile).catch(() => undefined),
  place: (hostile) => Promise.resolve(walk(hostile, ['LV2', 'VST3', 'VST2'], () => false)),
};

/** A thousand of them, each used in each way. */
export async function hostileDirectories(tally: Tally, until: number): Promise<void> {
  const base = realpathSync(mkdtempSync(join(tmpdir(), 'clever-drawer-hostile-')));
  chmodSync(base, 0o755);
  try {
    for (let at = 0; at < 1_000 && Date.now() < until; at += 1) {
      await useOne(tally, join(base, String(at)));
    }
  } finally {
    rmSync(base, { recursive: true, force: true, maxRetries: 10, retryDelay: 50 });
  }
}

async function useOne(tally: Tally, base: string): Promise<void> {
  const hostile = join(base, 'hostile');
  const victim = join(base, 'outside', 'victim');
  mkdirSync(join(base, 'outside'), { recursive: true });
  mkdirSync(hostile);
  writeFileSync(victim, 'mine');
  for (const name of names.filter(() => random(3) === 0)) {
    traps[random(traps.length)]?.(join(hostile, name), victim);
  }
  const before = picture(join(base, 'outside'));
  const swapper = random(4) === 0 ? swap(hostile, join(base, 'outside')) : null;
  for (const [use, work] of Object.entries(uses)) {
    tally.tried += 1;
    const from = performance.now();
    await work(hostile).catch((error: unknown) => {
      tally.fail(`${use} broke off: ${String(error).slice(0, 200)}`);
    });
    const took = performance.now() - from;
    tally.slowest = Math.max(tally.slowest, took);
    if (took > patience) {
      tally.fail(`${use} took ${Math.round(took)} ms`);
    }
  }
  if (swapper) {
    const over = once(swapper, 'exit');
    // With what it has just started.
    process.kill(-(swapper.pid ?? process.pid), 'SIGKILL');
    await over;
    await pause(20);
  }
  if (picture(join(base, 'outside')) !== before) {
    tally.fail(`something was changed outside: ${picture(join(base, 'outside'))}`);
  }
  rmSync(base, { recursive: true, force: true });
}

/** All that lies in a directory, with contents, owners and modes. */
const picture = (directory: string): string =>
  readdirSync(directory)
    .sort()
    .map((name) => {
      const at = join(directory, name);
      const { mode, uid, size } = lstatSync(at);
      return `${name} ${mode} ${uid} ${size} ${lstatSync(at).isFile() ? readFileSync(at, 'utf8') : ''}`;
    })
    .join('\n');

/** A process that puts a link in the place of the shelf and of its folder, and back, as fast as it can. */
function swap(hostile: string, outside: string) {
  const script = `
    cd "$1" || exit
    while :; do
      mv -T shelf aside 2>/dev/null && ln -s "$2" shelf 2>/dev/null; rm -f shelf 2>/dev/null; mv -T aside shelf 2>/dev/null
      mv -T backups aside-b 2>/dev/null && ln -s "$2" backups 2>/dev/null; rm -f backups 2>/dev/null; mv -T aside-b backups 2>/dev/null
    done`;
  return spawn('sh', ['-c', script, 'swap', hostile, outside], {
    stdio: 'ignore',
    detached: true,
  });
}
