/**
 * Rules straight from their definition in the words, for tests: slow, and sharing nothing
 * with what is tested but the tree of types.
 */
import { day } from '../../time.ts';
import type { Candidate } from './candidate.ts';
import type { RuleContext } from './holds.ts';
import type { Line, Rule } from '../language/rule.ts';

/** Folds and takes words apart letter by letter. */
const folded = (text: string): string =>
  Array.from(text.normalize('NFKD'))
    .filter(
      (letter) =>
        !/\p{M}/u.test(letter) || letter.charCodeAt(0) > 0x36f || letter.charCodeAt(0) < 0x300,
    )
    .join('')
    .toLowerCase()
    .split(/\s+/)
    .filter((part) => part !== '')
    .join(' ');

export function slowWords(text: string): string[] {
  const letters = Array.from(text);
  const words: string[] = [];
  let word = '';
  const sort = (letter: string | undefined): string => {
    if (letter === undefined) {
      return '';
    }
    if (/\p{N}/u.test(letter)) {
      return 'figure';
    }
    if (/\p{Lu}/u.test(letter)) {
      return 'capital';
    }
    if (/\p{L}/u.test(letter)) {
      return /\p{Ll}/u.test(letter) ? 'small' : 'letter';
    }
    if (/[\u0300-\u036f]/.test(letter)) {
      return 'accent';
    }
    return '';
  };
  for (const [i, letter] of letters.entries()) {
    const here = sort(letter);
    const before = sort(letters[i - 1]);
    const next = sort(letters[i + 1]);
    const afterNext = sort(letters[i + 2]);
    const isNew =
      (here === 'figure') !== (before === 'figure') ||
      (here === 'capital' && (before === 'small' || before === 'figure')) ||
      (here === 'capital' && before === 'capital' && next === 'small' && afterNext === 'small');
    if (here === '' || (isNew && here !== 'accent')) {
      if (word !== '') {
        words.push(word);
      }
      word = '';
    }
    if (here !== '') {
      word += letter;
    }
  }
  if (word !== '') {
    words.push(word);
  }
  return words.map(folded);
}

const days: Readonly<Record<string, number>> = {
  day: 1,
  days: 1,
  week: 7,
  weeks: 7,
  month: 30,
  months: 30,
  year: 365,
  years: 365,
};
const span = (value: string): number =>
  Number(value.split(' ')[0]) * (days[value.split(' ')[1] ?? ''] ?? 0) * day;

function textMeets(relation: string, value: string, text: string): boolean {
  const wanted = slowWords(value);
  const has = slowWords(text);
  const run = (isMet: (word: string, want: string, isLast: boolean) => boolean): boolean =>
    has.some((_, from) =>
      wanted.every((want, i) => isMet(has[from + i] ?? '', want, i === wanted.length - 1)),
    );
  if (relation === 'has' || relation === 'has no') {
    return run((word, want, isLast) => (isLast ? word.startsWith(want) : word === want));
  }
  if (relation === 'has word') {
    return run((word, want) => word === want);
  }
  if (relation === 'has letters') {
    return folded(text).includes(folded(value));
  }
  if (relation === 'starts with') {
    return has.join('').startsWith(wanted.join(''));
  }
  return folded(text) === folded(value);
}

const versionParts = (text: string): number[] => (text.match(/\d+/g) ?? []).map(Number);
const versionOrder = (a: string, b: string): number => {
  for (let i = 0; i < 9; i += 1) {
    const d = (versionParts(a)[i] ?? 0) - (versionParts(b)[i] ?? 0);
    if (d !== 0) {
      return d;
    }
  }
  return 0;
};

export function slowLine(
  { field, relation, values }: Line,
  c: Candidate,
  where: RuleContext,
): boolean {
  const any = (test: (value: string) => boolean): boolean => values.some(test);
  const not = relation === 'is not' || relation === 'has no';
  if (
    field === 'name' ||
    field === 'anything' ||
    field === 'vendor' ||
    field === 'tag' ||
    field === 'notes' ||
    field === 'setting of' ||
    field === 'bank'
  ) {
    const texts = c.texts[field].map((text) => text.shown);
    return relation === 'is missing'
      ? texts.length === 0
      : any((value) => texts.some((text) => textMeets(relation, value, text))) !== not;
  }
  if (field === 'folder') {
    return relation === 'is missing'
      ? !where.isFiled(c.id)
      : any((folder) => where.isIn(folder, c.id)) !== not;
  }
  if (field === 'arrived' || field === 'last loaded' || field === 'trial ends') {
    const at = c.times[field];
    if (relation === 'never') {
      return at === null;
    }
    if (relation === 'not within the last') {
      return at === null || !any((value) => at <= where.now && where.now <= at + span(value));
    }
    if (at === null) {
      return false;
    }
    return any((value) => {
      if (relation === 'within the last') {
        return at <= where.now && where.now <= at + span(value);
      }
      if (relation === 'within the next') {
        return at >= where.now && at <= where.now + span(value);
      }
      if (relation === 'before') {
        return new Date(at).toISOString().slice(0, 10) < value;
      }
      return new Date(at).toISOString().slice(0, 10) > value;
    });
  }
  if (field === 'inputs' || field === 'outputs' || field === 'times loaded') {
    return (
      c.numbers[field].some((n) =>
        any((value) => {
          if (relation === 'at least') {
            return n >= +value;
          }
          if (relation === 'at most') {
            return n <= +value;
          }
          return n === +value;
        }),
      ) !== not
    );
  }
  if (field === 'version') {
    return relation === 'is missing'
      ? c.versions.length === 0
      : c.versions.some((v) =>
          any((value) => {
            const order = versionOrder(v, value);
            if (relation === 'at least') {
              return order >= 0;
            }
            if (relation === 'before') {
              return order < 0;
            }
            return order === 0;
          }),
        ) !== not;
  }
  const own: readonly string[] = field === 'type' ? c.types : c.sets[field];
  const within = (one: string, value: string): boolean =>
    one === value || (field === 'type' && one.startsWith(`${value}/`));
  if (relation === 'is missing') {
    return own.length === 0;
  }
  if (relation === 'is only') {
    return own.length > 0 && own.every((one) => any((value) => within(one, value)));
  }
  return own.some((one) => any((value) => within(one, value))) !== not;
}

/** A card that says nothing of settings lets none in. */
const maySettings = ({ lines }: Rule['cards'][number]): boolean =>
  lines.some(({ field, relation, values }) => {
    if (field === 'thing') {
      return relation === 'is' ? values.includes('setting') : values.includes('plugin');
    }
    return (field === 'setting of' || field === 'bank') && !/not|no$/.test(relation);
  });

export const slowlyIn = (rule: Rule, c: Candidate, where: RuleContext): boolean =>
  rule.cards.some(
    (card) =>
      (!c.sets.thing.includes('setting') || maySettings(card)) &&
      card.lines.every((line) => slowLine(line, c, where)),
  ) && !rule.never.some((card) => card.lines.every((line) => slowLine(line, c, where)));
