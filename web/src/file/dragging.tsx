/**
 * Dragging: plugins onto folders, folders among themselves, plugins within a folder. What carries
 * them is fetched when the window is idle, or by the first press.
 */
import { useCallback, useState, type MouseEvent, type ReactNode, type TouchEvent } from 'react';
import { fetchedLater } from '../ui/fetched-later.tsx';
import type { CarrierProps } from './carrier.tsx';
import { createHeldStore, findAround, HeldContext } from './held.ts';

/** What stands there until it is fetched, and if it cannot be: the screen does without it. */
const Nothing = (): null => null;
const Carrier = fetchedLater<CarrierProps>(
  async () => (await import('./carrier.tsx')).Carrier,
  'at once',
  Nothing,
);

interface Props extends CarrierProps {
  /** All in which something can be dragged; the same object while only the others change. */
  readonly children: ReactNode;
}

export function Dragging({ children, ...rest }: Props) {
  const [store] = useState(createHeldStore);
  const [isPressed, setPressed] = useState(false);
  const press = useCallback(
    (event: MouseEvent | TouchEvent): void => {
      const found = findAround(store, event.target as Element, 'dragged');
      if (found) {
        store.press({ dragged: found.what, element: found.element, event });
        setPressed(true);
      }
    },
    [store],
  );
  return (
    <HeldContext value={store}>
      <div
        className="handles"
        onMouseDown={press}
        onTouchStart={press}
        onMouseUp={store.release}
        onTouchEnd={store.release}
      >
        {children}
      </div>
      {isPressed && <Carrier {...rest} />}
    </HeldContext>
  );
}
