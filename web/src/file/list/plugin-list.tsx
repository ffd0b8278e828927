/**
 * The list of plugins, drawn only where it is in view: rows, or cards with pictures. One of them is
 * the active one.
 */
import type { Virtualizer } from '@tanstack/react-virtual';
import { ChevronDown, ChevronRight } from 'lucide-react';
import {
  useCallback,
  useEffect,
  useMemo,
  useState,
  type CSSProperties,
  type KeyboardEvent,
  type MouseEvent,
  type RefObject,
} from 'react';
import {
  headingOf,
  Lines,
  type ListLine,
  type Row,
  type Sorting,
} from '@clever-drawer/core/search';
import { isAmongFavourites } from '../../annotate/filing.ts';
import { fileKeys, spotOf, type MenuTarget } from '../../annotate/menu-target.ts';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { commandFor, type Command } from '../../ui/commands.ts';
import { chord } from '../../ui/keys.ts';
import { useLinesInView } from '../../ui/lines-in-view.ts';
import { useLatest } from '../../ui/use-latest.ts';
import { useWidth } from '../../ui/use-width.ts';
import { between, listSteps, rowAfter, type View } from '../model/list-keys.ts';
import { ago, PluginCard, PluginRow, type RowProps } from './plugin-row.tsx';
import * as texts from '../texts.ts';

interface Props {
  readonly rows: readonly Row[];
  readonly sorting: Sorting;
  readonly view: View;
  readonly active: string | null;
  readonly tray: ReadonlySet<string>;
  readonly box: RefObject<HTMLDivElement | null>;
  readonly onActive: (id: string) => void;
  readonly onTray: (id: string) => void;
  /** Puts all of them into the tray. */
  readonly onTrayAll: (ids: readonly string[]) => void;
  readonly onMenu: (target: MenuTarget) => void;
  readonly onFile: () => void;
  /** How far it is scrolled at first, in pixels. */
  readonly offset: number;
  /** Hears how far it was scrolled when it goes. */
  readonly onLeave: (offset: number) => void;
}

const heightOf = { list: 46, pictures: 158 } as const;
const cardWidth = 156;
const headingHeight = 30;

export function PluginList({
  rows: matching,
  sorting,
  view,
  active,
  tray,
  box,
  onActive,
  onTray,
  onTrayAll,
  onMenu,
  onFile,
  offset,
  onLeave,
}: Props) {
  const columns = useColumns(box, view);
  const { drawn, heading, fold } = useLines(matching, sorting, columns);
  const { rows } = drawn;
  // Another function for other lines: heights are worked out anew with them, and not for the same
  // lines again.
  // eslint-disable-next-line react-hooks/exhaustive-deps -- the lines and the view are what the function stands for
  const getItemKey = useCallback((at: number) => at, [drawn, view]);
  const lines = useLinesInView({
    count: drawn.count,
    getScrollElement: () => box.current,
    estimateSize: (at) => (drawn.isHeading(at) ? headingHeight : heightOf[view]),
    getItemKey,
    initialOffset: offset,
  });
  const leave = useLatest(() => {
    onLeave(lines.scrollOffset ?? 0);
  });
  useEffect(() => leave, [leave]);
  const go = (to: number): void => {
    const index = Math.max(0, Math.min(rows.length - 1, to));
    const row = rows[index];
    if (!row) {
      return;
    }
    onActive(row.plugin.id);
    lines.scrollToIndex(drawn.lineOf(index), { align: 'auto' });
  };
  const commandsAt = (row: Row | undefined): Command[] => [
    {
      keys: ['Ctrl+A'],
      run: () => {
        onTrayAll(matching.map((each) => each.plugin.id));
      },
    },
    {
      keys: ['Alt+ArrowRight'],
      when: () => heading !== null,
      run: () => {
        fold(null);
      },
    },
    {
      keys: ['Alt+ArrowLeft'],
      when: () => heading !== null,
      run: () => {
        foldAt(row);
      },
    },
  ];
  const foldAt = (row: Row | undefined): void => {
    if (heading && row) {
      fold(heading(row));
    }
  };
  const indexOf = (id: string | null): number => rows.findIndex((row) => row.plugin.id === id);
  const onKeyDown = (event: KeyboardEvent): void => {
    const pageRows = Math.floor((box.current?.clientHeight ?? 400) / heightOf[view]);
    const steps = listSteps(view, columns, pageRows, rows.length);
    const pressed = chord(event);
    const isRun = pressed.startsWith('Shift+');
    const at = indexOf(active);
    const step = steps[isRun ? pressed.slice(6) : pressed];
    const command = commandFor(commandsAt(rows[at]), pressed);
    if (command || step !== undefined) {
      event.preventDefault();
    }
    command?.run();
    if (step === undefined) {
      return;
    }
    const to = rowAfter(at, step, rows.length);
    if (isRun) {
      onTrayAll(between(rows, at, to));
    }
    go(to);
  };
  const press = (id: string, isRun: boolean, isOneMore: boolean): void => {
    if (isRun) {
      onTrayAll(between(rows, indexOf(active), indexOf(id)));
    } else if (isOneMore) {
      onTray(id);
    }
    onActive(id);
  };
  const openMenu = (id: string, event: MouseEvent): void => {
    onActive(id);
    const row = document.getElementById(`option-${id}`) ?? event.currentTarget;
    onMenu({
      ...spotOf(event, row),
      // What is gathered is meant where one of it is pressed.
      plugins: tray.has(id) ? [...tray] : [id],
      keys: fileKeys,
      entries: [
        {
          words: tray.has(id) ? texts.outOfTheTray : texts.addToTheTray,
          keys: 'Space',
          run: () => {
            onTray(id);
          },
        },
      ],
      from: box.current,
    });
  };
  const propsOf = useRowProps(active, tray, {
    onPress: useLatest(press),
    onTray,
    onMenu: useLatest(openMenu),
    onFile: useLatest(onFile),
  });
  const first = rows[0];
  // What is marked in a folder may be out of view here.
  const isDrawn =
    active !== null &&
    lines.getVirtualItems().some(({ index }) => {
      const line = drawn.at(index);
      return line && 'rows' in line && line.rows.some(({ plugin }) => plugin.id === active);
    });
  return (
    <div
      ref={box}
      className={`plugin-list ${view}`}
      role="listbox"
      aria-label={texts.listOfPlugins}
      aria-multiselectable="true"
      tabIndex={0}
      aria-activedescendant={isDrawn ? `option-${active}` : undefined}
      onKeyDown={onKeyDown}
      onContextMenu={(event) => {
        if (active !== null) {
          event.preventDefault();
          openMenu(active, event);
        }
      }}
      onFocus={(event) => {
        if (
          event.target === event.currentTarget &&
          active === null &&
          first &&
          event.currentTarget.matches(':focus-visible')
        ) {
          onActive(first.plugin.id);
        }
      }}
    >
      <LinesInView
        lines={lines}
        columns={columns}
        drawn={drawn}
        view={view}
        propsOf={propsOf}
        fold={fold}
      />
    </div>
  );
}

