import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { compareNames, compareTexts } from './compare.ts';

/** The outside: ICU's collation as Intl has it, from CLDR. */
const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });
const byIcu = (a: string, b: string): number => collator.compare(a, b) || compareTexts(a, b);

/** Texts that meet in their beginnings, in case only, and in numbers with zeros before them. */
const names = fc
  .array(fc.constantFrom('a', 'A', 'b', '0', '00', '7', '10', '207', ' ', '-', '_', '.', '(', '$'))
  .map((parts) => parts.join(''));
const accented = fc
  .array(fc.constantFrom('e', 'é', 'E', '\u0301', 'ß', 'ss', 'æ', 'l', '·', '1', '١', ' '))
  .map((parts) => parts.join(''));

const agrees = (texts: fc.Arbitrary<string>): void => {
  fc.assert(
    fc.property(texts, texts, (a, b) => {
      expect(Math.sign(compareNames(a, b))).toBe(Math.sign(byIcu(a, b)));
    }),
    { numRuns: 3_000 },
  );
};

describe('names in order', () => {
  it('have figures by value, and no two names are equal', () => {
    expect(['B 10', 'b 9', 'a'].sort(compareNames)).toEqual(['a', 'b 9', 'B 10']);
    expect(compareNames('a', 'A')).not.toBe(0);
  });
  it('have every plain character where CLDR has it', () => {
    const characters = Array.from({ length: 95 }, (_, at) => String.fromCharCode(32 + at));
    expect(characters.toSorted(compareNames)).toEqual(characters.toSorted(byIcu));
  });
  it('of plain texts stand as ICU puts them', () => {
    agrees(names);
    agrees(fc.string());
  });
  it('of any texts do, too', () => {
    agrees(accented);
    agrees(fc.oneof(names, accented));
    agrees(fc.string({ unit: 'grapheme' }));
  });
  it('of long numbers are by value', () => {
    const [less, more] = ['9'.repeat(40), `1${'0'.repeat(40)}`] as const;
    expect(compareNames(`a${less}`, `a${more}`)).toBeLessThan(0);
  });
});
