import { expect, it } from '@jest/globals';
import { bareCopy, failedCopy } from './found-copy.ts';
import { storableCopy } from './storable-copy.ts';

const copy = { ...bareCopy('LV2', '/lib/echo.lv2'), name: 'Echo', identity: 'urn:echo' };

it('a copy with nothing wrong is the very same', () => {
  expect(storableCopy(copy)).toBe(copy);
});

it('texts are mended, and said to be', () => {
  const found = { ...copy, name: 'Ec\u0000ho', vendor: `${'v'.repeat(999)}🌿` };
  expect(storableCopy(found)).toMatchObject({
    name: 'Echo',
    vendor: 'v'.repeat(999),
    identity: 'urn:echo',
    mended: ['name', 'vendor'],
  });
});

it('an identity of megabytes is cut', () => {
  const { identity } = storableCopy({ ...copy, identity: 'u'.repeat(5_000_000) });
  expect(identity).toHaveLength(1_000);
});

it('lists are cut', () => {
  const declared = Array.from({ length: 100_000 }, (_, at) => `category ${at}`);
  expect(storableCopy({ ...copy, declared }).declared).toHaveLength(200);
});

it('what an error quotes is mended too', () => {
  const failed = failedCopy('LV2', '/lib/echo.lv2', {
    code: 'damaged',
    at: 'a\ud800',
    line: 3,
    detail: `unexpected ${'\u0000'.repeat(5)}${'x'.repeat(5_000)}`,
  });
  expect(storableCopy(failed).problem).toEqual({
    code: 'damaged',
    at: 'a\ufffd',
    line: 3,
    detail: `unexpected ${'x'.repeat(989)}`,
  });
});
