/**
 * Where over another folder a dragged folder would go: the outer parts put it before or behind that
 * one, the middle inside.
 */
import type { DragMoveEvent } from '@dnd-kit/core';
import { createContext, useContext } from 'react';
import type { Folder } from '@clever-drawer/core';
import type { DropPart } from './model/drop-plan.ts';

export const DropPartContext = createContext<DropPart>('before');
export const useDropPart = (): DropPart => useContext(DropPartContext);

/**
 * Each outer part is this share of the width; a third is wide enough to hit and leaves a third for
 * the middle.
 */
const outer = 1 / 3;

export function partOf(
  { activatorEvent, delta, over }: Pick<DragMoveEvent, 'activatorEvent' | 'delta' | 'over'>,
  folders: readonly Folder[],
  dragged: string,
): DropPart {
  const folder = folders.find(
    (f) => f.id === (over?.data.current as { folder?: string } | undefined)?.folder,
  );
  if (!over || !folder || folder.form === 'divider') {
    return 'before';
  }
  const start =
    'touches' in activatorEvent
      ? (activatorEvent as TouchEvent).touches[0]?.clientX
      : (activatorEvent as MouseEvent).clientX;
  const share = ((start ?? 0) + delta.x - over.rect.left) / over.rect.width;
  const holdsFolders =
    folder.form !== 'favourites' && folders.find((f) => f.id === dragged)?.form !== 'divider';
  if (!holdsFolders) {
    return share < 0.5 ? 'before' : 'behind';
  }
  if (share < outer) {
    return 'before';
  }
  if (share > 1 - outer) {
    return 'behind';
  }
  return 'inside';
}
