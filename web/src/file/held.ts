/**
 * What is in the air and what it is over. Each part of the screen asks for its own look of it, so
 * that of hundreds of folders a drag draws the two again that it leaves and enters.
 */
import {
  createContext,
  useContext,
  useLayoutEffect,
  useRef,
  useSyncExternalStore,
  type MouseEvent,
  type RefObject,
  type TouchEvent,
} from 'react';
import type { Dragged, DropPart, Target } from './model/drop-plan.ts';

export interface Held {
  readonly dragged: Dragged;
  readonly target: Target | null;
  readonly part: DropPart;
}

/** What an element is to a drag: a thing to take hold of, a place to let go on, or both. */
export interface DragRole {
  readonly dragged?: Dragged;
  readonly target?: Target | null;
}

/** An element with what it is, as asked for. */
export interface Found<T> {
  readonly element: Element;
  readonly what: T;
}

/** A press that may become a drag. */
export interface Press {
  readonly dragged: Dragged;
  readonly element: Element;
  readonly event: MouseEvent | TouchEvent;
}

export interface HeldStore {
  readonly subscribe: (listen: () => void) => () => void;
  readonly now: () => Held | null;
  readonly press: (press: Press) => void;
  /** The press is over before a drag came of it. */
  readonly release: () => void;
  /**
   * Gives presses to what makes drags of them; the one that stands waited for it. Until what it gives
   * back is called.
   */
  readonly takePresses: (take: (press: Press) => void) => () => void;
  /** What was pressed is in the air. */
  readonly begin: () => void;
  /** Does nothing while nothing is in the air, or when it says nothing new. */
  readonly moveOver: (target: Target | null, part: DropPart) => void;
  readonly end: () => void;
  readonly roles: WeakMap<Element, DragRole>;
}

export function createHeldStore(): HeldStore {
  const listeners = new Set<() => void>();
  let held: Held | null = null;
  let pressed: Dragged | null = null;
  let waiting: Press | null = null;
  let take: ((press: Press) => void) | null = null;
  const set = (next: Held | null): void => {
    held = next;
    for (const listen of listeners) {
      listen();
    }
  };
  return {
    subscribe: (listen) => {
      listeners.add(listen);
      return () => {
        listeners.delete(listen);
      };
    },
    now: () => held,
    press: (press) => {
      pressed = press.dragged;
      if (take) {
        take(press);
      } else {
        waiting = press;
      }
    },
    release: () => {
      waiting = null;
    },
    takePresses: (next) => {
      take = next;
      if (waiting) {
        take(waiting);
        waiting = null;
      }
      return () => {
        take = null;
      };
    },
    begin: () => {
      set(pressed && { dragged: pressed, target: null, part: 'before' });
    },
    moveOver: (target, part) => {
      if (held && !(held.part === part && isSameTarget(held.target, target))) {
        set({ ...held, target, part });
      }
    },
    end: () => {
      set(null);
    },
    roles: new WeakMap(),
  };
}

const isSameTarget = (one: Target | null, other: Target | null): boolean =>
  Object.values(one ?? {}).join(' ') === Object.values(other ?? {}).join(' ');

/** Whether that plugin is what was taken hold of there; `undefined` is the list. */
export const isTakenFrom = (held: Held | null, plugin: string, from: string | undefined): boolean =>
  held?.dragged.kind === 'plugins' && held.dragged.plugin === plugin && held.dragged.from === from;

/** The innermost element around this one, itself included, that is this to a drag. */
export function findAround<K extends keyof DragRole>(
  { roles }: Pick<HeldStore, 'roles'>,
  start: Element | null,
  asked: K,
): Found<NonNullable<DragRole[K]>> | null {
  for (let element = start; element !== null; element = element.parentElement) {
    const what = roles.get(element)?.[asked];
    if (what) {
      return { element, what };
    }
  }
  return null;
}

export const HeldContext = createContext<HeldStore>(createHeldStore());

/** What is shown of a drag; drawn again when that is something else. */
export function useHeld<T>(select: (held: Held | null) => T): T {
  const { subscribe, now } = useContext(HeldContext);
  return useSyncExternalStore(subscribe, () => select(now()));
}

/** Makes an element something to a drag. */
export function useDragRole<E extends HTMLElement>(role: DragRole): RefObject<E | null> {
  const { roles } = useContext(HeldContext);
  const ref = useRef<E>(null);
  useLayoutEffect(() => {
    if (ref.current) {
      roles.set(ref.current, role);
    }
  });
  return ref;
}
