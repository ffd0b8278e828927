/** Until when plugins may be tried. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { plural } from '@clever-drawer/core';
import { useActs } from '../studio/contexts.ts';
import { FormDialog } from '../ui/form-dialog.tsx';
import { annotateAct } from './annotate.ts';

export interface TrialProps {
  readonly plugins: readonly string[];
  readonly onClose: () => void;
}

export function TrialForm({ plugins, onClose }: TrialProps) {
  const { act } = useActs();
  const [until, setUntil] = useState('');
  const submit = (): void => {
    const licence = { state: 'trial', until: until === '' ? null : until } as const;
    if (act(annotateAct(plugins, { licence }))) {
      onClose();
    }
  };
  return (
    <FormDialog
      title={`${plural(plugins.length, 'plugin')} on trial`}
      act="Say so"
      onSubmit={submit}
      onClose={onClose}
    >
      <Form.Group controlId="trial-until">
        <Form.Label>Last day</Form.Label>
        <Form.Control
          autoFocus
          type="date"
          value={until}
          onChange={(event) => {
            setUntil(event.target.value);
          }}
        />
        <Form.Text className="text-soft">
          Behind that day {plugins.length === 1 ? 'it is' : 'they are'} no longer offered while
          loading. A day that is past says that the trial has ended; empty: no day is known.
        </Form.Text>
      </Form.Group>
    </FormDialog>
  );
}
