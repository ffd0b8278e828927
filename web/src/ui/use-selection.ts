/** Which rows of a list are selected: click, Shift, Ctrl, and the same by keys. */
import { useState } from 'react';

export interface Selection {
  readonly ids: ReadonlySet<string>;
  readonly active: string | null;
  /** Makes a row the active one: where a run begins stays, as a press with Shift focuses first. */
  readonly aim: (id: string) => void;
  readonly press: (id: string, isRun: boolean, isOneMore: boolean) => void;
  /** Moves the active row; with `isRun` what is passed is selected. Gives the new position. */
  readonly move: (by: number, isRun?: boolean) => number;
  readonly toggleActive: () => void;
  readonly all: () => void;
  readonly clear: () => void;
}

/** `order` has the rows' ids as they stand. */
export function useSelection(order: readonly string[]): Selection {
  const [{ kept, active, start }, set] = useState<{
    kept: ReadonlySet<string>;
    active: string | null;
    start: string | null;
  }>({ kept: new Set(), active: null, start: null });
  const ids = new Set(order.filter((id) => kept.has(id)));
  const run = (from: string | null, to: string): string[] => {
    const [a, b] = [
      from === null ? order.indexOf(to) : order.indexOf(from),
      order.indexOf(to),
    ].sort((x, y) => x - y) as [number, number];
    return order.slice(Math.max(0, a), b + 1);
  };
  const toggled = (id: string): Set<string> => {
    const next = new Set(ids);
    if (!next.delete(id)) {
      next.add(id);
    }
    return next;
  };
  const pressed = (id: string, isOneMore: boolean): ReadonlySet<string> => {
    if (isOneMore) {
      return toggled(id);
    }
    return ids.size === 1 && ids.has(id) ? new Set() : new Set([id]);
  };
  return {
    ids,
    active,
    aim: (id) => {
      // What a key just selected, focusing another row, is not known here yet.
      set((now) => (now.active === id ? now : { ...now, active: id }));
    },
    press: (id, isRun, isOneMore) => {
      set({
        active: id,
        start: isRun ? start : id,
        kept: isRun ? new Set([...ids, ...run(start, id)]) : pressed(id, isOneMore),
      });
    },
    move: (by, isRun = false) => {
      const at = active === null ? -1 : order.indexOf(active);
      const to = Math.max(0, Math.min(order.length - 1, at + by));
      const id = order[to] ?? null;
      set({
        active: id,
        start: isRun ? (start ?? active ?? id) : id,
        kept: isRun && id !== null ? new Set([...ids, ...run(start ?? active, id)]) : ids,
      });
      return to;
    },
    toggleActive: () => {
      if (active !== null) {
        set({ active, start: active, kept: toggled(active) });
      }
    },
    all: () => {
      set({ active, start, kept: new Set(order) });
    },
    clear: () => {
      set({ active, start: null, kept: new Set() });
    },
  };
}
