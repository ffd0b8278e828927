import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import {
  cutText,
  isStorable,
  shortKey,
  storable,
  storableValue,
  troubleInValue,
} from './storable.ts';

const anyText = fc.oneof(
  fc.string({ unit: 'binary' }),
  fc.array(fc.integer({ min: 0, max: 0xffff })).map((units) => String.fromCharCode(...units)),
);

describe('a text from outside', () => {
  it('is carried by UTF-8 afterwards as it is, as Node writes and reads it', () => {
    fc.assert(
      fc.property(anyText, (text) => {
        const kept = storable(text);
        return Buffer.from(kept, 'utf8').toString('utf8') === kept;
      }),
    );
  });
  it('holds no control character afterwards (General_Category Cc of Unicode), but tabs and line ends', () => {
    fc.assert(
      fc.property(anyText, (text) => !/\p{Cc}/u.test(storable(text).replace(/[\t\n\r]/g, ''))),
    );
  });
  it('stays as it is when nothing is wrong with it', () => {
    fc.assert(fc.property(anyText.filter(isStorable), (text) => storable(text) === text));
  });
  it.each([
    ['Echo\u0000es', 'Echoes'],
    ['half \ud83c', 'half \ufffd'],
    ['\udf3fhalf', '\ufffdhalf'],
    ['whole 🌿', 'whole 🌿'],
    ['\u001b[31mred', '[31mred'],
    ['two\nlines\tand tab', 'two\nlines\tand tab'],
  ])('%j is kept as %j', (text, kept) => {
    expect(storable(text)).toBe(kept);
  });
});

describe('cutting', () => {
  it('never leaves half a character', () => {
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme' }),
        fc.integer({ min: 1, max: 20 }),
        (text, limit) => {
          const cut = cutText(text, limit);
          return cut.length <= limit && text.startsWith(cut) && !/[\ud800-\udbff]$/.test(cut);
        },
      ),
    );
  });
  it('takes the last character whole or not at all', () => {
    expect(cutText('ab🌿', 3)).toBe('ab');
    expect([cutText('ab🌿', 4), cutText('abc', 3), cutText('abcd', 3)]).toEqual([
      'ab🌿',
      'abc',
      'abc',
    ]);
    // The first and the last of what begins a pair, and what is neither.
    expect(['\u{10000}', '\u{10ffff}', '\ufffd'].map((one) => cutText(`a${one}b`, 2))).toEqual([
      'a',
      'a',
      'a\ufffd',
    ]);
  });
});

describe('keys', () => {
  const long = 'x'.repeat(3_000_000);
  it('stay as they are while they are short', () => {
    expect(shortKey('LV2\n/usr/lib/lv2/a.lv2\nurn:a')).toBe('LV2\n/usr/lib/lv2/a.lv2\nurn:a');
    expect([shortKey('x'.repeat(800)).length, shortKey('x'.repeat(801))]).toEqual([
      800,
      expect.stringMatching(/^x{768}#[0-9a-f]+$/),
    ]);
  });
  it('fit an index of PostgreSQL, in which a row has at most 2,704 bytes', () => {
    expect(Buffer.byteLength(shortKey('€'.repeat(5_000)))).toBeLessThan(2_704);
  });
  it('tell long texts apart that begin alike', () => {
    expect(new Set([shortKey(long), shortKey(`${long}y`), shortKey(`${long}z`)]).size).toBe(3);
  });
});

describe('a value from outside', () => {
  const limits = { depth: 4, values: 100 };
  it('is taken when nothing is wrong', () => {
    expect(troubleInValue({ a: [1, null, 'text', { b: true }] }, limits)).toBeNull();
  });
  it('is taken up to its limits, and refused beyond', () => {
    expect(troubleInValue([[[[]]]], { depth: 4, values: 4 })).toBeNull();
    expect(troubleInValue([[[[]]]], { depth: 2, values: 4 })?.detail).toMatch(/2 deep/);
    expect(troubleInValue([1, 2, 3], { depth: 4, values: 4 })).toBeNull();
    expect(troubleInValue([1, 2, 3, 4], { depth: 4, values: 4 })?.detail).toMatch(/4 values/);
  });
  it('says where a text is that cannot be kept', () => {
    expect(troubleInValue({ plugins: [{}, { name: 'a\u0000' }] }, limits)?.at).toBe(
      'plugins[1].name',
    );
  });
  it('is refused when it is too deep, without running out of stack', () => {
    const deep = JSON.parse(`${'['.repeat(3_000)}${']'.repeat(3_000)}`) as unknown;
    expect(troubleInValue(deep, limits)?.detail).toMatch(/4 deep/);
  });
  it('is refused when it is too much', () => {
    expect(troubleInValue(Array.from({ length: 101 }), limits)?.detail).toMatch(/100 values/);
  });
  it('can be mended in all its texts', () => {
    expect(storableValue({ a: ['x\u0007', 1], b: '\ud800' })).toEqual({ a: ['x', 1], b: '\ufffd' });
  });
  it('is the very same when there is nothing to mend', () => {
    const value = { a: ['x'] };
    expect(storableValue(value)).toBe(value);
  });
});
