/**
 * Writes a planned shelf below a directory of its own. It remembers what it wrote, and touches nothing
 * else: what somebody put there stays, a link is never followed, and only what is still as it was
 * written is ever removed.
 */
import { createHash } from 'node:crypto';
import {
  lstat,
  mkdir,
  readFile,
  readdir,
  readlink,
  realpath,
  rename,
  rmdir,
  symlink,
  unlink,
  writeFile,
} from 'node:fs/promises';
import { dirname, join, resolve, sep } from 'node:path';
import { failed, ok, type Result, type ShelfEntry, type ShelfPlan } from '@clever-drawer/core';

/** The file in which a shelf remembers what it wrote. */
export const shelfRecordName = '.clever-drawer-shelf.json';

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

/** What was written at a path, so that it is known again: a link's target, a card's hash. */
type Written = { readonly kind: ShelfEntry['kind']; readonly mark: string };
type Record_ = ReadonlyMap<string, Written>;

/** How a shelf is written. */
export interface ShelfOptions {
  /** Nothing is written. */
  readonly isDry?: boolean;
  /** What was written as it is wanted is believed to be there still, and not looked at. */
  readonly isQuick?: boolean;
  /** Directories in and around which no shelf may be. */
  readonly never?: readonly string[];
}

/**
 * Brings a directory into step with a plan; an empty plan removes the shelf.
 */
export async function writeShelf(
  directory: string,
  plan: ShelfPlan,
  { isDry = false, isQuick = false, never = [] }: ShelfOptions = {},
): Promise<Result<ShelfOutcome>> {
  const root = await rootOf(resolve(directory));
  const record = await readRecord(root);
  const trouble = (await whyNotHere(root, record)) ?? whyNotNear(root, never);
  if (trouble !== null) {
    return failed({ code: 'directory-refused', at: directory, detail: trouble });
  }
  const work = await planWork(root, plan, record ?? new Map<string, Written>(), isQuick);
  if (!isDry) {
    await carryOut(root, plan, record ?? new Map<string, Written>(), work);
  }
  return ok({ actions: work.actions, kept: work.kept.size });
}

/** The real directory, or the path as it is while it is not there. */
const rootOf = (path: string): Promise<string> => realpath(path).catch(() => path);

async function readRecord(root: string): Promise<Record_ | null> {
  const text = await readFile(join(root, shelfRecordName), 'utf8').catch(() => null);
  if (text === null) {
    return null;
  }
  try {
    const { entries } = JSON.parse(text) as { entries: Record<string, Written> };
    return new Map(Object.entries(entries).filter(([path]) => isInside(path)));
  } catch {
    return new Map();
  }
}

/** Whether a noted path stays inside: somebody may have changed the note. */
const isInside = (path: string): boolean =>
  path.split('/').every((part) => part !== '' && part !== '.' && part !== '..');

/** It has to be ours, empty, or not there yet. */
async function whyNotHere(root: string, record: Record_ | null): Promise<string | null> {
  const stat = await lstat(root).catch(() => null);
  if (stat && !stat.isDirectory()) {
    return 'It is no directory.';
  }
  const isEmpty = !stat || (await readdir(root)).length === 0;
  return isEmpty || record !== null
    ? null
    : 'It holds other things already. Choose an empty directory, or a new one.';
}

const isWithin = (path: string, directory: string): boolean =>
  path === directory || path.startsWith(directory.endsWith(sep) ? directory : directory + sep);

function whyNotNear(root: string, never: readonly string[]): string | null {
  const near = never.find((one) => isWithin(root, one) || isWithin(one, root));
  return near === undefined
    ? null
    : `Plugins lie in ${near}, and nothing is ever written there. Choose a directory of its own.`;
}

const markOf = (entry: ShelfEntry): string => {
  switch (entry.kind) {
    case 'directory':
      return '';
    case 'link':
      return entry.to;
    default:
      return createHash('sha256').update(entry.text).digest('hex');
  }
};

/** What lies at a path: as it was written, something else, or nothing. */
async function lying(path: string): Promise<Written | 'foreign' | null> {
  const stat = await lstat(path).catch(() => null);
  if (!stat) {
    return null;
  }
  if (stat.isDirectory()) {
    return { kind: 'directory', mark: '' };
  }
  if (stat.isSymbolicLink()) {
    return { kind: 'link', mark: await readlink(path) };
  }
  if (!stat.isFile() || stat.size > 1_000_000) {
    return 'foreign';
  }
  return { kind: 'card', mark: markOf({ kind: 'card', text: await readFile(path, 'utf8') }) };
}

const isSame = (a: Written, b: Written): boolean => a.kind === b.kind && a.mark === b.mark;

interface Work {
  readonly actions: ShelfAction[];
  /** Paths at which what is wanted lies already. */
  readonly kept: Set<string>;
}

