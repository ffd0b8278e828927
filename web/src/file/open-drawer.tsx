/** An opened folder: its subfolders, and its plugins in order. Keys: arrows move, Alt+arrows reorder, Delete takes out. */
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { X } from 'lucide-react';
import { useState, type KeyboardEvent } from 'react';
import { Button } from 'react-bootstrap';
import { sayRule, type Folder, type Placement, type Plugin } from '@clever-drawer/core';
import { useStudio } from '../api/studio.tsx';
import { Faceplate } from '../ui/faceplate.tsx';
import { chord } from '../ui/keys.ts';
import { useNotices } from '../ui/notices.tsx';
import { DrawerFront } from './drawer-front.tsx';
import { sortingNames } from './folder-menu.tsx';
import { FolderForm } from './folder-form.tsx';
import type { ChestState } from './use-chest.ts';

/** More plugins than this are not drawn in the drawer but counted; the list shows them all. */
const drawn = 300;

export function OpenDrawer({ folder, chest, openBelow, onToggleBelow }: { folder: Folder; chest: ChestState; openBelow: string | null; onToggleBelow: (folder: string) => void }) {
  const { act, arrangement, pluginById } = useStudio();
  const { acts, editing, setEditing } = chest;
  const below = (arrangement.below.get(folder.id) ?? []).filter((f) => f.form !== 'divider');
  const shownBelow = below.find((f) => f.id === openBelow);
  const members = arrangement.members.get(folder.id) ?? [];
  const placements = arrangement.placements.get(folder.id) ?? [];
  return (
    <li ref={intoView} className={`open-drawer ${folder.form}`} aria-label={`${folder.name}, opened`}>
      <div className="open-head">
        <span className={`label ${folder.form === 'smart' ? 'smart' : ''}`}>{folder.name}</span>
        <span className="text-soft">{folder.rule ? sayRule(folder.rule) : members.length === 1 ? 'One plugin' : `${members.length} plugins`}{folder.sortedBy && <> · sorted by {sortingNames[folder.sortedBy]}{folder.form === 'folder' && <> <button type="button" className="link-words" onClick={() => { act({ act: 'set-folder', folder: folder.id, set: { sortedBy: null } }); }}>my own order</button></>}</>}</span>
        <span className="open-acts">
          {folder.form !== 'favourites' && <Button size="sm" variant="bare" onClick={() => { acts.rename(folder.id); }}>{folder.form === 'smart' ? 'Change the rule' : 'Rename'}</Button>}
          {folder.form === 'folder' && <Button size="sm" variant="bare" onClick={() => { acts.addBelow(folder.id); }}>New subfolder</Button>}
          <Button size="sm" variant="bare" aria-label={`Close ${folder.name}`} onClick={() => { acts.toggle(folder.id); }}><X size={15} aria-hidden /></Button>
        </span>
      </div>
      {editing?.what === 'change' && editing.folder === folder.id && <FolderForm folder={folder} onDone={() => { setEditing(null); }} />}
      {folder.form !== 'divider' && <Notes key={folder.notes} folder={folder} />}
      {(below.length > 0 || (editing?.what === 'new' && editing.parent === folder.id)) && (
        <ul className="fronts below">
          {below.map((f) => <DrawerFront key={f.id} folder={f} isOpen={f.id === openBelow} isFocusable acts={{ ...acts, toggle: onToggleBelow }} />)}
          {shownBelow && <OpenDrawer folder={shownBelow} chest={chest} openBelow={null} onToggleBelow={onToggleBelow} />}
          {editing?.what === 'new' && editing.parent === folder.id && <li className="form-place"><FolderForm parent={folder.id} onDone={() => { setEditing(null); }} /></li>}
        </ul>
      )}
      {members.length === 0 && below.length === 0 && <p className="text-soft open-empty">{folder.form === 'smart' ? 'No plugin has these words in its name yet. What arrives later comes in by itself.' : <>Empty. Drag plugins onto it, or press <kbd>F</kbd> on one in the list.</>}</p>}
      {members.length > 0 && (
        <ol className="open-plugins">
          {members.slice(0, drawn).map((id, at) => {
            const plugin = pluginById.get(id);
            const own = folder.sortedBy ? undefined : at;
            return plugin && <PlacedPlugin key={id} plugin={plugin} folder={folder} placement={own === undefined ? placements.find((p) => p.plugin === id) : placements[own]} next={own === undefined ? undefined : placements[own + 2]} before={own === undefined ? undefined : placements[own - 1]} isLast={own === placements.length - 1} />;
          })}
        </ol>
      )}
      {members.length > drawn && <p className="text-soft open-empty">and {members.length - drawn} more</p>}
    </li>
  );
}

