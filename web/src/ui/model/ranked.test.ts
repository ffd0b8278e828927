import { describe, expect, it } from '@jest/globals';
import { ranked } from './ranked.ts';

const choices = [
  { text: 'Last checks' },
  { text: 'Squeeze', keywords: ['Check values'] },
  { text: 'Recheck' },
  { text: 'Checks' },
  { text: 'Rooms' },
];

describe('a short list', () => {
  it('stands by how the letters meet, else in its own order', () => {
    expect(ranked(choices, ' CHECK').map((choice) => choice.text)).toEqual([
      'Squeeze',
      'Checks',
      'Last checks',
      'Recheck',
    ]);
  });
  it('is whole without letters', () => {
    expect(ranked(choices, ' ')).toEqual(choices);
  });
});
