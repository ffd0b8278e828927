/** The list of plugins, drawn only where it is in view: rows, or cards with pictures. One of them is the active one. */
import { useVirtualizer } from '@tanstack/react-virtual';
import { useCallback, useEffect, useRef, useState, type CSSProperties, type KeyboardEvent, type RefObject } from 'react';
import type { Row } from '@clever-drawer/core';
import { useStudio } from '../api/studio.tsx';
import { chord } from '../ui/keys.ts';
import { ago, PluginCard, PluginRow, type RowProps } from './plugin-row.tsx';

export type View = 'list' | 'pictures';

interface Props {
  readonly rows: readonly Row[];
  readonly view: View;
  readonly active: string | null;
  readonly tray: ReadonlySet<string>;
  readonly box: RefObject<HTMLDivElement | null>;
  readonly onActive: (id: string) => void;
  readonly onTray: (id: string) => void;
  /** Puts all of them into the tray. */
  readonly onTrayAll: (ids: readonly string[]) => void;
}

const rowHeight = 46;
const cardHeight = 158, cardWidth = 156;

export function PluginList({ rows, view, active, tray, box, onActive, onTray, onTrayAll }: Props) {
  const columns = useColumns(box, view);
  const lines = useVirtualizer({
    count: Math.ceil(rows.length / columns), getScrollElement: () => box.current, estimateSize: () => (view === 'list' ? rowHeight : cardHeight), overscan: 6,
  });
  useEffect(() => { lines.measure(); }, [lines, view]);
  const at = rows.findIndex((row) => row.plugin.id === active);
  const go = (to: number): void => {
    const index = Math.max(0, Math.min(rows.length - 1, to)), row = rows[index];
    if (!row) return;
    onActive(row.plugin.id);
    lines.scrollToIndex(Math.floor(index / columns), { align: 'auto' });
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const page = Math.max(1, Math.floor((box.current?.clientHeight ?? 400) / (view === 'list' ? rowHeight : cardHeight)) - 1) * columns;
    const steps: Record<string, number> = { ArrowDown: columns, ArrowUp: -columns, PageDown: page, PageUp: -page, Home: -rows.length, End: rows.length, ...(view === 'pictures' ? { ArrowRight: 1, ArrowLeft: -1 } : {}) };
    const pressed = chord(event), isRun = pressed.startsWith('Shift+'), step = steps[isRun ? pressed.slice(6) : pressed];
    if (pressed === 'Ctrl+A') { event.preventDefault(); onTrayAll(rows.map((row) => row.plugin.id)); }
    if (step === undefined) return;
    event.preventDefault();
    const to = at < 0 ? (step > 0 ? 0 : rows.length - 1) : Math.max(0, Math.min(rows.length - 1, at + step));
    if (isRun) onTrayAll(between(rows, at, to));
    go(to);
  };
  const press = (id: string, isRun: boolean, isOneMore: boolean): void => {
    if (isRun) onTrayAll(between(rows, at, rows.findIndex((row) => row.plugin.id === id)));
    else if (isOneMore) onTray(id);
    onActive(id);
  };
  const propsOf = useRowProps(active, tray, useLatest(press), onTray);
  const first = rows[0];
  return (
    <div ref={box} className={`plugin-list ${view}`} role="listbox" aria-label="Plugins" aria-multiselectable="true" tabIndex={0} aria-activedescendant={active === null ? undefined : `option-${active}`}
      onKeyDown={onKeyDown} onFocus={(event) => { if (event.target === event.currentTarget && active === null && first && event.currentTarget.matches(':focus-visible')) onActive(first.plugin.id); }}>
      <div role="presentation" style={{ height: lines.getTotalSize(), position: 'relative' }}>
        {lines.getVirtualItems().map((line) => (
          <div key={line.key} role="presentation" className="line" style={{ transform: `translateY(${line.start}px)`, height: line.size, '--columns': columns } as CSSProperties}>
            {rows.slice(line.index * columns, (line.index + 1) * columns).map((row) => (view === 'list' ? <PluginRow key={row.plugin.id} {...propsOf(row)} /> : <PluginCard key={row.plugin.id} {...propsOf(row)} />))}
          </div>
        ))}
      </div>
    </div>
  );
}

/** The same function all along, which calls the latest one: rows that did not change are not drawn again. */
function useLatest<A extends unknown[]>(act: (...args: A) => void): (...args: A) => void {
  const latest = useRef(act);
  useEffect(() => { latest.current = act; });
  return useCallback((...args: A) => { latest.current(...args); }, []);
}

/** The plugins from one row to another, both included; from the first when there is none active. */
const between = (rows: readonly Row[], from: number, to: number): string[] => rows.slice(Math.max(0, Math.min(from < 0 ? to : from, to)), Math.max(from, to) + 1).map((row) => row.plugin.id);

const noFolders: RowProps['folders'] = [];

function useRowProps(active: string | null, tray: ReadonlySet<string>, onPress: RowProps['onPress'], onTray: (id: string) => void): (row: Row) => RowProps {
  const { answers, arrangement, pictureOf, usage } = useStudio();
  const [now] = useState(() => Date.now());
  return (row) => {
    const { id } = row.plugin, folders = arrangement.foldersOf.get(id) ?? noFolders;
    return {
      row, folders, onPress, onTray, isActive: id === active, isInTray: tray.has(id), isFavourite: folders.some((f) => f.form === 'favourites'),
      slotLabel: arrangement.namings.get(id)?.slotLabel ?? null, ago: ago(usage.get(id)?.lastLoaded, now), picture: pictureOf(row.plugin), isHidden: answers.get(id)?.isHidden ?? false,
    };
  };
}

/** How many cards stand side by side; one in the list view. */
function useColumns(box: RefObject<HTMLDivElement | null>, view: View): number {
  const [width, setWidth] = useState(cardWidth);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const watch = new ResizeObserver(() => { setWidth(element.clientWidth); });
    watch.observe(element);
    return () => { watch.disconnect(); };
  }, [box]);
  return view === 'list' ? 1 : Math.max(1, Math.floor((width - 24) / cardWidth));
}
