/** Keys for a load today, once there were loads; what is learnt of them is a press away. */
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useArrangement, useCatalog, useComputer } from '../studio/contexts.ts';
import { keysQuery } from '../studio/studio-queries.ts';
import { Learnt } from './behind.ts';
import * as texts from './texts.ts';

export function KeysPerLoad() {
  const { client } = useComputer();
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  const [isOpen, setOpen] = useState(false);
  const { data } = useQuery(keysQuery(client));
  // The dialog in which all loads are forgotten stays open, to say so.
  if (!data || (data.loads === 0 && !isOpen)) {
    return null;
  }
  const { today, longest } = data;
  const hunted = longest && pluginById.get(longest.plugin);
  return (
    <p className="today text-soft">
      {today.loads === 0 ? (
        texts.nothingLoadedYetToday
      ) : (
        <>
          {texts.loadedToday(today.loads)}
          {today.keys !== null && <>{texts.keysEachOnAverage(today.keys.toFixed(1))}</>}.
        </>
      )}
      {longest && hunted && longest.keys > 4 && (
        <> {texts.theLongestHuntLatelyWasKeys(nameOf(hunted), longest.keys)}</>
      )}{' '}
      <button
        type="button"
        className="link-words"
        onClick={() => {
          setOpen(true);
        }}
      >
        {texts.whatIsRemembered}
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
