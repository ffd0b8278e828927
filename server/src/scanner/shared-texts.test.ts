/** Texts in memory that threads share. */
import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { sharedText, shareTexts } from './shared-texts.ts';

describe('shared texts', () => {
  it('are what they were, whatever letters they are of and however many are empty', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'grapheme' })), (texts) => {
        const shared = shareTexts(texts);
        expect(texts.map((_, at) => sharedText(shared, at))).toEqual(texts);
      }),
    );
  });

  it('take as many bytes as UTF-8 does', () => {
    expect(shareTexts(['a', 'é', '', '€', '🎛']).bytes.byteLength).toBe(1 + 2 + 3 + 4);
  });

  it('go to another thread without being copied', () => {
    const shared = shareTexts(['one', 'two']);
    const { bytes } = structuredClone(shared);
    new Uint8Array(bytes)[0] = 'O'.charCodeAt(0);
    expect(sharedText(shared, 0)).toBe('One');
  });

  it('hold no half of a letter', () => {
    expect(sharedText(shareTexts(['a\ud800b', 'c']), 0)).toBe('a\ufffdb');
    expect(sharedText(shareTexts(['a\ud800b', 'c']), 1)).toBe('c');
  });
});
