/** Ending in good order: steps, each with a limit, none of which keeps the next from happening. */
import { setTimeout as pause } from 'node:timers/promises';

/** Something to be ended. */
interface Step {
  readonly name: string;
  /** The longest that is waited for it, in milliseconds. */
  readonly limit: number;
  readonly end: () => unknown;
}

/** Hears which step failed or took too long. */
export type StepFailed = (name: string, error: unknown) => void;

const usualLimit = 10_000;

/** What has to be ended, the last first. */
export class Endings {
  readonly #steps: Step[] = [];
  readonly #failed: StepFailed;
  #running: Promise<void> | null = null;

  constructor(failed: StepFailed) {
    this.#failed = failed;
  }

  /** One more step, which comes before those that are there already. */
  add(name: string, end: () => unknown, limit = usualLimit): void {
    this.#steps.push({ name, end, limit });
  }

  /** Ends everything, once however often it is asked. Never rejects. */
  run(): Promise<void> {
    this.#running ??= this.#end();
    return this.#running;
  }

  async #end(): Promise<void> {
    for (let step = this.#steps.pop(); step; step = this.#steps.pop()) {
      try {
        await withinLimit(step);
      } catch (error) {
        this.#failed(step.name, error);
      }
    }
  }
}

async function withinLimit({ end, limit }: Step): Promise<void> {
  const over = new AbortController();
  const tooLong = pause(limit, undefined, { signal: over.signal }).then(
    () => {
      throw new Error(`it took longer than ${limit / 1000} seconds`);
    },
    () => undefined,
  );
  const ended = Promise.resolve().then(end);
  try {
    await Promise.race([ended, tooLong]);
  } finally {
    over.abort();
    // What ends too late, or badly after that, is nobody's any more.
    ended.catch(() => undefined);
  }
}
