/**
 * Keys that are pressed while a dialog is still being fetched: they are held, so that they neither do
 * something elsewhere nor are lost, and given to its field once that is there.
 */

/** The longest that the field is waited for, in frames. */
const patience = 60;

const isHeld = ({ key, ctrlKey, metaKey, altKey }: KeyboardEvent): boolean =>
  !ctrlKey && !metaKey && !altKey && (key.length === 1 || key === 'Enter' || key === 'Backspace');

/** Types a text into a field as a hand would: React hears of it. */
function write(field: HTMLInputElement, text: string): void {
  // React gives fields a setter of its own; the one of the page is below it.
  const own = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value');
  own?.set?.call(field, text);
  field.dispatchEvent(new Event('input', { bubbles: true }));
}

function press(field: HTMLInputElement, key: string): void {
  if (key === 'Backspace') {
    write(field, field.value.slice(0, -1));
  } else if (key !== 'Enter') {
    write(field, field.value + key);
  } else if (
    field.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
  ) {
    field.form?.requestSubmit();
  }
}

/** Begins to hold keys. The returned act ends that, once a field has the focus. */
export function holdKeys(): () => void {
  const keys: string[] = [];
  const listen = (event: KeyboardEvent): void => {
    if (isHeld(event)) {
      event.preventDefault();
      event.stopImmediatePropagation();
      keys.push(event.key);
    }
  };
  window.addEventListener('keydown', listen, { capture: true });
  const release = (frames: number): void => {
    const field = document.activeElement;
    if (!(field instanceof HTMLInputElement) && frames > 0) {
      requestAnimationFrame(() => {
        release(frames - 1);
      });
      return;
    }
    window.removeEventListener('keydown', listen, { capture: true });
    if (field instanceof HTMLInputElement) {
      pressAll(field, keys);
    }
  };
  return () => {
    release(patience);
  };
}

/** One a frame after the other, so that each sees what the one before it changed. */
function pressAll(field: HTMLInputElement, [key, ...rest]: readonly string[]): void {
  if (key === undefined) {
    return;
  }
  press(field, key);
  requestAnimationFrame(() => {
    pressAll(field, rest);
  });
}
