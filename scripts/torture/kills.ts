/**
 * Everything is killed: each process of the program at a random moment of each of its jobs, by each
 * signal, and restoring and backing up at the command line. What was confirmed has to be there, nothing
 * may run on or lie about, and it has to start again.
 */
import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import {
  chmodSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  readlinkSync,
  rmSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { freePort } from '@clever-drawer/server';
import { jobNames, type JobName } from '../../server/src/jobs/job-names.ts';
import { activities, addPlaces, type Scene } from './activities.ts';
import { addFolder, checkKept, firstComputer, readOrder, type Tally } from './client.ts';
import { launch, pause, startProgram, withDemo, type Program } from './program.ts';

const root = resolve(import.meta.dirname, '../..');
const random = (below: number): number => Math.floor(Math.random() * below);
const oneOf = <T>(values: readonly T[]): T | undefined => values[random(values.length)];

/** How long what was killed may take to be gone with all of its children. Milliseconds. */
const goneWithin = 15_000;

/** Processes whose program, directory or environment speaks of that directory. */
function processesOf(directory: string): { pid: number; words: string }[] {
  return readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name) && Number(name) !== process.pid)
    .map((name) => ({ pid: Number(name), words: wordsOf(name) }))
    .filter(({ words }) => words.includes(directory));
}

function wordsOf(pid: string): string {
  try {
    const command = readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ');
    return `${command} ${readlinkSync(`/proc/${pid}/cwd`)}`;
  } catch {
    return '';
  }
}

/** Homes of opened plugins that a program left. */
const homesOf = (pid: number): string[] =>
  readdirSync(tmpdir()).filter((name) => name.startsWith(`clever-drawer-open-${pid}-`));

async function expectGone(tally: Tally, directory: string, what: string): Promise<void> {
  const end = Date.now() + goneWithin;
  while (processesOf(directory).length > 0) {
    await pause(100);
    if (Date.now() > end) {
      const left = processesOf(directory).map(({ words }) => words.slice(0, 80));
      tally.fail(`${what}: still running: ${left.join(' | ')}`);
      return;
    }
  }
}

/** Kills one process of the program: itself, one of its children's, or the whole group. */
function killSome(program: Program, data: string, signal: NodeJS.Signals): void {
  const pid = program.child.pid ?? 0;
  const children = processesOf(data).filter((one) => one.pid !== pid);
  const child = random(3) === 0 ? oneOf(children) : undefined;
  try {
    process.kill(child?.pid ?? (random(2) === 0 ? pid : -pid), signal);
  } catch {
    // It has ended meanwhile.
  }
}

/** A directory that the user of the database can enter, where we are root. */
function newBase(): string {
  const base = mkdtempSync(join(tmpdir(), 'clever-drawer-torture-'));
  chmodSync(base, 0o755);
  return base;
}

const signals: readonly NodeJS.Signals[] = ['SIGKILL', 'SIGTERM', 'SIGINT', 'SIGHUP'];

/** Kills during every job, in turn, until the time is over. */
export async function killsDuringJobs(tally: Tally, until: number): Promise<void> {
  const base = newBase();
  const data = join(base, 'data');
  const confirmed: string[] = [];
  try {
    let round = 0;
    for (; Date.now() < until; round += 1) {
      const job = jobNames[round % jobNames.length] ?? 'scans';
      await killDuring(tally, { base, data, job, confirmed });
    }
    console.log(`    kills: ${2 * round}, acts confirmed between them: ${confirmed.length}`);
    const program = await start(tally, base, data);
    const computer = program.isUp ? await firstComputer(tally, program.address) : null;
    if (computer !== null) {
      await checkKept(tally, computer, confirmed);
    }
    await program.stop();
    await expectGone(tally, base, 'after the last stop');
    const files = readdirSync(data).filter((name) => /half|\.new$|restoring/.test(name));
    if (files.length > 0) {
      tally.fail(`files were left: ${files.join(', ')}`);
    }
  } finally {
    rmSync(base, { recursive: true, force: true });
  }
}

async function start(
  tally: Tally,
  base: string,
  data: string,
): Promise<Program & { isUp: boolean }> {
  const program = await startProgram(data, await freePort(), ['--allow', base]);
  if (!program.isUp) {
    tally.fail(`it did not start: ${program.said().slice(0, 300)}`);
  }
  return program;
}

interface Round {
  readonly base: string;
  readonly data: string;
  readonly job: JobName;
  readonly confirmed: string[];
}

async function killDuring(tally: Tally, { base, data, job, confirmed }: Round): Promise<void> {
  const program = await start(tally, base, data);
  const scene = program.isUp ? await sceneOf(tally, program, base) : null;
  const signal = oneOf(signals) ?? 'SIGKILL';
  if (scene) {
    await addPlaces(scene);
    const acting = act(scene, confirmed);
    const busy = activities[job](scene).catch(() => undefined);
    await pause(random(1_500));
    killSome(program, base, signal);
    tally.tried += 1;
    await pause(random(1_500));
    acting.stop();
    program.child.kill(oneOf(signals) ?? 'SIGKILL');
    await Promise.race([once(program.child, 'exit'), pause(goneWithin)]);
    await Promise.all([busy, acting.over]);
  }
  await program.kill();
  await expectGone(tally, base, `${signal} during ${job}`);
  const pid = program.child.pid ?? 0;
  if (homesOf(pid).length > 2) {
    tally.fail(`${homesOf(pid).length} homes of opened plugins were left`);
  }
}

