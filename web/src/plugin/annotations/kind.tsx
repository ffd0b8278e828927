/** Effect, instrument, note effect or tool. */
import { Form } from 'react-bootstrap';
import { kinds, type Kind } from '@clever-drawer/core';
import type { FieldProps } from './field.ts';
import { TakeBack } from './take-back.tsx';

const names: Readonly<Record<Kind, string>> = {
  effect: 'Effect',
  instrument: 'Instrument',
  'note-effect': 'Note effect',
  tool: 'Tool',
  unknown: 'Not known',
};

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
            {names[kind]}
          </option>
        ))}
      </Form.Select>
      {said.kind !== null && (
        <TakeBack
          what="kind"
          onPress={() => {
            onSay({ kind: null });
          }}
        />
      )}
    </>
  );
}
