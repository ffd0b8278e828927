/**
 * Dragging: plugins onto folders, folders among themselves, plugins within a folder. What carries
 * them is drawn with the first press.
 */
import { useCallback, useState, type MouseEvent, type ReactNode, type TouchEvent } from 'react';
import { Carrier, type CarrierProps } from './carrier.tsx';
import { createHeldStore, findAround, HeldContext } from './held.ts';

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
