/** The marks of a picture: one of them is in the order of Tab, arrows go from one to the next. */
import { useState, type KeyboardEvent, type ReactNode } from 'react';
import { markAfter } from '../model/neighbour.ts';
import { useBehind } from './behind.tsx';

/** A mark, with the plugins behind it. */
export interface Mark {
  readonly id: string;
  /** Its middle. Pixels. */
  readonly x: number;
  readonly y: number;
  /** What it says, in words. */
  readonly label: string;
  readonly plugins: readonly string[];
  readonly shape: ReactNode;
}

export function Marks({ marks }: { readonly marks: readonly Mark[] }) {
  const [reached, setReached] = useState(0);
  const { show } = useBehind();
  const at = Math.min(reached, marks.length - 1);
  const onKeyDown = (event: KeyboardEvent<SVGGElement>): void => {
    const mark = marks[at];
    if ((event.key === 'Enter' || event.key === ' ') && mark) {
      event.preventDefault();
      show(mark.label, mark.plugins);
      return;
    }
    const next = markAfter(marks, at, event.key);
    if (next !== null) {
      event.preventDefault();
      setReached(next);
      const group = event.currentTarget.querySelectorAll<SVGGElement>('[data-mark]')[next];
      group?.focus();
    }
  };
  return (
    <g onKeyDown={onKeyDown}>
      {marks.map((mark, index) => (
        <g
          key={mark.id}
          data-mark
          className="mark"
          role="button"
          tabIndex={index === at ? 0 : -1}
          aria-label={mark.label}
          onFocus={() => {
            setReached(index);
          }}
          onClick={() => {
            show(mark.label, mark.plugins);
          }}
        >
          <title>{mark.label}</title>
          {mark.shape}
        </g>
      ))}
    </g>
  );
}
