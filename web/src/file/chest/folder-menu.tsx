/** What can be done to a folder or divider, in the menu at its corner. */
import { MoreHorizontal } from 'lucide-react';
import { memo, useRef, useState } from 'react';
import type { Folder } from '@clever-drawer/core/order';
import { FolderMenuItems as Items, IntoCabinet, MergeInto } from '../forms/behind.ts';
import type { Asking } from './folder-menu-items.tsx';
import type { ChestActs } from './use-chest.ts';
import * as texts from '../texts.ts';

/**
 * The dots at a corner; the menu itself is made when it opens, since a chest may hold hundreds of
 * folders.
 */
export const FolderMenu = memo(function MenuOfFolder({
  folder,
  acts,
  isOpen,
  setOpen,
}: {
  folder: Folder;
  acts: ChestActs;
  isOpen: boolean;
  setOpen: (isOpen: boolean) => void;
}) {
  const [asking, setAsking] = useState<Asking | null>(null);
  const place = useRef<HTMLSpanElement>(null);
  if (folder.form === 'favourites') {
    return null;
  }
  const close = (): void => {
    setOpen(false);
    requestAnimationFrame(() => {
      // Back to the folder, from which the keys go on.
      if (document.activeElement === document.body) {
        place.current?.parentElement?.querySelector<HTMLElement>('[data-folder]')?.focus();
      }
    });
  };
  return (
    <>
      <span
        ref={place}
        className="front-menu"
        onPointerDown={(event) => {
          event.stopPropagation();
        }}
      >
        {isOpen ? (
          <Items folder={folder} acts={acts} onAsk={setAsking} onClose={close} />
        ) : (
          <Dots folder={folder} setOpen={setOpen} />
        )}
      </span>
      {asking === 'merge' && (
        <MergeInto
          folder={folder}
          onClose={() => {
            setAsking(null);
          }}
        />
      )}
      {(asking === 'copy' || asking === 'show') && (
        <IntoCabinet
          folder={folder}
          asking={asking}
          onClose={() => {
            setAsking(null);
          }}
        />
      )}
    </>
  );
});

interface DotsProps {
  readonly folder: Folder;
  readonly setOpen: (isOpen: boolean) => void;
}

function Dots({ folder, setOpen }: DotsProps) {
  return (
    <button
      type="button"
      className="menu-dots"
      tabIndex={-1}
      aria-haspopup="true"
      aria-expanded={false}
      aria-label={texts.actionsFor(folder.name)}
      onClick={() => {
        setOpen(true);
      }}
    >
      <MoreHorizontal size={15} aria-hidden />
    </button>
  );
}
