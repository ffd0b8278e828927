/** Until when plugins may be tried. */
import { useState, type SyntheticEvent } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { plural } from '@clever-drawer/core';
import { useActs } from '../studio/contexts.ts';
import { annotateAct } from './annotate.ts';

export interface TrialProps {
  readonly plugins: readonly string[];
  readonly onClose: () => void;
}

export function TrialForm({ plugins, onClose }: TrialProps) {
  const { act } = useActs();
  const [until, setUntil] = useState('');
  const submit = (event: SyntheticEvent): void => {
    event.preventDefault();
    const licence = { state: 'trial', until: until === '' ? null : until } as const;
    if (act(annotateAct(plugins, { licence }))) {
      onClose();
    }
  };
  return (
    <Modal show onHide={onClose} animation={false} aria-labelledby="trial-title">
      <Form onSubmit={submit}>
        <Modal.Header closeButton>
          <Modal.Title as="h1" id="trial-title">
            {plural(plugins.length, 'plugin')} on trial
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>
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
        </Modal.Body>
        <Modal.Footer>
          <Button variant="bare" onClick={onClose}>
            Cancel
          </Button>
          <Button type="submit">Say so</Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
