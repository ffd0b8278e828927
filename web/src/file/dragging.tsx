/**
 * Dragging: plugins onto folders, folders among themselves, plugins within a folder. What a drop
 * does is planned in model/drop-plan.
 */
import {
  DndContext,
  DragOverlay,
  MouseSensor,
  TouchSensor,
  useSensor,
  useSensors,
  type Active,
  type Announcements,
  type DragEndEvent,
  type DragMoveEvent,
  type Over,
} from '@dnd-kit/core';
import { useEffect, useState, type ReactNode } from 'react';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { markDragging } from '../ui/keys.ts';
import { useNotices } from '../ui/notices.tsx';
import { fetchedLater } from '../ui/fetched-later.tsx';
import { DropPartContext, partOf } from './drop-part.ts';
import {
  planDrop,
  textOf,
  type Dragged,
  type DropPart,
  type DropPlan,
  type Target,
} from './model/drop-plan.ts';
import { followPointer, underPointer } from './under-pointer.ts';
import type { ChestActs } from './use-chest.ts';
import type { TrayState } from './use-tray.ts';
import * as texts from './texts.ts';

const KeepByHand = fetchedLater(async () => (await import('./keep-by-hand.tsx')).KeepByHand);

const draggedOf = (active: Active | null): Dragged | null =>
  (active?.data.current as Dragged | undefined) ?? null;
const targetOf = (over: Over | null): Target | null =>
  (over?.data.current as Target | undefined) ?? null;

/**
 * A drag begins after some pixels, or after resting some milliseconds. The same objects all along:
 * other ones would draw everything that can be dragged again.
 */
const mouse = { activationConstraint: { distance: 6 } };
const touch = { activationConstraint: { delay: 250, tolerance: 8 } };

/** What is under it is what matters. */
const letsThrough = { pointerEvents: 'none' } as const;

/** What is in the air, and over what. */
interface Held {
  readonly dragged: Dragged;
  readonly target: Target | null;
  readonly part: DropPart;
}

/** Plugins that were let go on a smart folder. */
interface Asked {
  readonly folder: string;
  readonly plugins: readonly string[];
}

interface Props {
  readonly tray: TrayState;
  readonly acts: ChestActs;
  readonly onFiled: (folder: string) => void;
  readonly children: ReactNode;
}

export function Dragging({ tray, acts, onFiled, children }: Props) {
  const { arrangement } = useArrangement();
  const [held, setHeld] = useState<Held | null>(null);
  const [asked, setAsked] = useState<Asked | null>(null);
  const sensors = useSensors(useSensor(MouseSensor, mouse), useSensor(TouchSensor, touch));
  const planOf = usePlan(tray.ids, held);
  const isHeld = held !== null;
  useEffect(() => {
    markDragging(isHeld);
    const unfollow = isHeld ? followPointer() : undefined;
    return () => {
      markDragging(false);
      unfollow?.();
    };
  }, [isHeld]);
  const drop = useDrop(tray, acts, onFiled, setAsked);
  const onDragEnd = ({ active, over }: DragEndEvent): void => {
    setHeld(null);
    const dragged = draggedOf(active);
    if (dragged) {
      drop(dragged, planOf(dragged, targetOf(over)));
    }
  };
  const onDragMove = (event: DragMoveEvent): void => {
    const dragged = draggedOf(event.active);
    if (dragged?.kind === 'folder') {
      const part = partOf(event, arrangement.folders, dragged.folder);
      setHeld((before) => (before && before.part !== part ? { ...before, part } : before));
    }
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={underPointer}
      autoScroll={false}
      onDragStart={({ active }) => {
        const dragged = draggedOf(active);
        if (dragged) {
          setHeld({ dragged, target: null, part: 'before' });
        }
      }}
      onDragOver={({ over }) => {
        setHeld((before) => before && { ...before, target: targetOf(over) });
      }}
      onDragMove={onDragMove}
      onDragEnd={onDragEnd}
      onDragCancel={() => {
        setHeld(null);
      }}
      accessibility={{
        restoreFocus: false,
        announcements: announcementsOf(planOf),
        screenReaderInstructions: texts.dragInstructions,
      }}
    >
      <DropPartContext value={held?.part ?? 'before'}>{children}</DropPartContext>
      {asked && (
        <KeepByHand
          folder={asked.folder}
          plugins={asked.plugins}
          onClose={() => {
            setAsked(null);
          }}
        />
      )}
      <DragOverlay dropAnimation={null} style={letsThrough}>
        {held && <InTheAir plan={planOf(held.dragged, held.target)} />}
      </DragOverlay>
    </DndContext>
  );
}

