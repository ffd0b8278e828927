/**
 * The program as `./start` runs it, as a process of its own: what ends it, what does not, and what is
 * left behind. As root it has to become the database's user before it touches anything.
 */
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import {
  chmodSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { HealthView } from '@clever-drawer/core/api';
import { freePort } from '@clever-drawer/server';
import { findPostmaster, worksIn } from '../server/src/database/postmaster.ts';
import { addFolder, firstComputer, readOrder, Tally } from './torture/client.ts';
import { launch, pause, untilReady } from './torture/program.ts';

let base: string;
let data: string;
let child: ChildProcess | null;
let said: string;
let address: string;
beforeEach(() => {
  base = mkdtempSync(join(tmpdir(), 'clever-drawer-start-'));
  chmodSync(base, 0o755);
  data = join(base, 'data');
  child = null;
});
afterEach(async () => {
  child?.kill('SIGKILL');
  await untilNobodyWorks();
  rmSync(base, { recursive: true, force: true });
});

const cluster = (): string => join(data, 'cluster');

async function untilNobodyWorks(): Promise<void> {
  for (const end = Date.now() + 20_000; Date.now() < end; ) {
    if (!(await worksIn(cluster())) && !(await worksIn(`${cluster()}.new`))) {
      return;
    }
    await pause(50);
  }
  throw new Error('PostgreSQL runs on');
}

/** Starts it; gives whether it got ready. */
async function begin(...args: string[]): Promise<boolean> {
  const port = await freePort();
  child = launch(data, port, args);
  said = '';
  for (const stream of [child.stdout, child.stderr]) {
    stream?.setEncoding('utf8').on('data', (text: string) => {
      said += text;
    });
  }
  address = `http://127.0.0.1:${port}`;
  return untilReady(child, address);
}

async function ended(): Promise<number | null> {
  if (child && child.exitCode === null && child.signalCode === null) {
    await once(child, 'exit');
  }
  return child?.exitCode ?? null;
}

/** As a terminal does: the whole group hears it. */
function interrupt(): void {
  if (child?.pid === undefined) {
    throw new Error('nothing was started');
  }
  process.kill(-child.pid, 'SIGINT');
}

const health = async (): Promise<HealthView> =>
  (await (await fetch(`${address}/health`)).json()) as HealthView;

describe('a database that is killed right after an act', () => {
  it('is started again, five times of five, and nothing is lost or left without an owner', async () => {
    expect(await begin()).toBe(true);
    const tally = new Tally();
    const computer = (await firstComputer(tally, address)) ?? '';
    const order = await readOrder(tally, computer);
    const cabinet = order?.records.find(({ table }) => table === 'cabinet')?.id ?? '';
    const confirmed: string[] = [];
    for (let round = 0; round < 5; round += 1) {
      const id = await addFolder(tally, computer, cabinet);
      const running = await findPostmaster(cluster());
      process.kill(running?.pid ?? 0, 'SIGKILL');
      confirmed.push(id ?? '');
      for (const end = Date.now() + 30_000; Date.now() < end; ) {
        // Only a database that runs anew has got over it.
        const now = await findPostmaster(cluster());
        if (now && now.pid !== running?.pid && (await health()).isReady) {
          break;
        }
        await pause(100);
      }
    }
    const after = await readOrder(tally, computer);
    const ids = new Set(after?.records.map((record) => record.id));
    expect(confirmed.filter((id) => !ids.has(id as never))).toEqual([]);
    expect(await health()).toMatchObject({ isReady: true, uncaught: [] });
  });
});

describe('ending', () => {
  it('by Ctrl-C, which the whole group hears, is in order and leaves nothing', async () => {
    expect(await begin()).toBe(true);
    await startPractice();
    interrupt();
    expect(await ended()).toBe(0);
    expect(said).not.toContain('Something went wrong');
    await untilNobodyWorks();
    expect(existsSync(join(data, 'running.json'))).toBe(false);
  });
  it('by Ctrl-C while the first database is made is in order, too', async () => {
    const starting = begin();
    while (!existsSync(`${cluster()}.new`) && (child?.exitCode ?? null) === null) {
      await pause(10);
    }
    interrupt();
    await starting;
    expect([await ended(), said]).toEqual([0, expect.not.stringContaining('    at ')]);
    await untilNobodyWorks();
  });
  it('by force leaves no database running, and the next start goes on', async () => {
    expect(await begin()).toBe(true);
    child?.kill('SIGKILL');
    await ended();
    await untilNobodyWorks();
    expect(await begin()).toBe(true);
  });
});

/** Has the process of the practice session started, by asking it something. */
async function startPractice(): Promise<void> {
  const [computer] = (await (await fetch(`${address}/api/computers`)).json()) as { id: string }[];
  const settings = { formats: ['LV2'], takes32Bit: false };
  const { status } = await fetch(
    `${address}/api/computers/${computer?.id ?? ''}/session/settings`,
    {
      method: 'PUT',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(settings),
    },
  );
  expect(status).toBe(200);
}

const isRoot = process.getuid?.() === 0;

describe('root', () => {
  it('is given up before the data is touched', async () => {
    expect(await begin()).toBe(true);
    const status = readFileSync(`/proc/${child?.pid ?? 0}/status`, 'utf8');
    const users = /^Uid:\s+(.*)$/m.exec(status)?.[1]?.split(/\s+/) ?? [];
    const owner = String(statSync(data).uid);
    expect(new Set(users)).toEqual(new Set([owner]));
    expect(users.includes('0')).toBe(false);
    expect(statSync(data).mode & 0o777).toBe(0o700);
  });
  it('gives away nothing of a directory that holds other things', async () => {
    mkdirSync(data);
    const mine = join(data, 'letter.txt');
    writeFileSync(mine, 'mine');
    expect(await begin()).toBe(false);
    expect([await ended(), said]).toEqual([1, expect.stringContaining('letter.txt')]);
    expect(statSync(mine).uid).toBe(process.getuid?.());
    expect(readdirSync(data)).toEqual(['letter.txt']);
  });
  it('writes through no link that lies in the data', async () => {
    expect(await begin()).toBe(true);
    child?.kill('SIGTERM');
    await ended();
    const victim = join(base, 'victim');
    writeFileSync(victim, 'mine', { mode: 0o600 });
    const names = ['cluster-password', 'running.json', 'key', 'backups.json'];
    for (const name of names) {
      rmSync(join(data, name), { force: true });
      symlinkSync(victim, join(data, name));
    }
    await begin('--private');
    child?.kill('SIGTERM');
    await ended();
    expect(readFileSync(victim, 'utf8')).toBe('mine');
    const facts = statSync(victim);
    expect([facts.uid, facts.mode & 0o777]).toEqual([process.getuid?.(), 0o600]);
  });
  (isRoot ? it : it.skip)('leaves alone what belongs to somebody else', async () => {
    mkdirSync(data);
    spawn('chown', ['65534', data]);
    for (const end = Date.now() + 5_000; statSync(data).uid === 0 && Date.now() < end; ) {
      await pause(10);
    }
    expect(await begin()).toBe(false);
    expect(said).toContain('belongs to another user');
    expect(statSync(data).uid).toBe(65_534);
  });
});

describe('what stands where a file of ours should be', () => {
  const lay: Readonly<Record<string, () => void>> = {
    'a directory called lock': () => {
      mkdirSync(join(data, 'lock'));
    },
    'a link called lock': () => {
      symlinkSync(join(base, 'elsewhere'), join(data, 'lock'));
    },
    'a directory called cluster-password': () => {
      mkdirSync(join(data, 'cluster-password'));
    },
    'an empty PG_VERSION': () => {
      mkdirSync(cluster());
      writeFileSync(join(cluster(), 'PG_VERSION'), '');
    },
  };
  it.each(Object.keys(lay))('is said in a sentence, and nothing is made: %s', async (what) => {
    mkdirSync(data);
    lay[what]?.();
    expect(await begin()).toBe(false);
    expect([await ended(), said.trim().split('\n').length]).toEqual([1, 1]);
    expect(said).toMatch(/start again|nothing was changed/);
    expect(existsSync(join(base, 'elsewhere'))).toBe(false);
  });
});
