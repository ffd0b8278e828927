/** What a dragged thing is over. */
import type { CollisionDetection } from '@dnd-kit/core';

/**
 * Of what takes drops, the innermost that the pointer is over. The browser has looked for that by
 * itself and tells when it changes: the library's rectangles, each of which asks how far everything
 * around it is scrolled, took a third of what a drag over 200 folders does, and know nothing of what
 * is scrolled out of view. What is in the air has to let the pointer through.
 */
export const underPointer: CollisionDetection = ({ droppableContainers, pointerCoordinates }) => {
  if (!pointerCoordinates) {
    return [];
  }
  const byElement = new Map<Element | null, (typeof droppableContainers)[number]>(
    droppableContainers.map((container) => [container.node.current, container]),
  );
  for (let at = elementAt(pointerCoordinates); at !== null; at = at.parentElement) {
    const container = byElement.get(at);
    if (container) {
      return [{ id: container.id, data: { droppableContainer: container, value: 0 } }];
    }
  }
  return [];
};

/** What the mouse is over; null while something else points, which stays with what it began on. */
let hovered: Element | null = null;

const elementAt = ({ x, y }: { x: number; y: number }): Element | null =>
  hovered ?? document.elementFromPoint(x, y);

/** Follows the mouse until what it gives back is called. */
export function followPointer(): () => void {
  const listen = ({ pointerType, target }: PointerEvent): void => {
    hovered = pointerType === 'mouse' && target instanceof Element ? target : null;
  };
  document.addEventListener('pointerover', listen, { capture: true });
  return () => {
    document.removeEventListener('pointerover', listen, { capture: true });
    hovered = null;
  };
}
