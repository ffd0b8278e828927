/** A choice of this browser that differs from slot to slot: read anew when the slot is of another sort. */
import { useCallback, useState } from 'react';
import { remember, remembered } from '../ui/keys.ts';

export function useRemembered(
  name: string,
  otherwise: string,
): [value: string, set: (value: string) => void] {
  const [held, setHeld] = useState({ name, value: remembered(name, otherwise) });
  if (held.name !== name) {
    setHeld({ name, value: remembered(name, otherwise) });
  }
  const set = useCallback(
    (value: string) => {
      remember(name, value);
      setHeld({ name, value });
    },
    [name],
  );
  return [held.name === name ? held.value : remembered(name, otherwise), set];
}
