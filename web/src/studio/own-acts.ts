/**
 * The acts of this window, and the screens they were done on: undo by a key takes back at once only
 * what was done where one looks.
 */
export interface OwnAct {
  /** As the history says it. */
  readonly words: string;
  /** The screen it was done on; empty on pages that belong to none. */
  readonly screen: string;
  /** Brings back what a screen kept beside the order, such as the tray. */
  readonly onUndone?: (() => void) | undefined;
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
  readonly undone: (words: string) => void;
  readonly redone: (words: string) => void;
}

/** What a window knows of its acts; a reload forgets them, and then nothing is held to be elsewhere. */
export function createOwnActs(): OwnActs {
  const done: OwnAct[] = [];
  const undone: OwnAct[] = [];
  return {
    add: (act) => {
      done.push(act);
      undone.length = 0;
    },
    originOf: (words, screen) => {
      const latest = done.at(-1);
      if (latest !== undefined && latest.words !== words) {
        return { from: 'window' };
      }
      const isElsewhere =
        latest !== undefined && ![screen, ''].includes(latest.screen) && screen !== '';
      return isElsewhere ? { from: 'screen', screen: latest.screen } : { from: 'here' };
    },
    undone: (words) => {
      const latest = done.at(-1);
      if (latest?.words === words) {
        done.pop();
        undone.push(latest);
        latest.onUndone?.();
      }
    },
    redone: (words) => {
      const latest = undone.at(-1);
      if (latest?.words === words) {
        undone.pop();
        done.push(latest);
      }
    },
  };
}
