/** What is done to the program, each trial by itself: it ends with how often was tried and what failed. */
import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  closeSync,
  mkdirSync,
  mkdtempSync,
  openSync,
  readFileSync,
  rmSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { freePort } from '@clever-drawer/server';
import type { Tally } from './client.ts';
import { addFolder, ask, checkKept, firstComputer, readOrder } from './client.ts';
import { drawRequests } from './drawn.ts';
import { hostileDirectories } from './hostile.ts';
import { killsDuringJobs, killsDuringSeeding, killsOfBackups, signalsAtStages } from './kills.ts';
import { oddTexts, writeOddFiles } from './oddities.ts';
import { errors, killDatabase, launch, pause, startProgram, type Program } from './program.ts';

/** A trial, and how long it may take. */
export interface Trial {
  readonly name: string;
  readonly run: (tally: Tally, until: number) => Promise<void>;
}

const random = (below: number): number => Math.floor(Math.random() * below);

/** A directory for one trial, removed behind it. */
async function withData(work: (data: string, port: number) => Promise<void>): Promise<void> {
  const data = mkdtempSync(join(tmpdir(), 'clever-drawer-torture-'));
  try {
    await work(data, await freePort());
  } finally {
    rmSync(data, { recursive: true, force: true });
  }
}

async function withProgram(
  tally: Tally,
  work: (program: Program, data: string, port: number) => Promise<void>,
): Promise<void> {
  await withData(async (data, port) => {
    const program = await startProgram(data, port);
    if (!program.isUp) {
      tally.fail(`it did not start: ${program.said().slice(0, 300)}`);
    }
    try {
      await work(program, data, port);
    } finally {
      await program.stop();
    }
  });
}

/** Four windows that act, until told to stop; gives what was confirmed. */
function actors(tally: Tally, address: string) {
  const confirmed: string[] = [];
  let isOver = false;
  const actOn = async (): Promise<void> => {
    let computer: string | null = null;
    let cabinet: string | undefined;
    while (!isOver) {
      computer ??= await firstComputer(tally, address);
      const order =
        computer !== null && cabinet === undefined ? await readOrder(tally, computer) : null;
      cabinet ??= order?.records.find((record) => record.table === 'cabinet')?.id;
      const id = computer && cabinet ? await addFolder(tally, computer, cabinet) : null;
      if (id === null) {
        await pause(100);
      } else {
        confirmed.push(id);
      }
    }
  };
  const running = Promise.all([actOn(), actOn(), actOn(), actOn()]);
  return {
    confirmed,
    stop: async (): Promise<void> => {
      isOver = true;
      await running;
    },
  };
}

async function kills(tally: Tally, until: number): Promise<void> {
  await withData(async (data, port) => {
    let program = await startProgram(data, port);
    const acting = actors(tally, program.address);
    while (Date.now() < until) {
      await pause(300 + random(2_500));
      if (random(2) === 0) {
        await killDatabase(data);
      } else {
        await program.kill();
        program = await startProgram(data, port);
        if (!program.isUp) {
          tally.fail(`it did not start again: ${program.said().slice(0, 300)}`);
        }
      }
      tally.tried += 1;
    }
    // After many kills in a row, tries to start the database are up to half a minute apart.
    await heals(tally, acting.confirmed);
    await acting.stop();
    const computer = await firstComputer(tally, program.address);
    if (computer === null) {
      tally.fail('it did not come back');
    } else {
      await checkKept(tally, computer, acting.confirmed);
    }
    tellWords(tally);
    await program.stop();
  });
}

/** Where something failed, what the programs logged of it is worth keeping. */
function tellWords(tally: Tally): void {
  if (tally.failures.length > 0) {
    for (const line of errors.splice(0).slice(0, 5)) {
      tally.fail(`it logged: ${line.slice(0, 600)}`);
    }
  }
}

async function firstStarts(tally: Tally, until: number): Promise<void> {
  while (Date.now() < until) {
    await withData(async (data, port) => {
      for (let kill = 0; kill < 3; kill += 1) {
        const child = launch(data, port);
        await pause(200 + random(4_000));
        child.kill('SIGKILL');
        tally.tried += 1;
      }
      const program = await startProgram(data, port);
      if (!program.isUp) {
        tally.fail(`after killed first starts: ${program.said().slice(0, 300)}`);
      }
      await program.stop();
    });
  }
}

