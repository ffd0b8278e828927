/**
 * Starts everything and keeps it running until Ctrl-C: database, server and, the first time, the
 * demo studio. Whatever stands in the way ends in a sentence that says what to do.
 */
import { existsSync } from 'node:fs';
import { rename, rm, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { createTravel, demoComputer, seedStudio } from '@clever-drawer/demo';
import {
  InUseError,
  serve,
  SetupError,
  startCluster,
  upgradeCluster,
  versionsToUpgrade,
  type Running,
} from '@clever-drawer/server';
import { installService, uninstallService } from './service.ts';
import { readOptions, startHelp, type StartOptions } from './start-options.ts';
import { readStatus } from './status.ts';

const web = resolve(import.meta.dirname, '../web/dist');
/** Stands in the data while the demo is being made: half of it is made anew. */
const halfMark = 'seeding';
const noteName = 'running.json';

/** Stops what runs when a signal comes, also when it comes while things are still starting. */
class Stopper {
  #server: Running | null = null;
  #data = '';
  #isWanted = false;

  constructor() {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
      process.on(signal, () => {
        this.#hear();
      });
    }
  }

  /** Whether a signal came: what breaks off then is no trouble. */
  get isStopping(): boolean {
    return this.#isWanted;
  }

  /** From now on this is what has to be stopped. */
  async started(server: Running, data: string): Promise<void> {
    this.#server = server;
    this.#data = data;
    if (this.#isWanted) {
      await this.#stop();
    }
  }

  #hear(): void {
    if (this.#isWanted) {
      return;
    }
    this.#isWanted = true;
    if (this.#server) {
      void this.#stop();
    } else {
      console.error('Stopping as soon as the start is through.');
    }
  }

  async #stop(): Promise<void> {
    try {
      await rm(join(this.#data, noteName), { force: true });
      await this.#server?.stop();
      process.exit(0);
    } catch (error) {
      console.error(wordsOf(error, null));
      process.exit(1);
    }
  }
}

async function run({ data, isDemo, isPrivate, port, logLevel }: StartOptions): Promise<void> {
  const stopper = new Stopper();
  await discardHalf(data);
  const began = Date.now();
  const travel = createTravel();
  const server = await serve({
    data,
    port,
    web,
    logLevel,
    isPrivate,
    givesUpRoot: true,
    oscPort: port + 1,
    clock: travel.clock,
    ...(isDemo ? { firstComputer: demoComputer } : {}),
  });
  await writeNote(data, server);
  await stopper.started(server, data);
  if (isDemo && server.isUntouched) {
    console.log('Writing and scanning the demo studio');
    await writeFile(join(data, halfMark), '');
    try {
      await seedStudio(server, join(data, 'studio'), travel);
    } catch (error) {
      if (stopper.isStopping) {
        return;
      }
      await server.stop();
      throw error;
    }
    await rm(join(data, halfMark));
  }
  console.log(readyWords(server, data, Date.now() - began));
}

function readyWords(server: Running, data: string, took: number): string {
  const address = server.key === null ? server.address : `${server.address}/?key=${server.key}`;
  const osc =
    server.oscPort === null ? '' : ` OSC messages are heard on UDP port ${server.oscPort}.`;
  return `Clever Drawer is ready (${(took / 1000).toFixed(1)} s): ${address}\nCtrl-C stops it. The data is in ${data}.${osc}`;
}

/** Written beside and moved there, so that nobody ever reads half of it. */
async function writeNote(data: string, { address }: Running): Promise<void> {
  const path = join(data, noteName);
  await writeFile(`${path}.new`, JSON.stringify({ pid: process.pid, address }));
  await rename(`${path}.new`, path);
}

/** A demo whose making was interrupted is made anew; it holds nothing of the user's yet. */
async function discardHalf(data: string): Promise<void> {
  const mark = join(data, halfMark);
  if (!existsSync(mark)) {
    return;
  }
  const cluster = await startCluster(data);
  // Somebody else may have finished it meanwhile: what counts is what is there under the lock.
  if (existsSync(mark)) {
    await rm(join(data, 'studio'), { recursive: true, force: true });
    await cluster.discard();
    await rm(mark, { force: true });
  } else {
    await cluster.stop();
  }
}

async function upgrade({ data }: StartOptions): Promise<void> {
  const versions = await versionsToUpgrade(data);
  if (versions === null) {
    console.log(`The data in ${data} is of the newest PostgreSQL that is installed.`);
    return;
  }
  const { from, to } = versions;
  console.log(`Carrying the data over from PostgreSQL ${from.name} to ${to.name}`);
  const { rows, kept } = await upgradeCluster(data, versions);
  const count = [...rows.values()].reduce((sum, one) => sum + one, 0);
  console.log(
    `Done: ${count.toLocaleString('en')} rows of ${rows.size} tables, counted in both. The old data is kept in ${kept}; remove it when you like.`,
  );
}

async function status(options: StartOptions): Promise<void> {
  const { isRunning, lines } = await readStatus(options);
  console.log(lines.join('\n'));
  process.exitCode = isRunning ? 0 : 3;
}

async function doTask(options: StartOptions): Promise<void> {
  switch (options.task) {
    case 'run':
      await run(options);
      return;
    case 'install':
      console.log(await installService(options));
      return;
    case 'uninstall':
      console.log(await uninstallService(options));
      return;
    case 'status':
      await status(options);
      return;
    case 'upgrade':
      await upgrade(options);
      return;
    default:
      options.task satisfies never;
  }
}

/** What went wrong, for who started it. */
function wordsOf(error: unknown, options: StartOptions | null): string {
  if (options && (error as NodeJS.ErrnoException).code === 'EADDRINUSE') {
    return `Port ${options.port} is in use by another program, or by Clever Drawer with other data. Choose another one: PORT=${options.port + 1} ./start`;
  }
  if (error instanceof SetupError) {
    return error.message;
  }
  const detail = error instanceof Error ? (error.stack ?? error.message) : String(error);
  return `Something went wrong inside Clever Drawer; please keep what follows for whoever looks into it.\n${detail}`;
}

/** Whoever runs already and answers is what was wanted. */
async function isRunningAlready(error: unknown): Promise<boolean> {
  if (!(error instanceof InUseError) || error.address === null) {
    return false;
  }
  return fetch(`${error.address}/health`, { signal: AbortSignal.timeout(2_000) }).then(
    (response) => response.ok,
    () => false,
  );
}

function readOrEnd(): StartOptions {
  try {
    return readOptions(process.argv.slice(2), process.env);
  } catch (error) {
    console.error(`${error instanceof Error ? error.message : String(error)}\n${startHelp}`);
    process.exit(2);
  }
}

/**
 * How much more than what is still used a heap may hold before it is cleared up, in percent. V8 lets
 * it grow to several times as much while there is memory, which in a scan of 20,000 was half of all.
 */
setFlagsFromString('--heap-growing-percent=30');

const options = readOrEnd();
doTask(options).catch(async (error: unknown) => {
  if (options.task === 'run' && (await isRunningAlready(error))) {
    console.log((error as Error).message.split('. If it')[0]);
    process.exit(0);
  }
  console.error(wordsOf(error, options));
  process.exit(1);
});
