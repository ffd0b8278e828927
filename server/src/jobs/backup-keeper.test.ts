import { afterEach, beforeEach, describe, expect, it } from '@jest/globals';
import {
  chmodSync,
  existsSync,
  fstatSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readSync,
  rmSync,
  statSync,
  writeFileSync,
  writeSync,
} from 'node:fs';
import { execFileSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BackupKeeper, type BackupKeeping } from './backup-keeper.ts';

let data: string;
let now: Date;
/** How often a backup was read through. */
let read: number;

/** Backups that are small files: when they were made, in JSON. */
const keeping: BackupKeeping = {
  clock: () => now,
  write: (file, at) => {
    writeSync(file, JSON.stringify({ at: at.toISOString() }));
    return Promise.resolve();
  },
  read: (file) => {
    read += 1;
    return new Promise((resolve) => {
      const bytes = Buffer.alloc(fstatSync(file).size);
      readSync(file, bytes, 0, bytes.length, 0);
      const { at: made } = JSON.parse(bytes.toString()) as { at: string };
      resolve({ at: made, bytes: bytes.length, rows: { copy: 3, plugin: 2 } });
    });
  },
  whyNot: () => Promise.resolve(null),
  failed: () => undefined,
};
const keeperOf = (more: Partial<BackupKeeping> = {}): BackupKeeper =>
  new BackupKeeper(data, { ...keeping, ...more });
const files = (directory = join(data, 'backups')): string[] =>
  existsSync(directory) ? readdirSync(directory).sort() : [];
/** A time of the machine's own clock, which is what night is by. */
const at = (day: number, hour: number): void => {
  now = new Date(2026, 2, day, hour, 30);
};

beforeEach(() => {
  data = mkdtempSync(join(tmpdir(), 'clever-drawer-backups-'));
  read = 0;
  at(10, 12);
});
afterEach(() => {
  rmSync(data, { recursive: true, force: true });
});

describe('the backup of a night', () => {
  it('is made once after three, also where the program was not running then', async () => {
    const keeper = keeperOf();
    await keeper.whenDue();
    await keeper.whenDue();
    expect(files()).toHaveLength(1);
    at(11, 2);
    await keeper.whenDue();
    expect(files()).toHaveLength(1);
    at(11, 3);
    await keeper.whenDue();
    await keeper.whenDue();
    expect(files()).toHaveLength(2);
  });
  it('before three is that of the day before', async () => {
    at(10, 1);
    const keeper = keeperOf();
    await keeper.whenDue();
    at(10, 2);
    await keeper.whenDue();
    expect(files()).toHaveLength(1);
    at(10, 4);
    await keeper.whenDue();
    expect(files()).toHaveLength(2);
  });
});

describe('backups', () => {
  it('are the last seven, the newest first', async () => {
    const keeper = keeperOf();
    for (let day = 1; day <= 9; day += 1) {
      at(day, 12);
      await keeper.now();
    }
    const { backups, keep } = await keeper.view();
    expect([keep, files().length]).toEqual([7, 7]);
    const days = backups.map((one) => new Date(one.at).getDate());
    expect(days).toEqual([9, 8, 7, 6, 5, 4, 3]);
    expect(backups[0]).toMatchObject({ rows: 5 });
  });
  it('are as many as is wished, where that is wished, from then on and after a restart', async () => {
    const directory = join(data, 'elsewhere');
    await keeperOf().set({ directory, keep: 2 });
    const keeper = keeperOf();
    for (const day of [1, 2, 3]) {
      at(day, 12);
      await keeper.now();
    }
    expect(await keeper.view()).toMatchObject({ directory, keep: 2 });
    expect([files(directory).length, files()]).toEqual([2, []]);
  });
  it('are read through once, and what is none is passed over and never removed', async () => {
    const keeper = keeperOf();
    await keeper.now();
    const directory = join(data, 'backups');
    writeFileSync(join(directory, 'studio-2026.backup'), 'cut off');
    writeFileSync(join(directory, 'notes.txt'), 'mine');
    const first = await keeper.view();
    const readFirst = read;
    await keeper.view();
    expect(first.backups).toHaveLength(1);
    // Only the file that is none is tried again.
    expect(read).toBe(readFirst + 1);
    await keeper.set({ directory, keep: 1 });
    at(12, 12);
    await keeper.now();
    expect(files()).toHaveLength(3);
    expect(files()).toEqual(expect.arrayContaining(['notes.txt', 'studio-2026.backup']));
  });
  it('are where they usually are when what is kept of the wish cannot be read', async () => {
    writeFileSync(join(data, 'backups.json'), '{"directory": "/elsew');
    expect(await keeperOf().view()).toMatchObject({ directory: join(data, 'backups'), keep: 7 });
  });
});

