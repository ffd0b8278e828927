/** Parts of the interface that are fetched after the first screen stands, or when they are first asked for. */
import { lazy, Suspense, useLayoutEffect, useState, type ComponentType } from 'react';
import { holdKeys } from './held-keys.ts';
import { whenAtRest, whenIdle } from './idle.ts';

/** Stands in for a dialog that is being fetched. */
function Fetching() {
  useLayoutEffect(holdKeys, []);
  return null;
}

/**
 * What happens when it is asked for before it is there: it is fetched at once, and for a dialog keys
 * are held meanwhile; or it waits for the idle window, too.
 */
type Asked = 'at once' | 'keys held' | 'when idle';

/** The component that `fetch` brings, when the window is idle or when it is asked for. */
export function fetchedLater<P extends object>(
  fetch: () => Promise<ComponentType<P>>,
  asked: Asked = 'at once',
): ComponentType<P> {
  let there: ComponentType<P> | null = null;
  const fetchOnce = async (): Promise<ComponentType<P>> => (there ??= await fetch());
  const idle = new Promise<void>((resolve) => {
    const wait = asked === 'when idle' ? whenAtRest : whenIdle;
    wait(() => {
      void fetchOnce();
      resolve();
    });
  });
  const Fetched = lazy(async () => {
    if (asked === 'when idle') {
      await idle;
    }
    return { default: await fetchOnce() };
  });
  return function Later(props: P) {
    // What is there already is drawn at once, and stays the same part as long as it is shown.
    const [Part] = useState<ComponentType<P>>(() => there ?? Fetched);
    return (
      <Suspense fallback={asked === 'keys held' ? <Fetching /> : null}>
        <Part {...props} />
      </Suspense>
    );
  };
}
