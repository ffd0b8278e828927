import { describe, expect, it } from '@jest/globals';
import { mainScreens, screenOf, screens, undoneAt } from './screens.ts';

describe('the screens', () => {
  it('of the work stand in its order, each with a key of its own', () => {
    expect(mainScreens.map(({ id }) => id)).toEqual([
      'scan',
      'sort',
      'file',
      'load',
      'review',
      'keep',
    ]);
    expect(mainScreens.map(({ key }) => key)).toEqual([1, 2, 3, 4, 5, 6].map((at) => `Alt+${at}`));
  });
  it('are known by the first part of an address, whatever follows', () => {
    for (const [id, { path }] of Object.entries(screens)) {
      expect([path, screenOf(path.replace(/:.*/, 'x'))]).toEqual([path, id]);
    }
    expect(['/', '/nothing', '/filed', '/toString'].map(screenOf)).toEqual(Array(4).fill(null));
  });
  it('of the work undo by a key what was done on themselves, every one of them', () => {
    for (const { id, path } of mainScreens) {
      expect(undoneAt(path)).toBe(id);
    }
    expect(['/plugin/x', '/rule/new', '/chart', '/'].map(undoneAt)).toEqual(Array(4).fill(''));
  });
});
