import { describe, expect, it } from '@jest/globals';
import { nextToRedo, nextToUndo } from './undo.ts';

describe('what is undone and redone next', () => {
  const changes = [{ number: 1, state: 'done' }, { number: 2, state: 'discarded' }, { number: 3, state: 'done' }, { number: 4, state: 'undone' }, { number: 5, state: 'undone' }] as const;
  it('is the latest done and the earliest undone', () => {
    expect(nextToUndo(changes)?.number).toBe(3);
    expect(nextToRedo(changes)?.number).toBe(4);
  });
  it('is nothing where everything is discarded', () => {
    const none = changes.filter((c) => c.state === 'discarded');
    expect([nextToUndo(none), nextToRedo(none)]).toEqual([undefined, undefined]);
  });
});
