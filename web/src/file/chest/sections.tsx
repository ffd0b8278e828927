/** A row of folders, cut where its dividers stand; the one that is open shows what it holds, to any depth. */
import { Fragment } from 'react';
import type { Folder } from '@clever-drawer/core/order';
import { useArrangement } from '../../studio/contexts.ts';
import { Divider, DrawerFront } from './drawer-front.tsx';
import { OpenDrawer } from '../forms/behind.ts';
import { FolderForm } from '../forms/folder-form.tsx';
import type { ChestState } from './use-chest.ts';

interface Props {
  readonly folders: readonly Folder[];
  /** The one that Tab reaches; null lets it reach all, inside an open folder. */
  readonly focusable: string | null;
  readonly chest: ChestState;
  readonly onDone: () => void;
}

export function Sections({ folders, focusable, chest, onDone }: Props) {
  const { acts, editing, path } = chest;
  const isChanging = (folder: Folder): boolean =>
    editing?.what === 'change' && editing.folder === folder.id;
  const canFocus = (folder: Folder): boolean => focusable === null || folder.id === focusable;
  return (
    <>
      {sectionsOf(folders).map(({ divider, fronts }) => (
        <Fragment key={divider?.id ?? 'top'}>
          {divider && <Divider folder={divider} isFocusable={canFocus(divider)} acts={acts} />}
          {divider && isChanging(divider) && <FolderForm folder={divider} onDone={onDone} />}
          {fronts.length > 0 && (
            <ul className="fronts">
              {fronts.map((folder) => (
                <Fragment key={folder.id}>
                  <DrawerFront
                    folder={folder}
                    isOpen={path.includes(folder.id)}
                    isFocusable={canFocus(folder)}
                    acts={acts}
                  />
                  {isChanging(folder) && !path.includes(folder.id) && (
                    <li className="form-place">
                      <FolderForm folder={folder} onDone={onDone} />
                    </li>
                  )}
                  {path.includes(folder.id) && (
                    <OpenDrawer folder={folder} chest={chest}>
                      <Below folder={folder} chest={chest} />
                    </OpenDrawer>
                  )}
                </Fragment>
              ))}
            </ul>
          )}
        </Fragment>
      ))}
    </>
  );
}

/** What stands inside a folder; a form in it, once done, leaves the focus where it is. */
function Below({ folder, chest }: { folder: Folder; chest: ChestState }) {
  const { arrangement } = useArrangement();
  return (
    <Sections
      folders={arrangement.below.get(folder.id) ?? []}
      focusable={null}
      chest={chest}
      onDone={() => {
        chest.setEditing(null);
      }}
    />
  );
}

function sectionsOf(folders: readonly Folder[]): { divider: Folder | null; fronts: Folder[] }[] {
  const sections: { divider: Folder | null; fronts: Folder[] }[] = [{ divider: null, fronts: [] }];
  for (const folder of folders) {
    if (folder.form === 'divider') {
      sections.push({ divider: folder, fronts: [] });
    } else {
      sections.at(-1)?.fronts.push(folder);
    }
  }
  return sections;
}
