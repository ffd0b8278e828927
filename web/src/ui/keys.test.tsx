/** @jest-environment jsdom */
// Keys on keyboards of other layouts; what those send is from memory.
import { afterEach, describe, expect, it, jest } from '@jest/globals';
import { keyWords } from './key-words.ts';
import { chord } from './keys.ts';

const pressed = (key: string, code: string, held: KeyboardEventInit = {}): string =>
  chord(new KeyboardEvent('keydown', { key, code, ...held }));
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
  it('reaches figures that need Shift, and those that Option writes signs for', () => {
    expect(pressed('&', 'Digit1', { altKey: true })).toBe('Alt+1');
    expect(pressed('¡', 'Digit1', { altKey: true })).toBe('Alt+1');
    expect(pressed('Dead', 'KeyN', { altKey: true })).toBe('Alt+N');
    // A sign typed by itself stays what it is.
    expect(pressed('/', 'Digit7', { shiftKey: true })).toBe('/');
    expect(pressed('é', 'Digit2')).toBe('É');
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
