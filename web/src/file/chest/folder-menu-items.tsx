/** The lines of the menu at a folder's corner, and what they ask for. */
import { MoreHorizontal } from 'lucide-react';
import { Dropdown } from 'react-bootstrap';
import type { Plugin } from '@clever-drawer/core/catalog';
import { formats, type Format } from '@clever-drawer/core/formats';
import { grouped } from '@clever-drawer/core/grouped';
import { asId } from '@clever-drawer/core/id';
import {
  folderIn,
  folderSortings,
  type Cabinet,
  type Folder,
  type FolderSorting,
} from '@clever-drawer/core/order';
import { groupOf, typeName } from '@clever-drawer/core/taxonomy';
import { useNavigate } from 'react-router';
import { newPlaces } from '../../annotate/filing.ts';
import { useActs, useArrangement, useCatalog, useOrder } from '../../studio/contexts.ts';
import { Kbd } from '../../ui/kbd.tsx';
import { MenuItem } from '../../ui/menu-item.tsx';
import { Picker, type Choice } from '../../ui/picker.tsx';
import { copyFolderAct, splitAct } from '../model/acts.ts';
import type { ChestActs } from './use-chest.ts';
import * as formTexts from '../forms/texts.ts';
import * as texts from '../texts.ts';

/** What is asked for before it is done. */
export type Asking = 'merge' | 'copy' | 'show';

interface ItemsProps {
  readonly folder: Folder;
  readonly acts: ChestActs;
  readonly onAsk: (asking: Asking) => void;
  readonly onClose: () => void;
}

export function FolderMenuItems({ folder, acts, onAsk, onClose }: ItemsProps) {
  return (
    <Dropdown
      show
      focusFirstItemOnShow
      onToggle={(isStill) => {
        if (!isStill) {
          onClose();
        }
      }}
    >
      <Dropdown.Toggle
        as="button"
        type="button"
        className="menu-dots"
        aria-label={texts.actionsFor(folder.name)}
      >
        <MoreHorizontal size={15} aria-hidden />
      </Dropdown.Toggle>
      <MenuItems folder={folder} acts={acts} onAsk={onAsk} />
    </Dropdown>
  );
}

/** An act in the menu, or a line of its own between them. */
interface Item {
  readonly text: string;
  readonly key?: string;
  readonly run: () => void;
}

function MenuItems({ folder, acts, onAsk }: Omit<ItemsProps, 'onClose'>) {
  const { arrangement } = useArrangement();
  const holds = folder.form === 'folder' && (arrangement.members.get(folder.id)?.length ?? 0) > 0;
  const isDrawer = folder.form !== 'divider';
  return (
    <Dropdown.Menu align="end" className="folder-menu">
      <Lines items={useOwnItems(folder, acts)} />
      {isDrawer && <SortItems folder={folder} />}
      {isDrawer && <FormatItems folder={folder} />}
      <Dropdown.Divider />
      <Lines items={placeItems(folder, acts)} />
      {holds && <SplitItems folder={folder} />}
      <Lines items={elsewhereItems(folder, onAsk)} />
      <Dropdown.Divider />
      <Lines
        items={[
          {
            text: wordsOfRemoving(folder),
            key: 'Del',
            run: () => {
              acts.remove(folder.id);
            },
          },
        ]}
      />
    </Dropdown.Menu>
  );
}

function Lines({ items }: { items: readonly Item[] }) {
  return items.map(({ text, key, run }) => (
    <MenuItem key={text} onClick={run} className="option">
      <span>{text}</span>
      {key && <Kbd keys={key} />}
    </MenuItem>
  ));
}

