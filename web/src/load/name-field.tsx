/** The name of something new, in a dialog: the field in which one types at once. */
import type { ReactNode } from 'react';
import { Form } from 'react-bootstrap';
import { nameLength } from '@clever-drawer/core/acts';
import * as texts from './texts.ts';

interface Props {
  readonly id: string;
  readonly name: string;
  readonly setName: (name: string) => void;
  /** What stands there is marked, so that typing replaces it. */
  readonly isReplaced?: boolean;
  readonly isInvalid?: boolean;
  readonly className?: string;
  /** What is said below it. */
  readonly children: ReactNode;
}

export function NameField(props: Props) {
  return (
    <Form.Group controlId={props.id} className={props.className}>
      <Form.Label>{texts.name}</Form.Label>
      <Form.Control
        autoFocus
        autoComplete="off"
        maxLength={nameLength}
        value={props.name}
        onFocus={(event) => {
          if (props.isReplaced) {
            event.target.select();
          }
        }}
        onChange={(event) => {
          props.setName(event.target.value);
        }}
        isInvalid={props.isInvalid}
      />
      {props.children}
    </Form.Group>
  );
}
