/** The tray's contents: kept for this window, also over a reload. */
import { useCallback, useEffect, useMemo, useState } from 'react';
import { useCatalog, useComputer } from '../studio/contexts.ts';

export interface TrayState {
  readonly ids: ReadonlySet<string>;
  readonly toggle: (id: string) => void;
  readonly add: (ids: readonly string[]) => void;
  readonly empty: () => void;
}

const read = (name: string): string[] => {
  try {
    const kept: unknown = JSON.parse(sessionStorage.getItem(name) ?? '[]');
    return Array.isArray(kept) ? kept.filter((id): id is string => typeof id === 'string') : [];
  } catch {
    return [];
  }
};

export function useTray(): TrayState {
  const { computer } = useComputer();
  const { pluginById } = useCatalog();
  const name = `clever-drawer.tray.${computer.id}`;
  const [kept, setKept] = useState<ReadonlySet<string>>(() => new Set(read(name)));
  useEffect(() => {
    sessionStorage.setItem(name, JSON.stringify([...kept]));
  }, [name, kept]);
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
      sessionStorage.setItem(name, JSON.stringify([...new Set([...read(name), ...more])]));
      setKept((before) => new Set([...before, ...more]));
    },
    [name],
  );
  const empty = useCallback(() => {
    setKept(new Set());
  }, []);
  return { ids, toggle, add, empty };
}