async function manyStarts(tally: Tally, until: number): Promise<void> {
  while (Date.now() < until) {
    await withData(async (data, port) => {
      const started = await Promise.all(
        [0, 1, 2, 3].map((at) => startProgram(data, port + 10 * at)),
      );
      const holders = started.filter(({ child }) => child.exitCode === null);
      tally.tried += started.length;
      if (holders.length !== 1) {
        tally.fail(`of four at once ${holders.length} run`);
      }
      for (const { child, said } of started) {
        const words = said();
        if (child.exitCode !== null && !/runs already|being started/.test(words)) {
          tally.fail(`a second start said: ${words.slice(0, 200)}`);
        }
      }
      const computer = await firstComputer(tally, holders[0]?.address ?? '');
      if (computer === null) {
        tally.fail('the one that runs does not answer');
      }
      await Promise.all(started.map((program) => program.stop()));
    });
  }
}

async function scansAgainstActs(tally: Tally, until: number): Promise<void> {
  await withProgram(tally, async ({ address }, data) => {
    const place = join(data, 'place');
    const computer = (await firstComputer(tally, address)) ?? '';
    writeFamilies(place, 0);
    await ask(tally, 'POST', `${computer}/places`, JSON.stringify({ path: place }));
    const acting = actors(tally, address);
    for (let round = 1; Date.now() < until; round += 1) {
      writeFamilies(place, round);
      const { status } = await ask(tally, 'POST', `${computer}/scans`);
      tally.tried += 1;
      if (status !== 202 && status !== 409) {
        tally.fail(`a scan was answered with ${status}`);
      }
      await scanEnded(tally, computer);
    }
    await acting.stop();
    await checkKept(tally, computer, acting.confirmed);
    const { body } = await ask(tally, 'GET', `${computer}/scans`);
    const broken = (body as { scans: { state: string }[] }).scans.filter(
      (scan) => scan.state !== 'done',
    );
    if (broken.length > 0) {
      tally.fail(`${broken.length} scans broke off`);
    }
    await undoAll(tally, computer, acting.confirmed.length);
  });
}

function writeFamilies(place: string, round: number): void {
  for (let at = 0; at < 40; at += 1) {
    const bundle = join(place, `family-${at}.lv2`);
    mkdirSync(bundle, { recursive: true });
    const name = `Kelp ${(at + round) % 20}${(at + round) % 3 === 0 ? ' (mono)' : ''}`;
    writeFileSync(
      join(bundle, 'manifest.ttl'),
      `@prefix lv2: <http://lv2plug.in/ns/lv2core#> .\n@prefix doap: <http://usefulinc.com/ns/doap#> .\n<urn:family:${at}> a lv2:Plugin ; doap:name "${name}" ; lv2:minorVersion ${round} .\n`,
    );
  }
}

async function scanEnded(tally: Tally, computer: string): Promise<void> {
  for (;;) {
    const { status, body } = await ask(tally, 'GET', `${computer}/scans`);
    if (status !== 200 || (body as { progress: unknown }).progress === null) {
      return;
    }
    await pause(30);
  }
}

/** Everything can be undone and done again. */
async function undoAll(tally: Tally, computer: string, acts: number): Promise<void> {
  for (const direction of ['undo', 'redo']) {
    for (let step = 0; step <= Math.min(acts, 200); step += 1) {
      const { status } = await ask(tally, 'POST', `${computer}/${direction}`);
      tally.tried += 1;
      if (status !== 200 && status !== 409) {
        tally.fail(`${direction} was answered with ${status}`);
        return;
      }
    }
  }
}

async function texts(tally: Tally, until: number): Promise<void> {
  await withProgram(tally, async ({ address }) => {
    const computer = (await firstComputer(tally, address)) ?? '';
    const id = computer.split('/').at(-1) ?? '';
    const order = await readOrder(tally, computer);
    const cabinet = order?.records.find((record) => record.table === 'cabinet')?.id ?? '';
    const open = drawRequests({ cabinet, plugin: randomUUID() });
    for (const text of shuffled(oddTexts)) {
      for (const request of open) {
        if (Date.now() > until) {
          return;
        }
        const { path, body } = request.with(text);
        const url = `${address}/api${path.replace(':computer', id)}`;
        if (!path.endsWith('/events')) {
          const { status } = await ask(tally, request.method, url, body);
          tally.tried += 1;
          if (status === 0 || status >= 500) {
            const odd = JSON.stringify(text).slice(0, 60);
            tally.fail(`${request.method} ${request.path} ${request.field} ${odd}: ${status}`);
          }
        }
      }
    }
  });
}

