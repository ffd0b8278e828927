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
  });
  it('tells the plugin from its neighbours', () => {
    expect([
      slotLabelFor('Marl Plate', ['Marl Hall']),
      slotLabelFor('Slackwater Delay', ['Slackwater Hall']),
      slotLabelFor('Harbourmaster II', ['Harbourmaster']),
    ]).toEqual(['Marl Plate', 'Delay', 'Harbo… II']);
    expect(slotLabelFor('Kelp', ['Kelp'])).toBe('Kelp');
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
