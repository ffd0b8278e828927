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
  const [last, setLast] = useState({ shown: value, latest: value, moment });
  const isNew = value !== last.latest;
  const before = moment === last.moment ? last.shown : last.latest;
  const shown = isNew && isAtOnce(before, value) ? value : before;
  // What a moment brought stays, also when one of before comes again.
  if (isNew || shown !== last.shown) {
    setLast({ shown, latest: value, moment });
  }
  return shown;
}
