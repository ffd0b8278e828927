/** What to remember of a plugin. */
import { Form } from 'react-bootstrap';
import { useOrder } from '../../studio/contexts.ts';
import { useDraftText } from '../../ui/draft-text.ts';
import * as texts from '../texts.ts';

interface Props {
  /** Under this name what is typed is kept. */
  readonly name: string;
  readonly notes: string;
  readonly onSay: (notes: string, onStored: () => void) => void;
}

export function Notes({ name, notes, onSay }: Props) {
  const { order } = useOrder();
  const { value, type, settle } = useDraftText(name, notes, order.pending.length === 0, onSay);
  return (
    <Form.Control
      id="notes"
      as="textarea"
      rows={3}
      size="sm"
      maxLength={10_000}
      placeholder={texts.notesAboutIt}
      value={value}
      onChange={(event) => {
        type(event.target.value);
      }}
      onBlur={settle}
    />
  );
}
