import { describe, expect, it } from '@jest/globals';
import { commandFor } from '../../ui/commands.ts';
import {
  finderCommands,
  isPlaceDigit,
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
  isDigit: (place) => place === 2,
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
    ['2', {}, 'load 1'],
    ['3', {}, undefined],
    ['ArrowRight', {}, 'nextFolder 1'],
    ['ArrowRight', { typed: 'ec' }, undefined],
    ['Ctrl+ArrowRight', { typed: 'ec' }, 'nextFolder 1'],
    ['Alt+Enter', {}, 'aimCopy 0'],
  ] as const)('%s with %j: %s', (key, more, wanted) => {
    expect(doneBy(key, more)).toBe(wanted);
  });
  it('go to the copies while one is chosen', () => {
    const more = { copyAt: 0 };
    expect(['Enter', '2', '3', 'ArrowDown', 'Escape'].map((key) => doneBy(key, more))).toEqual([
      'loadCopy 0',
      'loadCopy 1',
      undefined,
      'aimCopy 1',
      'aimCopy null',
    ]);
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

describe('the figure of a place', () => {
  const none: ReadonlySet<string> = new Set();
  it.each([
    [2, 5, 'ec', true],
    [1, 5, 'ec', false],
    [6, 5, 'ec', false],
    [9, 20, '', true],
    [2, 5, 'ec ', false],
  ] as const)('%d of %d hits for “%s”: %s', (place, hits, typed, wanted) => {
    expect(isPlaceDigit(place, hits, typed, none)).toBe(wanted);
  });
  it('is a letter where names go on with it', () => {
    expect(isPlaceDigit(2, 5, 'ec', new Set(['2']))).toBe(false);
  });
});
