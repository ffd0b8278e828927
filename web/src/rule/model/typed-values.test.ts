import { describe, expect, it } from '@jest/globals';
import { noWords } from '@clever-drawer/core/rules';
import { narrowed, understandAll, withValues } from './typed-values.ts';

const name = { field: 'name', relation: 'has' } as const;

describe('what is typed', () => {
  it('is a value for each part between commas and semicolons', () => {
    expect(understandAll(name, ' tape,, echo ; slap', noWords)).toEqual({
      values: ['tape', 'echo', 'slap'],
      trouble: null,
    });
  });
  it('is nothing at all where a part is not understood, and says why', () => {
    const line = { field: 'format', relation: 'is' } as const;
    const { values, trouble } = understandAll(line, 'LV2, nonsense', noWords);
    expect(values).toEqual([]);
    expect(trouble).not.toBeNull();
  });
});

it('a value stands once', () => {
  expect(withValues(['tape', 'echo'], ['echo', 'slap'])).toEqual(['tape', 'echo', 'slap']);
});

it('completions that begin with the letters come first, those chosen are left out', () => {
  const known = ['Tidal Echo', 'Echoes', 'Écho Plate', 'Silt', 'Echo Two'].map((text) => ({
    value: text.toLowerCase(),
    text,
    count: 1,
  }));
  const found = narrowed(known, 'echo', ['echo two']);
  expect(found.map((one) => one.text)).toEqual(['Echoes', 'Écho Plate', 'Tidal Echo']);
});
