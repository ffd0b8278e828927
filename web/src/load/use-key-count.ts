/** Counting the keys that lead to a load. */
import { useMemo, useRef } from 'react';

/** Keys since the finder was empty, and since when. */
export function useKeyCount() {
  const pressed = useRef({ count: 0, since: 0 });
  return useMemo(
    () => ({
      press: (): void => {
        if (pressed.current.count === 0) {
          pressed.current.since = performance.now();
        }
        pressed.current.count += 1;
      },
      taken: (): { keys: number; took: number } => ({
        keys: Math.max(1, pressed.current.count),
        took:
          pressed.current.count === 0 ? 0 : Math.round(performance.now() - pressed.current.since),
      }),
      clear: (): void => {
        pressed.current = { count: 0, since: 0 };
      },
    }),
    [],
  );
}
