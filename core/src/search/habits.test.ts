import { describe, expect, it } from '@jest/globals';
import { chosenByLetters, habitsOf, noUse } from './habits.ts';

const learntFor = (loads: Parameters<typeof chosenByLetters>[0], letters: string): string[] => [
  ...habitsOf({ ...noUse, chosen: chosenByLetters(loads) })
    .forLetters(letters)
    .keys(),
];

describe('letters that were learnt', () => {
  it('are recalled however accents and capitals were typed', () => {
    const loads = [{ typed: 'Écho', plugin: 'gull', times: 2 }];
    expect([learntFor(loads, 'écho'), learntFor(loads, 'echo'), learntFor(loads, 'ECHO')]).toEqual([
      ['gull'],
      ['gull'],
      ['gull'],
    ]);
  });
  it('count together where they differ in accents and capitals only', () => {
    expect(
      learntFor(
        [
          { typed: 'écho', plugin: 'gull', times: 1 },
          { typed: 'Echo', plugin: 'gull', times: 1 },
        ],
        'echo',
      ),
    ).toEqual(['gull']);
  });
  it('say nothing after a single load', () => {
    expect(learntFor([{ typed: 'echo', plugin: 'gull', times: 1 }], 'echo')).toEqual([]);
  });
});