const shuffled = <T>(values: readonly T[]): T[] =>
  values
    .map((value) => ({ value, at: Math.random() }))
    .sort((a, b) => a.at - b.at)
    .map(({ value }) => value);

async function files(tally: Tally, until: number): Promise<void> {
  await withProgram(tally, async ({ address }, data) => {
    const computer = (await firstComputer(tally, address)) ?? '';
    for (let round = 0; Date.now() < until; round += 1) {
      const place = join(data, `odd-${round}`);
      const written = writeOddFiles(place);
      tally.tried += written;
      await ask(tally, 'POST', `${computer}/places`, JSON.stringify({ path: place }));
      await ask(tally, 'POST', `${computer}/scans`);
      await scanEnded(tally, computer);
      const { body } = await ask(tally, 'GET', `${computer}/scans`);
      const [latest] = (body as { scans: { state: string }[] }).scans;
      if (latest?.state !== 'done') {
        tally.fail(`a scan of odd files ended as ${latest?.state ?? 'none'}`);
      }
      const { status } = await ask(tally, 'GET', `${computer}/catalog`);
      if (status !== 200) {
        tally.fail(`the catalog of odd files was answered with ${status}`);
      }
    }
  });
}

async function streams(tally: Tally, until: number): Promise<void> {
  await withProgram(tally, async (program) => {
    const computer = (await firstComputer(tally, program.address)) ?? '';
    const { hostname, port, pathname } = new URL(`${computer}/events`);
    const deaf = Array.from({ length: 50 }, () => {
      const socket = connect(Number(port), hostname).on('error', () => undefined);
      socket.pause();
      socket.write(`GET ${pathname} HTTP/1.1\r\nHost: ${hostname}:${port}\r\n\r\n`);
      return socket;
    });
    const before = memoryOf(program);
    const acting = actors(tally, program.address);
    await pause(Math.max(0, until - Date.now()));
    await acting.stop();
    const after = memoryOf(program);
    if (after > before + 600) {
      tally.fail(`with 50 windows that read nothing memory went from ${before} to ${after} MiB`);
    }
    await checkKept(tally, computer, acting.confirmed);
    for (const socket of deaf) {
      socket.destroy();
    }
  });
}

/** After as many requests of every sort the server takes about what it took after the first ones. */
async function manyRequests(tally: Tally, shareEnds: number): Promise<void> {
  const until = shareEnds + 5 * 60_000;
  await withProgram(tally, async (program) => {
    const computer = (await firstComputer(tally, program.address)) ?? '';
    const order = await readOrder(tally, computer);
    const cabinet = order?.records.find((record) => record.table === 'cabinet')?.id ?? '';
    await requests(tally, computer, cabinet, 2_000, until);
    const before = memoryOf(program);
    await requests(tally, computer, cabinet, 50_000, until);
    const after = memoryOf(program);
    if (after > before * 1.5 + 50) {
      tally.fail(`after ${tally.tried} requests memory went from ${before} to ${after} MiB`);
    }
    console.log(
      `    memory: ${before} MiB after 2,000, ${after} MiB after ${tally.tried} requests`,
    );
  });
}

const reads = ['order', 'catalog', 'find?q=echo', 'places', 'session', 'changes', 'keys', 'sort'];

async function requests(
  tally: Tally,
  computer: string,
  cabinet: string,
  count: number,
  until: number,
): Promise<void> {
  const one = async (at: number): Promise<void> => {
    const folder = randomUUID();
    if (at % 50 === 0) {
      const plain = { parent: null, form: 'folder', name: 'Kept', rule: null, before: null };
      await act(tally, computer, { act: 'add-folder', id: folder, cabinet, ...plain });
      await act(tally, computer, { act: 'remove-folder', folder });
      return;
    }
    const { status } = await ask(tally, 'GET', `${computer}/${reads[at % reads.length] ?? ''}`);
    tally.tried += 1;
    if (status !== 200) {
      tally.fail(`${reads[at % reads.length] ?? ''} was answered with ${status}`);
    }
  };
  let next = 0;
  const window = async (): Promise<void> => {
    for (let at = (next += 1); at <= count && Date.now() < until; at = next += 1) {
      await one(at);
    }
  };
  await Promise.all(Array.from({ length: 10 }, window));
}

