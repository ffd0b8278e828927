import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { eachWordBeginning, fold, foldAny, wordsHold, wordsOf, wordsOfAny } from './fold.ts';

/** Names as they are made: short, of letters, figures and signs in every mixture. */
const plainNames = fc
  .array(fc.constantFrom('a', 'b', 'Z', 'Q', '1', '20', ' ', '  ', '-', '_', '(', 'Verb', 'EQs'))
  .map((parts) => parts.join(''));

describe('folding', () => {
  it('drops case, accents and doubled spaces', () =>
    expect(fold('  Écho  Plâte ')).toBe('echo plate'));
  it('knows words by spaces, punctuation, digits and capitals inside', () =>
    expect(['TapeEcho-2b_x', 'Echo2b', 'GVerb', 'EQs & LFOs', 'R2D2'].map(wordsOf)).toEqual([
      ['tape', 'echo', '2', 'b', 'x'],
      ['echo', '2', 'b'],
      ['g', 'verb'],
      ['eqs', 'lfos'],
      ['r', '2', 'd', '2'],
    ]));
  it('of plain texts gives what it gives of any', () => {
    fc.assert(
      fc.property(fc.oneof(plainNames, fc.string()), (text) => {
        expect([fold(text), wordsOf(text)]).toEqual([foldAny(text), wordsOfAny(text)]);
      }),
      { numRuns: 2_000 },
    );
  });
  it('tells with which letters words begin without taking them apart', () => {
    fc.assert(
      fc.property(
        fc.oneof(plainNames, fc.string(), fc.constantFrom('Écho-Plâte', 'Пена 7', '²Tern')),
        (text) => {
          const codes: number[] = [];
          eachWordBeginning(text, (code) => {
            codes.push(code);
          });
          expect(codes).toEqual(wordsOf(text).map((word) => word.charCodeAt(0)));
        },
      ),
      { numRuns: 1_000 },
    );
  });
  it('tells which letters words hold one behind the other without taking them apart', () => {
    const letters = fc.oneof(
      fc.constantFrom('zq', 'b1', 'verb', 've', 's1', 'cho', 'ена', 'ter', 'a a'),
      fc.string({ unit: fc.constantFrom('a', 'b', 'z', '1', '2'), minLength: 1, maxLength: 4 }),
    );
    fc.assert(
      fc.property(
        fc.oneof(plainNames, fc.string(), fc.constantFrom('Écho-Plâte', 'Пена 7', '²Tern')),
        letters,
        (text, held) => {
          expect(wordsHold(text, held)).toBe(wordsOf(text).join('').includes(held));
        },
      ),
      { numRuns: 1_000 },
    );
  });
  it('keeps words of any script', () => expect(wordsOf('Эхо 混響')).toEqual(['эхо', '混響']));
});
