/** A line of keys and what they do. */
import { Kbd } from './kbd.tsx';

export function KeysHint({ keys }: { keys: readonly (readonly [keys: string, does: string])[] }) {
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
}
