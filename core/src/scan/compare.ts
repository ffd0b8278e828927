/** What a scan found, held against what was known: its findings. */
import { plainText } from '../change.ts';
import { shortKey } from '../text/storable.ts';
import type { FoundCopy } from '../formats/found-copy.ts';

/** The kinds of findings, in the order in which they are told. */
export const findingKinds = [
  'arrived',
  'returned',
  'updated',
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
  readonly state: 'present' | 'away' | 'gone';
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
 * A copy that is not found again but whose identity turns up elsewhere, where nothing was known, has moved.
 */
export function compare(known: readonly KnownCopy[], found: readonly FoundCopy[]): Comparison[] {
  const byKey = new Map(known.map((k) => [k.key, k]));
  const foundKeys = new Set(found.map(copyKey));
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
    const before = byKey.get(copyKey(copy));
    if (before) {
      results.push(compareOne(before, copy));
      continue;
    }
    const id = identityKey(copy);
    const elsewhere = id === null ? undefined : missing.get(id);
    if (elsewhere && !moved.has(elsewhere.key)) {
      moved.add(elsewhere.key);
      results.push({
        sort: copy.status === 'failed' ? 'failed' : 'moved',
        found: copy,
        known: elsewhere.key,
        from: elsewhere.copy.path,
        to: copy.path,
      });
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
    if (k.state !== 'gone' && !foundKeys.has(k.key) && !moved.has(k.key)) {
      results.push({ sort: 'gone', found: null, known: k.key, from: k.copy.path, to: null });
    }
  }
  return results;
}

const identityKey = (copy: FoundCopy): string | null =>
  copy.identity === null ? null : `${copy.format}\n${copy.identity}`;

function compareOne(before: KnownCopy, copy: FoundCopy): Comparison {
  const base = { found: copy, known: before.key, from: before.copy.version, to: copy.version };
  const sameProblem = plainText(before.copy.problem) === plainText(copy.problem);
  if (copy.status === 'failed' && !(sameProblem && before.state === 'present')) {
    return { sort: 'failed', ...base };
  }
  if (before.state !== 'present') {
    return { sort: 'returned', ...base };
  }
  if (sameFacts(before.copy, copy)) {
    return { sort: 'unchanged', ...base };
  }
  return { sort: 'updated', ...base };
}

const sameFacts = (a: FoundCopy, b: FoundCopy): boolean => plainText(a) === plainText(b);
