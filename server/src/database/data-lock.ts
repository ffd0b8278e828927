/**
 * One program at a time on a directory of data. The lock is flock(2) on a file in it, so the kernel
 * holds it exactly as long as the process lives: stopped or busy, it is held; killed, it is free.
 */
import { closeSync, constants, fstatSync, openSync } from 'node:fs';
import { join } from 'node:path';
import koffi from 'koffi';
import { readSmallText } from '../files/index.ts';
import { explain, SetupError } from './setup-error.ts';

/** Exclusive, and without waiting (LOCK_EX | LOCK_NB of sys/file.h). */
const exclusiveAtOnce = 2 | 4;

type Flock = (file: number, operation: number) => number;
let flock: Flock | null = null;

function lockFile(file: number): boolean {
  flock ??= koffi.load(null).func('int flock(int, int)') as Flock;
  return flock(file, exclusiveAtOnce) === 0;
}

/** A directory that nobody else works on. */
export interface DataLock {
  release(): void;
}

/** What stands in `running.json` about who works on the data. */
export interface RunningNote {
  readonly pid: number;
  readonly address: string;
}

/** Somebody else works on the data; `address` where that is known. */
export class InUseError extends SetupError {
  readonly address: string | null;

  constructor(message: string, address: string | null) {
    super(message);
    this.address = address;
  }
}

/** Locks the directory, which must be there. Throws an InUseError that says who runs and where. */
export async function lockData(directory: string): Promise<DataLock> {
  const path = join(directory, 'lock');
  let file: number;
  try {
    // Opened with O_CLOEXEC by libuv: no child holds the lock on. No link is followed, no pipe waited for.
    file = openSync(path, constants.O_RDWR | constants.O_CREAT | carefully, 0o600);
  } catch (error) {
    throw explainLock(error, path, directory);
  }
  if (!fstatSync(file).isFile()) {
    closeSync(file);
    throw new SetupError(notAFile(path));
  }
  if (lockFile(file)) {
    return {
      release: () => {
        closeSync(file);
      },
    };
  }
  closeSync(file);
  const note = await readRunningNote(directory);
  throw new InUseError(inUseWords(directory, note), note?.address ?? null);
}

const carefully = constants.O_NOFOLLOW | constants.O_NONBLOCK;

const notAFile = (path: string): string =>
  `${path} is not a file, so nobody can know who works on the data. Move it away, and start again.`;

/** What stands where the lock should be: a directory, a link, a socket. */
function explainLock(error: unknown, path: string, directory: string): unknown {
  const { code = '' } = error as NodeJS.ErrnoException;
  return ['EISDIR', 'ELOOP', 'ENXIO'].includes(code)
    ? new SetupError(notAFile(path), { cause: error })
    : explain(error, directory);
}

/** The note of who runs; null where there is none, or half of one. */
export async function readRunningNote(directory: string): Promise<RunningNote | null> {
  try {
    const text = await readSmallText(join(directory, 'running.json'));
    const note = JSON.parse(text ?? '') as unknown;
    return isNote(note) ? note : null;
  } catch {
    return null;
  }
}

const isNote = (note: unknown): note is RunningNote =>
  typeof note === 'object' &&
  note !== null &&
  'pid' in note &&
  Number.isInteger(note.pid) &&
  'address' in note &&
  typeof note.address === 'string';

const inUseWords = (directory: string, note: RunningNote | null): string =>
  note
    ? `Clever Drawer runs already on ${directory}: ${note.address} (process ${note.pid}). If it does not answer, it may be stopped (continue it with fg) or busy.`
    : `Clever Drawer is being started, or stopped, on ${directory} by another process. Wait a moment and try again.`;
