/**
 * Carries what is dragged: a press becomes a drag, what is in the air says what letting go would do,
 * and that is done. What a drop does is planned in model/drop-plan.
 */
import {
  DndContext,
  DragOverlay,
  MouseSensor,
  TouchSensor,
  useDraggable,
  useSensor,
  useSensors,
  type Announcements,
} from '@dnd-kit/core';
import { useContext, useEffect, useLayoutEffect, useState } from 'react';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { markDragging } from '../ui/keys.ts';
import { useNotices } from '../ui/notices.tsx';
import { KeepByHand } from './keep-by-hand.tsx';
import { findAround, HeldContext, useHeld, type Held, type HeldStore } from './held.ts';
import { planDrop, textOf, type Dragged, type DropPlan } from './model/drop-plan.ts';
import { followPointer, partOf, type Pointed } from './under-pointer.ts';
import type { ChestActs } from './use-chest.ts';
import type { TrayState } from './use-tray.ts';
import * as texts from './texts.ts';

/** A drag begins after some pixels, or after resting some milliseconds. */
const mouse = { activationConstraint: { distance: 6 } };
const touch = { activationConstraint: { delay: 250, tolerance: 8 } };

/** What is under it is what matters. */
const letsThrough = { pointerEvents: 'none' } as const;

/** Plugins that were let go on a smart folder. */
interface Asked {
  readonly folder: string;
  readonly plugins: readonly string[];
}

export interface CarrierProps {
  readonly tray: TrayState;
  readonly acts: ChestActs;
  readonly onFiled: (folder: string) => void;
}

export function Carrier({ tray, acts, onFiled }: CarrierProps) {
  const store = useContext(HeldContext);
  const [asked, setAsked] = useState<Asked | null>(null);
  const sensors = useSensors(useSensor(MouseSensor, mouse), useSensor(TouchSensor, touch));
  const isHeld = useHeld((held) => held !== null);
  const planOf = usePlan(tray.ids, isHeld);
  const drop = useDrop(tray, acts, onFiled, setAsked);
  useFollowing(store, isHeld);
  const onDragEnd = (): void => {
    const held = store.now();
    store.end();
    if (held) {
      drop(held.dragged, planOf(held));
    }
  };
  return (
    <DndContext
      sensors={sensors}
      autoScroll={false}
      onDragStart={store.begin}
      onDragEnd={onDragEnd}
      onDragCancel={store.end}
      accessibility={{
        restoreFocus: false,
        announcements: announcementsOf(store, planOf),
        screenReaderInstructions: texts.dragInstructions,
      }}
    >
      <Grip />
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
        {isHeld && <InTheAir planOf={planOf} />}
      </DragOverlay>
    </DndContext>
  );
}

/**
 * All that can be dragged, as one thing to the library, which is told which it is when it is pressed:
 * with one for each, it draws all of them again at every step of a drag.
 */
function Grip() {
  const store = useContext(HeldContext);
  const { setNodeRef, listeners } = useDraggable({ id: 'held' });
  useLayoutEffect(
    () =>
      store.takePresses(({ element, event }) => {
        setNodeRef(element as HTMLElement);
        listeners?.['touches' in event ? 'onTouchStart' : 'onMouseDown']?.(event);
      }),
    [store, setNodeRef, listeners],
  );
  return null;
}

/** Keeps what is in the air over what the pointer is over. */
function useFollowing(store: HeldStore, isHeld: boolean): void {
  const { arrangement } = useArrangement();
  const { folders } = arrangement;
  useEffect(() => {
    if (!isHeld) {
      return;
    }
    const point: Pointed = (element, x) => {
      const found = findAround(store, element, 'target');
      const target = found?.what ?? null;
      const dragged = store.now()?.dragged;
      const over =
        target?.kind === 'front' && folders.find((folder) => folder.id === target.folder);
      if (!found || !over || dragged?.kind !== 'folder') {
        store.moveOver(target, 'before');
        return;
      }
      const { left, width } = found.element.getBoundingClientRect();
      const folder = folders.find((one) => one.id === dragged.folder);
      store.moveOver(target, partOf((x - left) / width, over, folder));
    };
    return followPointer(point);
  }, [store, isHeld, folders]);
  useEffect(() => {
    markDragging(isHeld);
    return () => {
      markDragging(false);
    };
  }, [isHeld]);
}

type PlanOf = (held: Held) => DropPlan;

/** Plans drops with what is shown now. */
function usePlan(tray: ReadonlySet<string>, isHeld: boolean): PlanOf {
  const { pluginById } = useCatalog();
  const { arrangement, cabinets, nameOf } = useArrangement();
  const isCopying = useCtrl(isHeld);
  return ({ dragged, target, part }) => {
    const plugins = draggedPlugins(dragged, tray);
    const only = pluginById.get(plugins[0] ?? '');
    const what =
      plugins.length === 1 && only ? nameOf(only) : texts.someOrAllPlugins(plugins.length);
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

/** Says what letting go would do whenever that is something else. */
function announcementsOf(store: HeldStore, planOf: PlanOf): Announcements {
  let told: Held | null = null;
  const hear = (): string | undefined => {
    const held = store.now();
    if (held === null || held === told) {
      return undefined;
    }
    told = held;
    return textOf(planOf(held));
  };
  return {
    onDragStart: hear,
    onDragMove: hear,
    onDragOver: () => undefined,
    onDragEnd: () => undefined,
    onDragCancel: () => texts.letGo,
  };
}

function InTheAir({ planOf }: { planOf: PlanOf }) {
  const held = useHeld((now) => now);
  if (held === null) {
    return null;
  }
  const { words, hint } = planOf(held);
  return (
    <div className="in-the-air" data-testid="in-the-air">
      {words.map(({ text, isName }) => (isName ? <b key={text}>{text}</b> : text))}
      {hint !== undefined && <span className="text-soft-bar"> {hint}</span>}
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
