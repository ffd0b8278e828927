/** The scans that run now: at most one a computer, each can be asked to stop. */
import type { ScanProgress } from '@clever-drawer/core/api';

/** A scan that runs. */
export interface ScanJob {
  /** Four bytes shared with the reading threads: not 0 asks to stop. */
  readonly stop: SharedArrayBuffer;
  readonly stopped: boolean;
  progress: ScanProgress;
  finished: Promise<void>;
}

/** The scans that run, one a computer at the most. */
export class ScanJobs {
  readonly #running = new Map<string, ScanJob>();

  of(computer: string): ScanJob | undefined {
    return this.#running.get(computer);
  }

  start(computer: string, job: ScanJob): void {
    this.#running.set(computer, job);
  }

  end(computer: string): void {
    this.#running.delete(computer);
  }

  /** Asks all scans to stop and waits until they have. */
  async stopAll(): Promise<void> {
    const jobs = [...this.#running.values()];
    for (const job of jobs) {
      Atomics.store(new Int32Array(job.stop), 0, 1);
    }
    await Promise.all(jobs.map((job) => job.finished));
  }
}
