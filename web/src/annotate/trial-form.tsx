/** Until when plugins may be tried. */
import { useState } from 'react';
import { Form } from 'react-bootstrap';
import { useActs } from '../studio/contexts.ts';
import { FormDialog } from '../ui/form-dialog.tsx';
import { annotateAct } from './annotate.ts';
import * as texts from './texts.ts';

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
      title={texts.pluginOnTrial(plugins.length)}
      act={texts.save}
      onSubmit={submit}
      onClose={onClose}
    >
      <Form.Group controlId="trial-until">
        <Form.Label>{texts.lastDay}</Form.Label>
        <Form.Control
          autoFocus
          type="date"
          value={until}
          onChange={(event) => {
            setUntil(event.target.value);
          }}
        />
        <Form.Text className="text-soft">{texts.afterThisDateWontBe(plugins.length)}</Form.Text>
      </Form.Group>
    </FormDialog>
  );
}
