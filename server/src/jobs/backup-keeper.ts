/** A backup each night while the program runs, and on demand; the last few are kept. */
import { mkdir, readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import type { BackupsView, BackupView } from '@clever-drawer/core';

/** What writes one backup, and reads one. */
export interface BackupWriter {
  readonly write: (file: string, at: Date) => Promise<unknown>;
  readonly read: (
    file: string,
  ) => Promise<{ at: string; bytes: number; rows: Readonly<Record<string, number>> }>;
}

interface Settings {
  readonly directory: string;
  readonly keep: number;
}

/** At this hour of the night, or as soon as it runs afterwards. */
const hour = 3;
/** How often it looks whether it is time. Milliseconds. */
const look = 10 * 60_000;
const usuallyKept = 7;
const day = 86_400_000;
const named = /^studio-[\d-]+\.backup$/;

/** Keeps the backups of a studio. */
export class BackupKeeper {
  readonly #data: string;
  readonly #writer: BackupWriter;
  readonly #clock: () => Date;
  readonly #known = new Map<string, BackupView>();
  #trouble: string | null = null;
  #timer: NodeJS.Timeout | undefined;
  #running: Promise<unknown> = Promise.resolve();

  /** `data` is the directory of the studio's data. */
  constructor(data: string, writer: BackupWriter, clock: () => Date) {
    this.#data = data;
    this.#writer = writer;
    this.#clock = clock;
  }

  /** Looks from time to time whether a night's backup is due. */
  start(): void {
    this.#timer = setInterval(() => {
      this.#running = this.#running.then(() => this.whenDue());
    }, look).unref();
  }

  async close(): Promise<void> {
    clearInterval(this.#timer);
    await this.#running;
  }

  /** Makes the night's backup if there is none since three in the morning. */
  async whenDue(): Promise<void> {
    const now = this.#clock();
    const due = new Date(now);
    due.setHours(hour, 0, 0, 0);
    const since = due > now ? due.getTime() - day : due.getTime();
    const [newest] = (await this.view()).backups;
    if (!newest || Date.parse(newest.at) < since) {
      await this.now();
    }
  }

  /** Makes one now, and lets the oldest go. Trouble is kept, and said on the screen. */
  async now(): Promise<BackupsView> {
    const { directory, keep } = await this.#settings();
    const at = this.#clock();
    const stamp = at.toISOString().slice(0, 19).replace(/[T:]/g, '-');
    try {
      await mkdir(directory, { recursive: true });
      await this.#writer.write(join(directory, `studio-${stamp}.backup`), at);
      this.#trouble = null;
      const { backups } = await this.view();
      for (const { file } of backups.slice(keep)) {
        await rm(file, { force: true });
      }
    } catch (error) {
      this.#trouble = error instanceof Error ? error.message : String(error);
    }
    return this.view();
  }

  /** Where they lie from now on, and how many. */
  async set(settings: Settings): Promise<BackupsView> {
    await writeFile(
      join(this.#data, 'backups.json'),
      JSON.stringify({ ...settings, directory: resolve(settings.directory) }),
    );
    return this.view();
  }

  async view(): Promise<BackupsView> {
    const { directory, keep } = await this.#settings();
    const files = (await readdir(directory).catch(() => [])).filter((name) => named.test(name));
    const backups: BackupView[] = [];
    for (const name of files.sort().reverse()) {
      const view = await this.#viewOf(join(directory, name));
      if (view) {
        backups.push(view);
      }
    }
    const newest = backups[0];
    const isOld = !newest || this.#clock().getTime() - Date.parse(newest.at) > 2 * day;
    return { directory, keep, backups, trouble: this.#trouble, isOld };
  }

  /** A backup is read through once; a file that is none is passed over. */
  async #viewOf(file: string): Promise<BackupView | null> {
    const known = this.#known.get(file);
    if (known) {
      return known;
    }
    const facts = await this.#writer.read(file).catch(() => null);
    if (!facts) {
      return null;
    }
    const rows = Object.values(facts.rows).reduce((sum, count) => sum + count, 0);
    const view: BackupView = { file, at: facts.at, bytes: facts.bytes, rows };
    this.#known.set(file, view);
    return view;
  }

  async #settings(): Promise<Settings> {
    const text = await readFile(join(this.#data, 'backups.json'), 'utf8').catch(() => '{}');
    const usual = { directory: join(this.#data, 'backups'), keep: usuallyKept };
    try {
      return { ...usual, ...(JSON.parse(text) as Partial<Settings>) };
    } catch {
      return usual;
    }
  }
}