/** What is done to the folder itself. */
function useOwnItems(folder: Folder, acts: ChestActs): Item[] {
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const navigate = useNavigate();
  const rename: Item = { text: formTexts.rename, key: 'F2', run: () => acts.rename(folder.id) };
  const changeRule: Item = {
    text: formTexts.changeTheRule,
    run: () => void navigate(`/rule/${folder.id}`),
  };
  const settle: Item = {
    text: formTexts.convertToAnOrdinaryFolder,
    run: () => {
      const plugins = newPlaces(arrangement.members.get(folder.id) ?? []);
      act({ act: 'settle', folder: folder.id, plugins });
    },
  };
  const addBelow: Item = { text: formTexts.newSubfolder, run: () => acts.addBelow(folder.id) };
  const pin: Item = {
    text: folder.isPinned ? formTexts.unpin : formTexts.pinToTheFront,
    run: () => {
      act({ act: 'set-folder', folder: folder.id, set: { isPinned: !folder.isPinned } });
    },
  };
  const isSmart = folder.form === 'smart';
  return [
    rename,
    ...(isSmart ? [changeRule] : []),
    ...(isSmart && folder.shortcutTo === null ? [settle] : []),
    ...(folder.form === 'divider' ? [] : [addBelow, pin]),
  ];
}

/** Where the folder stands among the others. */
function placeItems(folder: Folder, acts: ChestActs): Item[] {
  const into = folder.form === 'divider' ? undefined : acts.neighbourAbove(folder);
  return [
    { text: formTexts.moveEarlier, key: 'Alt+←', run: () => acts.shift(folder.id, -1) },
    { text: formTexts.moveLater, key: 'Alt+→', run: () => acts.shift(folder.id, 1) },
    ...(into
      ? [{ text: formTexts.moveInto(into.name), run: () => acts.moveInto(folder.id, into.id) }]
      : []),
    ...(folder.parent === null
      ? []
      : [{ text: formTexts.moveOutNextToIts, run: () => acts.moveOut(folder) }]),
  ];
}

/** What asks for another folder or cabinet. */
function elsewhereItems(folder: Folder, onAsk: (asking: Asking) => void): Item[] {
  if (folder.form === 'divider') {
    return [];
  }
  const merge: Item = { text: formTexts.mergeInto, run: () => onAsk('merge') };
  return [
    ...(folder.form === 'folder' && folder.shortcutTo === null ? [merge] : []),
    { text: formTexts.copyIntoACabinet, run: () => onAsk('copy') },
    { text: formTexts.alsoShowInAnotherCabinet, run: () => onAsk('show') },
  ];
}

function SortItems({ folder }: { folder: Folder }) {
  const { act } = useActs();
  const sort = (sortedBy: FolderSorting | null): void => {
    act({ act: 'set-folder', folder: folder.id, set: { sortedBy } });
  };
  return (
    <div className="menu-line" role="group" aria-label={formTexts.sortBy}>
      <span>{formTexts.sortBy}</span>
      {folderSortings.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={folder.sortedBy === one}
          onClick={() => {
            sort(one);
          }}
        >
          {formTexts.sortingNames[one]}
        </button>
      ))}
      {folder.form === 'folder' && (
        <button
          type="button"
          aria-pressed={!folder.sortedBy}
          onClick={() => {
            sort(null);
          }}
        >
          {formTexts.myOwnOrder}
        </button>
      )}
    </div>
  );
}

/** The format whose copies are used first in the folder. */
function FormatItems({ folder }: { folder: Folder }) {
  const { act } = useActs();
  const { plugins } = useCatalog();
  const here = new Set(plugins.flatMap(({ copies }) => copies.map(({ format }) => format)));
  const prefer = (firstFormat: Format | null): void => {
    act({ act: 'set-folder', folder: folder.id, set: { firstFormat } });
  };
  return (
    <div className="menu-line" role="group" aria-label={formTexts.copiesUsedFirst}>
      <span>{formTexts.copiesUsedFirst}</span>
      <button
        type="button"
        aria-pressed={folder.firstFormat === null}
        onClick={() => {
          prefer(null);
        }}
      >
        {formTexts.usual}
      </button>
      {formats
        .filter((format) => here.has(format))
        .map((format) => (
          <button
            key={format}
            type="button"
            aria-pressed={folder.firstFormat === format}
            onClick={() => {
              prefer(format);
            }}
          >
            {format}
          </button>
        ))}
    </div>
  );
}

