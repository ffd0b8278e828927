/** Effect, instrument, note effect or tool. */
import { Form } from 'react-bootstrap';
import { kinds, type Kind, kindWords } from '@clever-drawer/core/catalog';
import type { FieldProps } from './field.ts';
import { TakeBack } from './take-back.tsx';
import * as texts from '../texts.ts';

export function KindField({ plugin, said, onSay }: FieldProps) {
  const offered = kinds.filter((kind) => kind !== 'unknown' || plugin.kind === 'unknown');
  return (
    <>
      <Form.Select
        id="kind"
        size="sm"
        value={plugin.kind}
        onChange={(event) => {
          onSay({ kind: event.target.value as Kind });
        }}
      >
        {offered.map((kind) => (
          <option key={kind} value={kind}>
            {kindWords[kind].title}
          </option>
        ))}
      </Form.Select>
      {said.kind !== null && (
        <TakeBack
          what={texts.kind}
          onPress={() => {
            onSay({ kind: null });
          }}
        />
      )}
    </>
  );
}
