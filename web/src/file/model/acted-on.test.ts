import { describe, expect, it } from '@jest/globals';
import { actedOn } from './acted-on.ts';

describe('what keys act on', () => {
  const tray = new Set(['a', 'b']);
  const inList = (plugin: string) => ({ plugin, selected: [], isInList: true });
  const inFolder = (plugin: string, ...selected: string[]) => ({
    plugin,
    selected,
    isInList: false,
  });
  it('is nothing where one is nowhere', () => {
    expect(actedOn(null, tray)).toEqual({ plugins: [], isTray: false });
  });
  it('is all of the tray on a row that is in it, else that row', () => {
    expect(actedOn(inList('a'), tray)).toEqual({ plugins: ['a', 'b'], isTray: true });
    expect(actedOn(inList('c'), tray)).toEqual({ plugins: ['c'], isTray: false });
  });
  it('is what is selected in a folder on one of it, never the tray', () => {
    expect(actedOn(inFolder('a', 'a', 'c'), tray)).toEqual({ plugins: ['a', 'c'], isTray: false });
    expect(actedOn(inFolder('d', 'a', 'c'), tray)).toEqual({ plugins: ['d'], isTray: false });
    expect(actedOn(inFolder('a'), tray)).toEqual({ plugins: ['a'], isTray: false });
  });
});
