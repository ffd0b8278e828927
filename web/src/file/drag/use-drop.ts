/** What letting go of what is dragged would do, and doing it. It is planned in model/drop-plan. */
import { useEffect, useState } from 'react';
import { useActs, useArrangement, useCatalog } from '../../studio/contexts.ts';
import { useNotices } from '../../ui/notices.tsx';
import type { ChestActs } from '../chest/use-chest.ts';
import { planDrop, type Dragged, type DropPlan } from '../model/drop-plan.ts';
import type { TrayState } from '../tray/use-tray.ts';
import type { Drag } from './drag-store.ts';
import * as texts from '../texts.ts';

/** Plugins that were let go on a smart folder. */
export interface Asked {
  readonly folder: string;
  readonly plugins: readonly string[];
}

/** Plans what letting go would do. */
export type PlanOf = (drag: Drag) => DropPlan;

/** Plans drops with what is shown now. */
export function usePlan(tray: ReadonlySet<string>, isDragging: boolean): PlanOf {
  const { pluginById } = useCatalog();
  const { arrangement, cabinets, nameOf } = useArrangement();
  const isCopying = useCtrl(isDragging);
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
  if (dragged.kind !== 'plugins') {
    return [];
  }
  if (dragged.along) {
    return dragged.along.plugins;
  }
  return isTrayDragged(dragged, tray) ? [...tray] : [dragged.plugin];
}

const isTrayDragged = (
  { plugin, from }: Extract<Dragged, { kind: 'plugins' }>,
  tray: ReadonlySet<string>,
): boolean => tray.has(plugin) && from === undefined;

/** Does what was planned, or says why not. */
export function useDrop(
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
        const isOfTray = dragged.kind === 'plugins' && isTrayDragged(dragged, tray.ids);
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

/** Whether Ctrl is drag down, while it matters. */
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
