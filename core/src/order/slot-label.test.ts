import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { slotLabelFor, slotLabelLength } from './slot-label.ts';

describe('a slot label', () => {
  it('is the shortest run of first words that says something', () => {
    expect([
      slotLabelFor('Kelp'),
      slotLabelFor('Slackwater Delay'),
      slotLabelFor('Low Sea Wind'),
      slotLabelFor('Harbourmaster Strip'),
      slotLabelFor('EQ'),
    ]).toEqual(['Kelp', 'Slackwater', 'Low Sea', 'Strip', 'EQ']);
    expect(slotLabelFor('Harbourmasters')).toBe('Harbourm…');
    // A first word of four letters is one, of three is not; ten letters fit, eleven do not.
    expect([slotLabelFor('Kelp Wall'), slotLabelFor('Sea Wall')]).toEqual(['Kelp', 'Sea Wall']);
    expect([slotLabelFor('Kittiwakes'), slotLabelFor('Kittiwakery')]).toEqual([
      'Kittiwakes',
      'Kittiwak…',
    ]);
  });
  it('tells the plugin from its neighbours', () => {
    expect([
      slotLabelFor('Marl Plate', ['Marl Hall']),
      slotLabelFor('Slackwater Delay', ['Slackwater Hall']),
      slotLabelFor('Harbourmaster II', ['Harbourmaster']),
    ]).toEqual(['Marl Plate', 'Delay', 'Harbo… II']);
    expect(slotLabelFor('Kelp', ['Kelp'])).toBe('Kelp');
    // A word in the middle tells as well, from four letters on; a mark has fewer.
    expect([
      slotLabelFor('Marl Long Hall', ['Marl Long', 'Marl']),
      slotLabelFor('Marlstone Hut Hall', ['Marlstone Hut']),
      slotLabelFor('Harbourmaster Five', ['Harbourmaster']),
    ]).toEqual(['Hall', 'Hall', 'Five']);
  });
  it('never is empty or longer than a slot', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1 }).filter((s) => s.trim() !== ''),
        fc.array(fc.string()),
        (name, neighbours) => {
          expect(slotLabelFor(name, neighbours).length).toBeLessThanOrEqual(slotLabelLength);
          expect(slotLabelFor(name, neighbours)).not.toBe('');
        },
      ),
    );
  });
});
