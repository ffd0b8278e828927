/** What follows from a value, done whenever it became another one; not for the first. */
import { useEffect, useRef } from 'react';

export function useChanged<T>(value: T, act: (value: T) => void): void {
  const last = useRef(value);
  useEffect(() => {
    if (last.current !== value) {
      last.current = value;
      act(value);
    }
  });
}
