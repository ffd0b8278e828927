/** A thread that is given tasks ahead of the one it works on, so that it never waits for the next. */
import { Worker, type ResourceLimits } from 'node:worker_threads';

/** The most memory that a thread may take, in MiB; one that needs more breaks, and is replaced. */
const memoryLimit = 1_536;

/** A task and who waits for its answer. */
export interface Job<Task, Done> {
  readonly task: Task;
  /** The longest it may take once its turn has come, in milliseconds; null where it may take its time. */
  readonly limit: number | null;
  readonly resolve: (done: Done) => void;
  readonly reject: (error: Error) => void;
}

/** What happens to a thread. */
export interface ThreadEvents<Task, Done> {
  /** It answered a task and can be given another one. */
  readonly onAnswered: () => void;
  /** It broke, or a task took too long: that task was rejected, the thread ends, and these are left. */
  readonly onBroken: (left: readonly Job<Task, Done>[]) => void;
}

/** Works on its tasks in the order in which they came. */
export class Thread<Task, Done> {
  readonly #worker: Worker;
  readonly #jobs: Job<Task, Done>[] = [];
  readonly #events: ThreadEvents<Task, Done>;
  #timer: NodeJS.Timeout | null = null;
  #isBroken = false;

  constructor(
    program: URL,
    environment: Readonly<Record<string, string | undefined>>,
    events: ThreadEvents<Task, Done>,
    limits: Pick<ResourceLimits, 'maxYoungGenerationSizeMb'> = {},
  ) {
    this.#events = events;
    this.#worker = new Worker(program, {
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: memoryLimit, ...limits },
      workerData: { ...environment },
    });
    this.#worker.unref();
    this.#worker
      .on('message', (done: Done) => {
        this.#answer(done);
      })
      .on('error', (error) => {
        this.#break(error);
      })
      .on('exit', () => {
        this.#break(new Error('the thread ended'));
      });
  }

  /** How many tasks it has, the one it works on included. */
  get load(): number {
    return this.#jobs.length;
  }

  /** Whether nothing it has may take long. */
  get isQuick(): boolean {
    return this.#jobs.every(({ limit }) => limit !== null);
  }

  give(job: Job<Task, Done>): void {
    this.#jobs.push(job);
    this.#worker.postMessage(job.task);
    if (this.#jobs.length === 1) {
      this.#watch();
    }
  }

  async end(): Promise<void> {
    this.#isBroken = true;
    this.#unwatch();
    await this.#worker.terminate();
  }

  #answer(done: Done): void {
    if (this.#isBroken) {
      return;
    }
    this.#unwatch();
    const job = this.#jobs.shift();
    this.#watch();
    job?.resolve(done);
    this.#events.onAnswered();
  }

  /** The time of a task runs from when its turn has come. */
  #watch(): void {
    const limit = this.#jobs[0]?.limit ?? null;
    if (limit !== null) {
      this.#timer = setTimeout(() => {
        this.#break(new Error(`it took longer than ${limit / 1000} seconds`));
      }, limit);
    }
  }

  #unwatch(): void {
    if (this.#timer) {
      clearTimeout(this.#timer);
      this.#timer = null;
    }
  }

  #break(error: Error): void {
    if (this.#isBroken) {
      return;
    }
    const [job, ...left] = this.#jobs.splice(0);
    this.#events.onBroken(left);
    job?.reject(error);
    // It broke: that it does not even end in good order is known.
    this.end().catch(() => undefined);
  }
}
