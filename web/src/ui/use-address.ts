/**
 * What stands behind the question mark of the address. A change keeps what stands there in the
 * moment it is made: the router's own setter starts from what was drawn last, and two changes right
 * after each other would lose the first.
 */
import { createContext, useCallback, useContext } from 'react';
import { useLocation, useSearchParams, type NavigateOptions } from 'react-router';

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

/**
 * The pathname that the router is at or on its way to. Asked in the moment of a change, because the
 * router draws a navigation some time after it began.
 */
export const DestinationContext = createContext(() => window.location.pathname);

/** The query of the address as drawn last, and the way to change it; a screen that is being left changes nothing. */
export function useAddress(): [URLSearchParams, ChangeAddress] {
  const [params, setParams] = useSearchParams();
  const { pathname } = useLocation();
  const destination = useContext(DestinationContext);
  const change = useCallback<ChangeAddress>(
    (wanted, options) => {
      if (destination() === pathname) {
        setParams(addressWith(new URLSearchParams(window.location.search), wanted), options);
      }
    },
    [setParams, destination, pathname],
  );
  return [params, change];
}