describe('what went wrong', () => {
  it('is said until one is made again', async () => {
    let isFull = true;
    const keeper = keeperOf({
      write: (file, when) =>
        isFull ? Promise.reject(new Error('No space left.')) : keeping.write(file, when),
    });
    expect(await keeper.now()).toMatchObject({ trouble: 'No space left.', backups: [] });
    expect(await keeper.view()).toMatchObject({ trouble: 'No space left.', isOld: true });
    isFull = false;
    expect(await keeper.now()).toMatchObject({ trouble: null, isOld: false });
  });
  it('loses none of those that are there', async () => {
    const keeper = keeperOf({ write: () => Promise.reject(new Error('No space left.')) });
    await keeperOf().now();
    await keeper.set({ directory: join(data, 'backups'), keep: 1 });
    at(11, 12);
    expect((await keeper.now()).backups).toHaveLength(1);
  });
  it('is that the newest is more than two days old', async () => {
    const keeper = keeperOf();
    await keeper.now();
    at(12, 12);
    expect((await keeper.view()).isOld).toBe(false);
    at(12, 13);
    expect((await keeper.view()).isOld).toBe(true);
  });
});

const modeOf = (path: string): number => statSync(path).mode & 0o777;

describe('nobody else', () => {
  it('can read a backup, or look where they lie', async () => {
    await keeperOf().now();
    const directory = join(data, 'backups');
    expect(modeOf(directory)).toBe(0o700);
    expect(files().map((name) => modeOf(join(directory, name)))).toEqual([0o600]);
  });
  it('can read one that an older program left open, from the next start on', async () => {
    const directory = join(data, 'backups');
    mkdirSync(directory, { mode: 0o755 });
    const old = join(directory, 'studio-2026-03-01-03-00-00.backup');
    const mine = join(directory, 'notes.txt');
    const half = join(directory, '.00000000-0000-4000-8000-000000000000.half');
    for (const path of [old, mine, half]) {
      writeFileSync(path, '{}');
      chmodSync(path, 0o644);
    }
    const keeper = keeperOf();
    keeper.start();
    await keeper.close();
    expect([modeOf(directory), modeOf(old), modeOf(mine)]).toEqual([0o700, 0o600, 0o644]);
    expect(existsSync(half)).toBe(false);
  });
});

describe('a directory for backups', () => {
  it.each(['/proc/x', '/dev/null/x'])('in which none can be is refused: %s', async (directory) => {
    const set = await keeperOf().set({ directory, keep: 2 });
    expect(set).toMatchObject({ ok: false, problems: [{ code: 'directory-refused' }] });
    expect((await keeperOf().view()).directory).toBe(join(data, 'backups'));
  });
  it('that may not be written is refused, when it is set and before each backup', async () => {
    const whyNot = (): Promise<string> => Promise.resolve('Plugins lie there.');
    const keeper = keeperOf({ whyNot });
    expect((await keeper.set({ directory: join(data, 'x'), keep: 2 })).ok).toBe(false);
    expect((await keeper.now()).trouble).toBe('Plugins lie there.');
    expect(files()).toEqual([]);
  });
  it('with a pipe that is called like a backup is read all the same', async () => {
    await keeperOf().now();
    execFileSync('mkfifo', [join(data, 'backups', 'studio-2027-01-01-03-00-00.backup')]);
    expect((await keeperOf().view()).backups).toHaveLength(1);
  });
});
