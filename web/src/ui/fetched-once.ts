/** Parts of the interface that are fetched once, whoever asks. */
import { useEffect, useState, type ComponentType } from 'react';

export interface FetchedOnce<P extends object> {
  readonly fetch: () => Promise<ComponentType<P>>;
  /**
   * The part; null until it is there. It stays the same as long as it is shown. That it could not be
   * fetched is told to `onMissing`, or else thrown where it is drawn.
   */
  readonly usePart: (onMissing?: () => void) => ComponentType<P> | null;
}

/**
 * The component that `bring` fetches; who draws it before it is there waits for `first`, too. Not by
 * React's `lazy`: for a third of a second after something waited, React holds back what is there.
 */
export function fetchedOnce<P extends object>(
  bring: () => Promise<ComponentType<P>>,
  first?: Promise<void>,
): FetchedOnce<P> {
  let there: ComponentType<P> | null = null;
  let coming: Promise<ComponentType<P>> | null = null;
  const bringOnce = async (): Promise<ComponentType<P>> => {
    try {
      there = await bring();
      return there;
    } catch (error) {
      // The next one who asks tries again.
      coming = null;
      throw error;
    }
  };
  const fetch = (): Promise<ComponentType<P>> => (coming ??= bringOnce());
  const fetchInTurn = (): Promise<ComponentType<P>> => (first ? first.then(fetch) : fetch());
  const usePart = (onMissing?: () => void): ComponentType<P> | null => {
    const [Part, setPart] = useState<ComponentType<P> | null>(() => there);
    const isThere = Part !== null;
    useEffect(() => {
      let isDrawn = true;
      const show = (part: () => ComponentType<P>): void => {
        if (isDrawn) {
          setPart(part);
        }
      };
      if (!isThere) {
        fetchInTurn().then(
          (part) => {
            show(() => part);
          },
          (error: unknown) => {
            if (onMissing) {
              onMissing();
              return;
            }
            show(() => {
              throw error;
            });
          },
        );
      }
      return () => {
        isDrawn = false;
      };
    }, [isThere, onMissing]);
    return Part;
  };
  return { fetch, usePart };
}
