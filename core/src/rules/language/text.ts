/**
 * Rules as text, as one would write them in a letter:
 *
 *   name has delay, echo, slap        a comma is “or”
 *   kind is effect                    a new line is “and”
 *                                     an empty line begins another card
 *   type is delay
 *
 *   never                             what follows is a card that keeps out
 *   type is looper
 *
 * A value with commas or quotation marks stands in quotation marks, in which "" is one mark.
 * Parsing what was printed gives the same rule.
 */
import { failed, ok, type Problem, type Result } from '../../problem.ts';
import {
  fieldNames,
  isOfTime,
  relationsFor,
  relationsOf,
  ruleLimits,
  standsAlone,
  type Card,
  type Field,
  type Line,
  type Relation,
  type Rule,
} from './rule.ts';
import { nearest, noWords, understand, writeValue, type RuleWords } from './values.ts';

/** One problem at a place in the text; line and column count from 1. */
const problemAt = (
  line: number,
  column: number,
  got: string,
  detail: string,
  known: readonly string[] = [],
): Problem => ({
  code: 'rule-text',
  at: 'rule',
  line,
  column,
  got: got.slice(0, 60),
  detail,
  known,
});

interface Parsed {
  readonly line: Line | null;
  readonly problems: readonly Problem[];
}

/** Reads a rule from its text. Problems say line and column. */
export function parseRule(text: string, words: RuleWords = noWords): Result<Rule> {
  if (text.length > ruleLimits.text) {
    return failed({
      code: 'too-much',
      at: 'rule',
      what: 'letters',
      got: text.length,
      limit: ruleLimits.text,
    });
  }
  const cards: Line[][] = [];
  const never: Line[][] = [];
  const problems: Problem[] = [];
  let card: Line[] | null = null;
  let header = 0;
  for (const [at, raw] of text
    .replace(/^\uFEFF/, '')
    .split(/\r\n|\r|\n/)
    .entries()) {
    const bare = raw.trim();
    if (bare === '' || /^never$/i.test(bare)) {
      if (header > 0 && card?.length === 0) {
        problems.push(
          problemAt(
            header,
            1,
            'never',
            'After “never”, the lines of the card that keeps out should follow.',
          ),
        );
      }
      card = bare === '' ? null : push(never, []);
      header = bare === '' ? 0 : at + 1;
      continue;
    }
    const parsed = parseLine(raw, at + 1, words);
    problems.push(...parsed.problems);
    card ??= push(cards, []);
    if (parsed.line) {
      card.push(parsed.line);
    }
    header = 0;
  }
  if (header > 0) {
    problems.push(
      problemAt(
        header,
        1,
        'never',
        'After “never”, the lines of the card that keeps out should follow.',
      ),
    );
  }
  const trouble = tooMuch(cards, never);
  if (problems.length > 0 || trouble) {
    return failed(...problems.slice(0, 20), ...(trouble ? [trouble] : []));
  }
  if (cards.length === 0) {
    return failed({ code: 'rule-empty', at: 'rule' });
  }
  return ok({ cards: cards.map((lines) => ({ lines })), never: never.map((lines) => ({ lines })) });
}

const push = (cards: Line[][], card: Line[]): Line[] => {
  cards.push(card);
  return card;
};

function tooMuch(cards: readonly Line[][], never: readonly Line[][]): Problem | null {
  const all = [...cards, ...never];
  const lines = Math.max(0, ...all.map((card) => card.length));
  if (all.length > ruleLimits.cards) {
    return {
      code: 'too-much',
      at: 'rule',
      what: 'cards',
      got: all.length,
      limit: ruleLimits.cards,
    };
  }
  return lines > ruleLimits.lines
    ? { code: 'too-much', at: 'rule', what: 'lines in a card', got: lines, limit: ruleLimits.lines }
    : null;
}

/** Where a line is read: its text, its number, and how far reading has come. */
interface Cursor {
  readonly text: string;
  readonly number: number;
  readonly at: number;
}

/** “is a setting” asks what sort of thing it is. */
const isThing = /^\s*is (not )?(?=an? (plugin|chain|setting)\s*(,|$))/i;

