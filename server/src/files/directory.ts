/**
 * Directories by handle. What is done in one is done in that very directory, whatever somebody makes
 * of its path meanwhile: no link is followed on the way to it or in it. By `/proc/self/fd` (proc(5)),
 * through which Linux gives what openat(2) does.
 */
import { randomUUID } from 'node:crypto';
import { constants, type Stats } from 'node:fs';
import {
  chmod,
  chown,
  lchown,
  lstat,
  mkdir,
  open,
  readdir,
  readlink,
  realpath,
  rename,
  rmdir,
  symlink,
  unlink,
  type FileHandle,
} from 'node:fs/promises';
import { isAbsolute } from 'node:path';
import { readRegular } from './regular-file.ts';

/** A handle for walking only: it needs no right to list (open(2), O_PATH; fcntl.h of Linux). */
const pathOnly = 0o10000000;
const walking = pathOnly | constants.O_DIRECTORY | constants.O_NOFOLLOW;
const fresh = constants.O_RDWR | constants.O_CREAT | constants.O_EXCL | constants.O_NOFOLLOW;

/** What a file is called until it is whole. */
export const halfName = /^\.[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12}\.half$/;

/** Whether the system says that there is nothing. */
export const isMissing = (error: unknown): boolean =>
  (error as NodeJS.ErrnoException | null)?.code === 'ENOENT';

/** One part of a path: no separators, and nothing that leads up. */
const isName = (name: string): boolean =>
  name !== '' && name !== '.' && name !== '..' && !/[/\0]/.test(name);

/** An open directory; close it when done. */
export class Directory {
  readonly #handle: FileHandle;

  private constructor(handle: FileHandle) {
    this.#handle = handle;
  }

  /**
   * Opens a directory by its real path, part by part. Throws ELOOP or ENOTDIR where a part is a link
   * or a file. With `makes`, what is missing is made with that mode.
   */
  static async open(real: string, makes?: number): Promise<Directory> {
    if (!isAbsolute(real)) {
      throw new Error(`${real} is not a whole path.`);
    }
    let at = new Directory(await open('/', walking));
    for (const name of real.split('/').filter((part) => part !== '')) {
      const above = at;
      try {
        at = await above.#next(name, makes);
      } finally {
        await above.close();
      }
    }
    return at;
  }

  async #next(name: string, makes: number | undefined): Promise<Directory> {
    try {
      return await this.enter(name);
    } catch (error) {
      if (makes === undefined || !isMissing(error)) {
        throw error;
      }
      await this.make(name, makes);
      return this.enter(name);
    }
  }

  /** The path of something in it, for one call of the system right now. */
  at(name: string): string {
    if (!isName(name)) {
      throw new Error(`${name} is no name of a file.`);
    }
    return `/proc/self/fd/${this.#handle.fd}/${name}`;
  }

  /** Where it is now, by the system's own word; ends in " (deleted)" when it is nowhere. */
  path(): Promise<string> {
    return readlink(`/proc/self/fd/${this.#handle.fd}`);
  }

  /** Owner, mode, device and number. */
  stat(): Promise<Stats> {
    return this.#handle.stat();
  }

  /** Opens a directory in it. */
  async enter(name: string): Promise<Directory> {
    return new Directory(await open(this.at(name), walking));
  }

  /** What is in it. */
  names(): Promise<string[]> {
    return readdir(`/proc/self/fd/${this.#handle.fd}/.`);
  }

  /** What is at a name, a link itself; null where there is nothing. */
  async look(name: string): Promise<Stats | null> {
    try {
      return await lstat(this.at(name));
    } catch (error) {
      if (isMissing(error)) {
        return null;
      }
      throw error;
    }
  }

  linkAt(name: string): Promise<string> {
    return readlink(this.at(name));
  }

  /** Puts a link in its place in one step, whatever is there. */
  async replaceLink(name: string, to: string): Promise<void> {
    const half = `.${randomUUID()}.half`;
    await this.link(half, to);
    await this.#take(half, name);
  }

  read(name: string, limit: number): Promise<Buffer> {
    return readRegular(this.at(name), limit);
  }

  async make(name: string, mode: number): Promise<void> {
    await mkdir(this.at(name), { mode });
  }

  async link(name: string, to: string): Promise<void> {
    await symlink(to, this.at(name));
  }

  /** Writes a file that must not be there yet. */
  async create(name: string, bytes: string | Uint8Array, mode: number): Promise<void> {
    await this.#fresh(name, mode, (handle) => handle.writeFile(bytes));
  }

  /** Puts a file in its place in one step, whatever is there. */
  async replace(name: string, bytes: string | Uint8Array, mode: number): Promise<void> {
    await this.fill(name, mode, (handle) => handle.writeFile(bytes));
  }

  /** Puts a file in its place when `work` has written it whole, and the disk has it; else nothing is there. */
  async fill<T>(name: string, mode: number, work: (handle: FileHandle) => Promise<T>): Promise<T> {
    const half = `.${randomUUID()}.half`;
    const done = await this.#fresh(half, mode, async (handle) => {
      const value = await work(handle);
      await handle.sync();
      return value;
    });
    await this.#take(half, name);
    return done;
  }

  async #take(half: string, name: string): Promise<void> {
    try {
      await rename(this.at(half), this.at(name));
    } catch (error) {
      await unlink(this.at(half)).catch(() => undefined);
      throw error;
    }
  }

  async #fresh<T>(
    name: string,
    mode: number,
    work: (handle: FileHandle) => Promise<T>,
  ): Promise<T> {
    const handle = await open(this.at(name), fresh, mode);
    try {
      return await work(handle);
    } catch (error) {
      await unlink(this.at(name)).catch(() => undefined);
      throw error;
    } finally {
      await handle.close();
    }
  }

  async remove(name: string): Promise<void> {
    await unlink(this.at(name));
  }

  /** Removes a directory that is empty. */
  async removeDirectory(name: string): Promise<void> {
    await rmdir(this.at(name));
  }

  async setMode(mode: number): Promise<void> {
    await chmod(`/proc/self/fd/${this.#handle.fd}`, mode);
  }

  async setOwner(uid: number, gid: number): Promise<void> {
    await chown(`/proc/self/fd/${this.#handle.fd}`, uid, gid);
  }

  /** Gives something in it to another user, a link itself. */
  async giveAway(name: string, uid: number, gid: number): Promise<void> {
    await lchown(this.at(name), uid, gid);
  }

  async close(): Promise<void> {
    await this.#handle.close();
  }
}

/** Puts a file in its place in a directory that is there, in one step, over a link and not through it. */
export async function replaceIn(
  path: string,
  name: string,
  bytes: string | Uint8Array,
  mode: number,
): Promise<void> {
  const directory = await Directory.open(await realpath(path));
  await directory.replace(name, bytes, mode).finally(() => directory.close());
}
