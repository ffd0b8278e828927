/**
 * Writes a planned shelf below a directory of its own. It notes what it wrote, and touches nothing
 * else: what somebody put there stays, a link is never followed, and only what is still as it was
 * written is ever removed.
 */
import { basename, dirname, resolve } from 'node:path';
import type { ShelfEntry, ShelfPlan } from '@clever-drawer/core/exchange';
import { failed, ok, type Result } from '@clever-drawer/core/problem';
import { Directory, diskTrouble, isMissing, leadsNowhere, realPathOf } from '../files/index.ts';
import {
  readRecord,
  shelfRecordName,
  writeRecord,
  type ShelfRecord,
  type Written,
} from './shelf-record.ts';
import { markOf, MovedError, ShelfTree } from './shelf-tree.ts';

/** One thing that is done, or was found in the way. */
export interface ShelfAction {
  readonly does: 'make' | 'replace' | 'remove' | 'leave';
  readonly kind: ShelfEntry['kind'];
  /** Below the shelf, with slashes. */
  readonly path: string;
  readonly to?: string;
  /** Of what is left: why. */
  readonly because?: string;
}

/** What was done, and how much was as it should be already. */
export interface ShelfOutcome {
  readonly actions: readonly ShelfAction[];
  readonly kept: number;
}

/** How a shelf is written. */
export interface ShelfOptions {
  /** What its note is signed with. */
  readonly key: Buffer;
  /** Nothing is written. */
  readonly isDry?: boolean;
  /** What was written as it is wanted is believed to be there still, and not looked at. */
  readonly isQuick?: boolean;
  /** Why nothing may be written in a directory, by its real path; null where it may. */
  readonly whyNot: (real: string) => Promise<string | null>;
}

const directoryMode = 0o755;

/** Brings a directory into step with a plan; an empty plan removes the shelf. */
export async function writeShelf(
  directory: string,
  plan: ShelfPlan,
  { key, whyNot, isDry = false, isQuick = false }: ShelfOptions,
): Promise<Result<ShelfOutcome>> {
  const refused = (detail: string): Result<ShelfOutcome> =>
    failed({ code: 'directory-refused', at: directory, detail });
  const real = await realPathOf(resolve(directory));
  const why = real === null ? leadsNowhere(directory) : await whyNot(real);
  if (real === null || why !== null) {
    return refused(why ?? '');
  }
  try {
    const outcome = await new ShelfWriter(real, plan, key).write(isDry, isQuick);
    return typeof outcome === 'string' ? refused(outcome) : ok(outcome);
  } catch (error) {
    const trouble = error instanceof MovedError ? error.message : diskTrouble(error);
    if (trouble === null) {
      throw error;
    }
    return refused(`Writing broke off: ${trouble}. What was made until then was removed again.`);
  }
}

interface Work {
  readonly actions: ShelfAction[];
  /** Paths at which what is wanted lies already. */
  readonly kept: Set<string>;
}

const isSame = (a: Written, b: Written): boolean => a.kind === b.kind && a.mark === b.mark;
const nothing: ShelfRecord = new Map();

/** One writing of one shelf. */
class ShelfWriter {
  readonly #real: string;
  readonly #plan: ShelfPlan;
  readonly #key: Buffer;

  constructor(real: string, plan: ShelfPlan, key: Buffer) {
    this.#real = real;
    this.#plan = plan;
    this.#key = key;
  }

