/** Where the menu of plugins opens, and what it offers there beside what it offers everywhere. */
import { useState, type MouseEvent } from 'react';

/** An entry of the menu. */
export interface MenuEntry {
  readonly words: string;
  /** The key that does the same where the plugin stands. */
  readonly keys?: string | undefined;
  /** What it opens takes the menu's place. */
  readonly opensDialog?: boolean;
  readonly run: () => void;
}

/** The keys of entries where the plugin stands; of its page null where it is shown already. */
export interface MenuKeys {
  readonly file?: string;
  readonly favour?: string;
  readonly type?: string;
  readonly tag?: string;
  readonly name?: string;
  readonly trial?: string;
  readonly page?: string | null;
}

/** The keys of a plugin in File, in its list and in a folder alike. */
export const fileKeys: MenuKeys = {
  file: 'F',
  favour: 'B',
  type: 'T',
  tag: 'L',
  name: 'N',
  page: 'I',
};

export interface MenuTarget {
  readonly plugins: readonly string[];
  /** Where in the window, in pixels. */
  readonly x: number;
  readonly y: number;
  readonly keys?: MenuKeys;
  /** What only this place offers: first of all. */
  readonly entries?: readonly MenuEntry[];
  /** What has the focus again once the menu is closed. */
  readonly from?: HTMLElement | null;
}

/** The open menu of a screen. */
export function useMenuTarget() {
  const [target, setTarget] = useState<MenuTarget | null>(null);
  return {
    target,
    open: setTarget,
    close: () => {
      setTarget(null);
      // Behind what the menu itself does with the focus.
      requestAnimationFrame(() => {
        target?.from?.focus();
      });
    },
  };
}

/** Whether a menu was asked for by mouse, pen or finger, and not by its key. */
export const isByPointer = ({ nativeEvent }: MouseEvent): boolean =>
  ((nativeEvent as Partial<PointerEvent>).pointerType ?? '') !== '';

/**
 * Where a menu opens that was asked for by mouse, or by the key, which tells no place: then below the
 * element.
 */
export function spotOf(event: MouseEvent, element: Element): { x: number; y: number } {
  const isByKey = event.clientX === 0 && event.clientY === 0;
  const box = element.getBoundingClientRect();
  return isByKey ? { x: box.left + 24, y: box.bottom } : { x: event.clientX, y: event.clientY };
}
