import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { fold, foldAny, wordsOf, wordsOfAny } from './fold.ts';

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
  it('keeps words of any script', () => expect(wordsOf('Эхо 混響')).toEqual(['эхо', '混響']));
});
