/**
 * "Keep looking": notices when something changes in a watched place, and says so once it has been
 * quiet for a while.
 */
import { watch, type FSWatcher } from 'chokidar';

/** Installers write for a while: a scan starts this long after the last change. Milliseconds. */
const quiet = 3_000;

/** Starts a scan some seconds after something changed in a watched place. */
export class PlaceWatcher {
  readonly #watchers = new Map<string, FSWatcher>();
  readonly #timers = new Map<string, NodeJS.Timeout>();
  readonly #onChange: (computer: string) => void;

  /** `onChange` is called with the computer in whose places something changed. */
  constructor(onChange: (computer: string) => void) {
    this.#onChange = onChange;
  }

  /** Watches these places and no others of the computer. */
  async set(computer: string, paths: readonly string[]): Promise<void> {
    for (const [key, watcher] of this.#watchers) {
      const [owner, path] = key.split('\n');
      if (owner !== computer || paths.includes(path ?? '')) {
        continue;
      }
      this.#watchers.delete(key);
      await watcher.close();
    }
    for (const path of paths.filter((p) => !this.#watchers.has(`${computer}\n${p}`))) {
      const watcher = watch(path, { ignoreInitial: true, followSymlinks: false, depth: 8 });
      watcher
        .on('all', () => {
          this.#noticed(computer);
        })
        .on('error', () => undefined);
      this.#watchers.set(`${computer}\n${path}`, watcher);
    }
  }

  #noticed(computer: string): void {
    clearTimeout(this.#timers.get(computer));
    this.#timers.set(
      computer,
      setTimeout(() => {
        this.#onChange(computer);
      }, quiet).unref(),
    );
  }

  /** Looks again later, when a scan could not start now. */
  later(computer: string): void {
    this.#noticed(computer);
  }

  async close(): Promise<void> {
    for (const timer of this.#timers.values()) {
      clearTimeout(timer);
    }
    await Promise.all([...this.#watchers.values()].map((watcher) => watcher.close()));
  }
}
