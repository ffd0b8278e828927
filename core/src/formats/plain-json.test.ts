/** The plain reader against json5: what it reads at all, it reads alike, also where texts are damaged. */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import JSON5 from 'json5';
import { readPlainJson } from './plain-json.ts';
import { damaged } from './damaged.test-data.ts';

/** The text with a comma behind the last of each list and object. */
const withLastCommas = (value: unknown): string => {
  const inside = (texts: readonly string[]): string => texts.map((one) => `${one} ,\n`).join('');
  if (Array.isArray(value)) {
    return `[ ${inside(value.map(withLastCommas))}]`;
  }
  if (typeof value === 'object' && value !== null) {
    const members = Object.entries(value).map(
      ([name, one]) => `${JSON.stringify(name)}: ${withLastCommas(one)}`,
    );
    return `{${inside(members)}}`;
  }
  return JSON.stringify(value);
};

const whole = (text: string): unknown => {
  try {
    return JSON5.parse(text);
  } catch {
    return null;
  }
};

describe('reading plain JSON', () => {
  it('takes a comma behind the last of a list or object, and texts as they are', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        const written = JSON.stringify(value);
        expect(readPlainJson(written)).toEqual(JSON.parse(written));
        expect(readPlainJson(withLastCommas(value))).toEqual(JSON.parse(written));
      }),
      { numRuns: 2000 },
    );
    expect(readPlainJson('{ "a": [ ",]", "\\",}", ], }')).toEqual({ a: [',]', '",}'] });
  });
  it('gives up on what only json5 reads, and on what is damaged', () => {
    for (const text of [
      "{ a: 'x' }",
      '{} // said',
      '[.5]',
      '[,]',
      '{,}',
      '[1,,]',
      '{"a":,}',
      '"',
    ]) {
      expect(readPlainJson(text)).toBeNull();
    }
  });
  it('gives what json5 gives, whatever is done to the text', () => {
    const text =
      '{ "Name": "A, ]", \'b\': "\\\\", // "\n "Classes": [ { "CID": "0\\"0", "Sub": [ "Fx", ], }, [ ], ], }';
    let read = 0;
    fc.assert(
      fc.property(fc.oneof(damaged(text), damaged(text.replace(/'b'.*\n/, ''))), (one) => {
        const plain = readPlainJson(one);
        read += plain === null ? 0 : 1;
        expect(plain === null ? null : whole(one)).toEqual(plain);
      }),
      { numRuns: 5000 },
    );
    expect(read).toBeGreaterThan(100);
  });
});
