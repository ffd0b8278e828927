import { describe, expect, it } from '@jest/globals';
import { asId } from '../id.ts';
import {
  copyInFront,
  differsInWidth,
  type CopyWish,
  isForOldSessions,
  isOnly32Bit,
  nameOfCopy,
  type CopyCard,
} from './plugin.ts';
import { foldVendor } from '../identify/gather-vendors.ts';

const card = (over: Partial<CopyCard>): CopyCard => ({
  id: asId('c'),
  format: 'LV2',
  path: '/p',
  version: null,
  hasPicture: false,
  is32Bit: false,
  isFailed: false,
  audioIn: null,
  audioOut: null,
  state: 'present',
  ...over,
});

describe('copies', () => {
  it('without a name are called after their file', () =>
    expect(nameOfCopy({ name: null, path: '/x/Otter_Bend.vst3' })).toBe('Otter_Bend'));
});

describe('a vendor', () => {
  it('keeps a loose word that is all of its name', () => expect(foldVendor('Audio')).toBe('audio'));
  it('of none is empty', () => expect(foldVendor(null)).toBe(''));
});

describe('the copy in front', () => {
  it('is of the newest format that is there', () => {
    const copies = [
      card({ id: asId('1') }),
      card({ id: asId('2'), format: 'VST3', state: 'gone' }),
      card({ id: asId('3'), format: 'CLAP' }),
    ];
    expect(copyInFront({ copies })?.id).toBe('3');
  });
  it('is a 64-bit one before a 32-bit one of a newer format', () =>
    expect(
      copyInFront({
        copies: [
          card({ id: asId('old'), format: 'VST3', is32Bit: isOnly32Bit(['x86']) }),
          card({ id: asId('new'), format: 'VST2', is32Bit: isOnly32Bit(['x86', 'x86_64']) }),
        ],
      })?.id,
    ).toBe('new'));
  it('is a sound one before one that failed, and of the format the user puts first', () => {
    const copies = [
      card({ id: asId('a'), format: 'VST3', isFailed: true }),
      card({ id: asId('b'), format: 'LV2' }),
      card({ id: asId('c'), format: 'CLAP' }),
    ];
    expect([
      copyInFront({ copies })?.id,
      copyInFront({ copies }, { order: ['LV2'] })?.id,
      copyInFront({ copies }, { order: ['AU', 'LV2', 'CLAP'] })?.id,
    ]).toEqual(['c', 'b', 'b']);
  });
  it('is for a track the one of its width, whatever the format, and for the list any', () => {
    const copies = [
      card({ id: asId('mono'), format: 'CLAP', audioIn: 1, audioOut: 1 }),
      card({ id: asId('widening'), format: 'VST3', audioIn: 1, audioOut: 2 }),
      card({ id: asId('stereo'), format: 'LV2', audioIn: 2, audioOut: 2 }),
      card({ id: asId('many'), format: 'CLAP', audioIn: 8, audioOut: 8 }),
    ];
    const front = (width: number | null) => copyInFront({ copies }, { width })?.id;
    expect([front(2), front(1), front(8)]).toEqual(['stereo', 'mono', 'many']);
    expect(front(null)).not.toBe('stereo');
    expect(differsInWidth({ copies })).toBe(true);
  });
  it('is the first by format among copies of one width, or of none that is known', () => {
    const copies = [
      card({ id: asId('a'), format: 'LV2', audioOut: 2 }),
      card({ id: asId('b'), format: 'VST3' }),
      card({ id: asId('c'), format: 'VST3', audioOut: 1, audioIn: 1 }),
    ];
    expect(copyInFront({ copies }, { order: ['VST3', 'LV2'], width: 2 })?.id).toBe('b');
    expect(copyInFront({ copies }, { order: ['LV2', 'VST3'], width: 2 })?.id).toBe('a');
    expect(differsInWidth({ copies: copies.slice(0, 2) })).toBe(false);
  });
  it('is what the folder holds, then what fits and has its format, then the one of the user’s choice', () => {
    const copies = [
      card({ id: asId('new'), format: 'VST3', audioOut: 2 }),
      card({ id: asId('old'), format: 'VST2', audioOut: 2 }),
      card({ id: asId('old mono'), format: 'VST2', audioOut: 1 }),
      card({ id: asId('other'), format: 'LV2', audioOut: 2 }),
    ];
    const front = (wish: CopyWish): unknown => copyInFront({ copies }, { width: 2, ...wish })?.id;
    expect(front({})).toBe('new');
    expect(front({ first: asId('other') })).toBe('other');
    expect(front({ first: asId('other'), folderFormat: 'VST2' })).toBe('old');
    expect(front({ folderCopies: [asId('old mono')], folderFormat: 'LV2' })).toBe('old mono');
    // A choice is of the copies that fit; where another has its format, that.
    expect(front({ first: asId('old'), width: 1 })).toBe('old mono');
    expect(front({ first: asId('old mono') })).toBe('old');
    expect(front({ first: asId('unknown') })).toBe('new');
  });
  it('leaves older formats and 32-bit ones for old sessions, but not another width of its own format', () => {
    const copies = [
      card({ id: asId('a'), format: 'VST3' }),
      card({ id: asId('b'), format: 'VST3', path: '/q' }),
      card({ id: asId('c'), format: 'VST2' }),
      card({ id: asId('d'), format: 'VST3', is32Bit: true }),
    ];
    expect(copies.map((copy) => isForOldSessions({ copies }, copy))).toEqual([
      false,
      false,
      true,
      true,
    ]);
  });
  it('of a plugin without copies is none', () =>
    expect(copyInFront({ copies: [] })).toBeUndefined());
});
