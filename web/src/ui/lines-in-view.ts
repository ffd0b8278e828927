/** A list of which only what is in view is drawn: how it learns its size, and what is drawn beyond. */
import {
  defaultRangeExtractor,
  elementScroll,
  useVirtualizer,
  type Range,
  type Rect,
  type Virtualizer,
} from '@tanstack/react-virtual';
import { useCallback, useEffect, useRef } from 'react';

type ListOf<E extends Element> = Virtualizer<E, Element>;

/** Lines drawn on either side of those in view: most while one scrolls, when they come into view next. */
const linesBeyond = { atRest: 1, whileScrolling: 6 } as const;

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

type LinesOptions<E extends Element> = Pick<
  Parameters<typeof useVirtualizer<E, Element>>[0],
  'count' | 'getScrollElement' | 'estimateSize' | 'getItemKey' | 'initialOffset'
>;

/**
 * The lines that are drawn. The size is what the browser tells once it has laid the list out: to ask
 * for it, or to scroll, when the list has just been put in would lay out the whole page once more,
 * and with no line drawn yet.
 */
export function useLinesInView<E extends Element>(options: LinesOptions<E>): ListOf<E> {
  const list = useRef<ListOf<E>>(null);
  // The same function all along: what is drawn beyond the view stays when scrolling ends.
  const rangeExtractor = useCallback((range: Range) => {
    const overscan = linesBeyond[list.current?.isScrolling ? 'whileScrolling' : 'atRest'];
    return defaultRangeExtractor({ ...range, overscan });
  }, []);
  const lines = useVirtualizer<E, Element>({
    initialRect: firstSize,
    observeElementRect,
    scrollToFn,
    rangeExtractor,
    ...options,
  });
  useEffect(() => {
    list.current = lines;
  });
  return lines;
}