interface InViewProps {
  readonly lines: Virtualizer<HTMLDivElement, Element>;
  readonly columns: number;
  readonly drawn: Lines;
  readonly view: View;
  readonly propsOf: (row: Row) => RowProps;
  readonly fold: (title: string | null) => void;
}

function LinesInView({ lines, columns, drawn, view, propsOf, fold }: InViewProps) {
  return (
    <div role="presentation" style={{ height: lines.getTotalSize(), position: 'relative' }}>
      {lines.getVirtualItems().map((line) => (
        <div
          key={line.key}
          role="presentation"
          className="line"
          style={{ top: line.start, height: line.size, '--columns': columns } as CSSProperties}
        >
          <DrawnLine line={drawn.at(line.index)} view={view} propsOf={propsOf} onFold={fold} />
        </div>
      ))}
    </div>
  );
}

/** What is drawn: headings with their rows, those of folded headings left out. */
function useLines(matching: readonly Row[], sorting: Sorting, columns: number) {
  const { usage } = useCatalog();
  const [folded, setFolded] = useState<ReadonlySet<string>>(new Set());
  const heading = useMemo(() => headingOf(sorting, usage), [sorting, usage]);
  const drawn = useMemo(
    () => new Lines(matching, heading, folded, columns),
    [matching, heading, folded, columns],
  );
  const fold = useCallback((title: string | null) => {
    setFolded((before) => {
      const next = new Set(title === null ? [] : before);
      if (title !== null && !next.delete(title)) {
        next.add(title);
      }
      return next;
    });
  }, []);
  return { drawn, heading, fold };
}

interface DrawnProps {
  readonly line: ListLine | undefined;
  readonly view: View;
  readonly propsOf: (row: Row) => RowProps;
  readonly onFold: (title: string) => void;
}

/** Rows side by side, or a heading that folds them: by mouse here, by Alt+arrows in the list. */
function DrawnLine({ line, view, propsOf, onFold }: DrawnProps) {
  if (!line) {
    return null;
  }
  if ('heading' in line) {
    return (
      <div
        className="list-heading"
        aria-hidden
        onClick={() => {
          onFold(line.heading);
        }}
        title={texts.collapse}
      >
        {line.isFolded ? <ChevronRight size={14} /> : <ChevronDown size={14} />}{' '}
        <span className="hand">{line.heading}</span> <span className="text-soft">{line.count}</span>
      </div>
    );
  }
  // Keyed by place: another plugin there changes what is drawn, and draws none of it anew.
  return line.rows.map((row, place) =>
    view === 'list' ? (
      <PluginRow key={place} {...propsOf(row)} />
    ) : (
      <PluginCard key={place} {...propsOf(row)} />
    ),
  );
}

const noFolders: RowProps['folders'] = [];
const noTags: RowProps['tags'] = [];

function useRowProps(
  active: string | null,
  tray: ReadonlySet<string>,
  acts: Pick<RowProps, 'onPress' | 'onTray' | 'onMenu' | 'onFile'>,
): (row: Row) => RowProps {
  const { answers, pictureOf, usage } = useCatalog();
  const { arrangement } = useArrangement();
  const [now] = useState(() => Date.now());
  return (row) => {
    const { id } = row.plugin;
    const folders = arrangement.foldersOf.get(id) ?? noFolders;
    return {
      row,
      folders,
      ...acts,
      isActive: id === active,
      isInTray: tray.has(id),
      isFavourite: isAmongFavourites(folders),
      slotLabel: arrangement.pluginNames.get(id)?.slotLabel ?? null,
      ago: ago(usage.get(id)?.lastLoaded, now),
      picture: pictureOf(row.plugin),
      tags: answers.get(id)?.tags ?? noTags,
      isHidden: answers.get(id)?.isHidden ?? false,
    };
  };
}

/** How many cards stand side by side; one in the list view. */
function useColumns(box: RefObject<HTMLDivElement | null>, view: View): number {
  const width = useWidth(box, cardWidth);
  return view === 'list' ? 1 : Math.max(1, Math.floor((width - 24) / cardWidth));
}
