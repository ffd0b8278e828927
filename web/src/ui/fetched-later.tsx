/** Parts of the interface that are fetched after the first screen stands, or when they are first asked for. */
import { useLayoutEffect, type ComponentType } from 'react';
import { fetchedOnce } from './fetched-once.ts';
import { holdKeys } from './held-keys.ts';
import { oneByOne, whenAtRest, whenIdle } from './idle.ts';
import { useTellMissing } from './notices.tsx';

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

/**
 * The component that `fetch` brings, when the window is idle or when it is asked for.
 * @param Meanwhile What stands there until then, and when it could not be fetched.
 */
export function fetchedLater<P extends object>(
  fetch: () => Promise<ComponentType<P>>,
  asked: Asked = 'at once',
  Meanwhile?: ComponentType<P>,
): ComponentType<P> {
  let isIdle: () => void = () => undefined;
  const idle = new Promise<void>((resolve) => {
    isIdle = resolve;
  });
  const isAtRest = asked === 'when idle';
  const { fetch: fetchPart, usePart } = fetchedOnce(fetch, isAtRest ? idle : undefined);
  const wait = isAtRest ? whenAtRest : whenIdle;
  wait(() => {
    oneByOne(fetchPart);
    isIdle();
  });
  return function Later(props: P) {
    const tellMissing = useTellMissing();
    // Nobody asked for what comes when the window is idle: the screen does without it.
    const Part = usePart(isAtRest || Meanwhile ? tellMissing : undefined) ?? Meanwhile;
    if (Part) {
      return <Part {...props} />;
    }
    return asked === 'keys held' ? <Fetching /> : null;
  };
}
