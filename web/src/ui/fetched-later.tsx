/** Parts of the interface that are fetched after the first screen stands, or when they are first asked for. */
import { lazy, Suspense, type ComponentType } from 'react';

/**
 * The component that `fetch` brings. It is fetched as soon as the window has nothing better to do, so
 * that a key that opens it does not wait.
 */
export function fetchedLater<P extends object>(
  fetch: () => Promise<ComponentType<P>>,
): ComponentType<P> {
  const Fetched = lazy(async () => ({ default: await fetch() }));
  if ('requestIdleCallback' in globalThis) {
    requestIdleCallback(() => {
      void fetch();
    });
  }
  return function Later(props: P) {
    return (
      <Suspense fallback={null}>
        <Fetched {...props} />
      </Suspense>
    );
  };
}