  /** What was done, or why it is refused. */
  async write(isDry: boolean, isQuick: boolean): Promise<ShelfOutcome | string> {
    const root = await this.#open(isDry || this.#plan.size === 0);
    if (!root) {
      return this.#ofNothing();
    }
    const { directory, isNew } = root;
    const tree = new ShelfTree(directory, this.#real);
    try {
      const record = await readRecord(directory, this.#key);
      if (record === null && (await directory.names()).length > 0) {
        return 'It holds other things, or a shelf that an older Clever Drawer wrote. Choose an empty directory, or a new one.';
      }
      const work = await this.#planWork(tree, record ?? nothing, isQuick);
      if (!isDry) {
        await this.#carryOut({ directory, tree, record: record ?? nothing }, work);
      }
      return { actions: work.actions, kept: work.kept.size };
    } catch (error) {
      if (isNew) {
        await this.#removeRoot();
      }
      throw error;
    } finally {
      await tree.close();
      await directory.close();
    }
  }

  /** Opens the directory, which is made unless nothing is to be written; then null where there is none. */
  async #open(isOnlyRead: boolean): Promise<{ directory: Directory; isNew: boolean } | null> {
    try {
      return { directory: await Directory.open(this.#real), isNew: false };
    } catch (error) {
      if (!isMissing(error)) {
        throw error;
      }
      return isOnlyRead
        ? null
        : { directory: await Directory.open(this.#real, directoryMode), isNew: true };
    }
  }

  /** What would be done where there is no directory yet. */
  #ofNothing(): ShelfOutcome {
    const actions = [...this.#plan].map(([path, entry]) => makingOf(path, entry));
    return { actions, kept: 0 };
  }

  async #planWork(tree: ShelfTree, record: ShelfRecord, isQuick: boolean): Promise<Work> {
    const work: Work = { actions: [], kept: new Set() };
    for (const [path, entry] of this.#plan) {
      await planOne(tree, record.get(path), { path, entry, isQuick }, work);
    }
    await this.#planRemovals(tree, record, work);
    return work;
  }

  /** What was written and is not wanted goes, the innermost first, where it is still as written. */
  async #planRemovals(tree: ShelfTree, record: ShelfRecord, work: Work): Promise<void> {
    const gone = [...record]
      .filter(([path]) => !this.#plan.has(path))
      .sort(([a], [b]) => b.length - a.length);
    for (const [path, before] of gone) {
      const there = await tree.look(path);
      if (there !== null) {
        const isOurs = there !== 'foreign' && isSame(there, before);
        const because = 'it is not as this shelf wrote it';
        work.actions.push({
          does: isOurs ? 'remove' : 'leave',
          kind: before.kind,
          path,
          ...(isOurs ? {} : { because }),
        });
      }
    }
  }

  async #carryOut(
    { directory, tree, record }: { directory: Directory; tree: ShelfTree; record: ShelfRecord },
    { actions, kept }: Work,
  ): Promise<void> {
    const made = actions.filter(({ does }) => does === 'make' || does === 'replace');
    const ours = new Set([...kept, ...made.map(({ path }) => path)]);
    const wanted = new Map(
      [...this.#plan]
        .filter(([path]) => ours.has(path))
        .map(([path, entry]) => [path, { kind: entry.kind, mark: markOf(entry) }] as const),
    );
    // Everything that is, or will be, ours is noted before anything is done: a stop in between loses nothing.
    await writeRecord(directory, this.#key, new Map([...record, ...wanted]));
    for (const { path, kind } of actions.filter(({ does }) => does === 'remove')) {
      await removeUnlessUsed(tree, path, kind);
    }
    await this.#make(tree, made);
    if (this.#plan.size > 0) {
      await writeRecord(directory, this.#key, wanted);
      return;
    }
    await directory.remove(shelfRecordName);
    await this.#removeRoot();
  }

  /** Makes all, or removes again what it made. */
  async #make(tree: ShelfTree, actions: readonly ShelfAction[]): Promise<void> {
    const done: ShelfAction[] = [];
    try {
      for (const action of actions) {
        const entry = this.#plan.get(action.path);
        if (entry) {
          await tree.write(action.path, entry, action.does === 'replace');
          done.push(action);
        }
      }
    } catch (error) {
      for (const { path, kind, does } of done.reverse()) {
        if (does === 'make') {
          await tree.remove(path, kind).catch(() => undefined);
        }
      }
      throw error;
    }
  }

  /** The directory itself goes when nothing is in it. */
  async #removeRoot(): Promise<void> {
    const above = await Directory.open(dirname(this.#real)).catch(() => null);
    await above?.removeDirectory(basename(this.#real)).catch(() => undefined);
    await above?.close();
  }
}

const makingOf = (path: string, entry: ShelfEntry): ShelfAction => ({
  does: 'make',
  kind: entry.kind,
  path,
  ...(entry.kind === 'link' ? { to: entry.to } : {}),
});

/** What is to be done for one path of the plan. */
async function planOne(
  tree: ShelfTree,
  before: Written | undefined,
  { path, entry, isQuick }: { path: string; entry: ShelfEntry; isQuick: boolean },
  { actions, kept }: Work,
): Promise<void> {
  const wanted: Written = { kind: entry.kind, mark: markOf(entry) };
  if (isQuick && before && isSame(before, wanted)) {
    kept.add(path);
    return;
  }
  const there = await tree.look(path);
  if (there === null) {
    actions.push(makingOf(path, entry));
  } else if (there === 'foreign') {
    actions.push(leaving(path, entry));
  } else if (isSame(there, wanted) && (before || entry.kind === 'directory')) {
    kept.add(path);
  } else if (before && isSame(there, before) && before.kind !== 'directory') {
    actions.push({ ...makingOf(path, entry), does: 'replace' });
  } else {
    actions.push(leaving(path, entry));
  }
}

const leaving = (path: string, { kind }: ShelfEntry): ShelfAction => ({
  does: 'leave',
  kind,
  path,
  because: 'something that this shelf did not write lies there',
});

/** A directory in which somebody put something stays. */
async function removeUnlessUsed(
  tree: ShelfTree,
  path: string,
  kind: ShelfEntry['kind'],
): Promise<void> {
  await tree.remove(path, kind).catch((error: unknown) => {
    if (error instanceof MovedError) {
      throw error;
    }
  });
}

/** The directories in which these copies lie. */
export const directoriesOf = (paths: readonly string[]): string[] =>
  [...new Set(paths.map((path) => dirname(path)))].filter((path) => path !== dirname(path));
