import { describe, expect, it } from '@jest/globals';
import { toJsonb } from './bulk.ts';

describe('JSON for the database', () => {
  it.each([
    ['a\u0000b', 'a\ufffdb'],
    ['\ud800', '\ufffd'],
    ['\udc00x', '\ufffdx'],
    ['\\u0000', '\\u0000'],
    ['\\\u0000', '\\\ufffd'],
    ['\\ud800 as it is typed', '\\ud800 as it is typed'],
    ['🌿', '🌿'],
  ])('keeps %j as %j', (text, kept) => {
    expect(JSON.parse(toJsonb({ text }))).toEqual({ text: kept });
  });
});
