import { describe, expect, it, jest } from '@jest/globals';
import { createOwnActs } from './own-acts.ts';

describe('the acts of a window', () => {
  it('are here on the screen they were done on, elsewhere on another, and unknown after a reload', () => {
    const own = createOwnActs();
    expect(own.originOf('File Kelp', 'load')).toEqual({ from: 'here' });
    own.add({ words: 'File Kelp', screen: 'file' });
    expect(own.originOf('File Kelp', 'file')).toEqual({ from: 'here' });
    expect(own.originOf('File Kelp', 'load')).toEqual({ from: 'screen', screen: 'file' });
    expect(own.originOf('File Kelp', '')).toEqual({ from: 'here' });
    expect(own.originOf('Rename Gulls', 'file')).toEqual({ from: 'window' });
  });
  it('bring back what a screen kept, once, and are known again when they are redone', () => {
    const own = createOwnActs();
    const onUndone = jest.fn();
    own.add({ words: 'File Kelp', screen: 'file', onUndone });
    own.undone('Rename Gulls');
    expect(onUndone).not.toHaveBeenCalled();
    own.undone('File Kelp');
    own.undone('File Kelp');
    expect(onUndone).toHaveBeenCalledTimes(1);
    own.redone('File Kelp');
    expect(own.originOf('File Kelp', 'sort')).toEqual({ from: 'screen', screen: 'file' });
  });
  it('are told in their order, with what each has beside the order, and tell who listens', () => {
    const own = createOwnActs();
    const listen = jest.fn();
    const stop = own.subscribe(listen);
    const beside = { undo: () => Promise.resolve(), redo: () => Promise.resolve() };
    own.add({ words: 'File Kelp', screen: 'file' });
    own.add({ words: 'Remove the place', screen: 'scan', beside });
    expect(own.history().done.map(({ words }) => words)).toEqual(['File Kelp', 'Remove the place']);
    own.undone('Remove the place');
    expect(own.history().undone.at(-1)?.beside).toBe(beside);
    expect(own.history().done.at(-1)?.beside).toBeUndefined();
    own.redone('Remove the place');
    expect(own.history().done).toHaveLength(2);
    expect(listen).toHaveBeenCalledTimes(4);
    stop();
    own.add({ words: 'File Gull', screen: 'file' });
    expect(listen).toHaveBeenCalledTimes(4);
  });
});
