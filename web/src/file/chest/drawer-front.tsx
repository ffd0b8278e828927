/**
 * A drawer front: framed label, count, up to three subfolders, and a pull. It opens, is dragged and
 * takes drops.
 */
import { Layers, Pin } from 'lucide-react';
import { memo, useState, type MouseEvent } from 'react';
import type { Arrangement } from '@clever-drawer/core/arrangement';
import type { Folder } from '@clever-drawer/core/order';
import { useArrangement } from '../../studio/contexts.ts';
import { countBelow } from '../model/members-below.ts';
import { FolderMenu } from './folder-menu.tsx';
import { useDragRole, useDrag, type Drag } from '../drag/drag-store.ts';
import type { ChestActs } from './use-chest.ts';
import * as texts from '../texts.ts';

interface Props {
  readonly folder: Folder;
  readonly isOpen: boolean;
  readonly isFocusable: boolean;
  readonly acts: ChestActs;
}

/** Both a thing to drag and a place to drop on; how it looks then, as a class. */
function useFront<E extends HTMLElement>(folder: Folder) {
  const ref = useDragRole<E>({
    dragged: { kind: 'folder', folder: folder.id },
    target: { kind: 'front', folder: folder.id },
  });
  return { ref, look: useDrag((drag) => lookOf(folder, drag)) };
}

/** How a folder looks while something is in the air. */
function lookOf(folder: Folder, drag: Drag | null): string {
  if (drag?.dragged.kind === 'folder' && drag.dragged.folder === folder.id) {
    return 'dragged';
  }
  const isOver = drag?.target?.kind === 'front' && drag.target.folder === folder.id;
  if (!isOver || drag.dragged.kind === 'cabinet') {
    return '';
  }
  if (drag.dragged.kind === 'folder') {
    return drag.part === 'inside' ? 'takes' : drag.part;
  }
  return folder.form === 'smart' || folder.form === 'divider' ? 'refuses' : 'takes';
}

export function Divider({ folder, isFocusable, acts }: Omit<Props, 'isOpen'>) {
  const { ref, look } = useFront<HTMLDivElement>(folder);
  const { isMenuOpen, setMenuOpen, onContextMenu } = useMenu(folder);
  return (
    <div ref={ref} className={`divider ${look}`} onContextMenu={onContextMenu}>
      <button
        type="button"
        className="divider-name"
        data-folder={folder.id}
        tabIndex={isFocusable ? 0 : -1}
        onFocus={() => {
          acts.focus(folder.id);
        }}
        onClick={() => {
          acts.rename(folder.id);
        }}
        title={texts.dividerClickToRename}
      >
        {folder.name}
      </button>
      <hr />
      <FolderMenu folder={folder} acts={acts} isOpen={isMenuOpen} setOpen={setMenuOpen} />
    </div>
  );
}

/** The menu of a front: by its dots, a right click, or the context key on the front. */
function useMenu(folder: Folder) {
  const [isMenuOpen, setMenuOpen] = useState(false);
  return {
    isMenuOpen,
    setMenuOpen,
    onContextMenu: (event: MouseEvent) => {
      if (folder.form !== 'favourites') {
        event.preventDefault();
        setMenuOpen(true);
      }
    },
  };
}

/** Drawn again when a drag comes over it; what stands on it is drawn when that changes. */
export function DrawerFront({ folder, isOpen, isFocusable, acts }: Props) {
  const { ref, look } = useFront<HTMLLIElement>(folder);
  const { isMenuOpen, setMenuOpen, onContextMenu } = useMenu(folder);
  return (
    <li ref={ref} className={`front-place ${look}`} onContextMenu={onContextMenu}>
      <Face folder={folder} isOpen={isOpen} isFocusable={isFocusable} acts={acts} />
      <FolderMenu folder={folder} acts={acts} isOpen={isMenuOpen} setOpen={setMenuOpen} />
    </li>
  );
}

/** Whether a name may take more than two lines of a narrow front, of some eight letters each. */
const isLong = (name: string): boolean => name.length > 12;

const Face = memo(function DrawerFace({ folder, isOpen, isFocusable, acts }: Props) {
  const { arrangement } = useArrangement();
  const members = arrangement.members.get(folder.id) ?? [];
  const below = (arrangement.below.get(folder.id) ?? []).filter((f) => f.form !== 'divider');
  const isSmart = folder.form === 'smart';
  const lower = below.length === 0 ? 0 : countBelow(arrangement, folder.id);
  return (
    <button
      type="button"
      className={`front ${folder.form} ${isOpen ? 'open' : ''}`}
      data-folder={folder.id}
      aria-expanded={isOpen}
      tabIndex={isFocusable ? 0 : -1}
      aria-label={texts.folderHolds(
        folder.name,
        texts.formWords[folder.form],
        members.length,
        lower,
      )}
      onFocus={() => {
        acts.focus(folder.id);
      }}
      onClick={() => {
        acts.toggle(folder.id);
      }}
    >
      {folder.form === 'favourites' && <span className="ribbon-mark" aria-hidden />}
      <span className={`label ${isSmart ? 'smart' : ''} ${isLong(folder.name) ? 'long' : ''}`}>
        {folder.name}
      </span>
      <span className="front-count">
        {isSmart && (
          <span className="holes" aria-hidden>
            <i />
            <i />
            <i />
          </span>
        )}{' '}
        {members.length}
        {lower > 0 && ` + ${lower}`}
        {folder.shortcutTo && <Layers size={12} aria-label={texts.fromAnotherCabinet} />}
        {folder.isPinned && <Pin size={12} aria-label={texts.pinned} />}
      </span>
      {below.length > 0 && <FrontBelow below={below} arrangement={arrangement} />}
      <span className="pull" aria-hidden />
    </button>
  );
});

function FrontBelow({
  below,
  arrangement,
}: {
  readonly below: Folder[];
  readonly arrangement: Arrangement;
}) {
  return (
    <span className="front-below">
      {below.slice(0, below.length > 3 ? 2 : 3).map((f) => (
        <span key={f.id} className="hand">
          {f.name} {(arrangement.members.get(f.id) ?? []).length}
        </span>
      ))}
      {below.length > 3 && <span>{texts.andMore(below.length - 2)}</span>}
    </span>
  );
}
