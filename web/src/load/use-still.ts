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
  const [held, setHeld] = useState({ shown: value, latest: value, came: moment });
  const given = held.came === moment ? held.shown : held.latest;
  if (value === held.latest) {
    return given;
  }
  const shown = isAtOnce(given, value) ? value : given;
  setHeld({ shown, latest: value, came: moment });
  return shown;
}
