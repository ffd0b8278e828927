/** Questions put off: they come after all others, also after a reload. */
import { useCallback, useState } from 'react';
import { useComputer } from '../studio/contexts.ts';
import { remember, remembered } from '../ui/keys.ts';

/** The most that is remembered; the oldest come back first. */
const most = 2_000;

export function useLater(): { later: ReadonlySet<string>; putOff: (id: string) => void } {
  const { computer } = useComputer();
  const name = `later.${computer.id}`;
  const [later, setLater] = useState<ReadonlySet<string>>(
    () =>
      new Set(
        remembered(name, '')
          .split('\n')
          .filter((id) => id !== ''),
      ),
  );
  const putOff = useCallback(
    (id: string) => {
      setLater((before) => {
        // Put off again, it goes to the end.
        const after = [...[...before].filter((other) => other !== id), id].slice(-most);
        remember(name, after.join('\n'));
        return new Set(after);
      });
    },
    [name],
  );
  return { later, putOff };
}
