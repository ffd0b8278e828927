/** What a scan found, held against what was known: its findings. */
import type { CopyState } from '../catalog/plugin.ts';
import { isSameValue } from '../change.ts';
import { shortKey } from '../text/storable.ts';
import { grouped } from '../grouped.ts';
import { stemOfPath, type FoundCopy } from '../formats/found-copy.ts';
import { fold } from '../text/fold.ts';

/** The kinds of findings, in the order in which they are told. */
export const findingKinds = [
  'arrived',
  'returned',
  'updated',
  'opened',
  'moved',
  'gone',
  'away',
  'failed',
] as const;
/** One of the kinds of findings. */
export type FindingKind = (typeof findingKinds)[number];

/** A known copy, as far as comparing needs it. */
export interface KnownCopy {
  readonly key: string;
  readonly copy: FoundCopy;
  readonly state: CopyState;
}

/** One thing a scan has to say about one copy; `known` is the key of the copy that was known before. */
export interface Comparison {
  readonly sort: FindingKind | 'unchanged';
  readonly found: FoundCopy | null;
  readonly known: string | null;
  readonly from: string | null;
  readonly to: string | null;
}

/** Tells copies of one computer apart: format, path and, where one file holds several, identity or name. */
export const copyKey = (copy: Pick<FoundCopy, 'format' | 'path' | 'identity' | 'name'>): string =>
  shortKey(`${copy.format}\n${copy.path}\n${copy.identity ?? copy.name ?? ''}`);

/**
 * Compares all found copies with all known ones.
 * A copy that is not found again but whose identity turns up elsewhere, where nothing was known, has
 * moved. One that reading knew by its file alone is the same when opening tells who it is: what was
 * made of it stays with it.
 */
export function compare(known: readonly KnownCopy[], found: readonly FoundCopy[]): Comparison[] {
  const succeeded = successions(known, found);
  const byKey = new Map(known.map((k) => [k.key, k]));
  const foundKeys = new Set([
    ...found.map(copyKey),
    ...[...succeeded.values()].map(({ key }) => key),
  ]);
  const missing = new Map<string, KnownCopy>();
  for (const k of known) {
    const id = identityKey(k.copy);
    if (!foundKeys.has(k.key) && id !== null && !missing.has(id)) {
      missing.set(id, k);
    }
  }
  const moved = new Set<string>();
  const results: Comparison[] = [];
  for (const copy of found) {
    const before = byKey.get(copyKey(copy)) ?? succeeded.get(copy);
    if (before) {
      results.push(compareOne(before, copy));
      continue;
    }
    const id = identityKey(copy);
    const elsewhere = id === null ? undefined : missing.get(id);
    if (elsewhere && !moved.has(elsewhere.key)) {
      moved.add(elsewhere.key);
      results.push(movedFrom(elsewhere, copy));
    } else {
      results.push({
        sort: copy.status === 'failed' ? 'failed' : 'arrived',
        found: copy,
        known: null,
        from: null,
        to: copy.version,
      });
    }
  }
  for (const k of known) {
    if (k.state !== 'gone' && k.state !== 'awaited' && !foundKeys.has(k.key) && !moved.has(k.key)) {
      results.push({ sort: 'gone', found: null, known: k.key, from: k.copy.path, to: null });
    }
  }
  return results;
}

/** What was only awaited has not moved: it is here for the first time. */
function movedFrom(before: KnownCopy, copy: FoundCopy): Comparison {
  const ends = { found: copy, known: before.key };
  if (before.state === 'awaited') {
    const sort = copy.status === 'failed' ? 'failed' : 'arrived';
    return { sort, ...ends, from: null, to: copy.version };
  }
  const sort = copy.status === 'failed' ? 'failed' : 'moved';
  return { sort, ...ends, from: before.copy.path, to: copy.path };
}

const fileKey = ({ format, path }: FoundCopy): string => `${format}\n${path}`;

/**
 * Where the same file was read before and is opened now, or the other way round: which known copy
 * each found one stands for. Of several plugins in a file, the one that is called like it comes first.
 */
function successions(
  known: readonly KnownCopy[],
  found: readonly FoundCopy[],
): Map<FoundCopy, KnownCopy> {
  const knownKeys = new Set(known.map((k) => k.key));
  const foundKeys = new Set(found.map(copyKey));
  const left = grouped(
    known.filter((k) => !foundKeys.has(k.key)).map((k) => [fileKey(k.copy), k] as const),
  );
  const fresh = grouped(
    found
      .filter((copy) => left.has(fileKey(copy)) && !knownKeys.has(copyKey(copy)))
      .map((copy) => [fileKey(copy), copy] as const),
  );
  const pairs = new Map<FoundCopy, KnownCopy>();
  for (const [file, copies] of fresh) {
    const waiting = (left.get(file) ?? []).filter(
      (k) =>
        k.copy.examined !== copies[0]?.examined ||
        (k.copy.name === null && k.copy.examined === 'opened'),
    );
    for (const copy of likeFileFirst(copies)) {
      const before = waiting.shift();
      if (before) {
        pairs.set(copy, before);
      }
    }
  }
  return pairs;
}

function likeFileFirst(copies: readonly FoundCopy[]): FoundCopy[] {
  const isLike = ({ path, identity, name }: FoundCopy): boolean => {
    const stem = fold(stemOfPath(path));
    const label = fold(identity?.split(':').pop() ?? '');
    return fold(name ?? '') === stem || (label !== '' && stem.startsWith(label));
  };
  return [...copies.filter(isLike), ...copies.filter((copy) => !isLike(copy))];
}

const identityKey = (copy: FoundCopy): string | null =>
  copy.identity === null ? null : `${copy.format}\n${copy.identity}`;

function compareOne(before: KnownCopy, copy: FoundCopy): Comparison {
  const base = { found: copy, known: before.key, from: before.copy.version, to: copy.version };
  const sameProblem = isSameValue(before.copy.problem, copy.problem);
  if (copy.status === 'failed' && !(sameProblem && before.state === 'present')) {
    return { sort: 'failed', ...base };
  }
  if (before.state === 'awaited') {
    return { sort: 'arrived', ...base, from: null };
  }
  if (before.state !== 'present') {
    return { sort: 'returned', ...base };
  }
  if (sameFacts(before.copy, copy)) {
    return { sort: 'unchanged', ...base };
  }
  if (before.copy.examined === 'read' && copy.examined === 'opened') {
    return { sort: 'opened', ...base, from: nameBefore(before.copy), to: copy.name };
  }
  return { sort: 'updated', ...base };
}

/** What it was called as long as only its file told. */
const nameBefore = ({ name, path }: FoundCopy): string => name ?? stemOfPath(path);

const sameFacts = (a: FoundCopy, b: FoundCopy): boolean => isSameValue(a, b);
