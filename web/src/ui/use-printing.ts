/** Whether the window is being printed, so that paper can be given what a screen draws only in part. */
import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

/** True from before the pages are laid out until they are. */
export function usePrinting(): boolean {
  const [isPrinting, setPrinting] = useState(() => window.matchMedia('print').matches);
  useEffect(() => {
    const media = window.matchMedia('print');
    const tell = (isIt: boolean) => (): void => {
      // The browser lays the pages out as soon as this returns.
      flushSync(() => {
        setPrinting(isIt);
      });
    };
    const [begin, end] = [tell(true), tell(false)];
    const change = (): void => {
      setPrinting(media.matches);
    };
    window.addEventListener('beforeprint', begin);
    window.addEventListener('afterprint', end);
    media.addEventListener('change', change);
    return () => {
      window.removeEventListener('beforeprint', begin);
      window.removeEventListener('afterprint', end);
      media.removeEventListener('change', change);
    };
  }, []);
  return isPrinting;
}
