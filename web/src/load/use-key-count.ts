/** Counting the keys that lead to a load. */
import { useMemo, useRef } from 'react';

/** Keys since the finder was empty, and since when. */
export function useKeyCount() {
  const held = useRef({ count: 0, since: 0 });
  return useMemo(
    () => ({
      press: (): void => {
        if (held.current.count === 0) {
          held.current.since = performance.now();
        }
        held.current.count += 1;
      },
      taken: (): { keys: number; took: number } => ({
        keys: Math.max(1, held.current.count),
        took: held.current.count === 0 ? 0 : Math.round(performance.now() - held.current.since),
      }),
      clear: (): void => {
        held.current = { count: 0, since: 0 };
      },
    }),
    [],
  );
}
