/**
 * The acts of this window, and the screens they were done on: undo by a key takes back at once only
 * what was done where one looks. Some are beside the order (a place, a slot): the server keeps no
 * history of these, so this window knows how each is taken back and done again. By a key they are
 * undone on their own screen only.
 */
export interface OwnAct {
  /** As the history says it. */
  readonly words: string;
  /** The screen it was done on; empty on pages that belong to none. */
  readonly screen: string;
  /** Brings back what a screen kept beside the order, such as the tray. */
  readonly onUndone?: (() => void) | undefined;
  /** Of an act beside the order; null where it cannot be undone. */
  readonly beside?: Beside | null | undefined;
}

/** How an act beside the order is taken back, and done again; it may give in words what that was. */
export interface Beside {
  readonly undo: () => Promise<unknown>;
  readonly redo: () => Promise<unknown>;
}

/** What was done in this window and what of it was taken back, the latest last. */
export interface OwnHistory {
  readonly done: readonly OwnAct[];
  readonly undone: readonly OwnAct[];
}

/** Where the latest change was made: where one looks, on another screen, or in another window. */
export type Origin =
  | { readonly from: 'here' }
  | { readonly from: 'screen'; readonly screen: string }
  | { readonly from: 'window' };

export interface OwnActs {
  readonly add: (act: OwnAct) => void;
  /** `words` are those of the change that undo would take back. */
  readonly originOf: (words: string, screen: string) => Origin;
  /** An act that cannot be undone no longer stands in the way of those before it. */
  readonly pass: (act: OwnAct) => void;
  readonly undone: (words: string) => void;
  readonly redone: (words: string) => void;
  /** The same object as long as nothing happens. */
  readonly history: () => OwnHistory;
  readonly subscribe: (listen: () => void) => () => void;
}

/** What a window knows of its acts; a reload forgets them, and then nothing is held to be elsewhere. */
export function createOwnActs(): OwnActs {
  let history: OwnHistory = { done: [], undone: [] };
  const listeners = new Set<() => void>();
  const become = (next: OwnHistory): void => {
    history = next;
    for (const listen of listeners) {
      listen();
    }
  };
  return {
    history: () => history,
    subscribe: (listen) => {
      listeners.add(listen);
      return () => {
        listeners.delete(listen);
      };
    },
    add: (act) => {
      become({ done: [...history.done, act], undone: [] });
    },
    originOf: (words, screen) => {
      const latest = history.done.findLast(({ beside }) => beside === undefined);
      if (latest !== undefined && latest.words !== words) {
        return { from: 'window' };
      }
      const isElsewhere =
        latest !== undefined && ![screen, ''].includes(latest.screen) && screen !== '';
      return isElsewhere ? { from: 'screen', screen: latest.screen } : { from: 'here' };
    },
    pass: (act) => {
      become({ ...history, done: history.done.filter((one) => one !== act) });
    },
    undone: (words) => {
      const { done, undone } = history;
      const act = done.findLast((one) => one.words === words);
      if (act) {
        become({ done: done.filter((one) => one !== act), undone: [...undone, act] });
        act.onUndone?.();
      }
    },
    redone: (words) => {
      const { done, undone } = history;
      const act = undone.findLast((one) => one.words === words);
      if (act) {
        become({ done: [...done, act], undone: undone.filter((one) => one !== act) });
      }
    },
  };
}
