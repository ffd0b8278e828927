/** A value that changes with what somebody does, not by itself under the hand. */
import { useState } from 'react';

/**
 * The value as it was when the moment began: a later one is given from the next moment on, or at
 * once where it must be.
 */
export function useStill<T>(
  value: T,
  moment: string,
  isAtOnce: (shown: T, latest: T) => boolean,
): T {
  const [held, setHeld] = useState({ shown: value, latest: value, moment });
  const { latest } = held;
  const isNext = moment !== held.moment;
  const shown = isNext ? latest : held.shown;
  if (value !== latest) {
    const next = isAtOnce(shown, value) ? value : shown;
    setHeld({ shown: next, latest: value, moment });
    return next;
  }
  // A moment that comes again is another one: what it brought stays.
  if (isNext && held.shown !== latest) {
    setHeld({ shown: latest, latest, moment });
  }
  return shown;
}