type PlanOf = (dragged: Dragged, target: Target | null) => DropPlan;

/** Plans drops with what is shown now. */
function usePlan(tray: ReadonlySet<string>, held: Held | null): PlanOf {
  const { pluginById } = useCatalog();
  const { arrangement, cabinets, nameOf } = useArrangement();
  const isCopying = useCtrl(held !== null);
  return (dragged, target) => {
    const plugins = draggedPlugins(dragged, tray);
    const only = pluginById.get(plugins[0] ?? '');
    const what =
      plugins.length === 1 && only ? nameOf(only) : texts.someOrAllPlugins(plugins.length);
    const part = held?.part ?? 'before';
    return planDrop({ arrangement, cabinets, plugins, what, part, isCopying }, dragged, target);
  };
}

/** One that is in the tray brings all of the tray along. */
function draggedPlugins(dragged: Dragged, tray: ReadonlySet<string>): readonly string[] {
  if (dragged.kind === 'folder') {
    return [];
  }
  return isTrayDragged(dragged, tray) ? [...tray] : [dragged.plugin];
}

const isTrayDragged = (
  { plugin, placement }: Exclude<Dragged, { kind: 'folder' }>,
  tray: ReadonlySet<string>,
): boolean => tray.has(plugin) && placement === undefined;

/** Does what was planned, or says why not. */
function useDrop(
  tray: TrayState,
  acts: ChestActs,
  onFiled: (folder: string) => void,
  ask: (asked: Asked) => void,
): (dragged: Dragged, plan: DropPlan) => void {
  const { act } = useActs();
  const { notify } = useNotices();
  const kept = [...tray.ids];
  return (dragged, { outcome }) => {
    switch (outcome.kind) {
      case 'nothing':
        return;
      case 'refused':
        notify(outcome.reason, 'trouble');
        return;
      case 'ask':
        ask(outcome);
        return;
      case 'act': {
        // What was dragged out of the tray leaves it; undo brings it back.
        const isOfTray = dragged.kind !== 'folder' && isTrayDragged(dragged, tray.ids);
        const refill = (): void => {
          tray.add(kept);
        };
        const isDone = act(outcome.act, isOfTray ? { onUndone: refill } : {});
        if (isDone && isOfTray) {
          tray.empty();
        }
        if (isDone && outcome.act.act === 'file') {
          onFiled(outcome.act.folder);
        }
        if (isDone && outcome.act.act === 'move-folder' && outcome.act.parent !== null) {
          acts.reveal(outcome.act.parent);
        }
        return;
      }
      default:
        outcome satisfies never;
    }
  };
}

function announcementsOf(planOf: PlanOf): Announcements {
  const heard = (active: Active, over: Over | null): string | undefined => {
    const dragged = draggedOf(active);
    return dragged ? textOf(planOf(dragged, targetOf(over))) : undefined;
  };
  return {
    onDragStart: ({ active }) => heard(active, null),
    onDragOver: ({ active, over }) => heard(active, over),
    onDragEnd: () => undefined,
    onDragCancel: () => texts.letGo,
  };
}

function InTheAir({ plan }: { plan: DropPlan }) {
  return (
    <div className="in-the-air" data-testid="in-the-air">
      {plan.words.map(({ text, isName }) => (isName ? <b key={text}>{text}</b> : text))}
      {plan.hint !== undefined && <span className="text-soft-bar"> {plan.hint}</span>}
    </div>
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
