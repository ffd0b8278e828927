/** File: the whole catalog at the left, the drawers at the right, the tray below. */
import { LayoutGrid, List as ListIcon } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState, type RefObject } from 'react';
import { Link, useNavigate } from 'react-router';
import type { Placement, Plugin } from '@clever-drawer/core';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { annotateAct } from '../annotate/annotate.ts';
import { TypesPicker } from '../annotate/types-picker.tsx';
import { isTyping, remember, remembered, useKeys } from '../ui/keys.ts';
import { useAddress } from '../ui/use-address.ts';
import { useLatest } from '../ui/use-latest.ts';
import { favouriteAct } from '../annotate/filing.ts';
import { fetchedLater } from '../ui/fetched-later.tsx';
import { firstScreenStands } from '../ui/idle.ts';
import { Chest } from './chest.tsx';
import { Dragging } from './dragging.tsx';
import './file.css';
import { NameDialog } from '../annotate/name-dialog.tsx';
import type { View } from './model/list-keys.ts';
import { PluginList } from './plugin-list.tsx';
import { PrintedList } from './printed-list.tsx';
import { LineUp, Sentence } from './sentence.tsx';
import { Tray } from './tray.tsx';
import { useChest } from './use-chest.ts';
import { clearFilter, useList, type List } from './use-list.ts';
import { useTray, type TrayState } from './use-tray.ts';
import * as texts from './texts.ts';

const FileIn = fetchedLater(async () => (await import('./file-in.tsx')).FileIn, 'keys held');

const Suggestions = fetchedLater(async () => (await import('./suggestions.tsx')).Suggestions);

export function FileScreen() {
  const { pluginById } = useCatalog();
  const list = useList();
  const tray = useTray();
  const [active, setActive] = useState<string | null>(null);
  const [view, setView] = useState<View>(() =>
    remembered('file-view', 'list') === 'pictures' ? 'pictures' : 'list',
  );
  const [dialog, setDialog] = useState<Dialog>(null);
  const box = useRef<HTMLDivElement>(null);
  const field = useRef<HTMLInputElement>(null);
  const [open, setOpen] = useOpenFolder();
  const wishes = useMemo(
    () => ({
      setOpen,
      choose: setActive,
      moveOn: (placement: Placement) => {
        setDialog(placement);
      },
    }),
    [setOpen],
  );
  const chest = useChest(open, wishes);
  const moving = typeof dialog === 'object' && dialog !== null ? dialog : undefined;
  const activePlugin = active === null ? undefined : pluginById.get(active);
  const { lately, onFiled } = useLately();
  const closeDialog = (): void => {
    setDialog(null);
    if (!moving) {
      box.current?.focus();
    }
  };
  useScreenKeys({ list, tray, active, activePlugin, field, setDialog });
  useEffect(firstScreenStands, []);
  const changeView = (next: View): void => {
    setView(next);
    remember('file-view', next);
  };
  return (
    <Dragging tray={tray} acts={chest.acts} onFiled={onFiled}>
      <main id="content" tabIndex={-1} className="file-screen">
        <ListPane
          onFieldKey={(event) => {
            leaveField(event, { list, field, box, setActive });
          }}
          list={list}
          field={field}
          setDialog={setDialog}
          view={view}
          changeView={changeView}
          active={active}
          tray={tray}
          box={box}
          setActive={setActive}
        />
        <Chest chest={chest} />
        <Tray
          tray={tray.ids}
          onTakeOut={tray.toggle}
          onEmpty={tray.empty}
          onFile={() => {
            setDialog('file tray');
          }}
        />
      </main>
      <Dialogs
        dialog={dialog}
        tray={tray}
        activePlugin={activePlugin}
        lately={lately}
        onFiled={onFiled}
        onClose={closeDialog}
      />
    </Dragging>
  );
}

interface ListPaneProps {
  readonly onFieldKey: (event: React.KeyboardEvent) => void;
  readonly list: List;
  readonly field: React.RefObject<HTMLInputElement | null>;
  readonly setDialog: React.Dispatch<React.SetStateAction<Dialog>>;
  readonly view: View;
  readonly changeView: (next: View) => void;
  readonly active: string | null;
  readonly tray: TrayState;
  readonly box: React.RefObject<HTMLDivElement | null>;
  readonly setActive: React.Dispatch<React.SetStateAction<string | null>>;
}

/** The sentence that narrows, and what it leaves. */
function ListPane({
  onFieldKey,
  list,
  field,
  setDialog,
  view,
  changeView,
  active,
  tray,
  box,
  setActive,
}: ListPaneProps) {
  const { plugins } = useCatalog();
  return (
    <div className="pane list-pane" onKeyDown={onFieldKey}>
      <h1 className="visually-hidden">{texts.file}</h1>
      <Sentence list={list} field={field} />
      <ListHead list={list} setDialog={setDialog} view={view} changeView={changeView} />
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
        />
      ) : (
        <EmptyList
          isCatalogEmpty={plugins.length === 0}
          onClear={() => {
            list.setFilter(clearFilter);
          }}
        />
      )}
    </div>
  );
}

interface ListHeadProps {
  readonly list: List;
  readonly setDialog: React.Dispatch<React.SetStateAction<Dialog>>;
  readonly view: View;
  readonly changeView: (next: View) => void;
}

/** What lines the list up, suggestions, and the view. */
function ListHead({ list, setDialog, view, changeView }: ListHeadProps) {
  return (
    <div className="list-head">
      <LineUp list={list} />
      <span className="head-end">
        <button
          type="button"
          className="link-words"
          onClick={() => {
            setDialog('suggest');
          }}
        >
          {texts.suggestions}
          <span className="wide-only"> {texts.forWhatIsInNoFolder}</span>
        </button>{' '}
        <kbd>G</kbd>
      </span>
      <ViewSwitch view={view} onChange={changeView} />
    </div>
  );
}

