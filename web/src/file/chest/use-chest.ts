/** What can be done to the folders of the chest, by menu, key or mouse. */
import { useMemo, useState } from 'react';
import type { Act } from '@clever-drawer/core/acts';
import type { Arrangement } from '@clever-drawer/core/arrangement';
import { asId } from '@clever-drawer/core/id';
import type { Folder, Placement } from '@clever-drawer/core/order';
import type { MenuTarget } from '../../annotate/menu-target.ts';
import { useActs, useArrangement } from '../../studio/contexts.ts';
import { useNotices } from '../../ui/notices.tsx';
import { sortedByName } from '../model/drop-plan.ts';
import {
  cabinetByName,
  folderOf,
  moveOutAct,
  neighbourAbove,
  openedPath,
  shiftAct,
} from '../model/folder-moves.ts';

export interface ChestActs {
  readonly focus: (folder: string) => void;
  readonly toggle: (folder: string) => void;
  readonly rename: (folder: string) => void;
  readonly addBelow: (folder: string) => void;
  /** By so many places along its row. */
  readonly shift: (folder: string, by: -1 | 1) => void;
  /** Opens it, so that what was put inside is seen. */
  readonly reveal: (folder: string) => void;
  readonly moveInto: (folder: string, parent: string) => void;
  readonly moveOut: (folder: Folder) => void;
  readonly remove: (folder: string) => void;
  readonly neighbourAbove: (folder: Folder) => Folder | undefined;
  /** Makes a plugin the one that keys act on, with all that is selected where it is among that. */
  readonly choose: (plugin: string, selected: readonly string[]) => void;
  /** Opens the menu of plugins. */
  readonly openMenu: (target: MenuTarget) => void;
  /** Asks for the folder that placements of one folder are to be moved to. */
  readonly moveOn: (placements: readonly Placement[]) => void;
  /** Asks for the folder in which what keys act on is to be filed. */
  readonly file: () => void;
}

/** What the chest is about to make or change, in place of a front. */
export type Editing =
  | { readonly what: 'new'; readonly parent: string | null }
  | { readonly what: 'change'; readonly folder: string }
  | null;

export interface ChestState {
  readonly focused: string | null;
  /** The open folder with all it stands in, outermost first. */
  readonly path: readonly string[];
  readonly editing: Editing;
  readonly setEditing: (editing: Editing) => void;
  readonly acts: ChestActs;
}

interface ChestCommands extends Pick<ChestActs, 'choose' | 'openMenu' | 'moveOn' | 'file'> {
  readonly setOpen: (folder: string | null) => void;
}

export function useChest(
  open: string | null,
  { setOpen, choose, openMenu, moveOn, file }: ChestCommands,
): ChestState {
  const { act } = useActs();
  const { arrangement, cabinets } = useArrangement();
  const { notify } = useNotices();
  const [focused, setFocused] = useState<string | null>(null);
  const [editing, setEditing] = useState<Editing>(null);
  const path = useMemo(() => openedPath(arrangement, open), [arrangement, open]);
  const acts = useMemo<ChestActs>(() => {
    const moveByHand = (folder: Folder, by: -1 | 1): void => {
      const byName = cabinetByName(cabinets, folder);
      if (byName) {
        notify(sortedByName(byName.name), 'trouble');
      } else {
        doIfAny(shiftAct(arrangement, folder, by));
      }
    };
    const doIfAny = (wanted: Act | null): void => {
      if (wanted) {
        act(wanted);
      }
    };
    return {
      focus: setFocused,
      toggle: (folder) => {
        setOpen(path.includes(folder) ? parentOf(arrangement, folder) : folder);
      },
      rename: (folder) => {
        setEditing({ what: 'change', folder });
      },
      addBelow: (folder) => {
        setOpen(folder);
        setEditing({ what: 'new', parent: folder });
      },
      shift: (id, by) => {
        const folder = folderOf(arrangement, id);
        if (folder) {
          moveByHand(folder, by);
        }
      },
      reveal: setOpen,
      moveInto: (id, parent) => {
        if (act({ act: 'move-folder', folder: asId(id), parent: asId(parent), before: null })) {
          setOpen(parent);
        }
      },
      moveOut: (folder) => {
        doIfAny(moveOutAct(arrangement, folder));
      },
      remove: (id) => {
        const parent = parentOf(arrangement, id);
        if (act({ act: 'remove-folder', folder: asId(id) }) && path.includes(id)) {
          setOpen(parent);
        }
      },
      neighbourAbove: (folder) => neighbourAbove(arrangement, folder),
      choose,
      openMenu,
      moveOn,
      file,
    };
  }, [act, arrangement, cabinets, notify, path, setOpen, choose, openMenu, moveOn, file]);
  return useMemo(
    () => ({ focused, path, editing, setEditing, acts }),
    [focused, path, editing, acts],
  );
}

const parentOf = (arrangement: Arrangement, folder: string): string | null =>
  folderOf(arrangement, folder)?.parent ?? null;
