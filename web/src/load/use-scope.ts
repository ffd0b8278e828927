/** Where is looked for a slot: kept for each kind of slot. */
import { useState } from 'react';
import { slotScopes, type SlotScope } from '@clever-drawer/core/loading';
import type { CabinetSlot } from '@clever-drawer/core/order';
import { useArrangement, useComputer } from '../studio/contexts.ts';
import { useLatest } from '../ui/use-latest.ts';
import type { Finding } from './use-finding.ts';
import { useStored } from '../ui/use-stored.ts';

/** Where is looked: kept for each sort of slot. */
export function useScope(slotName: CabinetSlot, onChange: () => void) {
  const { client } = useComputer();
  const { arrangement, cabinet } = useArrangement();
  const [scopeHeld, setScope] = useStored(`load.scope.${slotName}`, 'cabinet');
  const [folderHeld, setFolder] = useStored(
    `load.folder.${client.computer}.${cabinet?.id ?? ''}.${slotName}`,
    '',
  );
  const [isForgot, setForgot] = useState(false);
  const kept = slotScopes.find((one) => one === scopeHeld) ?? 'cabinet';
  const folder = arrangement.folders.some((one) => one.id === folderHeld) ? folderHeld : null;
  const goTo = (next: string | null): void => {
    setFolder(next ?? '');
    setForgot(false);
    if (next !== null && kept === 'rest') {
      setScope('cabinet');
    }
    onChange();
  };
  const changeScope = (next: SlotScope): void => {
    setForgot(next === 'forgot');
    if (next !== 'forgot') {
      setScope(next);
      setFolder('');
    }
    onChange();
  };
  const tab = (step: 1 | -1): void => {
    changeScope(
      folder !== null || isForgot
        ? kept
        : (slotScopes[(slotScopes.indexOf(kept) + step + slotScopes.length) % slotScopes.length] ??
            'cabinet'),
    );
  };
  const walk = (step: 1 | -1, { folders }: Finding): void => {
    const ids = [null, ...folders.map((one) => one.folder.id as string)];
    goTo(ids[(ids.indexOf(folder) + step + ids.length) % ids.length] ?? null);
  };
  return {
    scope: isForgot ? ('forgot' as const) : kept,
    kept,
    folder,
    setForgot,
    goTo: useLatest(goTo),
    changeScope: useLatest(changeScope),
    tab,
    walk,
  };
}