/** What the keys of the screen act on: the row that is lit; the tray has acts of its own. */
interface KeyScene {
  readonly list: List;
  readonly tray: TrayState;
  readonly active: string | null;
  readonly activePlugin: Plugin | undefined;
  readonly field: RefObject<HTMLInputElement | null>;
  readonly setDialog: (dialog: Dialog) => void;
}

function useScreenKeys(scene: KeyScene): void {
  const { list, tray, active, activePlugin, field, setDialog } = scene;
  const { answers } = useCatalog();
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const navigate = useNavigate();
  const ask = (dialog: Dialog, isPossible: boolean): void => {
    if (isPossible) {
      setDialog(dialog);
    }
  };
  const isLit = activePlugin !== undefined;
  const hide = (): void => {
    if (isLit) {
      act(annotateAct([activePlugin.id], { isHidden: !answers.get(activePlugin.id)?.isHidden }));
    }
  };
  const favour = (): void => {
    const wanted = active === null ? null : favouriteAct(arrangement, active);
    if (wanted) {
      act(wanted);
    }
  };
  useKeys({
    '/': () => {
      field.current?.focus();
      field.current?.select();
    },
    Escape: () => list.setFilter(clearFilter),
    F: () => ask('file', isLit),
    'Shift+F': () => ask('file tray', tray.ids.size > 0),
    N: () => ask('name', isLit),
    T: () => ask('type', isLit),
    H: hide,
    G: () => ask('suggest', true),
    I: () => active !== null && void navigate(`/plugin/${active}`),
    Space: () => active !== null && tray.toggle(active),
    B: favour,
  });
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

interface DialogsProps {
  readonly dialog: Dialog;
  readonly tray: TrayState;
  readonly activePlugin: Plugin | undefined;
  readonly lately: readonly string[];
  readonly onFiled: (folder: string) => void;
  readonly onClose: () => void;
}

function Dialogs(props: DialogsProps) {
  const { dialog, tray, activePlugin, lately, onFiled, onClose } = props;
  const filing = { lately, onFiled, onClose };
  if (typeof dialog === 'object' && dialog !== null) {
    return <FileIn plugins={[dialog.plugin]} moving={dialog} {...filing} />;
  }
  if (dialog === 'file tray' && tray.ids.size > 0) {
    return <FileTray tray={tray} {...filing} />;
  }
  if (dialog === 'file' && activePlugin) {
    return <FileIn plugins={[activePlugin.id]} {...filing} />;
  }
  if (dialog === 'suggest') {
    return <Suggestions onClose={onClose} />;
  }
  if (dialog === 'type' && activePlugin) {
    return <TypesOf plugin={activePlugin} onClose={onClose} />;
  }
  return dialog === 'name' && activePlugin ? (
    <NameDialog plugin={activePlugin} onClose={onClose} />
  ) : null;
}

interface FileTrayProps {
  readonly tray: TrayState;
  readonly lately: readonly string[];
  readonly onFiled: (folder: string) => void;
  readonly onClose: () => void;
}

/** Files all of the tray, which is empty then; undo fills it again. */
function FileTray({ tray, onFiled, ...rest }: FileTrayProps) {
  const plugins = [...tray.ids];
  return (
    <FileIn
      plugins={plugins}
      {...rest}
      onFiled={(folder) => {
        tray.empty();
        onFiled(folder);
      }}
      onUndone={() => {
        tray.add(plugins);
      }}
    />
  );
}

function TypesOf({ plugin, onClose }: { plugin: Plugin; onClose: () => void }) {
  const { act } = useActs();
  return (
    <TypesPicker
      title={texts.whatDoesDo(plugin.name)}
      onTake={(type) => {
        act(annotateAct([plugin.id], { types: type === null ? [] : [type] }));
      }}
      onClose={onClose}
    />
  );
}

/** What is asked in a dialog; a placement is one that is moved to another folder. */
type Dialog = 'file' | 'file tray' | 'name' | 'type' | 'suggest' | Placement | null;

/** The folders filed in last, latest first, kept in this browser. */
function useLately(): { lately: readonly string[]; onFiled: (folder: string) => void } {
  const [lately, setLately] = useState<readonly string[]>(() =>
    remembered('filed-in', '')
      .split(' ')
      .filter((id) => id !== ''),
  );
  const onFiled = useCallback((folder: string) => {
    setLately((before) => [folder, ...before.filter((id) => id !== folder)].slice(0, latelyKept));
  }, []);
  useEffect(() => {
    remember('filed-in', lately.join(' '));
  }, [lately]);
  return { lately, onFiled };
}
const latelyKept = 5;

/** The open folder stands in the address. */
function useOpenFolder(): [string | null, (folder: string | null) => void] {
  const [params, changeAddress] = useAddress();
  // The router's function is another one after every step of the address; the chest need not be
  // drawn again for that.
  const setOpen = useLatest((folder: string | null) => {
    changeAddress({ open: folder }, { replace: true });
  });
  return [params.get('open'), setOpen];
}

function ViewSwitch({ view, onChange }: { view: View; onChange: (view: View) => void }) {
  return (
    <span className="view-switch" role="group" aria-label={texts.view}>
      <button
        type="button"
        aria-pressed={view === 'list'}
        title={texts.aBareList}
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
      <h2>{texts.noPluginIsLikeThat}</h2>
      <p>
        {texts.theSentenceAboveLeavesNothing}{' '}
        <button type="button" className="link-words" onClick={onClear}>
          {texts.showAllAgain}
        </button>{' '}
        {texts.orPress} <kbd>Esc</kbd>.
      </p>
    </div>
  );
}
