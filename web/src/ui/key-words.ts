/** How keys are written: as they stand on the keyboard of the system. */

/** Whether the browser runs on macOS or an iPad with its keyboard. */
export const isMac = (): boolean => /^(Mac|iP)/.test(navigator.platform);

const onMac: Readonly<Record<string, string>> = {
  Ctrl: '⌘',
  Alt: '⌥',
  Shift: '⇧',
  Delete: '⌫',
};

/**
 * "Ctrl+Shift+Z" as the keyboard at hand has it. The system takes Command+H for itself; there Control
 * stays.
 */
export function keyWords(keys: string, mac = isMac()): string {
  if (!mac || keys === 'Ctrl+H') {
    return keys;
  }
  return keys.replace(/Ctrl|Alt|Shift|Delete/g, (word) => onMac[word] ?? word).replaceAll('+', '');
}
