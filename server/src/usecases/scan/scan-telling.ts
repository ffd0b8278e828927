/** Telling every window how far a scan is, how long the rest will take, and what it has found. */
import type { ScanProgress } from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import type { ScanRow } from '../../database/scan-tables.ts';
import type { ScanJob } from '../../jobs/scan-jobs.ts';
import type { Parts } from '../../parts.ts';

/** While a scan runs, windows fetch what it has found at most this often. Milliseconds. */
const catalogEvery = 2_000;
/** Its progress is told at most this often, unless it matters. Milliseconds. */
const progressEvery = 100;

/** How far a scan is that begins at this place. */
export const atTheStart = (scan: Pick<ScanRow, 'id'>, place: string): ScanProgress => ({
  scan: asId(scan.id),
  state: 'running',
  place,
  examining: '',
  done: 0,
  total: null,
  unchanged: 0,
  failed: 0,
  isOpening: false,
  secondsLeft: null,
});

/** What the windows of a computer are told while one scan runs. */
export class ScanTelling {
  readonly #parts: Pick<Parts, 'events' | 'clock'>;
  readonly #computer: string;
  readonly #job: ScanJob;
  /** When examining began, in milliseconds since 1970, and how many needed none. */
  #since = 0;
  #skipped = 0;
  #lastProgress = 0;
  #lastCatalog: number;

  constructor(parts: Pick<Parts, 'events' | 'clock'>, computer: string, job: ScanJob) {
    this.#parts = parts;
    this.#computer = computer;
    this.#job = job;
    this.#lastCatalog = this.#now();
  }

  /** Examining begins: of `total` bundles these many are as they were. */
  begin(skipped: number, news: Pick<ScanProgress, 'total' | 'unchanged'>): void {
    this.#skipped = skipped;
    this.#since = this.#now();
    this.progress({ ...news, done: skipped }, true);
  }

  /** What changed of the progress; what matters is told at once. */
  progress(news: Partial<ScanProgress>, matters = false): void {
    const now = this.#now();
    const progress = { ...this.#job.progress, ...news };
    this.#job.progress = { ...progress, secondsLeft: this.#secondsLeft(progress, now) };
    if (!matters && now - this.#lastProgress < progressEvery) {
      return;
    }
    this.#lastProgress = now;
    this.#parts.events.tell(this.#computer, { event: 'scan', progress: this.#job.progress });
  }

  /** Something was saved: windows fetch it unless they just did. */
  saved(): void {
    const now = this.#now();
    if (now - this.#lastCatalog < catalogEvery) {
      return;
    }
    this.#lastCatalog = now;
    this.#parts.events.tell(this.#computer, { event: 'catalog' });
  }

  /** The scan is over; what it found is fetched whenever it was fetched last. */
  end(state: ScanProgress['state']): void {
    this.progress({ state, examining: '', secondsLeft: 0 }, true);
    this.#parts.events.tell(this.#computer, { event: 'catalog' });
  }

  /** At the pace of what was examined so far; null before there is one. */
  #secondsLeft({ done, total }: ScanProgress, now: number): number | null {
    const examined = done - this.#skipped;
    if (examined <= 0 || total === null) {
      return null;
    }
    return Math.ceil(((now - this.#since) / examined) * ((total - done) / 1000));
  }

  #now(): number {
    return this.#parts.clock().getTime();
  }
}
