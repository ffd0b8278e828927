/**
 * A word or button that opens a menu. Until it is first pressed it is only a button: what places and
 * walks a menu is fetched when the window is idle, or by that press.
 */
import { useState } from 'react';
import { fetchedLater } from './fetched-later.tsx';
import type { MenuProps } from './open-menu.tsx';

interface ClosedProps extends MenuProps {
  readonly onOpen: () => void;
}

function Closed({ as: Box = 'div', boxClass = '', className, ...props }: ClosedProps) {
  const { label, children, onOpen } = props;
  return (
    <Box className={`dropdown ${boxClass}`}>
      <button
        type="button"
        className={`dropdown-toggle ${className}`}
        aria-label={label}
        aria-expanded={false}
        onClick={onOpen}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') {
            event.preventDefault();
            onOpen();
          }
        }}
      >
        {children}
      </button>
    </Box>
  );
}

const OpenMenu = fetchedLater<ClosedProps>(
  async () => (await import('./open-menu.tsx')).OpenMenu,
  'at once',
  Closed,
);

export function Menu(props: MenuProps) {
  const [presses, setPresses] = useState(0);
  const open = (): void => {
    setPresses((before) => before + 1);
  };
  // Made anew by a press that comes before it is there, which so tries again what failed.
  const Shown = presses > 0 ? OpenMenu : Closed;
  return <Shown key={presses} {...props} onOpen={open} />;
}
