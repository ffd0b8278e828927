import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { slotLabelFor, slotLabelLength } from './slot-label.ts';

describe('a slot label', () => {
  it('is the name, or the words of it that fit', () => {
    expect([slotLabelFor('Kelp'), slotLabelFor('Slackwater Delay'), slotLabelFor('Low Sea Wind'), slotLabelFor('Harbourmaster Strip')]).toEqual(['Kelp', 'Slackwater', 'Low Sea', 'Harbourm…']);
  });
  it('never is longer than a slot', () => { fc.assert(fc.property(fc.string(), (name) => { expect(slotLabelFor(name).length).toBeLessThanOrEqual(slotLabelLength); })); });
});
