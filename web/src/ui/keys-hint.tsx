/** A line of keys and what they do. */
export function KeysHint({ keys }: { keys: readonly (readonly [keys: string, does: string])[] }) {
  return (
    <p className="keys-hint">
      {keys.map(([key, does]) => (
        <span key={key}>
          {key.split(' ').map((k) => (
            <kbd key={k}>{k}</kbd>
          ))}{' '}
          {does}
        </span>
      ))}
    </p>
  );
}
