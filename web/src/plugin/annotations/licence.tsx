/** Whether it may be used, and until when. */
import { Form } from 'react-bootstrap';
import { licenceStates, type LicenceState } from '@clever-drawer/core/catalog';
import type { FieldProps } from './field.ts';
import * as texts from '../texts.ts';

export function Licence({ said, onSay }: Omit<FieldProps, 'plugin'>) {
  const state = said.licence?.state ?? '';
  return (
    <>
      <Form.Select
        id="licence"
        size="sm"
        value={state}
        onChange={(event) => {
          const next = event.target.value;
          onSay({ licence: next === '' ? null : { state: next as LicenceState, until: null } });
        }}
      >
        <option value="">{texts.unknown}</option>
        {licenceStates.map((one) => (
          <option key={one} value={one}>
            {one}
          </option>
        ))}
      </Form.Select>
      {state === 'trial' && <TrialEnd said={said} onSay={onSay} />}
    </>
  );
}

function TrialEnd({ said, onSay }: Omit<FieldProps, 'plugin'>) {
  return (
    <Form.Control
      type="date"
      size="sm"
      aria-label={texts.lastDayOfTheTrial}
      value={said.licence?.until ?? ''}
      onChange={(event) => {
        const until = event.target.value === '' ? null : event.target.value;
        onSay({ licence: { state: 'trial', until } });
      }}
    />
  );
}
