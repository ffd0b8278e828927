/**
 * What stands behind the question mark of the address. A change keeps what stands there in the
 * moment it is made: the router's own setter starts from what was drawn last, and two changes right
 * after each other would lose the first.
 */
import { createContext, useCallback, useContext, useEffect, useRef } from 'react';
import { useSearchParams, type NavigateOptions } from 'react-router';

/** What is to stand there by name; nothing, or an empty text, takes the name away. */
export type AddressChange = Readonly<Record<string, string | null>>;

/** The same address with that change. */
export function addressWith(params: URLSearchParams, change: AddressChange): URLSearchParams {
  const next = new URLSearchParams(params);
  for (const [name, value] of Object.entries(change)) {
    if (value === null || value === '') {
      next.delete(name);
    } else {
      next.set(name, value);
    }
  }
  return next;
}

/** Changes some of it; a step of its own that can be gone back to, unless it replaces the last one. */
export type ChangeAddress = (change: AddressChange, options?: NavigateOptions) => void;

/** Whether another screen was asked for and is still being fetched. */
export const LeavingContext = createContext(false);

/** What was drawn last stands there, and the way to change it; a screen that is left changes it no more. */
export function useAddress(): [URLSearchParams, ChangeAddress] {
  const [params, setParams] = useSearchParams();
  const isLeaving = useContext(LeavingContext);
  const latest = useRef(isLeaving);
  useEffect(() => {
    latest.current = isLeaving;
  });
  const change = useCallback<ChangeAddress>(
    (wanted, options) => {
      if (!latest.current) {
        setParams(addressWith(new URLSearchParams(window.location.search), wanted), options);
      }
    },
    [setParams],
  );
  return [params, change];
}
