/** What a dragged thing is over. */
import type { Folder } from '@clever-drawer/core/order';
import type { DropPart } from '../model/drop-plan.ts';

/** The element that the pointer is over, and where it points. CSS pixels from the window's corner. */
export type Pointed = (element: Element | null, x: number) => void;

/**
 * Follows the pointer until what it gives back is called. The browser has looked for what is under
 * it by itself, and tells when something else has come there, as while a box is scrolled; a finger
 * stays with what it began on. What is in the air has to let the pointer through.
 */
export function followPointer(tell: Pointed): () => void {
  const listen = ({ pointerType, target, clientX, clientY }: PointerEvent): void => {
    const hasLooked = pointerType === 'mouse' && target instanceof Element;
    tell(hasLooked ? target : document.elementFromPoint(clientX, clientY), clientX);
  };
  document.addEventListener('pointerover', listen, { capture: true });
  document.addEventListener('pointermove', listen, { capture: true });
  return () => {
    document.removeEventListener('pointerover', listen, { capture: true });
    document.removeEventListener('pointermove', listen, { capture: true });
  };
}

/**
 * Each outer part of a folder is this share of its width; a third is wide enough to hit and leaves a
 * third for the middle.
 */
const outer = 1 / 3;

/**
 * Where over another folder a dragged folder would go: the outer parts put it before or behind that
 * one, the middle inside.
 * @param share How far from the left edge, of its width.
 */
export function partOf(share: number, over: Folder, dragged: Folder | undefined): DropPart {
  if (over.form === 'divider') {
    return 'before';
  }
  const holdsFolders = over.form !== 'favourites' && dragged?.form !== 'divider';
  if (!holdsFolders) {
    return share < 0.5 ? 'before' : 'behind';
  }
  if (share < outer) {
    return 'before';
  }
  return share > 1 - outer ? 'behind' : 'inside';
}
