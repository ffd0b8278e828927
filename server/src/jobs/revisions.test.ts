import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { Revisions } from './revisions.ts';

describe('revisions', () => {
  it('tell what changed since each of them, each thing once, whatever the sequence', () => {
    const things = fc.uniqueArray(fc.constantFrom('kelp', 'silt', 'marl', 'tern'));
    fc.assert(
      fc.property(fc.array(things, { maxLength: 12 }), fc.nat(12), (steps, at) => {
        let revisions = new Revisions();
        const names = [revisions.name];
        for (const step of steps) {
          revisions = revisions.with(step);
          names.push(revisions.name);
        }
        const from = Math.min(at, steps.length);
        expect(new Set(names).size).toBe(steps.length + 1);
        expect(revisions.since(names[from] ?? '')?.toSorted()).toEqual(
          [...new Set(steps.slice(from).flat())].sort(),
        );
      }),
    );
  });
  it('know nothing of those of another run, of ones to come, or of what is none', () => {
    const revisions = new Revisions().with(['kelp']);
    const [run = ''] = revisions.name.split('-');
    for (const name of [new Revisions().name, `${run}-2`, `${run}-x`, `${run}-01`, run, '']) {
      expect([name, revisions.since(name)]).toEqual([name, null]);
    }
  });
  it('forget what is far behind', () => {
    const first = new Revisions();
    const many = Array.from({ length: 1_500 }, (_, at) => String(at));
    const second = first.with(many);
    const third = second.with(many);
    expect(third.since(first.name)).toBeNull();
    expect(third.since(second.name)).toHaveLength(1_500);
  });
  it('stay as they are when one is added', () => {
    const first = new Revisions();
    first.with(['kelp']);
    expect(first.since(first.name)).toEqual([]);
  });
});
