/**
 * A plugin in an opened folder, one of those that may be selected. Keys: arrows move, with Shift they
 * select, Alt+arrows reorder, M moves to another folder, Delete takes out; the list's keys do what
 * they do there.
 */
import { GripVertical, X } from 'lucide-react';
import type { MouseEvent } from 'react';
import { Button } from 'react-bootstrap';
import { because } from '@clever-drawer/core/arrangement';
import { faceOf, type Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import type { Folder, Placement } from '@clever-drawer/core/order';
import { fileKeys, spotOf, type MenuEntry } from '../../annotate/menu-target.ts';
import { ofWhat } from '../../annotate/of-what.ts';
import { useActs, useArrangement } from '../../studio/contexts.ts';
import { runCommand, type Command } from '../../ui/commands.ts';
import { Faceplate } from '../../ui/faceplate.tsx';
import { chord } from '../../ui/keys.ts';
import { MoreDots } from '../../ui/more-dots.tsx';
import { useNotices } from '../../ui/notices.tsx';
import type { Selection } from '../../ui/use-selection.ts';
import { isTakenFrom, useDragRole, useDrag } from '../drag/drag-store.ts';
import { moveAct, neighboursOf } from '../model/placed.ts';
import type { ChestActs } from './use-chest.ts';
import * as formTexts from '../forms/texts.ts';

interface PlacedProps {
  readonly plugin: Plugin;
  readonly folder: Folder;
  /** All of the folder, in its own order; none in a smart folder. */
  readonly placements: readonly Placement[];
  readonly selection: Selection;
  readonly acts: ChestActs;
}

export function PlacedPlugin(props: PlacedProps) {
  const { plugin, folder, selection, acts } = props;
  const { arrangement, nameOf } = useArrangement();
  const taken = takenWith(props);
  const { ref, look } = useSpot(plugin, folder, taken);
  const takeOut = useTakeOut(folder, taken);
  const isSmart = folder.form === 'smart';
  const commandsAt = useCommands(props, taken, takeOut);
  const openMenu = (event: MouseEvent, from: HTMLElement): void => {
    acts.openMenu({
      ...spotOf(event, from),
      plugins: taken.plugins,
      keys: fileKeys,
      entries: entriesOf(folder, taken, takeOut, acts),
      from,
    });
  };
  const reason = because(arrangement, folder, plugin.id);
  const own = taken.own;
  const isSelected = selection.ids.has(plugin.id);
  return (
    <div
      ref={ref}
      role="row"
      aria-selected={isSelected}
      tabIndex={0}
      onFocus={() => {
        selection.aim(plugin.id);
        acts.choose(plugin.id, [...selection.ids]);
      }}
      onClick={({ shiftKey, ctrlKey, metaKey }) => {
        selection.press(plugin.id, shiftKey, ctrlKey || metaKey);
      }}
      onDoubleClick={acts.file}
      onKeyDown={(event) => {
        runCommand(commandsAt(event.currentTarget), chord(event), event);
      }}
      onContextMenu={(event) => {
        event.preventDefault();
        event.stopPropagation();
        openMenu(event, event.currentTarget);
      }}
      className={`${look} ${isSelected ? 'selected' : ''}`}
      aria-label={nameOf(plugin)}
      data-testid="placed"
    >
      <span role="gridcell" className="contents">
        {own && !folder.sortedBy ? (
          <GripVertical size={14} className="grip" aria-hidden />
        ) : (
          <span />
        )}
        <Faceplate seed={faceOf(plugin)} width={34} />
        <span className="names">
          <span className="name">{nameOf(plugin)}</span>
          <span className="vendor">{reason ?? ofWhat(plugin)}</span>
        </span>
        <MoreDots
          onPress={(event) => {
            if (ref.current) {
              openMenu(event, ref.current);
            }
          }}
        />
      </span>
      <span role="gridcell" className="contents">
        {(own !== undefined || isSmart) && (
          <TakeOut isSmart={isSmart} plugin={plugin} folder={folder} takeOut={takeOut} />
        )}
      </span>
    </div>
  );
}

/** What is acted on with a plugin: all that is selected where it is among that. */
interface Taken {
  readonly plugins: readonly string[];
  /** Their placements, in the folder's order; none in a smart folder. */
  readonly placements: readonly Placement[];
  /** That of the plugin itself. */
  readonly own: Placement | undefined;
}

function takenWith({ plugin, placements, selection }: PlacedProps): Taken {
  const plugins = selection.ids.has(plugin.id) ? [...selection.ids] : [plugin.id];
  return {
    plugins,
    placements: placements.filter((one) => plugins.includes(one.plugin)),
    own: placements.find((one) => one.plugin === plugin.id),
  };
}

/** What the menu offers here beside what it offers everywhere. */
function entriesOf(
  folder: Folder,
  { placements }: Taken,
  takeOut: () => void,
  acts: ChestActs,
): MenuEntry[] {
  const isSmart = folder.form === 'smart';
  const moving: MenuEntry = {
    words: formTexts.moveToAFolder,
    keys: 'M',
    run: () => {
      acts.moveOn(placements);
    },
  };
  const takingOut: MenuEntry = {
    words: isSmart ? formTexts.keepOutOfHere : formTexts.takeOutOfHere,
    keys: 'Delete',
    run: takeOut,
  };
  return [
    ...(placements.length > 0 ? [moving] : []),
    ...(placements.length > 0 || isSmart ? [takingOut] : []),
  ];
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
      onClick={(event) => {
        event.stopPropagation();
        takeOut();
      }}
    >
      <X size={14} aria-hidden />
    </Button>
  );
}

