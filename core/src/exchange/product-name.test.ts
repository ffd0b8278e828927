import { describe, expect, it } from '@jest/globals';
import { productOf } from './product-name.ts';

describe('productOf', () => {
  it.each([
    ['Tidehook Denoise', 'Tidehook Denoise', 1, false],
    ['Tidehook Denoise 2', 'Tidehook Denoise', 2, false],
    ['Tidehook Denoise LE', 'Tidehook Denoise', 1, true],
    ['Tidehook Denoise 3 Lite', 'Tidehook Denoise', 3, true],
    ['Gullway Verb mk2', 'Gullway Verb', 2, false],
    ['Gullway Verb II', 'Gullway Verb', 2, false],
    ['Ropewalk Pro', 'Ropewalk', 1, false],
    ['X2', 'X2', 1, false],
    ['Band 1176', 'Band 1176', 1, false],
  ])('takes %s apart', (name, base, number, isLite) => {
    expect(productOf(name)).toEqual({ base, number, isLite });
  });
});
