/** What is typed and not said yet: kept in this browser, so that leaving and reloading lose nothing. */
import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import { writeStored, readStored } from './keys.ts';
import { useLatest } from './use-latest.ts';

const place = 'drafts';
const changed = 'clever-drawer-drafts';

type Drafts = Readonly<Record<string, string>>;

function readDrafts(): Drafts {
  try {
    const draft: unknown = JSON.parse(readStored(place, '{}'));
    return typeof draft === 'object' && draft !== null ? (draft as Drafts) : {};
  } catch {
    return {};
  }
}

function writeDrafts(drafts: Drafts): void {
  writeStored(place, JSON.stringify(drafts));
  window.dispatchEvent(new Event(changed));
}

/** The draft of that name; null where there is none. */
export const readDraft = (name: string): string | null => {
  const draft: unknown = readDrafts()[name];
  return typeof draft === 'string' ? draft : null;
};

/** Keeps a draft, or with null drops it. */
export function keepDraft(name: string, text: string | null): void {
  const { [name]: before, ...others } = readDrafts();
  if ((before ?? null) !== text) {
    writeDrafts(text === null ? others : { ...others, [name]: text });
  }
}

function subscribe(listener: () => void): () => void {
  window.addEventListener(changed, listener);
  window.addEventListener('storage', listener);
  return () => {
    window.removeEventListener(changed, listener);
    window.removeEventListener('storage', listener);
  };
}

/** How many drafts this browser keeps. */
export const useDraftCount = (): number =>
  useSyncExternalStore(subscribe, () => Object.keys(readDrafts()).length);

export interface DraftText {
  readonly value: string;
  readonly type: (text: string) => void;
  /** Says what was typed, where that differs from what is said. */
  readonly settle: () => void;
}

/**
 * A text that is said when its field is left in whatever way. `said` is what holds, `isSaved` whether
 * that has reached the database; until both are so, what was typed is kept.
 */
export function useDraftText(
  name: string,
  said: string,
  isSaved: boolean,
  onSay: (text: string, onStored: () => void) => void,
): DraftText {
  const [draft, setDraft] = useState(() => readDraft(name));
  const isSettled = draft === null || (isSaved && draft.trim() === said);
  useEffect(() => {
    if (isSettled) {
      keepDraft(name, null);
    }
  }, [name, isSettled]);
  const settle = useLatest(() => {
    if (draft !== null && draft.trim() !== said) {
      onSay(draft, () => {
        // The field may be gone by then, or more may have been typed.
        if (readDraft(name) === draft) {
          keepDraft(name, null);
        }
      });
    }
  });
  useEffect(() => settle, [settle]);
  const type = useCallback(
    (text: string) => {
      keepDraft(name, text);
      setDraft(text);
    },
    [name],
  );
  return { value: isSettled ? said : draft, type, settle };
}