/** What to remember of the folder. */
function Notes({ folder }: { folder: Folder }) {
  const { act } = useStudio();
  const [typed, setTyped] = useState(folder.notes);
  return <input className="folder-notes" aria-label={`Note on ${folder.name}`} placeholder="A note" maxLength={10_000} value={typed} onChange={(event) => { setTyped(event.target.value); }} onKeyDown={(event) => { event.stopPropagation(); if (event.key === 'Enter') event.currentTarget.blur(); }} onBlur={() => { if (typed.trim() !== folder.notes) act({ act: 'set-folder', folder: folder.id, set: { notes: typed } }); }} />;
}

/** An opened folder comes into view when it opens. */
const intoView = (element: HTMLElement | null): void => { element?.scrollIntoView({ block: 'nearest' }); };

interface PlacedProps {
  readonly plugin: Plugin;
  readonly folder: Folder;
  /** None in a smart folder. */
  readonly placement: Placement | undefined;
  readonly before: Placement | undefined;
  readonly next: Placement | undefined;
  readonly isLast: boolean;
}

function PlacedPlugin({ plugin, folder, placement, before, next, isLast }: PlacedProps) {
  const { act, arrangement, nameOf } = useStudio();
  const { say } = useNotices();
  const drag = useDraggable({ id: `placed:${folder.id}:${plugin.id}`, data: { sort: 'plugins', plugin: plugin.id, placement: placement?.id } });
  const drop = useDroppable({ id: `spot:${folder.id}:${plugin.id}`, data: { sort: 'spot', folder: folder.id, before: placement?.id }, disabled: placement === undefined });
  const sayHow = (): void => { say(`${folder.name} is sorted by ${sortingNames[folder.sortedBy ?? 'name']}. Choose “my own order” in its head to reorder by hand.`, 'trouble'); };
  const takeOut = (): void => { if (placement) act({ act: 'take-out', placements: [placement.id] }); };
  const onKeyDown = (event: KeyboardEvent<HTMLLIElement>): void => {
    const keys: Record<string, () => void> = {
      ArrowDown: () => { focusSibling(event.currentTarget, 1); }, ArrowUp: () => { focusSibling(event.currentTarget, -1); },
      ...(placement && {
        'Alt+ArrowUp': () => { if (folder.sortedBy) sayHow(); else if (before) act({ act: 'move-placement', placement: placement.id, before: before.id }); },
        'Alt+ArrowDown': () => { if (folder.sortedBy) sayHow(); else if (!isLast) act({ act: 'move-placement', placement: placement.id, before: next?.id ?? null }); },
        Delete: () => { if (!focusSibling(event.currentTarget, 1)) focusSibling(event.currentTarget, -1); takeOut(); },
      }),
    };
    const does = keys[chord(event)];
    if (!does) return;
    event.preventDefault();
    event.stopPropagation();
    does();
  };
  const ref = (element: HTMLElement | null): void => { drag.setNodeRef(element); drop.setNodeRef(element); };
  const reason = arrangement.because.get(`${folder.id}/${plugin.id}`);
  return (
    <li ref={ref} {...drag.listeners} tabIndex={0} onKeyDown={onKeyDown} className={`${drag.isDragging ? 'dragged' : ''} ${drop.isOver ? 'before' : ''}`} aria-label={nameOf(plugin)} data-testid="placed">
      <Faceplate seed={plugin.id} width={34} />
      <span className="names"><span className="name">{nameOf(plugin)}</span><span className="vendor">{reason ?? plugin.vendor ?? 'no vendor named'}</span></span>
      {placement && <Button size="sm" variant="bare" tabIndex={-1} aria-label={`Take ${nameOf(plugin)} out of ${folder.name}`} title="Take out of this folder (Delete). It stays in the catalog." onClick={takeOut}><X size={14} aria-hidden /></Button>}
    </li>
  );
}

function focusSibling(element: HTMLElement, by: 1 | -1): boolean {
  const sibling = by > 0 ? element.nextElementSibling : element.previousElementSibling;
  if (!(sibling instanceof HTMLElement)) return false;
  sibling.focus();
  return true;
}

