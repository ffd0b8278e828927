/** The chest: all folders of the cabinet in view, as drawer fronts in the user's order. */
import { Plus } from 'lucide-react';
import { memo, useEffect, useRef, type KeyboardEvent, type RefObject } from 'react';
import { Button } from 'react-bootstrap';
import { useLocation, useNavigate, type Location } from 'react-router';
import { useArrangement } from '../../studio/contexts.ts';
import { chord, useKeys } from '../../ui/keys.ts';
import { KeysHint } from '../../ui/keys-hint.tsx';
import { CabinetTabs } from './cabinet-tabs.tsx';
import { FolderForm } from '../forms/folder-form.tsx';
import { useDragRole, useDrag } from '../drag/drag-store.ts';
import { Sections } from './sections.tsx';
import type { ChestState, Editing } from './use-chest.ts';
import { useEdgeScroll } from '../drag/use-edge-scroll.ts';
import { asksNewFolder } from '../new-folder-state.ts';
import { useLatest } from '../../ui/use-latest.ts';
import type { Cabinet } from '@clever-drawer/core/order';
import { Kbd } from '../../ui/kbd.tsx';
import * as texts from '../texts.ts';

/** Drawn again only when something in it changed, and not with every letter typed beside it. */
export const Chest = memo(function WholeChest({ chest }: { chest: ChestState }) {
  const { arrangement, cabinet } = useArrangement();
  const { acts, editing, setEditing, focused } = chest;
  const box = useRef<HTMLDivElement>(null);
  useEdgeScroll(box);
  const folders = cabinet ? (arrangement.below.get(cabinet.id) ?? []) : [];
  const focusable = folders.some((f) => f.id === focused) ? focused : (folders[0]?.id ?? null);
  const focusSoon = useFocusSoon(box);
  const closeForm = (): void => {
    setEditing(null);
    focusSoon(focusable);
  };
  const addFolder = (): void => {
    // In the open folder, where one is open that can hold others.
    const open = arrangement.folders.find((one) => one.id === chest.path.at(-1));
    if (open?.form === 'folder') {
      acts.addBelow(open.id);
    } else {
      setEditing({ what: 'new', parent: null });
    }
  };
  useKeys({
    'Shift+N': addFolder,
    D: () => {
      focusFront(box.current, focusable);
    },
  });
  const onKeyDown = (event: KeyboardEvent): void => {
    const id = (event.target as HTMLElement).dataset['folder'];
    if (id === undefined) {
      return;
    }
    const does: Record<string, () => void> = {
      F2: () => {
        acts.rename(id);
      },
      Delete: () => {
        focusSoon(neighbour(folders, id));
        acts.remove(id);
      },
      'Alt+ArrowLeft': () => {
        acts.shift(id, -1);
        focusSoon(id);
      },
      'Alt+ArrowRight': () => {
        acts.shift(id, 1);
        focusSoon(id);
      },
      ArrowLeft: () => {
        step(box.current, id, 'left');
      },
      ArrowRight: () => {
        step(box.current, id, 'right');
      },
      ArrowUp: () => {
        step(box.current, id, 'up');
      },
      ArrowDown: () => {
        step(box.current, id, 'down');
      },
    };
    const act = does[chord(event)];
    if (!act) {
      return;
    }
    event.preventDefault();
    act();
  };
  return (
    <section className="chest" aria-label={texts.cabinet(cabinet?.name ?? '')}>
      <AskedFolder onAsked={addFolder} />
      <ChestHead cabinet={cabinet} setEditing={setEditing} />
      <div ref={box} className="chest-body" onKeyDown={onKeyDown}>
        {editing?.what === 'new' && editing.parent === null && <FolderForm onDone={closeForm} />}
        <Sections folders={folders} focusable={focusable} chest={chest} onDone={closeForm} />
        <ChestEnd isNew={folders.length <= 1} />
      </div>
      <KeysHint keys={texts.chestKeys} />
    </section>
  );
});

function ChestHead({
  cabinet,
  setEditing,
}: {
  readonly cabinet: Cabinet | undefined;
  readonly setEditing: (editing: Editing) => void;
}) {
  return (
    <div className="chest-head">
      <h1 className="visually-hidden">{cabinet?.name}</h1>
      <CabinetTabs />
      <Button
        size="sm"
        variant="quiet"
        title={texts.aFolder}
        onClick={() => {
          setEditing({ what: 'new', parent: null });
        }}
      >
        <Plus size={14} aria-hidden /> {texts.makeANewFolder} <Kbd keys="Shift+N" />
      </Button>
    </div>
  );
}

/**
 * Begins a folder when another screen has asked for one, once. By itself, for it is drawn again with
 * each change of the address, which letters change.
 */
function AskedFolder({ onAsked }: { readonly onAsked: () => void }) {
  const navigate = useNavigate();
  const { state, pathname, search } = useLocation() as Location<unknown>;
  const add = useLatest(onAsked);
  const isAsked = asksNewFolder(state);
  useEffect(() => {
    if (isAsked) {
      void navigate(`${pathname}${search}`, { replace: true, state: null });
      add();
    }
  }, [isAsked, navigate, pathname, search, add]);
  return null;
}

const atTheEnd = { target: { kind: 'end' } } as const;

/** The room below the last folder, where a folder can be dropped to stand last. */
function ChestEnd({ isNew }: { isNew: boolean }) {
  const ref = useDragRole<HTMLDivElement>(atTheEnd);
  const isOver = useDrag((drag) => drag?.target?.kind === 'end');
  return (
    <div ref={ref} className={`chest-end ${isOver ? 'before' : ''}`}>
      {isNew && <p className="text-soft">{texts.onlyFavouritesSoFarAdd}</p>}
    </div>
  );
}

const focusFront = (box: HTMLElement | null, folder: string | null): void => {
  box?.querySelector<HTMLElement>(`[data-folder="${folder ?? ''}"]`)?.focus();
};

/** Focuses a front once the next rendering has put it in its place. */
function useFocusSoon(box: RefObject<HTMLElement | null>): (folder: string | null) => void {
  const wanted = useRef<string | null>(null);
  useEffect(() => {
    if (wanted.current !== null) {
      focusFront(box.current, wanted.current);
    }
    wanted.current = null;
  });
  return (folder) => {
    wanted.current = folder;
  };
}

const neighbour = (folders: readonly { id: string }[], id: string): string | null => {
  const at = folders.findIndex((f) => f.id === id);
  return (folders[at + 1] ?? folders[at - 1])?.id ?? null;
};

/** Focuses the front that lies next in a direction; left and right follow the order. */
function step(
  box: HTMLElement | null,
  id: string,
  direction: 'left' | 'right' | 'up' | 'down',
): void {
  const fronts = [...(box?.querySelectorAll<HTMLElement>('[data-folder]') ?? [])];
  const at = fronts.findIndex((f) => f.dataset['folder'] === id);
  const here = fronts[at]?.getBoundingClientRect();
  if (!here) {
    return;
  }
  if (direction === 'left' || direction === 'right') {
    fronts[at + (direction === 'left' ? -1 : 1)]?.focus();
    return;
  }
  const down = direction === 'down';
  const away = fronts
    .map((front) => ({ front, rect: front.getBoundingClientRect() }))
    .filter(({ rect }) => (down ? rect.top >= here.bottom - 1 : rect.bottom <= here.top + 1));
  const distance = ({ rect }: { rect: DOMRect }): number =>
    Math.abs(rect.top - here.top) * 10 + Math.abs(rect.left - here.left);
  away.sort((a, b) => distance(a) - distance(b))[0]?.front.focus();
}
