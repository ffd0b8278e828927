/**
 * Threads for walking, reading and sorting: started when first needed, replaced when a file holds
 * one up for too long.
 */
import { Worker } from 'node:worker_threads';
import {
  failedCopy,
  type Decisions,
  type Format,
  type FoundCopy,
  type IdentifiedCatalog,
  type CopyToIdentify,
  type Problem,
} from '@clever-drawer/core';
import { failedSetting, type FoundSetting } from '@clever-drawer/core/readers';
import type { FoundBundle, Sought, Walked } from './walk.ts';
import type { Done, Task } from './worker.ts';

/** The longest that reading one bundle may take, in milliseconds. */
const readLimit = 20_000;

/** The most memory that a thread may take, in MiB; one that needs more breaks, and is replaced. */
const memoryLimit = 1_536;

interface Thread {
  readonly worker: Worker;
  isBusy: boolean;
}

/** Threads that read bundles and sort catalogs; one that takes too long is replaced. */
export class ReaderPool {
  readonly #program: URL;
  readonly #size: number;
  readonly #environment: Readonly<Record<string, string | undefined>>;
  readonly #threads: Thread[] = [];
  readonly #waiting: ((thread: Thread) => void)[] = [];

  /** `program` is what a thread runs, where it is not the one beside this file. */
  constructor(
    size: number,
    environment: Readonly<Record<string, string | undefined>>,
    program = new URL('./worker-start.mjs', import.meta.url),
  ) {
    this.#program = program;
    this.#size = size;
    this.#environment = environment;
  }

  /** How many bundles are read at once. */
  get size(): number {
    return this.#size;
  }

  /** What lies in a place. Ends early, with what it has, when `stop` is no longer 0. */
  async walk(
    place: string,
    formats: readonly Format[],
    stop: SharedArrayBuffer,
    what: Sought = 'plugins',
  ): Promise<Walked> {
    const done = await this.#run({ task: 'walk', place, formats, stop, what }, null);
    return 'walked' in done ? done.walked : { bundles: [], problems: [] };
  }

  /** The copies of one bundle; a failed one when it takes too long or the thread breaks. */
  async read(bundle: FoundBundle, place: string): Promise<FoundCopy[]> {
    try {
      const done = await this.#run({ task: 'read', bundle, place }, readLimit);
      return 'copies' in done ? done.copies : [];
    } catch (error) {
      return [failedCopy(bundle.format, bundle.path, givenUp(bundle, error))];
    }
  }

  /** The settings of one bundle or file; a failed one when it takes too long or the thread breaks. */
  async readSettings(bundle: FoundBundle, place: string): Promise<FoundSetting[]> {
    try {
      const done = await this.#run({ task: 'settings', bundle, place }, readLimit);
      return 'settings' in done ? done.settings : [];
    } catch (error) {
      return [failedSetting(bundle.format, bundle.path, givenUp(bundle, error))];
    }
  }

  /** The whole catalog sorted anew. */
  async sort(copies: readonly CopyToIdentify[], decisions: Decisions): Promise<IdentifiedCatalog> {
    const done = await this.#run({ task: 'sort', copies, decisions }, null);
    if ('sorted' in done) {
      return done.sorted;
    }
    throw new Error('the thread answered something else');
  }

  async close(): Promise<void> {
    await Promise.all(this.#threads.splice(0).map((thread) => thread.worker.terminate()));
  }

  async #run(task: Task, limit: number | null): Promise<Done> {
    const thread = await this.#free();
    try {
      return await ask(thread.worker, task, limit);
    } catch (error) {
      this.#threads.splice(this.#threads.indexOf(thread), 1);
      await thread.worker.terminate();
      throw error;
    } finally {
      this.#release(thread);
    }
  }

  #free(): Promise<Thread> {
    const idle =
      this.#threads.find((thread) => !thread.isBusy) ??
      (this.#threads.length < this.#size ? this.#start() : null);
    if (!idle) {
      return new Promise((resolve) => {
        this.#waiting.push(resolve);
      });
    }
    idle.isBusy = true;
    return Promise.resolve(idle);
  }

  #start(): Thread {
    const worker = new Worker(this.#program, {
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: memoryLimit },
      workerData: { ...this.#environment },
    });
    worker.unref();
    const thread = { worker, isBusy: false };
    this.#threads.push(thread);
    return thread;
  }

  /** Hands the thread (or a new one in place of a broken one) to whoever waits. */
  #release(thread: Thread): void {
    thread.isBusy = false;
    const next = this.#waiting.shift();
    if (next) {
      void this.#free().then(next);
    }
  }
}

const givenUp = ({ path }: FoundBundle, error: unknown): Problem => ({
  code: 'damaged',
  at: path,
  line: null,
  detail: `examining it was given up (${error instanceof Error ? error.message : ''}).`,
});

/** One question, one answer; rejects when the thread breaks or the time is up. */
function ask(worker: Worker, task: Task, limit: number | null): Promise<Done> {
  return new Promise((resolve, reject) => {
    const timer =
      limit === null
        ? null
        : setTimeout(() => {
            end(() => {
              reject(new Error(`it took longer than ${limit / 1000} seconds`));
            });
          }, limit);
    const end = (settle: () => void): void => {
      if (timer) {
        clearTimeout(timer);
      }
      worker.off('message', onMessage).off('error', onError).off('exit', onExit);
      settle();
    };
    const onMessage = (done: Done): void => {
      end(() => {
        resolve(done);
      });
    };
    const onError = (error: Error): void => {
      end(() => {
        reject(error);
      });
    };
    const onExit = (): void => {
      end(() => {
        reject(new Error('the reader ended'));
      });
    };
    worker.on('message', onMessage).on('error', onError).on('exit', onExit);
    worker.postMessage(task);
  });
}
