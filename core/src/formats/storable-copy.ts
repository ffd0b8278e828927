/** What a file says of itself, made so that it can be kept; what had to be changed is said. */
import { cutText, isStorable, storable, textLimit } from '../text/storable.ts';
import type { FoundCopy } from './found-copy.ts';

/** The most entries of a list that a copy gives. */
const listLimit = 200;

/** Texts that only say something; paths have to stay as they are, so that files can be found. */
const texts = ['identity', 'name', 'vendor', 'version'] as const;
const lists = ['declared', 'replaces', 'architectures', 'controls'] as const;
type Said = (typeof texts)[number] | (typeof lists)[number];

const words: Record<Said, string> = {
  identity: 'identity',
  name: 'name',
  vendor: 'vendor',
  version: 'version',
  declared: 'categories',
  replaces: 'identities it stands in for',
  architectures: 'kinds of processor',
  controls: 'names of controls',
};

/** Control characters and halves of characters are left out, what is too long is cut. */
export function storableCopy(copy: FoundCopy): FoundCopy {
  const problem = copy.problem && mendedProblem(copy.problem);
  if (!isWhole(copy)) {
    return { ...mendedCopy(copy), problem };
  }
  return problem === copy.problem ? copy : { ...copy, problem };
}

/** Whether all texts can be kept as they are, as those of nearly all copies can. */
const isWhole = (copy: FoundCopy): boolean =>
  texts.every((field) => canKeep(copy[field] ?? '')) &&
  lists.every((field) => canKeepAll(copy[field] ?? []));

const canKeep = (text: string): boolean => text.length <= textLimit && isStorable(text);
const canKeepAll = (list: readonly string[]): boolean =>
  list.length <= listLimit && list.every(canKeep);

function mendedCopy(copy: FoundCopy): FoundCopy {
  const changed = new Set<Said>();
  const keep = (field: Said, text: string): string => {
    const kept = cutText(storable(text), textLimit);
    if (kept !== text) {
      changed.add(field);
    }
    return kept;
  };
  const mended = {
    ...Object.fromEntries(
      texts.map((field) => [field, copy[field] === null ? null : keep(field, copy[field])]),
    ),
    ...Object.fromEntries(
      lists
        .filter((field) => copy[field] !== undefined)
        .map((field) => [field, shortened(field, copy[field] ?? null, keep, changed)]),
    ),
  };
  const mendedFields = [...changed].map((field) => words[field]);
  return { ...copy, ...mended, mended: mendedFields };
}

function shortened(
  field: Said,
  list: readonly string[] | null,
  keep: (field: Said, text: string) => string,
  changed: Set<Said>,
): string[] | null {
  if (list !== null && list.length > listLimit) {
    changed.add(field);
  }
  return list && list.slice(0, listLimit).map((text) => keep(field, text));
}

/** A problem quotes the file, so its texts may be anything as well. */
function mendedProblem<P extends object>(problem: P): P {
  const entries = Object.entries(problem).map(
    ([field, value]) =>
      [field, typeof value === 'string' ? cutText(storable(value), textLimit) : value] as const,
  );
  const isSame = entries.every(([field, value]) => problem[field as keyof P] === value);
  return isSame ? problem : (Object.fromEntries(entries) as P);
}
