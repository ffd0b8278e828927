/** A backup each night while the program runs, and on demand; the last few are kept. */
import { basename, join, resolve } from 'node:path';
import type { BackupsView, BackupView } from '@clever-drawer/core/api';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import {
  Directory,
  diskTrouble,
  halfName,
  leadsNowhere,
  openRegular,
  readSmallText,
  realPathOf,
  replaceIn,
} from '../files/index.ts';

/** Facts of one backup. */
interface Read {
  readonly at: string;
  readonly bytes: number;
  readonly rows: Readonly<Record<string, number>>;
}

/** What keeping backups needs. */
export interface BackupKeeping {
  readonly clock: () => Date;
  /** Writes one into an open file. */
  readonly write: (file: number, at: Date) => Promise<unknown>;
  /** Reads one through. Rejects where it is none, or not whole. */
  readonly read: (file: number, path: string) => Promise<Read>;
  /** Why none may be put into a directory, by its real path; null where they may. */
  readonly whyNot: (directory: string) => Promise<string | null>;
  /** Hears when the backup of a night could not even be begun. */
  readonly failed: (error: unknown) => void;
}

interface Settings {
  readonly directory: string;
  readonly keep: number;
}

/** At this hour of the night, or as soon as it runs afterwards. */
const hour = 3;
/** How often it looks whether it is time. Milliseconds. */
const look = 10 * 60_000;
const usualCount = 7;
const day = 86_400_000;
const named = /^studio-[\d-]+\.backup$/;
/** They hold everything: nobody else may read them. */
const fileMode = 0o600;
const directoryMode = 0o700;
const trialName = '.clever-drawer-trial';

/** Keeps the backups of a studio. */
export class BackupKeeper {
  readonly #data: string;
  readonly #keeping: BackupKeeping;
  readonly #known = new Map<string, BackupView>();
  #trouble: string | null = null;
  #timer: NodeJS.Timeout | undefined;
  #running: Promise<unknown> = Promise.resolve();

  /** `data` is the directory of the studio's data. */
  constructor(data: string, keeping: BackupKeeping) {
    this.#data = data;
    this.#keeping = keeping;
  }

