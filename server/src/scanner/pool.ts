/**
 * Threads for walking, reading and sorting: started when first needed, replaced when a file holds
 * one up for too long.
 */
import { failedCopy, type Format, type FoundCopy } from '@clever-drawer/core/formats';
import type { Decisions, IdentifiedCatalog } from '@clever-drawer/core/identify';
import type { Problem } from '@clever-drawer/core/problem';
import { failedSetting, type FoundSetting } from '@clever-drawer/core/readers';
import { helperProgram } from '../helper-program.ts';
import { Thread, type Job, type ThreadEvents } from '../thread.ts';
import type { FoundBundle, Sought, Walked } from './walk.ts';
import type { CopiesToSort, Done, Task, ToRead } from './worker.ts';

/** Tasks that a thread is given in one message. */
type Packet = Job<readonly Task[], readonly Done[]>;
type Reader = Thread<readonly Task[], readonly Done[]>;

interface ReadJob extends Job<Task, Done> {
  /** Whether it was in a packet that broke its thread: it may have been this one. */
  readonly isSuspect: boolean;
}

/** The longest that reading one bundle may take, in milliseconds. */
const readLimit = 20_000;

/** So many packets a thread is given at once: the next is there when one was read. */
const perThread = 2;

/** What reading just made is kept in so many MiB: more is hardly quicker. */
const youngLimit = { maxYoungGenerationSizeMb: 12 } as const;

/** So many bundles go into a packet: sending each by itself takes as long as reading it. */
const mostTogether = 16;

/**
 * Threads that read bundles and sort catalogs; one that takes too long is replaced. What is asked for
 * at once is sent together; where a packet breaks its thread, each of it is read again by itself.
 */
export class ReaderPool {
  readonly #program: URL;
  readonly #size: number;
  readonly #environment: Readonly<Record<string, string | undefined>>;
  readonly #threads = new Set<Reader>();
  readonly #waiting: ReadJob[] = [];
  /** Packets that a thread had not begun when it broke. */
  readonly #again: Packet[] = [];
  #isFeeding = false;
  /** How often each place was walked. */
  readonly #walks = new Map<string, number>();

  /** `program` is what a thread runs, where it is not the one beside this file. */
  constructor(
    size: number,
    environment: Readonly<Record<string, string | undefined>>,
    program = helperProgram('worker-start', import.meta.url),
  ) {
    this.#program = program;
    this.#size = size;
    this.#environment = environment;
  }

  /** How many bundles may be asked for at once, so that no thread waits. */
  get size(): number {
    return this.#size * perThread * mostTogether;
  }

  /** What lies in a place. Ends early, with what it has, when `stop` is no longer 0. */
  async walk(
    place: string,
    formats: readonly Format[],
    stop: SharedArrayBuffer,
    what: Sought = 'plugins',
  ): Promise<Walked> {
    this.#walks.set(place, this.#walksOf(place) + 1);
    const done = await this.#run({ task: 'walk', place, formats, stop, what }, null);
    return 'walked' in done ? done.walked : { bundles: [], problems: [] };
  }

  /** The copies of one bundle; a failed one when it takes too long or the thread breaks. */
  async read(bundle: FoundBundle, place: string): Promise<FoundCopy[]> {
    try {
      const done = await this.#run(this.#reading('read', bundle, place), readLimit);
      return 'copies' in done ? done.copies : [];
    } catch (error) {
      return [failedCopy(bundle.format, bundle.path, givenUp(bundle, error))];
    }
  }

  /** The settings of one bundle or file; a failed one when it takes too long or the thread breaks. */
  async readSettings(bundle: FoundBundle, place: string): Promise<FoundSetting[]> {
    try {
      const done = await this.#run(this.#reading('settings', bundle, place), readLimit);
      return 'settings' in done ? done.settings : [];
    } catch (error) {
      return [failedSetting(bundle.format, bundle.path, givenUp(bundle, error))];
    }
  }

  /** The whole catalog sorted anew. */
  async sort(copies: CopiesToSort, decisions: Decisions): Promise<IdentifiedCatalog> {
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

  #walksOf(place: string): number {
    return this.#walks.get(place) ?? 0;
  }

  #reading(task: 'read' | 'settings', bundle: FoundBundle, place: string): Task {
    return { task, bundle: toRead(bundle), place, walks: this.#walksOf(place) };
  }

  #run(task: Task, limit: number | null): Promise<Done> {
    return new Promise((resolve, reject) => {
      this.#waiting.push({ task, limit, resolve, reject, isSuspect: false });
      this.#feedSoon();
    });
  }

  /** When all that is asked for at once was asked. */
  #feedSoon(): void {
    if (!this.#isFeeding) {
      this.#isFeeding = true;
      queueMicrotask(() => {
        this.#isFeeding = false;
        this.#feed();
      });
    }
  }

  /** Gives what waits to threads that can take it, in order. */
  #feed(): void {
    for (let next = this.#next; next; next = this.#next) {
      const thread = this.#threadFor(next);
      if (!thread) {
        return;
      }
      thread.give(this.#again.shift() ?? this.#packet());
    }
  }

  get #next(): Pick<Packet, 'limit'> | undefined {
    return this.#again[0] ?? this.#waiting[0];
  }

  /** One with nothing to do, or a new one; for what is quick also one that does quick things. */
  #threadFor({ limit }: Pick<Packet, 'limit'>): Reader | null {
    const byLoad = [...this.#threads].sort((a, b) => a.load - b.load);
    if (byLoad[0]?.load === 0) {
      return byLoad[0];
    }
    if (this.#threads.size < this.#size) {
      return this.#start();
    }
    const isQuick = limit !== null;
    return byLoad.find((thread) => isQuick && thread.isQuick && thread.load < perThread) ?? null;
  }

  /** The next that wait, as many as each place that is free gets of them. */
  #packet(): Packet {
    const busy = [...this.#threads].reduce((sum, { load }) => sum + load, 0);
    const free = Math.max(1, this.#size * perThread - busy);
    const most = Math.min(mostTogether, Math.ceil(this.#waiting.length / free));
    const alone = this.#waiting
      .slice(0, most)
      .findIndex(({ limit, isSuspect }) => limit === null || isSuspect);
    const jobs = this.#waiting.splice(0, alone === -1 ? most : Math.max(1, alone));
    return {
      task: jobs.map(({ task }) => task),
      limit: jobs[0]?.limit ?? null,
      resolve: (all) => {
        for (const [at, done] of all.entries()) {
          jobs[at]?.resolve(done);
        }
      },
      reject: (error) => {
        this.#suspect(jobs, error);
      },
    };
  }

  /** One of these broke its thread. */
  #suspect(jobs: readonly ReadJob[], error: Error): void {
    const [first, ...others] = jobs;
    if (others.length === 0) {
      first?.reject(error);
      return;
    }
    this.#waiting.unshift(...jobs.map((job) => ({ ...job, isSuspect: true })));
    this.#feedSoon();
  }

  #start(): Reader {
    const events: ThreadEvents<readonly Task[], readonly Done[]> = {
      onAnswered: () => {
        this.#feed();
      },
      onBroken: (left) => {
        this.#threads.delete(thread);
        this.#again.unshift(...left);
        this.#feed();
      },
    };
    const thread: Reader = new Thread(this.#program, this.#environment, events, youngLimit);
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