async function planWork(
  root: string,
  plan: ShelfPlan,
  record: Record_,
  isQuick: boolean,
): Promise<Work> {
  const work: Work = { actions: [], kept: new Set() };
  const blocked = new Set<string>();
  for (const [path, entry] of plan) {
    const wanted: Written = { kind: entry.kind, mark: markOf(entry) };
    const noted = record.get(path);
    if (isQuick && noted && isSame(noted, wanted)) {
      work.kept.add(path);
      continue;
    }
    const there = isBelowBlocked(path, blocked) ? 'foreign' : await lying(join(root, path));
    const before = record.get(path);
    const to = entry.kind === 'link' ? { to: entry.to } : {};
    if (there === null) {
      work.actions.push({ does: 'make', kind: entry.kind, path, ...to });
    } else if (
      there !== 'foreign' &&
      isSame(there, wanted) &&
      (before || entry.kind === 'directory')
    ) {
      work.kept.add(path);
    } else if (
      there !== 'foreign' &&
      before &&
      isSame(there, before) &&
      before.kind !== 'directory'
    ) {
      work.actions.push({ does: 'replace', kind: entry.kind, path, ...to });
    } else {
      blocked.add(path);
      const because = 'something that this shelf did not write lies there';
      work.actions.push({ does: 'leave', kind: entry.kind, path, because });
    }
  }
  await planRemovals(root, plan, record, work);
  return work;
}

const isBelowBlocked = (path: string, blocked: ReadonlySet<string>): boolean =>
  [...ancestors(path)].some((above) => blocked.has(above));

function* ancestors(path: string): Generator<string> {
  for (let at = path.lastIndexOf('/'); at > 0; at = path.lastIndexOf('/', at - 1)) {
    yield path.slice(0, at);
  }
}

/** What was written and is wanted no more goes, the innermost first, where it is still as written. */
async function planRemovals(
  root: string,
  plan: ShelfPlan,
  record: Record_,
  work: Work,
): Promise<void> {
  const gone = [...record.keys()]
    .filter((path) => !plan.has(path))
    .sort((a, b) => b.length - a.length);
  for (const path of gone) {
    const before = record.get(path);
    const there = (await isReached(root, path)) ? await lying(join(root, path)) : null;
    if (!before || there === null) {
      continue;
    }
    const isOurs = there !== 'foreign' && isSame(there, before);
    work.actions.push(
      isOurs
        ? { does: 'remove', kind: before.kind, path }
        : {
            does: 'leave',
            kind: before.kind,
            path,
            because: 'it is no longer as this shelf wrote it',
          },
    );
  }
}

/** Whether all directories that a path lies in are real ones: a link would lead out. */
async function isReached(root: string, path: string): Promise<boolean> {
  for (const above of ancestors(path)) {
    const stat = await lstat(join(root, above)).catch(() => null);
    if (!stat?.isDirectory()) {
      return false;
    }
  }
  return true;
}

async function carryOut(
  root: string,
  plan: ShelfPlan,
  record: Record_,
  { actions, kept }: Work,
): Promise<void> {
  await mkdir(root, { recursive: true });
  const made = actions.filter(({ does }) => does === 'make' || does === 'replace');
  const ours = new Set([...kept, ...made.map(({ path }) => path)]);
  const wanted = new Map(
    [...plan]
      .filter(([path]) => ours.has(path))
      .map(([path, entry]) => [path, { kind: entry.kind, mark: markOf(entry) }] as const),
  );
  // Everything that is, or will be, ours is noted before anything is done: a stop in between loses nothing.
  await writeRecord(root, new Map([...record, ...wanted]));
  for (const { path, kind } of actions.filter(({ does }) => does === 'remove')) {
    await removeOne(join(root, path), kind);
  }
  for (const { path, does } of made) {
    const entry = plan.get(path);
    if (entry && (await isReached(root, path))) {
      await writeOne(join(root, path), entry, does === 'replace');
    }
  }
  if (plan.size === 0) {
    await unlink(join(root, shelfRecordName)).catch(() => undefined);
    await rmdir(root).catch(() => undefined);
  } else {
    await writeRecord(root, wanted);
  }
}

/** A directory goes only when nothing is in it any more. */
const removeOne = (path: string, kind: ShelfEntry['kind']): Promise<void> =>
  (kind === 'directory' ? rmdir(path) : unlink(path)).catch(() => undefined);

async function writeOne(path: string, entry: ShelfEntry, isReplacing: boolean): Promise<void> {
  if (isReplacing) {
    await unlink(path);
  }
  switch (entry.kind) {
    case 'directory':
      await mkdir(path);
      return;
    case 'link':
      await symlink(entry.to, path);
      return;
    default:
      await writeFile(path, entry.text, { flag: 'wx' });
  }
}

async function writeRecord(root: string, record: Record_): Promise<void> {
  const path = join(root, shelfRecordName);
  const text = JSON.stringify({ version: 1, entries: Object.fromEntries(record) });
  await writeFile(`${path}.new`, text);
  await rename(`${path}.new`, path);
}

/** The directories in which these copies lie. */
export const directoriesOf = (paths: readonly string[]): string[] =>
  [...new Set(paths.map((path) => dirname(path)))].filter((path) => path !== dirname(path));