  /** Closes to others what an older program left open, and looks from time to time whether one is due. */
  start(): void {
    const { failed: hear } = this.#keeping;
    this.#running = this.#mend().catch(hear);
    this.#timer = setInterval(() => {
      this.#running = this.#running.then(() => this.whenDue()).catch(hear);
    }, look).unref();
  }

  async close(): Promise<void> {
    clearInterval(this.#timer);
    await this.#running;
  }

  /** Makes the night's backup if there is none since three in the morning. */
  async whenDue(): Promise<void> {
    const now = this.#keeping.clock();
    const due = new Date(now);
    due.setHours(hour, 0, 0, 0);
    const since = due > now ? due.getTime() - day : due.getTime();
    const [newest] = (await this.view()).backups;
    if (!newest || Date.parse(newest.at) < since) {
      await this.now();
    }
  }

  /** Makes one now, and lets the oldest go. Trouble is noted, and said on the screen. */
  async now(): Promise<BackupsView> {
    const { directory: path, keep } = await this.#settings();
    const at = this.#keeping.clock();
    const stamp = at.toISOString().slice(0, 19).replace(/[T:]/g, '-');
    try {
      const directory = await this.#openToWrite(path);
      try {
        await directory.fill(`studio-${stamp}.backup`, fileMode, ({ fd }) =>
          this.#keeping.write(fd, at),
        );
        this.#trouble = null;
        const { backups } = await this.view();
        for (const { file } of backups.slice(keep)) {
          await directory.remove(basename(file));
        }
      } finally {
        await directory.close();
      }
    } catch (error) {
      this.#trouble = troubleIn(error, path);
    }
    return this.view();
  }

  /** Where they lie from now on, and how many; a directory in which none can be is refused. */
  async set(settings: Settings): Promise<Result<BackupsView>> {
    const path = resolve(settings.directory);
    try {
      const directory = await this.#openToWrite(path);
      try {
        // The only proof that something can be written is that it was.
        await directory.fill(trialName, fileMode, () => Promise.resolve());
        await directory.remove(trialName);
      } finally {
        await directory.close();
      }
    } catch (error) {
      return failed({ code: 'directory-refused', at: path, detail: troubleIn(error, path) });
    }
    const text = JSON.stringify({ ...settings, directory: path });
    await replaceIn(this.#data, 'backups.json', text, fileMode);
    return ok(await this.view());
  }

  async view(): Promise<BackupsView> {
    const { directory, keep } = await this.#settings();
    const names = (await this.#names(directory)).filter((name) => named.test(name));
    const backups: BackupView[] = [];
    for (const name of names.sort().reverse()) {
      const view = await this.#viewOf(join(directory, name));
      if (view) {
        backups.push(view);
      }
    }
    const newest = backups[0];
    const isOld = !newest || this.#keeping.clock().getTime() - Date.parse(newest.at) > 2 * day;
    return { directory, keep, backups, trouble: this.#trouble, isOld };
  }

  /** Opens the directory, which is made when it is missing. Throws where none may be there. */
  async #openToWrite(path: string): Promise<Directory> {
    const real = await realPathOf(path);
    const why = real === null ? leadsNowhere(path) : await this.#keeping.whyNot(real);
    if (real === null || why !== null) {
      throw new Error(why ?? '');
    }
    return Directory.open(real, directoryMode);
  }

  async #names(path: string): Promise<string[]> {
    const real = await realPathOf(path);
    const directory = real === null ? null : await Directory.open(real).catch(() => null);
    return directory ? directory.names().finally(() => directory.close()) : [];
  }

  /** Older programs wrote backups for all to read; what was half written when we were killed goes. */
  async #mend(): Promise<void> {
    const { directory: path } = await this.#settings();
    const real = await realPathOf(path);
    const directory = real === null ? null : await Directory.open(real).catch(() => null);
    if (!directory) {
      return;
    }
    try {
      await mendIn(directory, path === join(this.#data, 'backups'));
    } finally {
      await directory.close();
    }
  }

  /** A backup is read through once; a file that is none is passed over. */
  async #viewOf(file: string): Promise<BackupView | null> {
    const known = this.#known.get(file);
    if (known) {
      return known;
    }
    const facts = await this.#read(file).catch(() => null);
    if (!facts) {
      return null;
    }
    const rows = Object.values(facts.rows).reduce((sum, count) => sum + count, 0);
    const view: BackupView = { file, at: facts.at, bytes: facts.bytes, rows };
    this.#known.set(file, view);
    return view;
  }

  async #read(file: string): Promise<Read> {
    const handle = await openRegular(file);
    return this.#keeping.read(handle.fd, file).finally(() => handle.close());
  }

  async #settings(): Promise<Settings> {
    const text = (await readSmallText(join(this.#data, 'backups.json'))) ?? '{}';
    const usual = { directory: join(this.#data, 'backups'), keep: usualCount };
    try {
      return { ...usual, ...(JSON.parse(text) as Partial<Settings>) };
    } catch {
      return usual;
    }
  }
}

async function mendIn(directory: Directory, isOurs: boolean): Promise<void> {
  const me = process.getuid?.();
  if (isOurs && (await directory.stat()).uid === me) {
    await directory.setMode(directoryMode);
  }
  for (const name of await directory.names()) {
    const facts = await directory.look(name);
    if (!facts?.isFile() || facts.uid !== me) {
      continue;
    }
    if (halfName.test(name)) {
      await directory.remove(name);
    } else if (named.test(name) && (facts.mode & 0o077) !== 0) {
      await chmodRegular(directory.at(name), fileMode);
    }
  }
}

async function chmodRegular(path: string, mode: number): Promise<void> {
  const handle = await openRegular(path);
  await handle.chmod(mode).finally(() => handle.close());
}

const troubleIn = (error: unknown, path: string): string => {
  const trouble = diskTrouble(error);
  const words = error instanceof Error ? error.message : String(error);
  return trouble === null ? words : `${path}: ${trouble}.`;
};
