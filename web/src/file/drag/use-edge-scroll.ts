/** Scrolls a box while something is dragged beyond it, or rests at its edge. */
import { useContext, useEffect, type RefObject } from 'react';
import { DragContext } from './drag-store.ts';
import { edgeAt, edgeScroll } from '../model/edge-scroll.ts';

export function useEdgeScroll(box: RefObject<HTMLElement | null>): void {
  const store = useContext(DragContext);
  useEffect(() => {
    let stop: (() => void) | null = null;
    const unsubscribe = store.subscribe(() => {
      if (store.now()) {
        stop ??= scrollAtEdges(box);
      } else {
        stop?.();
        stop = null;
      }
    });
    return () => {
      unsubscribe();
      stop?.();
    };
  }, [store, box]);
}

/** Follows the pointer until what it gives back is called. */
function scrollAtEdges(box: RefObject<HTMLElement | null>): () => void {
  let pointer: { readonly x: number; readonly y: number } | null = null;
  let at: 'top' | 'bottom' | null = null;
  let cameAt = 0;
  let frame = 0;
  const listen = (event: PointerEvent): void => {
    pointer = { x: event.clientX, y: event.clientY };
  };
  const tick = (now: number): void => {
    frame = requestAnimationFrame(tick);
    const area = box.current?.getBoundingClientRect();
    if (!pointer || !area || pointer.x < area.left || pointer.x > area.right) {
      at = null;
      return;
    }
    const next = edgeAt(pointer.y, area.top, area.bottom);
    if (next !== at) {
      at = next;
      cameAt = now;
    }
    const by = edgeScroll({ y: pointer.y, since: now - cameAt }, area.top, area.bottom);
    if (by !== 0) {
      box.current?.scrollBy({ top: by });
    }
  };
  window.addEventListener('pointermove', listen);
  frame = requestAnimationFrame(tick);
  return () => {
    cancelAnimationFrame(frame);
    window.removeEventListener('pointermove', listen);
  };
}
