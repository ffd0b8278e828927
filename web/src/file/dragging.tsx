/** Dragging: plugins onto folders, folders among themselves, plugins within a folder. Every drop says what it did, or why not. */
import {
  DndContext,
  DragOverlay,
  MouseSensor,
  pointerWithin,
  TouchSensor,
  useSensor,
  useSensors,
  type Active,
  type Announcements,
  type DragEndEvent,
  type DragMoveEvent,
  type Over,
} from '@dnd-kit/core';
import { isValidElement, useEffect, useState, type ReactNode } from 'react';
import { asId } from '@clever-drawer/core';
import { useStudio, type Studio } from '../studio/studio.tsx';
import { useNotices } from '../ui/notices.tsx';
import { fileAct } from '../annotate/filing.ts';
import { DropPartContext, partOf, type DropPart } from './drop-part.ts';
import { KeepByHand } from './keep-by-hand.tsx';
import type { ChestActs } from './use-chest.ts';

type Dragged =
  | { sort: 'plugins'; plugin: string; placement?: string }
  | { sort: 'folder'; folder: string };
type Target =
  | { sort: 'front'; folder: string }
  | { sort: 'spot'; folder: string; before: string }
  | { sort: 'end' }
  | { sort: 'cabinet' };

const draggedOf = (active: Active | null): Dragged | null =>
  (active?.data.current as Dragged | undefined) ?? null;
const targetOf = (over: Over | null): Target | null =>
  (over?.data.current as Target | undefined) ?? null;

/** Dragging is for mouse and touch; keys do the same. */
const screenReaderInstructions = {
  draggable:
    "Press F to file by a folder's name, Space to gather in the tray, Alt with arrow keys to reorder.",
};

/** The words of what is shown, without their looks. */
function plainWords(node: ReactNode): string {
  if (typeof node === 'string' || typeof node === 'number') {
    return String(node);
  }
  if (Array.isArray(node)) {
    return node.map(plainWords).join('');
  }
  return isValidElement<{ children?: ReactNode }>(node) ? plainWords(node.props.children) : '';
}

/** A drag begins after some pixels, or after resting some milliseconds. The same objects all along: other ones would draw everything that can be dragged again. */
const mouse = { activationConstraint: { distance: 6 } };
const touch = { activationConstraint: { delay: 250, tolerance: 8 } };

interface Props {
  readonly tray: ReadonlySet<string>;
  readonly acts: ChestActs;
  readonly onFiled: (folder: string) => void;
  readonly children: ReactNode;
}

export function Dragging({ tray, acts, onFiled, children }: Props) {
  const studio = useStudio();
  const { say } = useNotices();
  const [held, setHeld] = useState<{
    dragged: Dragged;
    target: Target | null;
    part: DropPart;
  } | null>(null);
  const isCopying = useCtrl(held !== null);
  const [asking, setAsking] = useState<{ folder: string; plugins: readonly string[] } | null>(null);
  const sensors = useSensors(useSensor(MouseSensor, mouse), useSensor(TouchSensor, touch));
  const pluginsOf = (dragged: Dragged & { sort: 'plugins' }): string[] =>
    tray.has(dragged.plugin) && dragged.placement === undefined ? [...tray] : [dragged.plugin];
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    setHeld(null);
    const dragged = draggedOf(active);
    const target = targetOf(over);
    if (!dragged) {
      return;
    }
    if (dragged.sort === 'folder') {
      dropFolder(studio, acts, dragged.folder, target, held?.part ?? 'before');
      return;
    }
    if (!target || target.sort === 'end' || target.sort === 'cabinet') {
      say(
        'Dropped beside the folders: nothing was filed. Drop onto a folder, or press F to file by its name.',
        'trouble',
      );
      return;
    }
    if (studio.arrangement.folders.find((f) => f.id === target.folder)?.form === 'smart') {
      setAsking({ folder: target.folder, plugins: pluginsOf(dragged) });
      return;
    }
    if (
      target.sort === 'spot' &&
      dragged.placement !== undefined &&
      studio.arrangement.placements.get(target.folder)?.some((p) => p.id === dragged.placement)
    ) {
      studio.act({
        act: 'move-placement',
        placement: asId(dragged.placement),
        before: asId(target.before),
      });
      return;
    }
    if (
      dragged.placement !== undefined &&
      !isCopying &&
      !studio.arrangement.placements.get(target.folder)?.some((p) => p.id === dragged.placement)
    ) {
      studio.act({
        act: 'move-to',
        placements: [asId(dragged.placement)],
        folder: asId(target.folder),
        before: target.sort === 'spot' ? asId(target.before) : null,
      });
      return;
    }
    if (
      studio.act(
        fileAct(target.folder, pluginsOf(dragged), target.sort === 'spot' ? target.before : null),
      )
    ) {
      onFiled(target.folder);
    }
  };
  const onDragMove = (event: DragMoveEvent): void => {
    const dragged = draggedOf(event.active);
    if (dragged?.sort !== 'folder') {
      return;
    }
    const part = partOf(event, studio.arrangement.folders, dragged.folder);
    setHeld((h) => (h && h.part !== part ? { ...h, part } : h));
  };
  const textOf = (dragged: Dragged, target: Target | null): string =>
    plainWords(
      sayDrop(
        studio,
        dragged,
        target,
        held?.part ?? 'before',
        dragged.sort === 'plugins' ? pluginsOf(dragged) : [],
        isCopying,
      ),
    );
  const heard = (active: Active, over: Over | null): string | undefined => {
    const dragged = draggedOf(active);
    return dragged ? textOf(dragged, targetOf(over)) : undefined;
  };
  const announcements: Announcements = {
    onDragStart: ({ active }) => heard(active, null),
    onDragOver: ({ active, over }) => heard(active, over),
    onDragEnd: () => undefined,
    onDragCancel: () => 'Let go: nothing was moved.',
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={pointerWithin}
      onDragStart={({ active }) => {
        const dragged = draggedOf(active);
        if (dragged) {
          setHeld({ dragged, target: null, part: 'before' });
        }
      }}
      onDragOver={({ over }) => {
        setHeld((h) => h && { ...h, target: targetOf(over) });
      }}
      onDragMove={onDragMove}
      onDragEnd={onDragEnd}
      onDragCancel={() => {
        setHeld(null);
      }}
      accessibility={{ restoreFocus: false, announcements, screenReaderInstructions }}
    >
      <DropPartContext value={held?.part ?? 'before'}>{children}</DropPartContext>
      {asking && (
        <KeepByHand
          folder={asking.folder}
          plugins={asking.plugins}
          onClose={() => {
            setAsking(null);
          }}
        />
      )}
      <DragOverlay dropAnimation={null}>
        {held && (
          <div className="in-the-air">
            {sayDrop(
              studio,
              held.dragged,
              held.target,
              held.part,
              held.dragged.sort === 'plugins' ? pluginsOf(held.dragged) : [],
              isCopying,
            )}
          </div>
        )}
      </DragOverlay>
    </DndContext>
  );
}

