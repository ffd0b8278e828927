import { describe, expect, it } from '@jest/globals';
import { taggedWith } from './tagged-with.ts';

describe('taggedWith', () => {
  it('tells who has each tag, by the name of the tag', () => {
    const answers = new Map([
      ['a', { tags: ['puppets', 'film'] }],
      ['b', { tags: [] }],
      ['c', { tags: ['film'] }],
    ]);
    expect(taggedWith(answers)).toEqual([
      { tag: 'film', plugins: ['a', 'c'] },
      { tag: 'puppets', plugins: ['a'] },
    ]);
    expect(taggedWith(new Map())).toEqual([]);
  });
});