/** Both a thing to drag and, where it stands by itself, a spot to drop before. */
function useSpot(plugin: Plugin, folder: Folder, { plugins, placements, own }: Taken) {
  const along =
    plugins.length > 1 ? { plugins, placements: placements.map(({ id }) => id) } : undefined;
  const ref = useDragRole<HTMLDivElement>({
    dragged: { kind: 'plugins', plugin: plugin.id, from: folder.id, placement: own?.id, along },
    target: own ? { kind: 'spot', folder: folder.id, before: own.id } : null,
  });
  const isDragging = useDrag((drag) => isTakenFrom(drag, plugin.id, folder.id));
  const isOver = useDrag((drag) => drag?.target?.kind === 'spot' && drag.target.before === own?.id);
  return { ref, look: `${isDragging ? 'dragged' : ''} ${isOver ? 'before' : ''}` };
}

/** Takes them out of their folder; out of a smart folder by hand, whatever the rule says. */
function useTakeOut(folder: Folder, { plugins, placements }: Taken): () => void {
  const { act } = useActs();
  return () => {
    if (placements.length > 0) {
      act({ act: 'take-out', placements: placements.map(({ id }) => id) });
    } else if (folder.form === 'smart') {
      act({
        act: 'keep-by-hand',
        folder: folder.id,
        plugins: plugins.map((id) => asId(id)),
        as: 'out',
      });
    }
  };
}

/** What keys do to a plugin in a folder, by the element that has the focus. */
function useCommands(
  { folder, placements, selection, acts }: PlacedProps,
  taken: Taken,
  takeOut: () => void,
): (element: Element) => readonly Command[] {
  const { act } = useActs();
  const { notify } = useNotices();
  const { before, next, isLast } = neighboursOf(placements, taken.placements);
  const moveBefore = (spot: Placement['id'] | null): void => {
    const [first] = taken.placements;
    if (folder.sortedBy) {
      notify(
        formTexts.isSortedByToReorder(folder.name, formTexts.sortingNames[folder.sortedBy]),
        'trouble',
      );
    } else if (first) {
      act(moveAct(first.folder, taken.placements, spot));
    }
  };
  const isSorted = folder.sortedBy !== null;
  const isPlaced = (): boolean => taken.placements.length > 0;
  const go = (element: Element, by: 1 | -1, isRun: boolean): void => {
    selection.move(by, isRun);
    focusSibling(element, by);
  };
  return (element) => [
    ...([1, -1] as const).flatMap((by) => {
      const key = by > 0 ? 'ArrowDown' : 'ArrowUp';
      return [
        {
          keys: [key],
          run: () => {
            go(element, by, false);
          },
        },
        {
          keys: [`Shift+${key}`],
          run: () => {
            go(element, by, true);
          },
        },
      ];
    }),
    { keys: ['Ctrl+A'], run: selection.all },
    { keys: ['Escape'], when: () => selection.ids.size > 0, run: selection.clear },
    {
      keys: ['Delete'],
      when: () => isPlaced() || folder.form === 'smart',
      run: () => {
        leaveFocus(element);
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
        if (isPlaced()) {
          acts.moveOn(taken.placements);
        }
      },
    },
  ];
}

/** Gives the focus to what will still be there: the nearest one that is not selected, else the folder's list. */
function leaveFocus(element: Element): void {
  const isLeft = (one: Element): boolean =>
    one !== element && one.getAttribute('aria-selected') !== 'true';
  const all = [...(element.parentElement?.children ?? [])];
  const at = all.indexOf(element);
  const left = all.slice(at).find(isLeft) ?? all.slice(0, at).findLast(isLeft);
  const opened = element.closest<HTMLElement>('.open-drawer');
  const to = left ?? opened?.querySelector<HTMLElement>('.open-acts button:last-child');
  if (to instanceof HTMLElement) {
    to.focus();
  }
}

function focusSibling(element: Element, by: 1 | -1): void {
  const sibling = by > 0 ? element.nextElementSibling : element.previousElementSibling;
  if (sibling instanceof HTMLElement) {
    sibling.focus();
  }
}
