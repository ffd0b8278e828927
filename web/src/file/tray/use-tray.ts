/** The tray's contents: stored for this window, also over a reload. */
import { useCallback, useMemo, useState } from 'react';
import { addToTray, writeTray, readTray } from '../../annotate/stored-tray.ts';
import { useCatalog, useComputer } from '../../studio/contexts.ts';
import { useChanged } from '../../ui/use-changed.ts';

export interface TrayState {
  readonly ids: ReadonlySet<string>;
  readonly toggle: (id: string) => void;
  readonly add: (ids: readonly string[]) => void;
  readonly empty: () => void;
}

export function useTray(): TrayState {
  const { computer } = useComputer();
  const { pluginById } = useCatalog();
  const [stored, setStored] = useState<ReadonlySet<string>>(() => new Set(readTray(computer.id)));
  useChanged(stored, (now) => {
    writeTray(computer.id, now);
  });
  const ids = useMemo(
    () => new Set([...stored].filter((id) => pluginById.has(id))),
    [stored, pluginById],
  );
  const toggle = useCallback((id: string) => {
    setStored((before) => {
      const next = new Set(before);
      if (!next.delete(id)) {
        next.add(id);
      }
      return next;
    });
  }, []);
  const add = useCallback(
    (more: readonly string[]) => {
      // Written at once: undo may bring plugins back while another screen is shown.
      addToTray(computer.id, more);
      setStored((before) => new Set([...before, ...more]));
    },
    [computer.id],
  );
  const empty = useCallback(() => {
    setStored(new Set());
  }, []);
  return useMemo(() => ({ ids, toggle, add, empty }), [ids, toggle, add, empty]);
}
