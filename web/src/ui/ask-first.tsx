/** A button for what cannot be undone: its first press asks, the second does it. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import * as texts from './texts.ts';

interface Props {
  readonly label: string;
  /** What would be gone, as a question. */
  readonly question: string;
  readonly onSure: () => void;
  readonly size?: 'sm';
}

export function AskFirst({ label, question, onSure, size }: Props) {
  const [state, setState] = useState<'closed' | 'asking' | 'declined'>('closed');
  const sized = size ? { size } : {};
  if (state !== 'asking') {
    return (
      <Button
        {...sized}
        variant="bare"
        // Focus is where it was before the question.
        autoFocus={state === 'declined'}
        onClick={() => {
          setState('asking');
        }}
      >
        {label}
      </Button>
    );
  }
  return (
    <span
      role="group"
      aria-label={question}
      className="ask-first"
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.stopPropagation();
          setState('declined');
        }
      }}
    >
      <span>{question}</span>{' '}
      <Button
        {...sized}
        variant="danger"
        onClick={() => {
          setState('closed');
          onSure();
        }}
      >
        {label}
      </Button>{' '}
      <Button
        {...sized}
        variant="bare"
        autoFocus
        onClick={() => {
          setState('declined');
        }}
      >
        {texts.cancel}
      </Button>
    </span>
  );
}
