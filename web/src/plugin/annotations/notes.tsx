/** What to remember of a plugin. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';

export function Notes({ notes, onSay }: { notes: string; onSay: (notes: string) => void }) {
  const [typed, setTyped] = useState(notes);
  return (
    <Form.Control
      id="notes"
      as="textarea"
      rows={3}
      size="sm"
      maxLength={10_000}
      placeholder="What to remember of it"
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value);
      }}
      onBlur={() => {
        if (typed.trim() !== notes) {
          onSay(typed);
        }
      }}
    />
  );
}
