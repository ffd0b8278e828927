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
  let isPressing = false;
  const listen = (event: KeyboardEvent): void => {
    if (!isPressing && isHeld(event)) {
      event.preventDefault();
      event.stopImmediatePropagation();
      keys.push(event.key);
    }
  };
  window.addEventListener('keydown', listen, { capture: true });
  const stop = (): void => {
    window.removeEventListener('keydown', listen, { capture: true });
  };
  // One a frame after the other, so that each sees what the one before it changed; what is pressed
  // meanwhile comes behind them.
  const pressNext = (field: HTMLInputElement): void => {
    const key = field.isConnected ? keys.shift() : undefined;
    if (key === undefined) {
      stop();
      return;
    }
    isPressing = true;
    press(field, key);
    isPressing = false;
    requestAnimationFrame(() => {
      pressNext(field);
    });
  };
  const release = (frames: number): void => {
    const field = document.activeElement;
    if (!(field instanceof HTMLInputElement) && frames > 0) {
      requestAnimationFrame(() => {
        release(frames - 1);
      });
      return;
    }
    if (field instanceof HTMLInputElement) {
      pressNext(field);
    } else {
      stop();
    }
  };
  return () => {
    release(patience);
  };
}
