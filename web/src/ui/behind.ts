/**
 * What is fetched right behind a screen, in one piece, since nobody needs it in the first moment: its
 * dialogs. One that is asked for before is drawn when it is there.
 */
import {
  createElement,
  useCallback,
  useEffect,
  useSyncExternalStore,
  type ComponentType,
  type ReactNode,
} from 'react';
import { useNotices } from './notices.tsx';
import * as texts from './texts.ts';
import { useTypedAhead } from './typed-ahead.ts';

export interface Behind<Module> {
  /** Has it fetched once the window has nothing better to do. */
  readonly useSoon: () => void;
  /** What was fetched; null until it is there. It is fetched at once where it is needed. */
  readonly useFetched: (isNeeded: boolean) => Module | null;
}

/** It is fetched so soon at the latest. Milliseconds. */
const latest = 1_000;

/** Something to be fetched once, by the first who asks; by the next one again where that failed, which is told. */
export function fetchedBehind<Module>(fetch: () => Promise<Module>): Behind<Module> {
  const listeners = new Set<() => void>();
  let fetched: Module | null = null;
  let coming: Promise<void> | null = null;
  const bring = async (): Promise<void> => {
    try {
      fetched = await fetch();
    } catch (error) {
      coming = null;
      throw error;
    }
    for (const listen of listeners) {
      listen();
    }
  };
  const subscribe = (listen: () => void): (() => void) => {
    listeners.add(listen);
    return () => {
      listeners.delete(listen);
    };
  };
  const useBring = (): (() => void) => {
    const { notify } = useNotices();
    return useCallback(() => {
      (coming ??= bring()).catch(() => {
        notify(texts.partIsMissing, 'trouble');
      });
    }, [notify]);
  };
  return {
    useSoon: () => {
      const bringNow = useBring();
      useEffect(() => {
        if (!('requestIdleCallback' in globalThis)) {
          const timer = setTimeout(bringNow, latest);
          return () => {
            clearTimeout(timer);
          };
        }
        const waiting = requestIdleCallback(bringNow, { timeout: latest });
        return () => {
          cancelIdleCallback(waiting);
        };
      }, [bringNow]);
    },
    useFetched: (isNeeded) => {
      const bringNow = useBring();
      useEffect(() => {
        if (isNeeded) {
          bringNow();
        }
      }, [isNeeded, bringNow]);
      return useSyncExternalStore(subscribe, () => fetched);
    },
  };
}

/**
 * A component of what is fetched behind a screen; `isNeeded` where a screen cannot do without it.
 */
export function partOf<Module, Props extends object>(
  { useFetched }: Behind<Module>,
  pick: (module: Module) => ComponentType<Props>,
  isNeeded = true,
): ComponentType<Props> {
  return function Part(props: Props): ReactNode {
    const fetched = useFetched(isNeeded);
    return fetched === null ? null : createElement(pick(fetched), props);
  };
}

const coming = createElement('div', { className: 'modal show', 'aria-busy': true });

/**
 * The same for a dialog: until it is there, the keys of the screen are as quiet as when it is
 * (`isDialogOpen`), and letters wait for its field (`typedAhead`).
 */
export function dialogOf<Module, Props extends object>(
  { useFetched }: Behind<Module>,
  pick: (module: Module) => ComponentType<Props>,
): ComponentType<Props> {
  return function Dialog(props: Props): ReactNode {
    const fetched = useFetched(true);
    useTypedAhead(fetched === null);
    return fetched === null ? coming : createElement(pick(fetched), props);
  };
}
