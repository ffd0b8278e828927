/** What can be done to a folder or divider, in the menu at its corner. */
import { MoreHorizontal } from 'lucide-react';
import { memo, useRef, useState } from 'react';
import { Dropdown } from 'react-bootstrap';
import {
  asId,
  folderIn,
  folderSortings,
  grouped,
  groupOf,
  typeName,
  type Cabinet,
  type Folder,
  type FolderSorting,
  type Plugin,
} from '@clever-drawer/core';
import { useNavigate } from 'react-router';
import { useActs, useArrangement, useCatalog, useOrder } from '../studio/contexts.ts';
import { MenuItem } from '../ui/menu-item.tsx';
import { Picker, type Choice } from '../ui/picker.tsx';
import { copyFolderAct, splitAct } from './model/acts.ts';
import { newPlaces } from '../annotate/filing.ts';
import type { ChestActs } from './use-chest.ts';

export const sortingNames: Record<FolderSorting, string> = {
  name: 'name',
  type: 'type',
  vendor: 'vendor',
  use: 'most used',
  lately: 'last loaded',
  newest: 'newest',
};

type Asking = 'merge' | 'copy' | 'show';

/** The dots at a corner; the menu itself is made when it opens, since a chest may hold hundreds of folders. */
export const FolderMenu = memo(function MenuOfFolder({
  folder,
  acts,
}: {
  folder: Folder;
  acts: ChestActs;
}) {
  const [isOpen, setOpen] = useState(false);
  const [asking, setAsking] = useState<Asking | null>(null);
  const dots = useRef<HTMLButtonElement>(null);
  if (folder.form === 'favourites') {
    return null;
  }
  const close = (): void => {
    setOpen(false);
    requestAnimationFrame(() => {
      if (document.activeElement === document.body) {
        dots.current?.focus();
      }
    });
  };
  return (
    <>
      <span
        className="front-menu"
        onPointerDown={(event) => {
          event.stopPropagation();
        }}
      >
        {isOpen ? (
          <Items folder={folder} acts={acts} onAsk={setAsking} onClose={close} />
        ) : (
          <button
            ref={dots}
            type="button"
            className="menu-dots"
            tabIndex={-1}
            aria-haspopup="true"
            aria-expanded={false}
            aria-label={`Acts on ${folder.name}`}
            onClick={() => {
              setOpen(true);
            }}
          >
            <MoreHorizontal size={15} aria-hidden />
          </button>
        )}
      </span>
      {asking === 'merge' && (
        <MergeInto
          folder={folder}
          onClose={() => {
            setAsking(null);
          }}
        />
      )}
      {(asking === 'copy' || asking === 'show') && (
        <IntoCabinet
          folder={folder}
          asking={asking}
          onClose={() => {
            setAsking(null);
          }}
        />
      )}
    </>
  );
});

interface ItemsProps {
  readonly folder: Folder;
  readonly acts: ChestActs;
  readonly onAsk: (asking: Asking) => void;
  readonly onClose: () => void;
}