async function act(tally: Tally, computer: string, what: object): Promise<void> {
  const { status } = await ask(tally, 'POST', `${computer}/acts`, JSON.stringify(what));
  tally.tried += 1;
  if (status !== 200) {
    tally.fail(`an act was answered with ${status}`);
  }
}

/** A small disk of its own, in memory; null where none may be mounted. */
function mountSmallDisk(directory: string): boolean {
  try {
    execFileSync('mount', ['-t', 'tmpfs', '-o', 'size=192m', 'tmpfs', directory], {
      stdio: 'ignore',
    });
    return true;
  } catch {
    return false;
  }
}

/** The disk fills while windows act, and has room again: nothing confirmed is lost, all goes on. */
async function fullDisk(tally: Tally, until: number): Promise<void> {
  const disk = mkdtempSync(join(tmpdir(), 'clever-drawer-disk-'));
  if (!mountSmallDisk(disk)) {
    console.log('    no small disk could be mounted here, so that a disk that fills was not tried');
    return;
  }
  try {
    await fillDisk(tally, until, disk);
  } finally {
    execFileSync('umount', ['-l', disk]);
    rmSync(disk, { recursive: true, force: true });
  }
}

async function fillDisk(tally: Tally, until: number, disk: string): Promise<void> {
  const program = await startProgram(join(disk, 'data'), await freePort());
  if (!program.isUp) {
    tally.fail(`on a small disk it did not start: ${program.said().slice(0, 300)}`);
  }
  const acting = actors(tally, program.address);
  const filler = join(disk, 'filler');
  while (Date.now() < until) {
    await pause(1_000 + random(2_000));
    fill(filler);
    tally.tried += 1;
    await pause(2_000 + random(6_000));
    rmSync(filler);
    await heals(tally, acting.confirmed);
  }
  await acting.stop();
  const computer = await firstComputer(tally, program.address);
  if (computer === null) {
    tally.fail('it did not come back when there was room again');
  } else {
    await checkKept(tally, computer, acting.confirmed);
  }
  await program.stop();
}

/** Writes until nothing more fits. */
function fill(path: string): void {
  const handle = openSync(path, 'w');
  const piece = Buffer.alloc(65_536, 1);
  try {
    while (writeSync(handle, piece) > 0) {
      // Until the disk refuses.
    }
  } catch {
    // Full, as it was meant to be.
  } finally {
    closeSync(handle);
  }
}

/** Acts are confirmed again within 40 s: tries to start the database are at most 30 s apart. */
async function heals(tally: Tally, confirmed: readonly string[]): Promise<void> {
  const before = confirmed.length;
  const from = Date.now();
  while (confirmed.length === before) {
    if (Date.now() - from > 40_000) {
      tally.fail('no act was confirmed within 40 s, though nothing stood in the way any more');
      return;
    }
    await pause(100);
  }
}

const memoryOf = ({ child }: Program): number => {
  const status = readFileSync(`/proc/${child.pid ?? 'self'}/status`, 'utf8');
  return Math.round(Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? '0') / 1024);
};

/** All trials, in the order in which they are made. */
export const trials: readonly Trial[] = [
  { name: 'kills of server and database during acts', run: kills },
  { name: 'kills of each process during each job', run: killsDuringJobs },
  { name: 'signals at thirty stages of a start', run: signalsAtStages },
  { name: 'kills while the demo is made', run: killsDuringSeeding },
  { name: 'backing up and restoring, broken off', run: killsOfBackups },
  { name: 'prepared directories, swapped meanwhile', run: hostileDirectories },
  { name: 'kills during the first start', run: firstStarts },
  { name: 'four starts at once', run: manyStarts },
  { name: 'scans against acts, then all undone and redone', run: scansAgainstActs },
  { name: 'odd texts in fields of routes', run: texts },
  { name: 'odd files through the server', run: files },
  { name: 'fifty windows that read nothing', run: streams },
  { name: 'a disk that fills, and has room again', run: fullDisk },
  { name: '50,000 requests, and the memory after them', run: manyRequests },
];
