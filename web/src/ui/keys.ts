/** Keys: what is listened for, and when typing has the right of way. */
import { useLayoutEffect, useRef } from 'react';
import { isMac } from './key-words.ts';

/** Whether letters typed now belong to a field or to a dialog. */
export function isTyping(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName))
  );
}

/** What a field does with its own text. */
const fieldsOwn = new Set(['Ctrl+Z', 'Ctrl+Shift+Z', 'Ctrl+Y']);

/** Whether a field takes back or repeats typing of its own; an empty one has nothing to take back. */
const isOfField = ({ target }: KeyboardEvent, keys: string): boolean =>
  fieldsOwn.has(keys) &&
  isTyping(target) &&
  !(
    (target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement) &&
    target.value === ''
  );

/** Whether Enter or Space presses a focused button or link, which then has the right of way. */
const isPressing = (event: KeyboardEvent): boolean =>
  (event.key === 'Enter' || event.key === ' ') &&
  event.target instanceof HTMLElement &&
  event.target.closest('button, a[href]') !== null;

/** Whether a dialog or menu is open, which keeps the screen's own keys quiet. */
export const isDialogOpen = (): boolean =>
  document.querySelector('.modal.show, .dropdown-menu.show') !== null;

/** Set on the page while something is dragged: Escape then lets go of it and does nothing else. */
const dragMark = 'dragging';

export const markDragging = (isDragging: boolean): void => {
  document.body.toggleAttribute(`data-${dragMark}`, isDragging);
};

const isDragging = (): boolean => document.body.hasAttribute(`data-${dragMark}`);

type KeyPressed = Pick<
  KeyboardEvent,
  'key' | 'code' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey' | 'target'
>;

/**
 * The key as it is written on a keyboard of Latin letters. What writes other letters, signs of
 * Option on macOS, and digits that are only reached with Shift (AZERTY) go by their place. A layout
 * may write "/" or "?" there, which are keys of their own.
 */
function latinKey({ key, code, ctrlKey, metaKey, altKey, shiftKey }: KeyPressed): string {
  const place = /^(?:Key([A-Z])|Digit(\d))$/.exec(code);
  const isWithOther = ctrlKey || metaKey || altKey;
  const isForeign = key === 'Dead' || (key.length === 1 && !/[ -~]/.test(key));
  const [, letter, digit] = place ?? [];
  const isDigit = isWithOther || (!shiftKey && key !== '/' && key !== '?');
  if (isDigit && digit !== undefined) {
    return digit;
  }
  return isForeign && letter !== undefined ? letter : key;
}

function keyName(key: string): string {
  if (key === ' ') {
    return 'Space';
  }
  return key.length === 1 ? key.toUpperCase() : key;
}

/** Whether the key only changes what others mean, and by itself says nothing. */
export const isModifier = (key: string): boolean =>
  ['Shift', 'Control', 'Alt', 'Meta'].includes(key);

/**
 * The keys of an event as one text: "Ctrl+Shift+Z", "Alt+1", "F". Command counts as Ctrl; where
 * nobody types, Backspace removes on macOS, whose keyboards have no Delete.
 */
export function chord(pressed: KeyboardEvent | React.KeyboardEvent): string {
  const event: KeyPressed = 'nativeEvent' in pressed ? pressed.nativeEvent : pressed;
  const latin = latinKey(event);
  const isRemoving = isMac() && latin === 'Backspace' && !isTyping(event.target);
  const key = isRemoving ? 'Delete' : keyName(latin);
  const shift = event.shiftKey && (latin.length > 1 || /[a-z]/i.test(latin));
  return `${event.ctrlKey || event.metaKey ? 'Ctrl+' : ''}${event.altKey ? 'Alt+' : ''}${shift ? 'Shift+' : ''}${key}`;
}

type KeyHandler = (event: KeyboardEvent) => void;

/**
 * Listens on the whole window. Keys without Ctrl or Alt stay quiet while somebody types or a dialog is open.
 * The handlers may change with each rendering.
 */
export function useKeys(handlers: Readonly<Record<string, KeyHandler>>): void {
  const latest = useRef(handlers);
  useLayoutEffect(() => {
    latest.current = handlers;
  });
  // With what is drawn: a key that comes as soon as it is seen is heard.
  useLayoutEffect(() => {
    // Escape closes a dialog or ends a drag before the key comes here: what counts is what was so when it was pressed.
    let wasOpen = false;
    const handlerOf = (event: KeyboardEvent): KeyHandler | undefined => {
      const isPlain = !event.ctrlKey && !event.metaKey && !event.altKey;
      if (isPlain && (isTyping(event.target) || isPressing(event))) {
        return undefined;
      }
      const keys = chord(event);
      return isOfField(event, keys) ? undefined : latest.current[keys];
    };
    // Letters of a field are asked of nothing else: looking for dialogs takes as long as finding.
    const note = (event: KeyboardEvent): void => {
      wasOpen = handlerOf(event) !== undefined && (isDialogOpen() || isDragging());
    };
    const listen = (event: KeyboardEvent): void => {
      const handler = event.defaultPrevented ? undefined : handlerOf(event);
      if (!handler || wasOpen || isDialogOpen()) {
        return;
      }
      event.preventDefault();
      handler(event);
    };
    window.addEventListener('keydown', note, { capture: true });
    window.addEventListener('keydown', listen);
    return () => {
      window.removeEventListener('keydown', note, { capture: true });
      window.removeEventListener('keydown', listen);
    };
  }, []);
}

/** A choice kept in this browser. */
export function readStored(name: string, otherwise: string): string {
  try {
    return localStorage.getItem(`clever-drawer.${name}`) ?? otherwise;
  } catch {
    return otherwise;
  }
}
export function writeStored(name: string, value: string): void {
  try {
    localStorage.setItem(`clever-drawer.${name}`, value);
  } catch {
    // Private windows may refuse; the choice then lasts as long as the page.
  }
}
