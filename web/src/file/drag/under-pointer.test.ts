import { describe, expect, it } from '@jest/globals';
import type { Folder } from '@clever-drawer/core/order';
import { partOf } from './under-pointer.ts';

const of = (form: Folder['form']): Folder => ({ form }) as Folder;

describe('a folder over another', () => {
  it('goes before, inside and behind by thirds of its width', () => {
    const parts = [0, 0.3, 0.35, 0.65, 0.7, 1].map((share) =>
      partOf(share, of('folder'), of('folder')),
    );
    expect(parts).toEqual(['before', 'before', 'inside', 'inside', 'behind', 'behind']);
  });

  it('does not go into favourites, and a divider goes into none: halves then', () => {
    for (const [over, dragged] of [
      ['favourites', 'folder'],
      ['folder', 'divider'],
    ] as const) {
      expect([0.4, 0.6].map((share) => partOf(share, of(over), of(dragged)))).toEqual([
        'before',
        'behind',
      ]);
    }
  });

  it('goes before a divider', () => {
    expect(partOf(0.9, of('divider'), of('folder'))).toBe('before');
  });
});