/** Whether Ctrl is held down, while it matters. */
function useCtrl(matters: boolean): boolean {
  const [isDown, setDown] = useState(false);
  useEffect(() => {
    if (!matters) {
      return;
    }
    const listen = (event: KeyboardEvent): void => {
      setDown(event.ctrlKey || event.metaKey);
    };
    window.addEventListener('keydown', listen);
    window.addEventListener('keyup', listen);
    return () => {
      window.removeEventListener('keydown', listen);
      window.removeEventListener('keyup', listen);
      setDown(false);
    };
  }, [matters]);
  return isDown;
}

function dropFolder(
  studio: Studio,
  acts: ChestActs,
  folder: string,
  target: Target | null,
  part: DropPart,
): void {
  if (target?.sort === 'front' && target.folder !== folder) {
    if (part === 'inside') {
      acts.moveInto(folder, target.folder);
    } else {
      acts.moveBeside(folder, target.folder, part);
    }
  }
  if (target?.sort === 'end') {
    studio.act({ act: 'move-folder', folder: asId(folder), parent: null, before: null });
  }
}

/** What dropping here would do. */
function sayDrop(
  studio: Studio,
  dragged: Dragged,
  target: Target | null,
  part: DropPart,
  plugins: readonly string[],
  isCopying: boolean,
): ReactNode {
  const { folders } = studio.arrangement;
  const nameOf = (id: string): string => folders.find((f) => f.id === id)?.name ?? '';
  if (dragged.sort === 'folder') {
    if (target?.sort === 'front' && target.folder !== dragged.folder) {
      return (
        <>
          Put <b>{nameOf(dragged.folder)}</b> {part} <b>{nameOf(target.folder)}</b>
        </>
      );
    }
    return target?.sort === 'end' ? (
      <>
        Put <b>{nameOf(dragged.folder)}</b> last
      </>
    ) : (
      <b>{nameOf(dragged.folder)}</b>
    );
  }
  const only = studio.pluginById.get(plugins[0] ?? '');
  const what = plugins.length === 1 && only ? studio.nameOf(only) : `${plugins.length} plugins`;
  const folder =
    target && target.sort !== 'end' && target.sort !== 'cabinet'
      ? folders.find((f) => f.id === target.folder)
      : undefined;
  if (!folder) {
    return <b>{what}</b>;
  }
  if (folder.form === 'smart') {
    return (
      <>
        <b>{folder.name}</b> fills itself: keep {what} in by hand, or change its rule
      </>
    );
  }
  if (folder.form === 'divider') {
    return <>A divider holds no plugins</>;
  }
  return dragged.placement !== undefined && !isCopying ? (
    <>
      Move {what} to <b>{folder.name}</b>{' '}
      <span className="text-soft-bar">Ctrl: file it there too</span>
    </>
  ) : (
    <>
      File {what} in <b>{folder.name}</b>
    </>
  );
}