async function sceneOf(tally: Tally, program: Program, base: string): Promise<Scene | null> {
  const computer = await firstComputer(tally, program.address);
  const order = computer === null ? null : await readOrder(tally, computer);
  const cabinet = order?.records.find(({ table }) => table === 'cabinet')?.id;
  return computer !== null && cabinet !== undefined
    ? { tally, computer, address: program.address, cabinet, base }
    : null;
}

/** A window that acts, until told to stop. */
function act(
  { tally, computer, cabinet }: Scene,
  confirmed: string[],
): { stop: () => void; over: Promise<void> } {
  let isOver = false;
  const work = async (): Promise<void> => {
    while (!isOver) {
      const id = await addFolder(tally, computer, cabinet);
      if (id !== null) {
        confirmed.push(id);
      }
      await pause(id === null ? 100 : 5);
    }
  };
  return {
    stop: () => {
      isOver = true;
    },
    over: work(),
  };
}

/** How many moments of a start, and how far apart they are. Milliseconds. */
const stages = { count: 30, apart: 120 };

/** A signal to the whole group at each of thirty stages of a start: it ends soon, and nothing is left. */
export async function signalsAtStages(tally: Tally, until: number): Promise<void> {
  for (let stage = 0; stage < stages.count && Date.now() < until; stage += 1) {
    for (const signal of signals.filter((one) => one !== 'SIGKILL')) {
      const base = newBase();
      const data = join(base, 'data');
      const child = launch(data, await freePort());
      await pause(stage * stages.apart);
      process.kill(-(child.pid ?? process.pid), signal);
      tally.tried += 1;
      const isOver = await Promise.race([exitOf(child).then(() => true), pause(goneWithin)]);
      if (isOver !== true) {
        tally.fail(`${signal} at stage ${stage}: it did not end`);
        child.kill('SIGKILL');
      }
      await expectGone(tally, base, `${signal} at stage ${stage}`);
      rmSync(base, { recursive: true, force: true });
    }
  }
}

/** Kills of the first start that makes the demo; what is left of it is made anew. */
export async function killsDuringSeeding(tally: Tally, until: number): Promise<void> {
  const base = newBase();
  const data = join(base, 'data');
  try {
    while (Date.now() < until - 40_000) {
      const seeding = await startProgram(data, await freePort(), [withDemo]);
      await pause(random(6_000));
      seeding.child.kill(oneOf(signals) ?? 'SIGKILL');
      tally.tried += 1;
      await Promise.race([once(seeding.child, 'exit'), pause(goneWithin)]);
      await seeding.kill();
      await expectGone(tally, base, 'seeding');
    }
    const program = await startProgram(data, await freePort(), [withDemo]);
    if (!program.isUp) {
      tally.fail(`after killed seedings: ${program.said().slice(0, 300)}`);
    }
    await program.stop();
  } finally {
    rmSync(base, { recursive: true, force: true });
  }
}

const command = (...args: readonly string[]): ChildProcess =>
  spawn(process.execPath, ['--import', loader, join(root, 'cli/src/main.ts'), ...args], {
    cwd: root,
    stdio: 'ignore',
    detached: true,
  });
/** By its path: who goes on as another user goes on in another directory. */
const loader = join(root, 'node_modules/tsx/dist/esm/index.mjs');

const exitOf = async (child: ChildProcess): Promise<number | null> => {
  if (child.exitCode === null && child.signalCode === null) {
    await once(child, 'exit');
  }
  return child.exitCode;
};

/** Backing up and restoring are broken off by each signal; both can be done again. */
export async function killsOfBackups(tally: Tally, until: number): Promise<void> {
  const base = newBase();
  const data = join(base, 'data');
  const restored = join(base, 'restored');
  const file = join(base, 'studio.backup');
  try {
    const program = await start(tally, base, data);
    await program.stop();
    if ((await exitOf(command('backup', file, '--data', data))) !== 0) {
      tally.fail('a backup could not be made');
    }
    while (Date.now() < until) {
      await breakOff(tally, base, command('restore', file, '--data', restored), 9_000);
      if (existsSync(join(restored, 'cluster'))) {
        // It was quicker than the signal.
        rmSync(restored, { recursive: true });
      }
      await breakOff(tally, base, command('backup', file, '--data', data), 4_000);
    }
    if ((await exitOf(command('restore', file, '--data', restored))) !== 0) {
      tally.fail('a restore that was broken off cannot be done again');
    }
    await expectGone(tally, base, 'after the last restore');
  } finally {
    rmSync(base, { recursive: true, force: true });
  }
}

async function breakOff(
  tally: Tally,
  base: string,
  child: ChildProcess,
  within: number,
): Promise<void> {
  await pause(random(within));
  child.kill(oneOf(signals) ?? 'SIGKILL');
  tally.tried += 1;
  await Promise.race([exitOf(child), pause(goneWithin)]);
  await expectGone(tally, base, 'a command that was broken off');
  child.kill('SIGKILL');
}
