/** File: the whole catalog at the left, the drawers at the right, the tray below. */
import { LayoutGrid, List as ListIcon } from 'lucide-react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import type { Placement } from '@clever-drawer/core';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { sayAct } from '../annotate/annotate.ts';
import { TypesPicker } from '../annotate/types-picker.tsx';
import { isTyping, remember, remembered, useKeys } from '../ui/keys.ts';
import { useLatest } from '../ui/use-latest.ts';
import { favouriteAct } from '../annotate/filing.ts';
import { Chest } from './chest.tsx';
import { Dragging } from './dragging.tsx';
import { FileIn } from './file-in.tsx';
import './file.css';
import { NameDialog } from '../annotate/name-dialog.tsx';
import { PluginList, type View } from './plugin-list.tsx';
import { LineUp, Sentence } from './sentence.tsx';
import { Suggestions } from './suggestions.tsx';
import { Tray } from './tray.tsx';
import { useChest } from './use-chest.ts';
import { clearFilter, useList } from './use-list.ts';
import { useTray } from './use-tray.ts';

export function FileScreen() {
  const { plugins, pluginById, answers } = useCatalog();
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const navigate = useNavigate();
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
  const alone = activePlugin ? [activePlugin.id] : [];
  const toFile = tray.ids.size > 0 ? [...tray.ids] : alone;
  const { lately, onFiled } = useLately();
  const closeDialog = (): void => {
    setDialog(null);
    if (!moving) {
      box.current?.focus();
    }
  };
  useKeys({
    '/': () => {
      field.current?.focus();
      field.current?.select();
    },
    Escape: () => {
      list.setFilter(clearFilter);
    },
    F: () => {
      if (toFile.length > 0) {
        setDialog('file');
      }
    },
    N: () => {
      if (activePlugin) {
        setDialog('name');
      }
    },
    T: () => {
      if (toFile.length > 0) {
        setDialog('type');
      }
    },
    H: () => {
      if (toFile.length > 0) {
        act(sayAct(toFile, { isHidden: !toFile.every((id) => answers.get(id)?.isHidden) }));
      }
    },
    G: () => {
      setDialog('suggest');
    },
    I: () => {
      if (active !== null) {
        void navigate(`/plugin/${active}`);
      }
    },
    Space: () => {
      if (active !== null) {
        tray.toggle(active);
      }
    },
    B: () => {
      const favourite = active === null ? null : favouriteAct(arrangement, active);
      if (favourite) {
        act(favourite);
      }
    },
  });
  const onFieldKey = (event: React.KeyboardEvent): void => {
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
  };
  const changeView = (next: View): void => {
    setView(next);
    remember('file-view', next);
  };
  return (
    <Dragging tray={tray.ids} acts={chest.acts} onFiled={onFiled}>
      <main className="file-screen">
        <div className="pane list-pane" onKeyDown={onFieldKey}>
          <h1 className="visually-hidden">File</h1>
          <Sentence list={list} field={field} />
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
                Suggestions for what is in no folder
              </button>{' '}
              <kbd>G</kbd>
            </span>
            <ViewSwitch view={view} onChange={changeView} />
          </div>
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
        <Chest chest={chest} />
        <Tray
          tray={tray.ids}
          onTakeOut={tray.toggle}
          onEmpty={tray.empty}
          onFile={() => {
            setDialog('file');
          }}
        />
      </main>
      {dialog === 'file' && toFile.length > 0 && (
        <FileIn plugins={toFile} lately={lately} onClose={closeDialog} onFiled={onFiled} />
      )}
      {moving && (
        <FileIn
          plugins={[moving.plugin]}
          moving={moving}
          lately={lately}
          onClose={closeDialog}
          onFiled={onFiled}
        />
      )}
      {dialog === 'suggest' && <Suggestions onClose={closeDialog} />}
      {dialog === 'type' && (
        <TypesPicker
          title={
            toFile.length === 1 && activePlugin
              ? `What does ${activePlugin.name} do?`
              : `What do these ${toFile.length} do?`
          }
          onTake={(type) => {
            act(sayAct(toFile, { types: type === null ? [] : [type] }));
          }}
          onClose={closeDialog}
        />
      )}
      {dialog === 'name' && activePlugin && (
        <NameDialog plugin={activePlugin} onClose={closeDialog} />
      )}
    </Dragging>
  );
}

/** What is asked in a dialog; a placement is one that is moved to another folder. */
type Dialog = 'file' | 'name' | 'type' | 'suggest' | Placement | null;

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
  const [params, setParams] = useSearchParams();
  // The router's function is another one after every step of the address; the chest need not be drawn again for that.
  const setOpen = useLatest((folder: string | null) => {
    setParams(
      (before) => {
        const next = new URLSearchParams(before);
        if (folder) {
          next.set('open', folder);
        } else {
          next.delete('open');
        }
        return next;
      },
      { replace: true },
    );
  });
  return [params.get('open'), setOpen];
}

function ViewSwitch({ view, onChange }: { view: View; onChange: (view: View) => void }) {
  return (
    <span className="view-switch" role="group" aria-label="View">
      <button
        type="button"
        aria-pressed={view === 'list'}
        title="A bare list"
        onClick={() => {
          onChange('list');
        }}
      >
        <ListIcon size={16} aria-hidden />
        <span className="visually-hidden">List</span>
      </button>
      <button
        type="button"
        aria-pressed={view === 'pictures'}
        title="Pictures"
        onClick={() => {
          onChange('pictures');
        }}
      >
        <LayoutGrid size={16} aria-hidden />
        <span className="visually-hidden">Pictures</span>
      </button>
    </span>
  );
}

function EmptyList({ isCatalogEmpty, onClear }: { isCatalogEmpty: boolean; onClear: () => void }) {
  return isCatalogEmpty ? (
    <div className="empty">
      <h2>No plugins yet</h2>
      <p>
        Tell Clever Drawer where your plugins are, and let it look:{' '}
        <Link to="/scan">go to Scan</Link>.
      </p>
    </div>
  ) : (
    <div className="empty">
      <h2>No plugin is like that</h2>
      <p>
        The sentence above leaves nothing.{' '}
        <button type="button" className="link-words" onClick={onClear}>
          Show all again
        </button>{' '}
        or press <kbd>Esc</kbd>.
      </p>
    </div>
  );
}
