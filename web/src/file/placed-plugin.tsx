/** A plugin in an opened folder. Keys: arrows move, Alt+arrows reorder, M moves it to another folder, Delete takes it out; the list's keys do what they do there. */
import { useDraggable, useDroppable } from '@dnd-kit/core';
import { GripVertical, X } from 'lucide-react';
import type { KeyboardEvent } from 'react';
import { Button } from 'react-bootstrap';
import type { Folder, Placement, Plugin } from '@clever-drawer/core';
import { useActs, useArrangement } from '../studio/contexts.ts';
import { Faceplate } from '../ui/faceplate.tsx';
import { chord } from '../ui/keys.ts';
import { useNotices } from '../ui/notices.tsx';
import { sortingNames } from './folder-menu.tsx';
import type { ChestActs } from './use-chest.ts';

interface PlacedProps {
  readonly plugin: Plugin;
  readonly folder: Folder;
  /** None in a smart folder. */
  readonly placement: Placement | undefined;
  readonly before: Placement | undefined;
  readonly next: Placement | undefined;
  readonly isLast: boolean;
  readonly acts: ChestActs;
}

export function PlacedPlugin({
  plugin,
  folder,
  placement,
  before,
  next,
  isLast,
  acts,
}: PlacedProps) {
  const { act } = useActs();
  const { arrangement, nameOf } = useArrangement();
  const { say } = useNotices();
  const drag = useDraggable({
    id: `placed:${folder.id}:${plugin.id}`,
    data: { kind: 'plugins', plugin: plugin.id, placement: placement?.id },
  });
  const drop = useDroppable({
    id: `spot:${folder.id}:${plugin.id}`,
    data: { kind: 'spot', folder: folder.id, before: placement?.id },
    disabled: placement === undefined,
  });
  const sayHow = (): void => {
    say(
      `${folder.name} is sorted by ${sortingNames[folder.sortedBy ?? 'name']}. Choose “my own order” in its head to reorder by hand.`,
      'trouble',
    );
  };
  const isSmart = folder.form === 'smart';
  const takeOut = (): void => {
    if (placement) {
      act({ act: 'take-out', placements: [placement.id] });
    } else if (isSmart) {
      act({ act: 'keep-by-hand', folder: folder.id, plugins: [plugin.id], as: 'out' });
    }
  };
  const onKeyDown = (event: KeyboardEvent<HTMLLIElement>): void => {
    const leave = (): void => {
      if (!focusSibling(event.currentTarget, 1)) {
        focusSibling(event.currentTarget, -1);
      }
      takeOut();
    };
    const keys: Record<string, () => void> = {
      ArrowDown: () => {
        focusSibling(event.currentTarget, 1);
      },
      ArrowUp: () => {
        focusSibling(event.currentTarget, -1);
      },
      ...((placement !== undefined || isSmart) && { Delete: leave }),
      ...(placement && {
        'Alt+ArrowUp': () => {
          if (folder.sortedBy) {
            sayHow();
          } else if (before) {
            act({ act: 'move-placement', placement: placement.id, before: before.id });
          }
        },
        'Alt+ArrowDown': () => {
          if (folder.sortedBy) {
            sayHow();
          } else if (!isLast) {
            act({ act: 'move-placement', placement: placement.id, before: next?.id ?? null });
          }
        },
        M: () => {
          acts.moveOn(placement);
        },
      }),
    };
    const does = keys[chord(event)];
    if (!does) {
      return;
    }
    event.preventDefault();
    event.stopPropagation();
    does();
  };
  const ref = (element: HTMLElement | null): void => {
    drag.setNodeRef(element);
    drop.setNodeRef(element);
  };
  const reason = arrangement.because(folder.id, plugin.id);
  return (
    <li
      ref={ref}
      {...drag.listeners}
      tabIndex={0}
      onFocus={() => {
        acts.choose(plugin.id);
      }}
      onKeyDown={onKeyDown}
      className={`${drag.isDragging ? 'dragged' : ''} ${drop.isOver ? 'before' : ''}`}
      aria-label={nameOf(plugin)}
      data-testid="placed"
    >
      {placement && !folder.sortedBy ? (
        <GripVertical size={14} className="grip" aria-hidden />
      ) : (
        <span />
      )}
      <Faceplate seed={plugin.id} width={34} />
      <span className="names">
        <span className="name">{nameOf(plugin)}</span>
        <span className="vendor">{reason ?? plugin.vendor ?? 'no vendor named'}</span>
      </span>
      {(placement !== undefined || isSmart) && (
        <Button
          size="sm"
          variant="bare"
          tabIndex={-1}
          aria-label={
            isSmart
              ? `Keep ${nameOf(plugin)} out of ${folder.name}`
              : `Take ${nameOf(plugin)} out of ${folder.name}`
          }
          title={
            isSmart
              ? 'Keep it out whatever the rule says (Delete).'
              : 'Take out of this folder (Delete). It stays in the catalog.'
          }
          onClick={takeOut}
        >
          <X size={14} aria-hidden />
        </Button>
      )}
    </li>
  );
}

function focusSibling(element: HTMLElement, by: 1 | -1): boolean {
  const sibling = by > 0 ? element.nextElementSibling : element.previousElementSibling;
  if (!(sibling instanceof HTMLElement)) {
    return false;
  }
  sibling.focus();
  return true;
}