function parseLine(typed: string, number: number, words: RuleWords): Parsed {
  const text = isThing.test(typed) ? `thing ${typed.trimStart()}` : typed;
  const start: Cursor = { text, number, at: text.length - text.trimStart().length };
  const field = longest(start, fieldNames);
  if (!field) {
    return wrongWord(start, 'A line begins with what it asks about.', fieldNames);
  }
  const afterField = skip(start, field);
  const possible = allThatStandThere(afterField, relationsFor(field));
  const [best] = possible;
  if (!best) {
    return wrongRelation(afterField, field);
  }
  // “is not licensed” may be read as “is not” and as “is”: the longest that makes sense is meant.
  const readings = possible.map((relation) => readRelation(afterField, field, relation, words));
  return (
    readings.find((one) => one.line !== null) ?? readings[0] ?? wrongRelation(afterField, field)
  );
}

function readRelation(
  afterField: Cursor,
  field: Field,
  relation: Relation,
  words: RuleWords,
): Parsed {
  const { text, number } = afterField;
  const afterRelation = skip(afterField, relation);
  const rest = text.slice(afterRelation.at).trim();
  if (standsAlone(relation)) {
    return rest === ''
      ? { line: { field, relation, values: [] }, problems: [] }
      : {
          line: null,
          problems: [
            problemAt(number, afterRelation.at + 1, rest, `Nothing follows “${relation}”.`),
          ],
        };
  }
  return parseValues(afterRelation, field, relation, words);
}

/** The longest of the phrases that stands there. */
const longest = <T extends string>(cursor: Cursor, phrases: readonly T[]): T | null =>
  allThatStandThere(cursor, phrases)[0] ?? null;

/** The phrases that stand there as whole words in any case, the longest first. */
function allThatStandThere<T extends string>({ text, at }: Cursor, phrases: readonly T[]): T[] {
  const rest = text
    .slice(at)
    .toLowerCase()
    .replace(/[ \t]+/g, ' ');
  return [...phrases]
    .sort((a, b) => b.length - a.length)
    .filter(
      (phrase) => rest.startsWith(phrase) && /^($|[^\p{L}\p{N}])/u.test(rest.slice(phrase.length)),
    );
}

/** Behind a phrase and the space after it; spaces inside may be several. */
function skip({ text, number, at }: Cursor, phrase: string): Cursor {
  const pattern = new RegExp(`^${phrase.replaceAll(' ', '[ \\t]+')}\\s*`, 'i');
  return { text, number, at: at + (pattern.exec(text.slice(at))?.[0].length ?? 0) };
}

const wordThere = ({ text, at }: Cursor): string => /^\S+/.exec(text.slice(at))?.[0] ?? '';

function wrongWord(cursor: Cursor, detail: string, known: readonly string[]): Parsed {
  const got = wordThere(cursor);
  const near = nearest(got, known);
  return {
    line: null,
    problems: [
      problemAt(
        cursor.number,
        cursor.at + 1,
        got,
        /^never\b/i.test(got)
          ? '“never” stands on a line of its own, before the lines of its card.'
          : detail,
        near.length > 0 ? near : known,
      ),
    ],
  };
}

function wrongRelation(cursor: Cursor, field: Field): Parsed {
  const known = relationsFor(field);
  const other = Object.values(relationsOf)
    .flat()
    .find((relation) => longest(cursor, [relation]));
  const got = other ?? wordThere(cursor);
  if (got === '') {
    return {
      line: null,
      problems: [
        problemAt(
          cursor.number,
          cursor.at + 1,
          '',
          `After “${field}” should follow how it compares.`,
          known,
        ),
      ],
    };
  }
  const near = other ? [] : nearest(got, known);
  return {
    line: null,
    problems: [
      problemAt(
        cursor.number,
        cursor.at + 1,
        got,
        other ? `“${other}” does not fit ${field}.` : `“${got}” is no way to compare ${field}.`,
        near.length > 0 ? near : known,
      ),
    ],
  };
}

