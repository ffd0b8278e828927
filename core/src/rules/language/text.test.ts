import { editDistance } from '../../text/edit-distance.ts';
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { describe as say } from '../../problem.ts';
import { typeGroups } from '../../taxonomy/tree.ts';
import { anyRule } from '../evaluate/arbitrary.test-data.ts';
import { readyRules } from '../editor/ready.ts';
import { relationsFor, fieldNames } from './rule.ts';
import { parseRule, printRule } from './text.ts';
import { understand, noWords, writeValue, type RuleWords } from './values.ts';

const problemsOf = (text: string, words: RuleWords = noWords): string[] => {
  const parsed = parseRule(text, words);
  return parsed.ok ? [] : parsed.problems.map(say);
};
const words: RuleWords = {
  folders: [
    { id: 'id-1', path: ['Everyday', 'Wear'] },
    { id: 'id-2', path: ['Everyday', 'Voices', 'Gentle'] },
    { id: 'id-3', path: ['Everyday', 'Squeeze', 'Gentle'] },
    { id: 'id-4', path: ['Everyday', 'Say "ah", then'] },
  ],
};

describe('a rule as text', () => {
  it('is parsed into cards of lines: a comma is “or”, a line “and”, an empty line another card, never keeps out', () => {
    expect(
      parseRule(
        'Name  has delay, "echo, or slap"\r\nkind is Effect\r\n\r\ntype is delay\n\n  never \ntype is looper',
      ),
    ).toEqual({
      ok: true,
      value: {
        cards: [
          {
            lines: [
              { field: 'name', relation: 'has', values: ['delay', 'echo, or slap'] },
              { field: 'kind', relation: 'is', values: ['effect'] },
            ],
          },
          { lines: [{ field: 'type', relation: 'is', values: ['delay'] }] },
        ],
        never: [{ lines: [{ field: 'type', relation: 'is', values: ['delay/looper'] }] }],
      },
    });
  });
  it('of random cards is parsed back to the same cards', () => {
    fc.assert(
      fc.property(anyRule, (rule) => {
        expect(parseRule(printRule(rule))).toEqual({ ok: true, value: rule });
      }),
      { numRuns: 2000 },
    );
  });
  it('of any letters in values comes back the same', () => {
    const value = fc
      .string({ minLength: 1, maxLength: 30, unit: 'grapheme' })
      .map((text) => `a${text}`.trim().replace(/\s+/g, ' ').slice(0, 100))
      .filter((text) => text.trim() === text && /^[^\n\r\u2028\u2029]+$/.test(text));
    fc.assert(
      fc.property(fc.uniqueArray(value, { minLength: 1, maxLength: 4 }), (values) => {
        const rule = {
          cards: [
            { lines: [{ field: 'name' as const, relation: 'has letters' as const, values }] },
          ],
          never: [],
        };
        expect(parseRule(printRule(rule))).toEqual({ ok: true, value: rule });
      }),
      { numRuns: 2000 },
    );
  });
  it('of any letters at all ends in a rule or in problems with their places', () => {
    const piece = fc.oneof(
      fc.string({ unit: 'grapheme', maxLength: 12 }),
      fc.constantFrom(
        'name',
        'has',
        'type is',
        'never',
        '\n',
        '\n\n',
        ',',
        '"',
        '“',
        'within the last 30 days',
        'last loaded',
        'never\n',
        '\t',
        ' is only 32',
      ),
    );
    fc.assert(
      fc.property(
        fc.array(piece, { maxLength: 25 }).map((parts) => parts.join(' ')),
        (text) => {
          const parsed = parseRule(text);
          const lines = text.split(/\r\n|\r|\n/);
          if (parsed.ok) {
            expect(parseRule(printRule(parsed.value))).toEqual(parsed);
            return;
          }
          expect(parsed.problems.length).toBeGreaterThan(0);
          for (const problem of parsed.problems) {
            if (problem.code !== 'rule-text') {
              expect(problem.code).toBe('rule-empty');
              continue;
            }
            expect(problem.line).toBeGreaterThan(0);
            expect(problem.line).toBeLessThanOrEqual(lines.length);
            expect(problem.column).toBeLessThanOrEqual((lines[problem.line - 1]?.length ?? 0) + 1);
          }
        },
      ),
      { numRuns: 3000 },
    );
  });
  it('names folders by their name, and by their whole path where several have it', () => {
    const rule = parseRule('folder is wear, Everyday / Voices / Gentle, "Say ""ah"", then"', words);
    expect(rule).toMatchObject({
      ok: true,
      value: { cards: [{ lines: [{ values: ['id-1', 'id-2', 'id-4'] }] }] },
    });
    expect(rule.ok && printRule(rule.value, words)).toBe(
      'folder is Wear, Everyday / Voices / Gentle, "Say ""ah"", then"',
    );
    expect(problemsOf('folder is gentle', words)[0]).toContain(
      'Several folders are called “gentle”. Understood are Everyday / Voices / Gentle, Everyday / Squeeze / Gentle.',
    );
  });
  it.each([
    [
      'nam has x',
      'Line 1, column 1, at “nam”: A line begins with what it asks about. Understood is name.',
    ],
    ['name contains x', 'Line 1, column 6, at “contains”: “contains” is no way to compare name.'],
    [
      'kind is effect\n  type is dealy',
      'Line 2, column 11, at “dealy”: “dealy” is no type that is known here. Understood is delay.',
    ],
    ['name at least 3', 'Line 1, column 6, at “at least”: “at least” does not fit name.'],
    ['arrived within the last fortnight', 'A span of time should stand here, such as 30 days'],
    ['arrived before yesterday', 'A day should stand here as year-month-day'],
    ['arrived before 2026-02-30', 'A day should stand here'],
    ['times loaded at least many', 'A whole number should stand here'],
    ['name has', 'Something should stand here'],
    ['name has a,,b', 'Line 1, column 12: Something should stand here'],
    ['name has "a', 'Line 1, column 10, at “"a”: A quotation mark is not closed.'],
    ['name has "a" b', 'A comma should stand between two values'],
    ['last loaded never ever', 'Nothing follows “never”.'],
    ['never type is looper', '“never” stands on a line of its own'],
    ['name has x\n\nnever', 'After “never”, the lines of the card that keeps out should follow.'],
    ['', 'A rule needs at least one condition'],
    ['never\nname has x', 'A rule needs at least one condition'],
    ['name', 'After “name” should follow how it compares.'],
  ])('says where and what: %j', (text, said) => expect(problemsOf(text).join(' ')).toContain(said));
  it('knows every type by its name and by its id', () => {
    const ids = typeGroups.flatMap((group) => [group.id, ...group.types.map((type) => type.id)]);
    expect(ids.length).toBeGreaterThan(70);
    for (const id of ids) {
      for (const text of [id, writeValue('type', id, noWords)]) {
        expect(understand('type', 'is', text, noWords)).toEqual({ ok: true, value: id });
      }
    }
  });
  it('has ready rules that are understood, and relations for every field', () => {
    for (const ready of readyRules) {
      expect([ready.name, problemsOf(ready.text)]).toEqual([ready.name, []]);
    }
    for (const field of fieldNames) {
      expect(relationsFor(field).length).toBeGreaterThan(1);
    }
  });
});

it('letters are one apart when one is wrong, missing, too many or swapped', () =>
  expect(
    ['deley', 'dlay', 'dellay', 'dleay', 'delay', 'dealyy'].map((text) =>
      editDistance(text, 'delay'),
    ),
  ).toEqual([1, 1, 1, 1, 0, 2]));
