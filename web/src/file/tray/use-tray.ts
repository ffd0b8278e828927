/** The tray's contents: kept for this window, also over a reload. */
import { useCallback, useMemo, useState } from 'react';
import { addToTray, keepTray, readTray } from '../../annotate/kept-tray.ts';
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
  const [kept, setKept] = useState<ReadonlySet<string>>(() => new Set(readTray(computer.id)));
  useChanged(kept, (now) => {
    keepTray(computer.id, now);
  });
  const ids = useMemo(
    () => new Set([...kept].filter((id) => pluginById.has(id))),
    [kept, pluginById],
  );
  const toggle = useCallback((id: string) => {
    setKept((before) => {
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
      setKept((before) => new Set([...before, ...more]));
    },
    [computer.id],
  );
  const empty = useCallback(() => {
    setKept(new Set());
  }, []);
  return useMemo(() => ({ ids, toggle, add, empty }), [ids, toggle, add, empty]);
}
