/**
 * Starts everything and keeps it running until Ctrl-C: database, server and, the first time, the
 * demo studio. Whatever stands in the way ends in a sentence that says what to do.
 */
import { existsSync } from 'node:fs';
import { rm, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { setFlagsFromString } from 'node:v8';
import { createTravel, demoComputer, seedStudio } from '@clever-drawer/demo';
import {
  explain,
  giveUpRoot,
  InUseError,
  keyFileOf,
  renewKey,
  replaceIn,
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
  #signal: NodeJS.Signals | null = null;
  #isWanted = false;

  constructor() {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
      process.on(signal, () => {
        this.#hear(signal);
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
      await this.#stop(server);
    }
  }

  #hear(signal: NodeJS.Signals): void {
    if (this.#isWanted) {
      return;
    }
    this.#isWanted = true;
    this.#signal = signal;
    if (this.#server) {
      this.#stop(this.#server).catch(endBadly);
    } else {
      console.error('Stopping as soon as the start is through.');
    }
  }

  /** Never rejects for what a step of stopping does: that is logged, and the next is taken. */
  async #stop(server: Running): Promise<void> {
    await server.stop();
    await rm(join(this.#data, noteName), { force: true });
    if (this.#signal === 'SIGHUP') {
      // Node aborts at its exit when the terminal it was started in is gone; by the signal it just ends.
      process.removeAllListeners('SIGHUP');
      process.kill(process.pid, 'SIGHUP');
    } else {
      process.exit(0);
    }
  }
}

function endBadly(error: unknown): never {
  console.error(wordsOf(error, null));
  process.exit(1);
}

async function run(options: StartOptions): Promise<void> {
  const { data, isDemo, isPrivate, port, logLevel, allowed } = options;
  const stopper = new Stopper();
  await giveUpRoot(data);
  await discardHalf(data);
  const began = Date.now();
  const travel = createTravel();
  const server = await serve({
    data,
    port,
    web,
    logLevel,
    isPrivate,
    allowed: isDemo ? [...allowed, join(data, 'studio')] : allowed,
    uncaught: process,
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

function readyWords({ address, gate, oscPort }: Running, data: string, took: number): string {
  const osc = oscPort === null ? '' : ` OSC messages are heard on UDP port ${oscPort}.`;
  const entrance = gate === null ? '' : entranceWords(address, gate);
  return `Clever Drawer is ready (${(took / 1000).toFixed(1)} s): ${address}${entrance}\nCtrl-C stops it. The data is in ${data}.${osc}`;
}

/** The link is for the eyes of who sits here; a journal, which others read, gets none. */
function entranceWords(address: string, gate: NonNullable<Running['gate']>): string {
  const file = `It asks for the key in ${gate.keyFile}.`;
  return process.stdout.isTTY
    ? `\n${file} This link lets one browser in, once, within ten minutes: ${address}/enter/${gate.newLink(Date.now())}`
    : `\n${file}`;
}

/** Written beside and moved there, so that nobody ever reads half of it. */
async function writeNote(data: string, { address }: Running): Promise<void> {
  await replaceIn(data, noteName, JSON.stringify({ pid: process.pid, address }), 0o600);
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
  await giveUpRoot(data);
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

/** A program that runs takes the new key at once. */
async function renew({ data }: StartOptions): Promise<void> {
  await giveUpRoot(data);
  await renewKey(data);
  console.log(
    `The key in ${keyFileOf(data)} is a new one. Browsers and hosts that used the old one have to show it.`,
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
    case 'renew-key':
      await renew(options);
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
  const told = options ? explain(error, options.data) : error;
  if (told instanceof SetupError) {
    return told.message;
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

// A terminal that was closed takes no more words, which is no reason to break off stopping.
for (const stream of [process.stdout, process.stderr]) {
  stream.on('error', () => undefined);
}

const options = readOrEnd();
doTask(options).catch(async (error: unknown) => {
  if (options.task === 'run' && (await isRunningAlready(error))) {
    console.log((error as Error).message.split('. If it')[0]);
    process.exit(0);
  }
  console.error(wordsOf(error, options));
  process.exit(1);
});
