import { describe, expect, it } from '@jest/globals';
import type { ScanView, TakenView } from '@clever-drawer/core/api';
import { asId } from '@clever-drawer/core/id';
import { takenWords } from './taken-words.ts';

const counts = {
  arrived: 0,
  returned: 0,
  updated: 0,
  opened: 0,
  moved: 0,
  gone: 0,
  away: 0,
  failed: 0,
  unchanged: 0,
};
const taken = (isNew: boolean, more: Partial<ScanView['counts']>): TakenView => ({
  computer: { id: asId('c'), name: 'Mixing room', isElsewhere: true },
  isNew,
  scan: {
    id: asId('s'),
    startedAt: '',
    endedAt: null,
    state: 'done',
    looked: 12,
    counts: { ...counts, ...more },
    problems: [],
  },
});

describe('what is said of copies that were read in', () => {
  it('names a new computer with what arrived and what failed', () => {
    expect(takenWords(taken(true, { arrived: 11, failed: 1 }))).toBe(
      'Mixing room was added, with 12 copies: 11 arrived, 1 failed there.',
    );
  });
  it('says when nothing changed', () => {
    expect(takenWords(taken(false, {}))).toBe('Mixing room is up to date: nothing changed there.');
  });
});
