/** What the catalog knows for each field, with how many plugins each value would let in. */
import { isGenericWord } from '@clever-drawer/core/identify';
import {
  fields,
  knownValues,
  positionsIn,
  type Candidate,
  type CatalogIndex,
  type Field,
  type Line,
  type RuleWords,
  type RuleContext,
} from '@clever-drawer/core/rules';

export interface Completion {
  readonly value: string;
  readonly text: string;
  readonly count: number;
}
export interface Completions {
  readonly of: (field: Field, relation: Line['relation']) => readonly Completion[];
}

/** Worked out when asked for, and kept for the catalog as it is. */
export function createCompletions(
  index: CatalogIndex,
  candidates: readonly Candidate[],
  words: RuleWords,
  where: RuleContext,
): Completions {
  const known = new Map<string, readonly Completion[]>();
  const make = (field: Field, relation: Line['relation']): Completion[] => {
    const fixed = knownValues(field, words);
    if (fixed) {
      return fixed
        .map(({ value, text }) => ({
          value,
          text,
          count: positionsIn(index.line({ field, relation: 'is', values: [value] }, where)).length,
        }))
        .filter((one) => one.count > 0 || field !== 'type')
        .sort((a, b) => b.count - a.count);
    }
    return [...counted(candidates, field, relation)]
      .map(([text, count]) => ({ value: text, text, count }))
      .sort((a, b) => b.count - a.count);
  };
  return {
    of: (field, relation) => {
      const key = `${field} ${fields[field] === 'text' && (relation === 'is' || relation === 'is not')}`;
      const before = known.get(key) ?? make(field, relation);
      known.set(key, before);
      return before;
    },
  };
}

/** Whole texts where a line asks what something is, else the words in them that say something. */
function counted(
  candidates: readonly Candidate[],
  field: Field,
  relation: Line['relation'],
): Map<string, number> {
  const counts = new Map<string, number>();
  const isWhole =
    relation === 'is' || relation === 'is not' || field === 'vendor' || field === 'tag';
  const count = (text: string): void => {
    counts.set(text, (counts.get(text) ?? 0) + 1);
  };
  for (const candidate of candidates) {
    if (field === 'version') {
      candidate.versions.forEach(count);
      continue;
    }
    const texts = candidate.texts[field as keyof Candidate['texts']];
    for (const text of isWhole
      ? texts.map((one) => one.shown)
      : new Set(
          texts
            .flatMap((one) => one.words)
            .filter((word) => word.length > 2 && (word.length > 3 || !isGenericWord(word))),
        )) {
      count(text);
    }
  }
  return counts;
}
