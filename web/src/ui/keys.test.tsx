/** @jest-environment jsdom */
// Keys on keyboards of other layouts; what those send is from memory.
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { cleanup, renderHook } from '@testing-library/react';
import { keyWords } from './key-words.ts';
import { chord, markDragging, writeStored, readStored, useKeys } from './keys.ts';

const pressed = (key: string, code: string, modifiers: KeyboardEventInit = {}): string =>
  chord(new KeyboardEvent('keydown', { key, code, ...modifiers }));
const onMac = (): void => {
  jest.spyOn(navigator, 'platform', 'get').mockReturnValue('MacIntel');
};
afterEach(() => {
  jest.restoreAllMocks();
});

describe('chord', () => {
  it('goes by the letter where it is a Latin one', () => {
    expect(pressed('f', 'KeyF')).toBe('F');
    expect(pressed('z', 'KeyW', { ctrlKey: true })).toBe('Ctrl+Z');
    expect(pressed('Z', 'KeyZ', { ctrlKey: true, shiftKey: true })).toBe('Ctrl+Shift+Z');
  });
  it('goes by the place where the layout writes other letters', () => {
    expect(pressed('а', 'KeyF')).toBe('F');
    expect(pressed('я', 'KeyZ', { ctrlKey: true })).toBe('Ctrl+Z');
    expect(pressed('Т', 'KeyN', { shiftKey: true })).toBe('Shift+N');
  });
  it('reaches digits that need Shift, and those that Option writes signs for', () => {
    expect(pressed('&', 'Digit1', { altKey: true })).toBe('Alt+1');
    expect(pressed('¡', 'Digit1', { altKey: true })).toBe('Alt+1');
    expect(pressed('Dead', 'KeyN', { altKey: true })).toBe('Alt+N');
    // A sign typed by itself stays what it is.
    expect(pressed('/', 'Digit7', { shiftKey: true })).toBe('/');
    expect(pressed('é', 'Digit2')).toBe('2');
    expect(pressed('&', 'Digit1')).toBe('1');
    expect(pressed('!', 'Digit1', { shiftKey: true })).toBe('!');
    expect(pressed('/', 'Digit9')).toBe('/');
  });
  it('lets Backspace remove on macOS where nobody types', () => {
    expect(pressed('Backspace', 'Backspace')).toBe('Backspace');
    onMac();
    expect(pressed('Backspace', 'Backspace')).toBe('Delete');
    expect(pressed('z', 'KeyZ', { metaKey: true })).toBe('Ctrl+Z');
  });
});

describe('keys in words', () => {
  it('are those of the keyboard at hand', () => {
    expect(keyWords('Ctrl+Shift+Z', false)).toBe('Ctrl+Shift+Z');
    expect(keyWords('Ctrl+Shift+Z', true)).toBe('⌘⇧Z');
    expect(keyWords('Alt+←', true)).toBe('⌥←');
    expect(keyWords('Ctrl+H', true)).toBe('Ctrl+H');
    onMac();
    expect(keyWords('Delete')).toBe('⌫');
  });
});

describe('keys of a screen', () => {
  /** Keys that are noted as they are pressed; what is pressed goes to the focused element or the page. */
  function listening(...keys: readonly string[]) {
    const heard: string[] = [];
    const handlers = Object.fromEntries(keys.map((key) => [key, () => heard.push(key)]));
    const { unmount } = renderHook(() => {
      useKeys(handlers);
    });
    const press = (key: string, init: KeyboardEventInit = {}): boolean => {
      const event = new KeyboardEvent('keydown', {
        key,
        bubbles: true,
        cancelable: true,
        ...init,
      });
      (document.activeElement ?? document.body).dispatchEvent(event);
      return event.defaultPrevented;
    };
    return { heard, press, unmount };
  }
  /** Puts something on the page and the focus on it. */
  function focused<E extends HTMLElement>(element: E): E {
    document.body.append(element);
    element.focus();
    return element;
  }
  const field = (value = ''): HTMLInputElement =>
    focused(Object.assign(document.createElement('input'), { value }));
  afterEach(() => {
    cleanup();
    document.body.replaceChildren();
    markDragging(false);
  });

  it('are heard and taken from the browser, as long as the screen is there', () => {
    const { heard, press, unmount } = listening('F');
    expect([press('f'), press('g'), heard]).toEqual([true, false, ['F']]);
    unmount();
    press('f');
    expect(heard).toEqual(['F']);
  });
  it('leave letters to a field, but not what is pressed with Ctrl', () => {
    const { heard, press } = listening('F', 'Ctrl+K');
    field();
    expect([press('f'), press('k', { ctrlKey: true }), heard]).toEqual([false, true, ['Ctrl+K']]);
  });
  it('leave undo to a field that has something to take back, and to no empty one', () => {
    const { heard, press } = listening('Ctrl+Z');
    const typed = field('slu');
    press('z', { ctrlKey: true });
    expect(heard).toEqual([]);
    typed.value = '';
    press('z', { ctrlKey: true });
    expect(heard).toEqual(['Ctrl+Z']);
  });
  it('leave Enter and Space to a focused button', () => {
    const { heard, press } = listening('Enter', 'Space', 'F');
    focused(document.createElement('button'));
    press('Enter');
    press(' ');
    press('f');
    expect(heard).toEqual(['F']);
  });
  it('are quiet while a dialog or a menu is open, and for the key that closes it', () => {
    const { heard, press } = listening('Escape', 'Ctrl+K');
    const dialog = document.createElement('div');
    dialog.className = 'modal show';
    document.body.append(dialog);
    dialog.tabIndex = -1;
    dialog.focus();
    dialog.addEventListener('keydown', () => {
      dialog.classList.remove('show');
    });
    press('Escape');
    expect(heard).toEqual([]);
    press('Escape');
    expect(heard).toEqual(['Escape']);
  });
  it('are quiet while something is dragged', () => {
    const { heard, press } = listening('Escape');
    markDragging(true);
    press('Escape');
    markDragging(false);
    expect(heard).toEqual([]);
  });
  it('leave alone what was taken already', () => {
    const { heard, press } = listening('F');
    const taking = focused(document.createElement('div'));
    taking.tabIndex = -1;
    taking.focus();
    taking.addEventListener('keydown', (event) => {
      event.preventDefault();
    });
    press('f');
    expect(heard).toEqual([]);
  });
});

describe('a choice of this browser', () => {
  afterEach(() => {
    localStorage.clear();
  });
  it('is kept, each by its name', () => {
    writeStored('theme', 'dusk');
    expect([readStored('theme', 'day'), readStored('other', 'day')]).toEqual(['dusk', 'day']);
  });
  it('is what it is otherwise where the browser keeps nothing', () => {
    jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('refused');
    });
    jest.spyOn(Storage.prototype, 'getItem').mockImplementation(() => {
      throw new Error('refused');
    });
    writeStored('theme', 'dusk');
    expect(readStored('theme', 'day')).toBe('day');
  });
});