function SplitItems({ folder }: { folder: Folder }) {
  const { pluginById } = useCatalog();
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const split = (nameOf: (plugin: Plugin) => string): void => {
    const parts = grouped(
      (arrangement.placements.get(folder.id) ?? []).map(({ id, plugin }) => {
        const found = pluginById.get(plugin);
        return [found ? nameOf(found) : formTexts.others, id] as const;
      }),
    );
    act(
      splitAct(
        folder.id,
        [...parts]
          .sort(([a], [b]) => a.localeCompare(b))
          .map(([name, placements]) => ({ name, placements })),
      ),
    );
  };
  return (
    <>
      <MenuItem
        onClick={() => {
          split((plugin) => plugin.vendor ?? formTexts.noVendor);
        }}
      >
        {formTexts.splitByVendor}
      </MenuItem>
      <MenuItem
        onClick={() => {
          const isOneGroup =
            new Set(
              (arrangement.members.get(folder.id) ?? []).map((id) =>
                groupOf(pluginById.get(id)?.types[0] ?? ''),
              ),
            ).size === 1;
          split((plugin) =>
            plugin.types[0] === undefined
              ? formTexts.noType
              : typeName(isOneGroup ? plugin.types[0] : groupOf(plugin.types[0])),
          );
        }}
      >
        {formTexts.splitByType}
      </MenuItem>
    </>
  );
}

interface IntoCabinetProps {
  readonly folder: Folder;
  readonly asking: 'copy' | 'show';
  readonly onClose: () => void;
}

/** The cabinet that gets a copy of a folder, or shows the folder itself. */
export function IntoCabinet({ folder, asking, onClose }: IntoCabinetProps) {
  const { order } = useOrder();
  const { act } = useActs();
  const { cabinets } = useArrangement();
  const home = folder.shortcutTo
    ? folderIn(order.records, folder.shortcutTo)?.cabinet
    : folder.cabinet;
  const take = (cabinet: Cabinet): void => {
    act(
      asking === 'copy'
        ? copyFolderAct(order.records, folder, cabinet.id)
        : {
            act: 'show-folder',
            id: asId(crypto.randomUUID()),
            folder: folder.id,
            cabinet: cabinet.id,
            before: null,
          },
    );
  };
  const choices = cabinets
    .filter((one) => asking === 'copy' || one.id !== home)
    .map(
      (one): Choice => ({
        id: one.id,
        text: one.name,
        show: <span className="hand">{one.name}</span>,
        take: () => {
          take(one);
        },
      }),
    );
  return (
    <Picker
      title={asking === 'copy' ? formTexts.copyTo(folder.name) : formTexts.alsoShowIn(folder.name)}
      prompt={formTexts.cabinetName}
      choices={choices}
      onClose={onClose}
    />
  );
}

export function MergeInto({ folder, onClose }: { folder: Folder; onClose: () => void }) {
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const targets = arrangement.folders.filter(
    (other) => other.form === 'folder' && other.shortcutTo === null && other.id !== folder.id,
  );
  const choices = targets.map(
    (other): Choice => ({
      id: other.id,
      text: other.name,
      show: (
        <>
          <span className="label">{other.name}</span>
          <span className="text-soft">{arrangement.members.get(other.id)?.length ?? 0}</span>
        </>
      ),
      take: () => {
        act({ act: 'merge-folders', from: folder.id, into: other.id });
      },
    }),
  );
  return (
    <Picker
      title={formTexts.putAllOfInto(folder.name)}
      prompt={formTexts.folderName}
      choices={choices}
      onClose={onClose}
    />
  );
}

function wordsOfRemoving(folder: Folder): string {
  if (folder.form === 'divider') {
    return formTexts.removeTheDivider;
  }
  return folder.shortcutTo
    ? formTexts.stopShowingItHereThe
    : formTexts.removeTheFolderItsPluginsStay;
}
