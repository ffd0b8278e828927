/** How a list that is drawn only where it is in view learns its size, and where it is scrolled to. */
import { elementScroll, type Rect, type Virtualizer } from '@tanstack/react-virtual';

type ListOf<E extends Element> = Virtualizer<E, Element>;

/** Until the browser tells the size of a list it is as in a window of 1280×800. Pixels. */
const firstSize: Rect = { width: 768, height: 566 };

function observeElementRect<E extends Element>(
  { scrollElement }: ListOf<E>,
  tell: (size: Rect) => void,
): (() => void) | undefined {
  if (!scrollElement) {
    return undefined;
  }
  const watch = new ResizeObserver(() => {
    tell({ width: scrollElement.clientWidth, height: scrollElement.clientHeight });
  });
  watch.observe(scrollElement);
  return () => {
    watch.disconnect();
  };
}

/** A list that was never laid out is at its top already. */
function scrollToFn<E extends Element>(
  offset: number,
  options: Parameters<typeof elementScroll>[1],
  list: ListOf<E>,
): void {
  if (offset !== 0 || list.scrollRect !== firstSize) {
    elementScroll(offset, options, list);
  }
}

/**
 * The size is what the browser tells once it has laid the list out. To ask for it, or to scroll, when
 * the list has just been put in would lay out the whole page once more, and with no line drawn yet.
 */
export const listSize = { initialRect: firstSize, observeElementRect, scrollToFn };