function parseValues(cursor: Cursor, field: Field, relation: Relation, words: RuleWords): Parsed {
  const problems: Problem[] = [];
  const values: string[] = [];
  for (const piece of pieces(cursor)) {
    if ('trouble' in piece) {
      problems.push(problemAt(cursor.number, piece.at + 1, piece.text, piece.trouble));
      continue;
    }
    const understood = understand(field, relation, piece.text, words);
    if (!understood.ok) {
      problems.push(
        problemAt(cursor.number, piece.at + 1, piece.text, understood.detail, understood.known),
      );
    } else if (!values.includes(understood.value)) {
      values.push(understood.value);
    }
  }
  if (values.length > ruleLimits.values) {
    problems.push({
      code: 'too-much',
      at: 'rule',
      what: 'values in a line',
      got: values.length,
      limit: ruleLimits.values,
    });
  }
  if (isOfTime({ relation }) && values.length > 1) {
    problems.push(
      problemAt(cursor.number, cursor.at + 1, values.join(', '), 'One span of time is enough.'),
    );
  }
  return problems.length > 0
    ? { line: null, problems }
    : { line: { field, relation, values }, problems };
}

type Piece =
  | { readonly text: string; readonly at: number }
  | { readonly text: string; readonly at: number; readonly trouble: string };

/** What stands between the commas; inside quotation marks commas count as letters. */
function pieces({ text, at: from }: Cursor): Piece[] {
  const found: Piece[] = [];
  for (let at = from; ; ) {
    while (/[ \t]/.test(text.charAt(at))) {
      at += 1;
    }
    const start = at;
    const quoted = /^["“”]/.test(text.charAt(at)) ? quotedAt(text, at) : null;
    const end = quoted ? quoted.end : endOfBare(text, at);
    const behind = text.slice(end);
    const gap = /^[ \t]*/.exec(behind)?.[0].length ?? 0;
    if (quoted && !quoted.isClosed) {
      return [
        ...found,
        { text: text.slice(start), at: start, trouble: 'A quotation mark is not closed.' },
      ];
    }
    found.push({ text: quoted ? quoted.text : text.slice(start, end).trim(), at: start });
    at = end + gap;
    if (at >= text.length) {
      return found;
    }
    if (text.charAt(at) !== ',') {
      return [
        ...found,
        { text: text.slice(at).trim(), at, trouble: 'A comma should stand between two values.' },
      ];
    }
    at += 1;
  }
}

const endOfBare = (text: string, from: number): number => {
  const comma = text.indexOf(',', from);
  return comma < 0 ? text.length : comma;
};

function quotedAt(text: string, from: number): { text: string; end: number; isClosed: boolean } {
  let value = '';
  for (let at = from + 1; at < text.length; at += 1) {
    const letter = text.charAt(at);
    const isMark = letter === '"' || letter === '”' || letter === '“';
    if (isMark && text.charAt(at + 1) === letter) {
      value += letter;
      at += 1;
    } else if (isMark) {
      return { text: value, end: at + 1, isClosed: true };
    } else {
      value += letter;
    }
  }
  return { text: value, end: text.length, isClosed: false };
}

/** The rule as text; what is parsed from it is the same rule. */
export function printRule(rule: Rule, words: RuleWords = noWords): string {
  const print = (card: Card): string => card.lines.map((line) => printLine(line, words)).join('\n');
  return [...rule.cards.map(print), ...rule.never.map((card) => `never\n${print(card)}`)].join(
    '\n\n',
  );
}

function printLine(line: Line, words: RuleWords): string {
  const { field, relation, values } = line;
  const written = values.map((value) => writeValue(field, value, words));
  const print = (texts: readonly string[]): string =>
    [field, relation, texts.join(', ')].filter((part) => part !== '').join(' ');
  const bare = print(written.map((text) => (/[,"“”]/.test(text) ? quoted(text) : text)));
  // A first value that would be read as a part of the relation (“not licensed”) stands in quotation
  // marks too.
  return isRead(bare, line, words) ? bare : print(written.map(quoted));
}

const isRead = (text: string, line: Line, words: RuleWords): boolean => {
  const read = parseLine(text, 1, words).line;
  return read?.relation === line.relation && read.values.join('\n') === line.values.join('\n');
};
const quoted = (text: string): string => `"${text.replace(/["“”]/g, '$&$&')}"`;
