/** What is learnt of loading: keys for a load over time. It can be switched off, and wiped. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { fetchedLater } from '../ui/fetched-later.tsx';

const Learnt = fetchedLater(async () => (await import('./learnt.tsx')).Learnt);

export function KeysPerLoad() {
  const { client } = useComputer();
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  const [isOpen, setOpen] = useState(false);
  const { data } = useQuery({ queryKey: ['keys', client.computer], queryFn: client.keys });
  if (!data) {
    return null;
  }
  const { today, longest } = data;
  const hunted = longest && pluginById.get(longest.plugin);
  return (
    <p className="today text-soft">
      {today.loads === 0 ? (
        'Nothing loaded yet today.'
      ) : (
        <>
          Loaded today: {today.loads === 1 ? '1 plugin' : `${today.loads} plugins`}
          {today.keys !== null && <>, {today.keys.toFixed(1)} keys each on average</>}.
        </>
      )}
      {longest && hunted && longest.keys > 4 && (
        <>
          {' '}
          The longest hunt lately was “{nameOf(hunted)}”, {longest.keys} keys.
        </>
      )}{' '}
      <button
        type="button"
        className="link-words"
        onClick={() => {
          setOpen(true);
        }}
      >
        What is learnt
      </button>
      {isOpen && (
        <Learnt
          keys={data}
          onClose={() => {
            setOpen(false);
          }}
        />
      )}
    </p>
  );
}
