/** What lies below a shelf, by handles: no link in it is followed, and nothing is done outside of it. */
import { createHash } from 'node:crypto';
import type { ShelfEntry } from '@clever-drawer/core/exchange';
import { isMissing, isWithin, type Directory } from '../files/index.ts';
import type { Written } from './shelf-record.ts';

/** The shelf was moved away while it was written. */
export class MovedError extends Error {}

const cardLimit = 1_000_000;
const directoryMode = 0o755;
const cardMode = 0o644;

/** How a written entry is known again. */
export const markOf = (entry: ShelfEntry): string => {
  switch (entry.kind) {
    case 'directory':
      return '';
    case 'link':
      return entry.to;
    default:
      return createHash('sha256').update(entry.text).digest('hex');
  }
};

/** The tree below one directory; the directory that was worked in last stays open until the next. */
export class ShelfTree {
  readonly #root: Directory;
  readonly #real: string;
  #latest: { readonly path: string; readonly directory: Directory } | null = null;

  /** `real` is the real path of `root`, where it has to stay. */
  constructor(root: Directory, real: string) {
    this.#root = root;
    this.#real = real;
  }

  /** What lies at a path: as it was written, something else, or nothing. */
  async look(path: string): Promise<Written | 'foreign' | null> {
    const { name, directory } = await this.#parentOf(path);
    if (typeof directory === 'string') {
      return directory === 'missing' ? null : 'foreign';
    }
    const facts = await directory.look(name);
    if (!facts) {
      return null;
    }
    if (facts.isDirectory()) {
      return { kind: 'directory', mark: '' };
    }
    if (facts.isSymbolicLink()) {
      return { kind: 'link', mark: await directory.linkAt(name) };
    }
    if (!facts.isFile() || facts.size > cardLimit) {
      return 'foreign';
    }
    const text = (await directory.read(name, cardLimit)).toString('utf8');
    return { kind: 'card', mark: markOf({ kind: 'card', text }) };
  }

  /** Makes an entry where nothing is; with `isReplacing` in the place of what was written there before. */
  async write(path: string, entry: ShelfEntry, isReplacing: boolean): Promise<void> {
    const { name, directory } = await this.#toWrite(path);
    if (entry.kind === 'directory') {
      if (isReplacing) {
        await directory.remove(name);
      }
      await directory.make(name, directoryMode);
    } else if (entry.kind === 'link') {
      await (isReplacing ? directory.replaceLink(name, entry.to) : directory.link(name, entry.to));
    } else {
      await (isReplacing
        ? directory.replace(name, entry.text, cardMode)
        : directory.create(name, entry.text, cardMode));
    }
  }

  /** Removes one; a directory goes only when nothing is in it. */
  async remove(path: string, kind: ShelfEntry['kind']): Promise<void> {
    const { name, directory } = await this.#toWrite(path);
    await (kind === 'directory' ? directory.removeDirectory(name) : directory.remove(name));
  }

  async close(): Promise<void> {
    await this.#latest?.directory.close();
    this.#latest = null;
  }

  /** By its handle, the directory has to be in the shelf, and the shelf where it was. */
  async #toWrite(path: string): Promise<{ name: string; directory: Directory }> {
    const { name, directory } = await this.#parentOf(path);
    if (typeof directory === 'string' || !isWithin(await directory.path(), this.#real)) {
      throw new MovedError('it was moved away meanwhile, or something else was put in its place');
    }
    return { name, directory };
  }

  /** The directory that a path lies in, or what is there instead. */
  async #parentOf(path: string): Promise<{ name: string; directory: Directory | NoDirectory }> {
    const parts = path.split('/');
    const name = parts.pop() ?? '';
    const above = parts.join('/');
    if (above === '') {
      return { name, directory: this.#root };
    }
    if (this.#latest?.path === above) {
      return { name, directory: this.#latest.directory };
    }
    await this.close();
    const directory = await this.#enter(parts);
    if (typeof directory !== 'string') {
      this.#latest = { path: above, directory };
    }
    return { name, directory };
  }

  async #enter(parts: readonly string[]): Promise<Directory | NoDirectory> {
    let at = this.#root;
    for (const part of parts) {
      const above = at;
      try {
        at = await above.enter(part);
      } catch (error) {
        return whatInstead(error);
      } finally {
        if (above !== this.#root) {
          await above.close();
        }
      }
    }
    return at;
  }
}

/** What is where a directory should be. */
type NoDirectory = 'missing' | 'blocked';

function whatInstead(error: unknown): NoDirectory {
  if (isMissing(error)) {
    return 'missing';
  }
  if (['ENOTDIR', 'ELOOP'].includes((error as NodeJS.ErrnoException).code ?? '')) {
    return 'blocked';
  }
  throw error;
}
