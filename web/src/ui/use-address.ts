/**
 * What stands behind the question mark of the address. A change keeps what stands there in the
 * moment it is made: the router's own setter starts from what was drawn last, and two changes right
 * after each other would lose the first.
 */
import { useCallback } from 'react';
import { useSearchParams, type NavigateOptions } from 'react-router';

/** What is to stand there by name; nothing, or an empty text, takes the name away. */
export type AddressChange = Readonly<Record<string, string | null>>;

/** Changes some of it; a step of its own that can be gone back to, unless it replaces the last one. */
export type ChangeAddress = (change: AddressChange, options?: NavigateOptions) => void;

/** What was drawn last stands there, and the way to change it. */
export function useAddress(): [URLSearchParams, ChangeAddress] {
  const [params, setParams] = useSearchParams();
  const change = useCallback<ChangeAddress>(
    (wanted, options) => {
      const next = new URLSearchParams(window.location.search);
      for (const [name, value] of Object.entries(wanted)) {
        if (value === null || value === '') {
          next.delete(name);
        } else {
          next.set(name, value);
        }
      }
      setParams(next, options);
    },
    [setParams],
  );
  return [params, change];
}