function Items({ folder, acts, onAsk, onClose }: ItemsProps) {
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const navigate = useNavigate();
  const item = (text: string, does: () => void, key?: string) => (
    <MenuItem onClick={does} className="option">
      <span>{text}</span>
      {key && <kbd>{key}</kbd>}
    </MenuItem>
  );
  const into = acts.neighbourAbove(folder);
  const holds = folder.form === 'folder' && (arrangement.members.get(folder.id)?.length ?? 0) > 0;
  return (
    <Dropdown
      show
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
        aria-label={`Acts on ${folder.name}`}
      >
        <MoreHorizontal size={15} aria-hidden />
      </Dropdown.Toggle>
      <Dropdown.Menu align="end" className="folder-menu">
        {item(
          'Rename',
          () => {
            acts.rename(folder.id);
          },
          'F2',
        )}
        {folder.form === 'smart' &&
          item('Change the rule …', () => {
            void navigate(`/rule/${folder.id}`);
          })}
        {folder.form === 'smart' &&
          folder.standsFor === null &&
          item('Settle as an ordinary folder', () => {
            act({
              act: 'settle',
              folder: folder.id,
              plugins: newPlaces(arrangement.members.get(folder.id) ?? []),
            });
          })}
        {folder.form !== 'divider' &&
          item('New subfolder', () => {
            acts.addBelow(folder.id);
          })}
        {folder.form !== 'divider' &&
          item(folder.isPinned ? 'Unpin' : 'Pin to the front', () => {
            act({ act: 'set-folder', folder: folder.id, set: { isPinned: !folder.isPinned } });
          })}
        {folder.form !== 'divider' && <SortItems folder={folder} />}
        <Dropdown.Divider />
        {item(
          'Put before its neighbour',
          () => {
            acts.shift(folder.id, -1);
          },
          'Alt+←',
        )}
        {item(
          'Put behind its neighbour',
          () => {
            acts.shift(folder.id, 1);
          },
          'Alt+→',
        )}
        {into &&
          folder.form !== 'divider' &&
          item(`Put inside ${into.name}`, () => {
            acts.moveInto(folder.id, into.id);
          })}
        {folder.parent !== null &&
          item('Put beside its parent', () => {
            acts.moveOut(folder);
          })}
        {holds && <SplitItems folder={folder} />}
        {folder.form === 'folder' &&
          folder.standsFor === null &&
          item('Put all of it into …', () => {
            onAsk('merge');
          })}
        {folder.form !== 'divider' &&
          item('Copy into a cabinet …', () => {
            onAsk('copy');
          })}
        {folder.form !== 'divider' &&
          item('Show in another cabinet too …', () => {
            onAsk('show');
          })}
        <Dropdown.Divider />
        {item(
          wordsOfRemoving(folder),
          () => {
            acts.remove(folder.id);
          },
          'Del',
        )}
      </Dropdown.Menu>
    </Dropdown>
  );
}

function SortItems({ folder }: { folder: Folder }) {
  const { act } = useActs();
  const sort = (sortedBy: FolderSorting | null): void => {
    act({ act: 'set-folder', folder: folder.id, set: { sortedBy } });
  };
  return (
    <div className="menu-line" role="group" aria-label="Sorted by">
      <span>Sorted by</span>
      {folderSortings.map((one) => (
        <button
          key={one}
          type="button"
          aria-pressed={folder.sortedBy === one}
          onClick={() => {
            sort(one);
          }}
        >
          {sortingNames[one]}
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
          my own order
        </button>
      )}
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
        return [found ? nameOf(found) : 'Others', id] as const;
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
          split((plugin) => plugin.vendor ?? 'No vendor');
        }}
      >
        Split by vendor
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
              ? 'No type'
              : typeName(isOneGroup ? plugin.types[0] : groupOf(plugin.types[0])),
          );
        }}
      >
        Split by type
      </MenuItem>
    </>
  );
}

/** The cabinet that gets a copy of a folder, or shows the folder itself. */
function IntoCabinet({
  folder,
  asking,
  onClose,
}: {
  folder: Folder;
  asking: 'copy' | 'show';
  onClose: () => void;
}) {
  const { order } = useOrder();
  const { act } = useActs();
  const { cabinets } = useArrangement();
  const home = folder.standsFor ? folderIn(order.order, folder.standsFor)?.cabinet : folder.cabinet;
  const take = (cabinet: Cabinet): void => {
    act(
      asking === 'copy'
        ? copyFolderAct(order.order, folder, cabinet.id)
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
      title={asking === 'copy' ? `A copy of ${folder.name} in …` : `Show ${folder.name} also in …`}
      prompt="Letters of the cabinet's name"
      choices={choices}
      onClose={onClose}
    />
  );
}

function MergeInto({ folder, onClose }: { folder: Folder; onClose: () => void }) {
  const { act } = useActs();
  const { arrangement } = useArrangement();
  const targets = arrangement.folders.filter(
    (other) => other.form === 'folder' && other.standsFor === null && other.id !== folder.id,
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
      title={`Put all of ${folder.name} into …`}
      prompt="Letters of the folder's name"
      choices={choices}
      onClose={onClose}
    />
  );
}

function wordsOfRemoving(folder: Folder): string {
  if (folder.form === 'divider') {
    return 'Remove the divider';
  }
  return folder.standsFor
    ? 'No longer show it here (the folder stays in its cabinet)'
    : 'Remove the folder (its plugins stay in the catalog)';
}
