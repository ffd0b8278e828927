/** Parts of the interface that are fetched once, whoever asks. */
import { lazy, useState, type ComponentType } from 'react';

export interface FetchedOnce<P extends object> {
  readonly fetch: () => Promise<ComponentType<P>>;
  /**
   * What is there already is drawn at once (React would hold back what it had waited for), and stays
   * the same part as long as it is shown.
   */
  readonly usePart: () => ComponentType<P>;
}

/** The component that `bring` fetches; who draws it before it is there waits for `first`, too. */
export function fetchedOnce<P extends object>(
  bring: () => Promise<ComponentType<P>>,
  first?: Promise<void>,
): FetchedOnce<P> {
  let there: ComponentType<P> | null = null;
  const fetch = async (): Promise<ComponentType<P>> => (there ??= await bring());
  const Fetched = lazy(async () => {
    if (first) {
      await first;
    }
    return { default: await fetch() };
  });
  const usePart = (): ComponentType<P> => {
    const [Part] = useState<ComponentType<P>>(() => there ?? Fetched);
    return Part;
  };
  return { fetch, usePart };
}
