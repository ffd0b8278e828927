/** What can be done to the folders of the chest, by menu, key or mouse. */
import { useMemo, useState } from 'react';
import { asId, type Folder, type Placement } from '@clever-drawer/core';
import { useActs, useArrangement } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';
import { sortedByName } from './model/drop-plan.ts';

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
  /** Makes a plugin the one that keys act on. */
  readonly choose: (plugin: string) => void;
  /** Asks for the folder that a placement is to be moved to. */
  readonly moveOn: (placement: Placement) => void;
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

interface ChestCommands extends Pick<ChestActs, 'choose' | 'moveOn'> {
  readonly setOpen: (folder: string | null) => void;
}

export function useChest(
  open: string | null,
  { setOpen, choose, moveOn }: ChestCommands,
): ChestState {
  const { act } = useActs();
  const { arrangement, cabinets } = useArrangement();
  const { notify } = useNotices();
  const [focused, setFocused] = useState<string | null>(null);
  const [editing, setEditing] = useState<Editing>(null);
  const path = useMemo(() => openedPath(arrangement.folders, open), [arrangement.folders, open]);
  const acts = useMemo<ChestActs>(() => {
    const folderOf = (id: string): Folder | undefined =>
      arrangement.folders.find((f) => f.id === id);
    const isByName = (folder: Folder): boolean => {
      const cabinet = cabinets.find((one) => one.id === folder.cabinet);
      if (cabinet?.sortedBy) {
        notify(sortedByName(cabinet.name), 'trouble');
      }
      return cabinet?.sortedBy === 'name';
    };
    const rowOf = (folder: Folder): readonly Folder[] =>
      arrangement.below.get(folder.parent ?? folder.cabinet) ?? [];
    return {
      focus: setFocused,
      toggle: (folder) => {
        setOpen(path.includes(folder) ? (folderOf(folder)?.parent ?? null) : folder);
      },
      rename: (folder) => {
        setEditing({ what: 'change', folder });
      },
      addBelow: (folder) => {
        setOpen(folder);
        setEditing({ what: 'new', parent: folder });
      },
      shift: (id, by) => {
        const folder = folderOf(id);
        if (!folder) {
          return;
        }
        const row = rowOf(folder);
        const at = row.indexOf(folder);
        if (isByName(folder)) {
          return;
        }
        const before = by < 0 ? row[at - 1] : (row[at + 2] ?? null);
        if (before === undefined || (by > 0 && at === row.length - 1)) {
          return;
        }
        act({
          act: 'move-folder',
          folder: folder.id,
          parent: folder.parent,
          before: before?.id ?? null,
        });
      },
      reveal: setOpen,
      moveInto: (id, parent) => {
        if (act({ act: 'move-folder', folder: asId(id), parent: asId(parent), before: null })) {
          setOpen(parent);
        }
      },
      moveOut: (folder) => {
        const parent = folderOf(folder.parent ?? '');
        if (!parent) {
          return;
        }
        const row = rowOf(parent);
        act({
          act: 'move-folder',
          folder: folder.id,
          parent: parent.parent,
          before: row[row.indexOf(parent) + 1]?.id ?? null,
        });
      },
      remove: (id) => {
        const parent = folderOf(id)?.parent ?? null;
        if (act({ act: 'remove-folder', folder: asId(id) }) && path.includes(id)) {
          setOpen(parent);
        }
      },
      neighbourAbove: (folder) => {
        const row = rowOf(folder);
        return row
          .slice(0, row.indexOf(folder))
          .reverse()
          .find((f) => f.form === 'folder');
      },
      choose,
      moveOn,
    };
  }, [act, arrangement, cabinets, notify, path, setOpen, choose, moveOn]);
  return useMemo(
    () => ({ focused, path, editing, setEditing, acts }),
    [focused, path, editing, acts],
  );
}

function openedPath(folders: readonly Folder[], open: string | null): string[] {
  const folder = folders.find((f) => f.id === open);
  if (!folder) {
    return [];
  }
  return folder.parent === null ? [folder.id] : [...openedPath(folders, folder.parent), folder.id];
}
