/** A line of keys and what they do. */
import { memo } from 'react';
import { Kbd } from './kbd.tsx';

interface Props {
  readonly keys: readonly (readonly [keys: string, does: string])[];
}

export const KeysHint = memo(function LineOfKeys({ keys }: Props) {
  return (
    <p className="keys-hint">
      {keys.map(([key, does]) => (
        <span key={key}>
          {key.split(' ').map((k) => (
            <Kbd key={k} keys={k} />
          ))}{' '}
          {does}
        </span>
      ))}
    </p>
  );
});
