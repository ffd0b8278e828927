import { describe, expect, it } from '@jest/globals';
import type { SessionView } from '@clever-drawer/core/api';
import { stepOfSession } from './session-steps.ts';

const session: SessionView = {
  name: '',
  settings: { formats: [], takes32Bit: false },
  tracks: [],
  undo: 'Sluice loaded',
  redo: null,
  saved: [],
};
const none = { done: [], undone: [] };
const did = (words: string, screen: string, isBeside = false) => ({
  words,
  screen,
  ...(isBeside ? { beside: { undo: () => Promise.resolve(), redo: () => Promise.resolve() } } : {}),
});

describe('the step of a session that undo takes back', () => {
  it('is the latest one, also where this window knows nothing of it', () => {
    expect(stepOfSession(session, none, 'undo', 'load')?.words).toBe('Sluice loaded');
    const elsewhere = { ...none, done: [did('Wharf loaded', 'load', true), did('File', 'file')] };
    expect(stepOfSession(session, elsewhere, 'undo', 'load')?.words).toBe('Sluice loaded');
  });
  it('is none on another screen, without a session, or where there is nothing', () => {
    expect(stepOfSession(session, none, 'undo', 'file')).toBeNull();
    expect(stepOfSession(undefined, none, 'undo', 'load')).toBeNull();
    expect(stepOfSession(session, none, 'redo', 'load')).toBeNull();
  });
  it('waits where this window changed the order behind it, on the screen of the session', () => {
    const named = { ...none, done: [did('Wharf loaded', 'load', true), did('Name Wharf', 'load')] };
    expect(stepOfSession(session, named, 'undo', 'load')).toBeNull();
  });
});
