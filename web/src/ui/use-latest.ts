/**
 * The same function all along, which calls the latest one: what only passes it on need not be drawn
 * again.
 */
import { useCallback, useEffect, useRef } from 'react';

export function useLatest<A extends unknown[]>(act: (...args: A) => void): (...args: A) => void {
  const latest = useRef(act);
  useEffect(() => {
    latest.current = act;
  });
  return useCallback((...args: A) => {
    latest.current(...args);
  }, []);
}
