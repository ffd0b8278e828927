import { describe, expect, it } from '@jest/globals';
import { commandFor } from '../../ui/commands.ts';
import {
  finderCommands,
  isPlaceKey,
  type FinderActs,
  type FinderState,
} from './finder-commands.ts';

const state: FinderState = {
  typed: '',
  at: 1,
  hits: 3,
  copyAt: null,
  copies: 2,
  isForgot: false,
  isInFolder: false,
};

/** What a key does, as the name of the act with what it was given. */
function doneBy(key: string, more: Partial<FinderState> = {}): string | undefined {
  let done: string | undefined;
  const acts = new Proxy({} as FinderActs, {
    get:
      (_, name: string) =>
      (...given: unknown[]) => {
        done = [name, ...given.map(String)].join(' ');
      },
  });
  commandFor(finderCommands({ ...state, ...more }, acts), key)?.run();
  return done;
}

describe('keys while finding what to load', () => {
  it.each([
    ['Enter', {}, 'load 1'],
    ['ArrowDown', {}, 'moveTo 2'],
    ['ArrowDown', { at: 2 }, 'moveTo 2'],
    ['2', { typed: 'ec' }, undefined],
    ['Alt+2', { typed: 'ec' }, 'load 1'],
    ['Alt+1', { typed: 'ec' }, 'load 0'],
    ['Alt+4', { typed: 'ec' }, undefined],
    ['Alt+2', {}, undefined],
    ['ArrowRight', {}, 'nextFolder 1'],
    ['ArrowRight', { typed: 'ec' }, undefined],
    ['Ctrl+ArrowRight', { typed: 'ec' }, 'nextFolder 1'],
    ['Alt+Enter', {}, 'aimCopy 0'],
  ] as const)('%s with %j: %s', (key, more, wanted) => {
    expect(doneBy(key, more)).toBe(wanted);
  });
  it('go to the copies while one is chosen', () => {
    const more = { copyAt: 0 };
    expect(
      ['Enter', 'Alt+2', 'Alt+3', 'ArrowDown', 'Escape'].map((key) => doneBy(key, more)),
    ).toEqual(['loadCopy 0', 'loadCopy 1', undefined, 'aimCopy 1', 'aimCopy null']);
  });
  it('go back one step at a time with Escape', () => {
    const steps = [
      { isForgot: true, typed: 'ec', isInFolder: true },
      { typed: 'ec', isInFolder: true },
      { isInFolder: true },
      {},
    ];
    expect(steps.map((more) => doneBy('Escape', more))).toEqual([
      'leaveForgotten',
      'clear',
      'leaveFolder',
      'leave',
    ]);
  });
});

describe('Alt and the digit of a place', () => {
  it.each([
    [2, 5, 'ec', true],
    [1, 5, 'ec', true],
    [6, 5, 'ec', false],
    [10, 20, 'ec', false],
    [2, 5, '808 ', true],
    [2, 5, '', false],
  ] as const)('%d of %d hits for “%s”: %s', (place, hits, typed, wanted) => {
    expect(isPlaceKey(place, hits, typed)).toBe(wanted);
  });
});
