/** The dots of a row that open its menu, for the mouse: keys have the menu key. */
import { MoreHorizontal } from 'lucide-react';
import type { MouseEvent } from 'react';

export function MoreDots({ onPress }: { readonly onPress: (event: MouseEvent) => void }) {
  return (
    <span
      className="more-dots"
      aria-hidden
      onClick={(event) => {
        event.stopPropagation();
        onPress(event);
      }}
      onDoubleClick={(event) => {
        event.stopPropagation();
      }}
    >
      <MoreHorizontal size={16} />
    </span>
  );
}
