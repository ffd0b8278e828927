/** The chest: all folders of the cabinet in view, as drawer fronts in the user's order. */
import { useDroppable } from '@dnd-kit/core';
import { Plus } from 'lucide-react';
import { Fragment, useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { Button } from 'react-bootstrap';
import type { Folder } from '@clever-drawer/core';
import { useStudio } from '../api/studio.tsx';
import { chord, useKeys } from '../ui/keys.ts';
import { KeysHint } from '../ui/keys-hint.tsx';
import { Divider, DrawerFront } from './drawer-front.tsx';
import { FolderForm } from './folder-form.tsx';
import { OpenDrawer } from './open-drawer.tsx';
import type { ChestState } from './use-chest.ts';

const keys = [['Enter', 'open'], ['Alt+← Alt+→', 'reorder'], ['F2', 'rename'], ['Delete', 'remove']] as const;

export function Chest({ open, chest }: { open: string | null; chest: ChestState }) {
  const { arrangement, cabinet } = useStudio();
  const { acts, editing, setEditing, focused } = chest;
  const box = useRef<HTMLDivElement>(null);
  const folders = cabinet ? (arrangement.below.get(cabinet.id) ?? []) : [];
  const opened = openedPath(arrangement.folders, open);
  const focusable = folders.some((f) => f.id === focused) ? focused : (folders[0]?.id ?? null);
  const [wantsFocus, setWantsFocus] = useState<string | null>(null);
  const order = folders.map((f) => f.id).join();
  useEffect(() => {
    if (wantsFocus === null) return;
    box.current?.querySelector<HTMLElement>(`[data-folder="${wantsFocus}"]`)?.focus();
    setWantsFocus(null);
  }, [wantsFocus, order]);
  const closeForm = (): void => {
    setEditing(null);
    setWantsFocus(focusable);
  };
  useKeys({
    'Shift+N': () => { setEditing({ what: 'new', parent: null }); },
    D: () => { setWantsFocus(focusable); },
  });
  const onKeyDown = (event: KeyboardEvent): void => {
    const id = (event.target as HTMLElement).dataset['folder'];
    if (id === undefined) return;
    const does: Record<string, () => void> = {
      F2: () => { acts.rename(id); }, Delete: () => { setWantsFocus(neighbour(folders, id)); acts.remove(id); },
      'Alt+ArrowLeft': () => { acts.shift(id, -1); setWantsFocus(id); }, 'Alt+ArrowRight': () => { acts.shift(id, 1); setWantsFocus(id); },
      ArrowLeft: () => { step(box.current, id, 'left'); }, ArrowRight: () => { step(box.current, id, 'right'); }, ArrowUp: () => { step(box.current, id, 'up'); }, ArrowDown: () => { step(box.current, id, 'down'); },
    };
    const act = does[chord(event)];
    if (!act) return;
    event.preventDefault();
    act();
  };
  const isChanging = (folder: Folder): boolean => editing?.what === 'change' && editing.folder === folder.id;
  const end = useDroppable({ id: 'end', data: { sort: 'end' } });
  return (
    <section className="chest" aria-label={`Cabinet ${cabinet?.name ?? ''}`}>
      <div className="chest-head">
        <h1>{cabinet?.name}</h1>
        <Button size="sm" variant="quiet" onClick={() => { setEditing({ what: 'new', parent: null }); }}><Plus size={14} aria-hidden /> New folder, smart folder or divider <kbd>Shift+N</kbd></Button>
      </div>
      {editing?.what === 'new' && editing.parent === null && <FolderForm onDone={closeForm} />}
      <div ref={box} onKeyDown={onKeyDown}>
        {sectionsOf(folders).map(({ divider, fronts }) => (
          <Fragment key={divider?.id ?? 'top'}>
            {divider && <Divider folder={divider} isFocusable={divider.id === focusable} acts={acts} />}
            {divider && isChanging(divider) && <FolderForm folder={divider} onDone={closeForm} />}
            {fronts.length > 0 && (
              <ul className="fronts">
                {fronts.map((folder) => (
                  <Fragment key={folder.id}>
                    <DrawerFront folder={folder} isOpen={folder.id === opened[0]} isFocusable={folder.id === focusable} acts={acts} />
                    {isChanging(folder) && folder.id !== opened[0] && <li className="form-place"><FolderForm folder={folder} onDone={closeForm} /></li>}
                    {folder.id === opened[0] && <OpenDrawer folder={folder} chest={chest} openBelow={opened[1] ?? null} onToggleBelow={(id) => { acts.toggle(opened[1] === id ? '' : id); }} />}
                  </Fragment>
                ))}
              </ul>
            )}
          </Fragment>
        ))}
        <div ref={end.setNodeRef} className={`chest-end ${end.isOver ? 'before' : ''}`}>
          {folders.length <= 1 && <p className="text-soft">This cabinet has only its favourites. Make folders for the way you work: by job, by type, by client.</p>}
        </div>
      </div>
      <KeysHint keys={keys} />
    </section>
  );
}

/** The row of folders cut where its dividers stand. */
function sectionsOf(folders: readonly Folder[]): { divider: Folder | null; fronts: Folder[] }[] {
  const sections: { divider: Folder | null; fronts: Folder[] }[] = [{ divider: null, fronts: [] }];
  for (const folder of folders) {
    if (folder.form === 'divider') sections.push({ divider: folder, fronts: [] });
    else sections.at(-1)?.fronts.push(folder);
  }
  return sections;
}

/** The opened folder at the top and, when the open one lies below it, that one. */
function openedPath(folders: readonly { id: string; parent: string | null }[], open: string | null): string[] {
  const folder = folders.find((f) => f.id === open);
  if (!folder) return [];
  return folder.parent === null ? [folder.id] : [...openedPath(folders, folder.parent), folder.id];
}

const neighbour = (folders: readonly { id: string }[], id: string): string | null => {
  const at = folders.findIndex((f) => f.id === id);
  return (folders[at + 1] ?? folders[at - 1])?.id ?? null;
};

/** Focuses the front that lies next in a direction; left and right follow the order. */
function step(box: HTMLElement | null, id: string, direction: 'left' | 'right' | 'up' | 'down'): void {
  const fronts = [...(box?.querySelectorAll<HTMLElement>('[data-folder]') ?? [])];
  const at = fronts.findIndex((f) => f.dataset['folder'] === id), here = fronts[at]?.getBoundingClientRect();
  if (!here) return;
  if (direction === 'left' || direction === 'right') {
    fronts[at + (direction === 'left' ? -1 : 1)]?.focus();
    return;
  }
  const down = direction === 'down';
  const away = fronts.map((front) => ({ front, rect: front.getBoundingClientRect() })).filter(({ rect }) => (down ? rect.top >= here.bottom - 1 : rect.bottom <= here.top + 1));
  const distance = ({ rect }: { rect: DOMRect }): number => Math.abs(rect.top - here.top) * 10 + Math.abs(rect.left - here.left);
  away.sort((a, b) => distance(a) - distance(b))[0]?.front.focus();
}
