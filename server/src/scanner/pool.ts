/**
 * Threads for walking, reading and sorting: started when first needed, replaced when a file holds
 * one up for too long.
 */
import {
  failedCopy,
  type CopyAsText,
  type Decisions,
  type Format,
  type FoundCopy,
  type IdentifiedCatalog,
  type Problem,
} from '@clever-drawer/core';
import { failedSetting, type FoundSetting } from '@clever-drawer/core/readers';
import { Thread, type Job } from '../thread.ts';
import type { FoundBundle, Sought, Walked } from './walk.ts';
import type { Done, Task, ToRead } from './worker.ts';

type ReadJob = Job<Task, Done>;
type Reader = Thread<Task, Done>;

/** The longest that reading one bundle may take, in milliseconds. */
const readLimit = 20_000;

/** So many bundles a thread is given at once: the next is there when one was read. */
const ahead = 3;

/** Threads that read bundles and sort catalogs; one that takes too long is replaced. */
export class ReaderPool {
  readonly #program: URL;
  readonly #size: number;
  readonly #environment: Readonly<Record<string, string | undefined>>;
  readonly #threads = new Set<Reader>();
  readonly #waiting: ReadJob[] = [];

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

  /** How many bundles may be asked for at once, so that no thread waits. */
  get size(): number {
    return this.#size * ahead;
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
      const done = await this.#run({ task: 'read', bundle: toRead(bundle), place }, readLimit);
      return 'copies' in done ? done.copies : [];
    } catch (error) {
      return [failedCopy(bundle.format, bundle.path, givenUp(bundle, error))];
    }
  }

  /** The settings of one bundle or file; a failed one when it takes too long or the thread breaks. */
  async readSettings(bundle: FoundBundle, place: string): Promise<FoundSetting[]> {
    try {
      const done = await this.#run({ task: 'settings', bundle: toRead(bundle), place }, readLimit);
      return 'settings' in done ? done.settings : [];
    } catch (error) {
      return [failedSetting(bundle.format, bundle.path, givenUp(bundle, error))];
    }
  }

  /** The whole catalog sorted anew. */
  async sort(copies: readonly CopyAsText[], decisions: Decisions): Promise<IdentifiedCatalog> {
    const done = await this.#run({ task: 'sort', copies, decisions }, null);
    if ('sorted' in done) {
      return done.sorted;
    }
    throw new Error('the thread answered something else');
  }

  async close(): Promise<void> {
    const threads = [...this.#threads];
    this.#threads.clear();
    await Promise.all(threads.map((thread) => thread.end()));
  }

  #run(task: Task, limit: number | null): Promise<Done> {
    return new Promise((resolve, reject) => {
      this.#waiting.push({ task, limit, resolve, reject });
      this.#feed();
    });
  }

  /** Gives what waits to threads that can take it, in order. */
  #feed(): void {
    for (let job = this.#waiting[0]; job; job = this.#waiting[0]) {
      const thread = this.#threadFor(job);
      if (!thread) {
        return;
      }
      this.#waiting.shift();
      thread.give(job);
    }
  }

  /** One with nothing to do, or a new one; for what is quick also one that does quick things. */
  #threadFor({ limit }: ReadJob): Reader | null {
    const byLoad = [...this.#threads].sort((a, b) => a.load - b.load);
    if (byLoad[0]?.load === 0) {
      return byLoad[0];
    }
    if (this.#threads.size < this.#size) {
      return this.#start();
    }
    const isQuick = limit !== null;
    return byLoad.find((thread) => isQuick && thread.isQuick && thread.load < ahead) ?? null;
  }

  #start(): Reader {
    const thread: Reader = new Thread(this.#program, this.#environment, {
      onAnswered: () => {
        this.#feed();
      },
      onBroken: (left) => {
        this.#threads.delete(thread);
        this.#waiting.unshift(...left);
        this.#feed();
      },
    });
    this.#threads.add(thread);
    return thread;
  }
}

/** No more of it than reading asks for is copied into the thread. */
const toRead = ({ format, candidates, path }: FoundBundle): ToRead => ({
  format,
  candidates,
  path,
});

const givenUp = ({ path }: FoundBundle, error: unknown): Problem => ({
  code: 'damaged',
  at: path,
  line: null,
  detail: `examining it was given up (${error instanceof Error ? error.message : ''}).`,
});
