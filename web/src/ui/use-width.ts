/** How wide an element is, as long as it is shown. */
import { useEffect, useState, type RefObject } from 'react';

/** Pixels; `first` until it was measured. */
export function useWidth(box: RefObject<HTMLElement | null>, first: number): number {
  const [width, setWidth] = useState(first);
  useEffect(() => {
    const element = box.current;
    if (!element) {
      return;
    }
    const watch = new ResizeObserver(() => {
      setWidth(element.clientWidth);
    });
    watch.observe(element);
    return () => {
      watch.disconnect();
    };
  }, [box]);
  return width;
}
