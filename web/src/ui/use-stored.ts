/** A choice of this browser that differs from slot to slot: read anew when the slot is of another sort. */
import { useCallback, useState } from 'react';
import { writeStored, readStored } from './keys.ts';

export function useStored(
  name: string,
  otherwise: string,
): [value: string, set: (value: string) => void] {
  const [current, setCurrent] = useState({ name, value: readStored(name, otherwise) });
  if (current.name !== name) {
    setCurrent({ name, value: readStored(name, otherwise) });
  }
  const set = useCallback(
    (value: string) => {
      writeStored(name, value);
      setCurrent({ name, value });
    },
    [name],
  );
  return [current.name === name ? current.value : readStored(name, otherwise), set];
}
