/** The list pane of File: the sentence that narrows, and what it leaves. */
import { LayoutGrid, List as ListIcon } from 'lucide-react';
import { memo, useEffect, useRef, useState, type RefObject } from 'react';
import { Link, NavigationType, useLocation, useNavigationType } from 'react-router';
import type { MenuTarget } from '../../annotate/menu-target.ts';
import { useCatalog, useComputer } from '../../studio/contexts.ts';
import { isTyping, writeStored, readStored, useKeys } from '../../ui/keys.ts';
import type { View } from '../model/list-keys.ts';
import type { ActedOn } from '../model/acted-on.ts';
import { useLatest } from '../../ui/use-latest.ts';
import { readPlace, writePlace } from './list-place.ts';
import { ListFoot } from './list-foot.tsx';
import { PluginList } from './plugin-list.tsx';
import { PrintedList } from '../forms/behind.ts';
import { LineUp, Sentence } from './sentence.tsx';
import { clearFilter, useList, type List } from './use-list.ts';
import type { TrayState } from '../tray/use-tray.ts';
import * as texts from '../texts.ts';

interface Props {
  readonly active: string | null;
  readonly setActive: (plugin: string | null) => void;
  readonly tray: TrayState;
  readonly box: RefObject<HTMLDivElement | null>;
  readonly onSuggestions: () => void;
  readonly onMenu: (target: MenuTarget) => void;
  readonly onFile: () => void;
  /** What keys act on. */
  readonly acted: ActedOn;
}

/** What narrows the list is known here and no further up: letters draw nothing else again. */
export const ListPane = memo(function PaneOfList({
  active,
  setActive,
  tray,
  box,
  onSuggestions,
  onMenu,
  onFile,
  acted,
}: Props) {
  const { plugins } = useCatalog();
  const list = useList();
  const field = useRef<HTMLInputElement>(null);
  const [view, changeView] = useView();
  const [offset, leaveAt] = usePlace(active, setActive, box);
  const clear = (): void => {
    list.setFilter(clearFilter);
  };
  useKeys({
    '/': () => {
      field.current?.focus();
      field.current?.select();
    },
    Escape: clear,
  });
  return (
    <div
      className="pane list-pane"
      onKeyDown={(event) => {
        leaveField(event, { list, field, box, setActive });
      }}
    >
      <h1 className="visually-hidden">{texts.file}</h1>
      <Sentence list={list} field={field} />
      <ListHead list={list} onSuggestions={onSuggestions} view={view} changeView={changeView} />
      <PrintedList rows={list.rows} />
      {list.rows.length > 0 ? (
        <PluginList
          rows={list.rows}
          sorting={list.sorting}
          view={view}
          active={active}
          tray={tray.ids}
          box={box}
          onActive={setActive}
          onTray={tray.toggle}
          onTrayAll={tray.add}
          onMenu={onMenu}
          onFile={onFile}
          offset={offset}
          onLeave={leaveAt}
        />
      ) : (
        <EmptyList isCatalogEmpty={plugins.length === 0} onClear={clear} />
      )}
      {plugins.length > 0 && <ListFoot active={active} acted={acted} />}
    </div>
  );
});

/**
 * How far the list is scrolled at first, and what notes it when it is left. The way back marks the
 * plugin that was marked, and gives the list the focus.
 */
function usePlace(
  active: string | null,
  setActive: (plugin: string | null) => void,
  box: RefObject<HTMLDivElement | null>,
): [number, (offset: number) => void] {
  const { computer } = useComputer();
  const { search: query } = useLocation();
  const isBack = useNavigationType() === NavigationType.Pop;
  const [place] = useState(() => readPlace(computer.id, query));
  const goBack = useLatest(() => {
    if (isBack && place && place.plugin !== null) {
      // The list marks its first plugin where none is marked yet.
      box.current?.focus();
      setActive(place.plugin);
    }
  });
  useEffect(goBack, [goBack]);
  const leaveAt = (offset: number): void => {
    writePlace(computer.id, { query, plugin: active, offset });
  };
  return [place?.offset ?? 0, leaveAt];
}

/** How the list is drawn, kept in this browser. */
function useView(): [View, (next: View) => void] {
  const [view, setView] = useState<View>(() =>
    readStored('file-view', 'list') === 'pictures' ? 'pictures' : 'list',
  );
  const changeView = (next: View): void => {
    setView(next);
    writeStored('file-view', next);
  };
  return [view, changeView];
}

interface ListHeadProps {
  readonly list: List;
  readonly onSuggestions: () => void;
  readonly view: View;
  readonly changeView: (next: View) => void;
}

/** What lines the list up, suggestions, and the view. */
function ListHead({ list, onSuggestions, view, changeView }: ListHeadProps) {
  return (
    <div className="list-head">
      <LineUp list={list} />
      <span className="head-end">
        <button type="button" className="link-words" onClick={onSuggestions}>
          {texts.suggestions}
          <span className="wide-only"> {texts.forUnfiledPlugins}</span>
        </button>{' '}
        <kbd>G</kbd>
      </span>
      <ViewSwitch view={view} onChange={changeView} />
    </div>
  );
}

interface FieldScene {
  readonly list: List;
  readonly field: RefObject<HTMLInputElement | null>;
  readonly box: RefObject<HTMLDivElement | null>;
  readonly setActive: (plugin: string | null) => void;
}

/** From the field of letters: Escape clears all that narrows, Enter and the arrow go on to the list. */
function leaveField(event: React.KeyboardEvent, { list, field, box, setActive }: FieldScene): void {
  if (!isTyping(event.target) || event.target !== field.current) {
    return;
  }
  if (event.key === 'Escape') {
    list.setFilter(clearFilter);
    box.current?.focus();
  } else if (event.key === 'ArrowDown' || event.key === 'Enter') {
    event.preventDefault();
    setActive(list.rows[0]?.plugin.id ?? null);
    box.current?.focus();
  }
}

function ViewSwitch({ view, onChange }: { view: View; onChange: (view: View) => void }) {
  return (
    <span className="view-switch" role="group" aria-label={texts.view}>
      <button
        type="button"
        aria-pressed={view === 'list'}
        title={texts.list}
        onClick={() => {
          onChange('list');
        }}
      >
        <ListIcon size={16} aria-hidden />
        <span className="visually-hidden">{texts.list}</span>
      </button>
      <button
        type="button"
        aria-pressed={view === 'pictures'}
        title={texts.pictures}
        onClick={() => {
          onChange('pictures');
        }}
      >
        <LayoutGrid size={16} aria-hidden />
        <span className="visually-hidden">{texts.pictures}</span>
      </button>
    </span>
  );
}

function EmptyList({ isCatalogEmpty, onClear }: { isCatalogEmpty: boolean; onClear: () => void }) {
  return isCatalogEmpty ? (
    <div className="empty">
      <h2>{texts.noPluginsYet}</h2>
      <p>
        {texts.tellCleverDrawerWhereYourPlugins} <Link to="/scan">{texts.goToScan}</Link>.
      </p>
    </div>
  ) : (
    <div className="empty">
      <h2>{texts.noMatches}</h2>
      <p>
        {texts.noPluginMatchesTheseFilters}{' '}
        <button type="button" className="link-words" onClick={onClear}>
          {texts.showAllAgain}
        </button>{' '}
        {texts.orPress} <kbd>Esc</kbd>.
      </p>
    </div>
  );
}
