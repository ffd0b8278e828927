/**
 * What is dragged and what it is over. Each part of the screen asks for its own look of it, so that of
 * hundreds of folders a drag draws the two again that it leaves and enters.
 */
import {
  createContext,
  useContext,
  useLayoutEffect,
  useRef,
  useSyncExternalStore,
  type RefObject,
} from 'react';
import type { Dragged, DropPart, Target } from '../model/drop-plan.ts';

export interface Drag {
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

export interface DragStore {
  readonly subscribe: (listen: () => void) => () => void;
  readonly now: () => Drag | null;
  readonly begin: (dragged: Dragged) => void;
  /** Does nothing while nothing is dragged, or when it says nothing new. */
  readonly moveOver: (target: Target | null, part: DropPart) => void;
  readonly end: () => void;
  readonly roles: WeakMap<Element, DragRole>;
}

export function createDragStore(): DragStore {
  const listeners = new Set<() => void>();
  let drag: Drag | null = null;
  const set = (next: Drag | null): void => {
    drag = next;
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
    now: () => drag,
    begin: (dragged) => {
      set({ dragged, target: null, part: 'before' });
    },
    moveOver: (target, part) => {
      if (drag && !(drag.part === part && isSameTarget(drag.target, target))) {
        set({ ...drag, target, part });
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
export const isTakenFrom = (drag: Drag | null, plugin: string, from: string | undefined): boolean =>
  drag?.dragged.kind === 'plugins' &&
  drag.dragged.from === from &&
  (drag.dragged.plugin === plugin || (drag.dragged.along?.plugins.includes(plugin) ?? false));

/** The innermost element around this one, itself included, that is this to a drag. */
export function findAround<K extends keyof DragRole>(
  { roles }: Pick<DragStore, 'roles'>,
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

export const DragContext = createContext<DragStore>(createDragStore());

/** What is shown of a drag; drawn again when that is something else. */
export function useDrag<T>(select: (drag: Drag | null) => T): T {
  const { subscribe, now } = useContext(DragContext);
  return useSyncExternalStore(subscribe, () => select(now()));
}

/** Makes an element something to a drag. */
export function useDragRole<E extends HTMLElement>(role: DragRole): RefObject<E | null> {
  const { roles } = useContext(DragContext);
  const ref = useRef<E>(null);
  useLayoutEffect(() => {
    if (ref.current) {
      roles.set(ref.current, role);
    }
  });
  return ref;
}
