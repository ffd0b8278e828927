/** A small form over the screen: what it asks, Cancel, and one act. */
import type { ReactNode, SyntheticEvent } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import * as texts from './texts.ts';

interface Props {
  readonly title: string;
  /** What the button says that does it. */
  readonly act: string;
  readonly onSubmit: () => void;
  readonly onClose: () => void;
  readonly children: ReactNode;
}

export function FormDialog({ title, act, onSubmit, onClose, children }: Props) {
  const submit = (event: SyntheticEvent): void => {
    event.preventDefault();
    onSubmit();
  };
  return (
    <Modal show onHide={onClose} animation={false} aria-labelledby="form-dialog-title">
      <Form onSubmit={submit}>
        <Modal.Header closeButton>
          <Modal.Title as="h1" id="form-dialog-title">
            {title}
          </Modal.Title>
        </Modal.Header>
        <Modal.Body>{children}</Modal.Body>
        <Modal.Footer>
          <Button variant="bare" onClick={onClose}>
            {texts.cancel}
          </Button>
          <Button type="submit">{act}</Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}
