/**
 * A plugin in an opened folder. Keys: arrows move, Alt+arrows reorder, M moves it to another
 * folder, Delete takes it out; the list's keys do what they do there.
 */
import { GripVertical, X } from 'lucide-react';
import type { MouseEvent } from 'react';
import { Button } from 'react-bootstrap';
import { because } from '@clever-drawer/core/arrangement';
import { faceOf, type Plugin } from '@clever-drawer/core/catalog';
import type { Folder, Placement } from '@clever-drawer/core/order';
import { useActs, useArrangement } from '../../studio/contexts.ts';
import { fileKeys, spotOf, type MenuEntry } from '../../annotate/menu-target.ts';
import { Faceplate } from '../../ui/faceplate.tsx';
import { ofWhat } from '../../annotate/of-what.ts';
import { runCommand, type Command } from '../../ui/commands.ts';
import { chord } from '../../ui/keys.ts';
import { useNotices } from '../../ui/notices.tsx';
import { isTakenFrom, useDragRole, useDrag } from '../drag/drag-store.ts';
import type { ChestActs } from './use-chest.ts';
import * as formTexts from '../forms/texts.ts';

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
  const { arrangement, nameOf } = useArrangement();
  const { ref, look } = useSpot(plugin, folder, placement);
  const takeOut = useTakeOut(plugin, folder, placement);
  const isSmart = folder.form === 'smart';
  const commandsAt = useCommands(
    { plugin, folder, placement, before, next, isLast, acts },
    takeOut,
  );
  const openMenu = (event: MouseEvent, from: HTMLElement): void => {
    const moving: MenuEntry[] = placement
      ? [
          {
            words: formTexts.moveToAFolder,
            keys: 'M',
            run: () => {
              acts.moveOn(placement);
            },
          },
        ]
      : [];
    const takingOut: MenuEntry[] =
      placement || isSmart
        ? [
            {
              words: isSmart ? formTexts.keepOutOfHere : formTexts.takeOutOfHere,
              keys: 'Delete',
              run: takeOut,
            },
          ]
        : [];
    acts.openMenu({
      ...spotOf(event, from),
      plugins: [plugin.id],
      keys: fileKeys,
      entries: [...moving, ...takingOut],
      from,
    });
  };
  const reason = because(arrangement, folder, plugin.id);
  return (
    <li
      ref={ref}
      tabIndex={0}
      onFocus={() => {
        acts.choose(plugin.id);
      }}
      onKeyDown={(event) => {
        runCommand(commandsAt(event.currentTarget), chord(event), event);
      }}
      onContextMenu={(event) => {
        event.preventDefault();
        event.stopPropagation();
        openMenu(event, event.currentTarget);
      }}
      className={look}
      aria-label={nameOf(plugin)}
      data-testid="placed"
    >
      {placement && !folder.sortedBy ? (
        <GripVertical size={14} className="grip" aria-hidden />
      ) : (
        <span />
      )}
      <Faceplate seed={faceOf(plugin)} width={34} />
      <span className="names">
        <span className="name">{nameOf(plugin)}</span>
        <span className="vendor">{reason ?? ofWhat(plugin)}</span>
      </span>
      {(placement !== undefined || isSmart) && (
        <TakeOut isSmart={isSmart} plugin={plugin} folder={folder} takeOut={takeOut} />
      )}
    </li>
  );
}

interface TakeOutProps {
  readonly isSmart: boolean;
  readonly plugin: Plugin;
  readonly folder: Folder;
  readonly takeOut: () => void;
}

function TakeOut({ isSmart, plugin, folder, takeOut }: TakeOutProps) {
  const { nameOf } = useArrangement();
  return (
    <Button
      size="sm"
      variant="bare"
      tabIndex={-1}
      aria-label={
        isSmart
          ? formTexts.excludeFrom(nameOf(plugin), folder.name)
          : formTexts.removeFrom(nameOf(plugin), folder.name)
      }
      title={isSmart ? formTexts.excludeItWhateverTheRule : formTexts.removeFromThisFolderDelete}
      onClick={takeOut}
    >
      <X size={14} aria-hidden />
    </Button>
  );
}

/** Both a thing to drag and, where it stands by itself, a spot to drop before. */
function useSpot(plugin: Plugin, folder: Folder, placement: Placement | undefined) {
  const ref = useDragRole<HTMLLIElement>({
    dragged: { kind: 'plugins', plugin: plugin.id, from: folder.id, placement: placement?.id },
    target: placement ? { kind: 'spot', folder: folder.id, before: placement.id } : null,
  });
  const isDragging = useDrag((drag) => isTakenFrom(drag, plugin.id, folder.id));
  const isOver = useDrag(
    (drag) => drag?.target?.kind === 'spot' && drag.target.before === placement?.id,
  );
  return { ref, look: `${isDragging ? 'dragged' : ''} ${isOver ? 'before' : ''}` };
}

/** Takes it out of its folder; out of a smart folder by hand, whatever the rule says. */
function useTakeOut(plugin: Plugin, folder: Folder, placement: Placement | undefined): () => void {
  const { act } = useActs();
  return () => {
    if (placement) {
      act({ act: 'take-out', placements: [placement.id] });
    } else if (folder.form === 'smart') {
      act({ act: 'keep-by-hand', folder: folder.id, plugins: [plugin.id], as: 'out' });
    }
  };
}

/** What keys do to a plugin in a folder, by the element that has the focus. */
function useCommands(
  { folder, placement, before, next, isLast, acts }: PlacedProps,
  takeOut: () => void,
): (element: Element) => readonly Command[] {
  const { act } = useActs();
  const { notify } = useNotices();
  const moveBefore = (spot: Placement['id'] | null): void => {
    if (folder.sortedBy) {
      notify(
        formTexts.isSortedByToReorder(folder.name, formTexts.sortingNames[folder.sortedBy]),
        'trouble',
      );
    } else if (placement) {
      act({ act: 'move-placement', placement: placement.id, before: spot });
    }
  };
  const isSorted = folder.sortedBy !== null;
  const isPlaced = (): boolean => placement !== undefined;
  return (element) => [
    { keys: ['ArrowDown'], run: () => void focusSibling(element, 1) },
    { keys: ['ArrowUp'], run: () => void focusSibling(element, -1) },
    {
      keys: ['Delete'],
      when: () => isPlaced() || folder.form === 'smart',
      run: () => {
        if (!focusSibling(element, 1)) {
          focusSibling(element, -1);
        }
        takeOut();
      },
    },
    {
      keys: ['Alt+ArrowUp'],
      when: isPlaced,
      run: () => {
        if (isSorted || before) {
          moveBefore(before?.id ?? null);
        }
      },
    },
    {
      keys: ['Alt+ArrowDown'],
      when: isPlaced,
      run: () => {
        if (isSorted || !isLast) {
          moveBefore(next?.id ?? null);
        }
      },
    },
    {
      keys: ['M'],
      run: () => {
        if (placement) {
          acts.moveOn(placement);
        }
      },
    },
  ];
}

function focusSibling(element: Element, by: 1 | -1): boolean {
  const sibling = by > 0 ? element.nextElementSibling : element.previousElementSibling;
  if (!(sibling instanceof HTMLElement)) {
    return false;
  }
  sibling.focus();
  return true;
}
