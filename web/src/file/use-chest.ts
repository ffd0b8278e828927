/** What can be done to the folders of the chest, by menu, key or mouse. */
import { useMemo, useState } from 'react';
import { asId, type Folder } from '@clever-drawer/core';
import { useStudio } from '../api/studio.tsx';

export interface ChestActs {
  readonly focus: (folder: string) => void;
  readonly toggle: (folder: string) => void;
  readonly rename: (folder: string) => void;
  readonly addBelow: (folder: string) => void;
  /** By so many places along its row. */
  readonly shift: (folder: string, by: -1 | 1) => void;
  readonly moveBefore: (folder: string, before: string) => void;
  readonly moveInto: (folder: string, parent: string) => void;
  readonly moveOut: (folder: Folder) => void;
  readonly remove: (folder: string) => void;
  readonly neighbourAbove: (folder: Folder) => Folder | undefined;
}

/** What the chest is about to make or change, in place of a front. */
export type Editing = { readonly what: 'new'; readonly parent: string | null } | { readonly what: 'change'; readonly folder: string } | null;

export interface ChestState {
  readonly focused: string | null;
  readonly editing: Editing;
  readonly setEditing: (editing: Editing) => void;
  readonly acts: ChestActs;
}

export function useChest(open: string | null, setOpen: (folder: string | null) => void): ChestState {
  const { act, arrangement } = useStudio();
  const [focused, setFocused] = useState<string | null>(null);
  const [editing, setEditing] = useState<Editing>(null);
  const acts = useMemo<ChestActs>(() => {
    const folderOf = (id: string): Folder | undefined => arrangement.folders.find((f) => f.id === id);
    const rowOf = (folder: Folder): readonly Folder[] => arrangement.below.get(folder.parent ?? folder.cabinet) ?? [];
    return {
      focus: setFocused,
      toggle: (folder) => { setOpen(open === folder ? null : folder); },
      rename: (folder) => { setEditing({ what: 'change', folder }); },
      addBelow: (folder) => { setOpen(folder); setEditing({ what: 'new', parent: folder }); },
      shift: (id, by) => {
        const folder = folderOf(id);
        if (!folder) return;
        const row = rowOf(folder), at = row.indexOf(folder);
        const before = by < 0 ? row[at - 1] : (row[at + 2] ?? null);
        if (before === undefined || (by > 0 && at === row.length - 1)) return;
        act({ act: 'move-folder', folder: folder.id, parent: folder.parent, before: before?.id ?? null });
      },
      moveBefore: (id, beforeId) => {
        const before = folderOf(beforeId);
        if (before && id !== beforeId) act({ act: 'move-folder', folder: asId(id), parent: before.parent, before: before.id });
      },
      moveInto: (id, parent) => { if (act({ act: 'move-folder', folder: asId(id), parent: asId(parent), before: null })) setOpen(parent); },
      moveOut: (folder) => {
        const parent = folderOf(folder.parent ?? '');
        if (!parent) return;
        const row = rowOf(parent);
        act({ act: 'move-folder', folder: folder.id, parent: parent.parent, before: row[row.indexOf(parent) + 1]?.id ?? null });
      },
      remove: (id) => { if (act({ act: 'remove-folder', folder: asId(id) }) && open === id) setOpen(null); },
      neighbourAbove: (folder) => {
        const row = rowOf(folder);
        return row.slice(0, row.indexOf(folder)).reverse().find((f) => f.form === 'folder');
      },
    };
  }, [act, arrangement, open, setOpen]);
  return useMemo(() => ({ focused, editing, setEditing, acts }), [focused, editing, acts]);
}
