/** F: file plugins in folders of any cabinet, found by a few letters, or in a new one. */
import type { Act } from '@clever-drawer/core/acts';
import { asId } from '@clever-drawer/core/id';
import {
  allFolders,
  cabinetIn,
  folderIn,
  placementsIn,
  type Cabinet,
  type Folder,
  type Placement,
} from '@clever-drawer/core/order';
import { useActs, useArrangement, useCatalog, useOrder } from '../studio/contexts.ts';
import { Picker, type Choice } from '../ui/picker.tsx';
import { fileAct } from './filing.ts';
import { filingTargets, isNameTaken, keepInAct, newFolderAct } from './filing-targets.ts';
import * as texts from './texts.ts';

interface Props {
  readonly plugins: readonly string[];
  /** The placements of one folder that are moved; none files references. */
  readonly moving?: readonly Placement[] | undefined;
  /** Folders filed in lately, latest first. */
  readonly lately: readonly string[];
  readonly onClose: () => void;
  readonly onFiled: (folder: string) => void;
  /** Brings back what was given up for it, when it is undone. */
  readonly onUndone?: (() => void) | undefined;
}

export function FileIn({ plugins, moving, lately, onClose, onFiled, onUndone }: Props) {
  const { pluginById } = useCatalog();
  const { act } = useActs();
  const { arrangement, cabinet, nameOf } = useArrangement();
  const { order } = useOrder();
  const only = pluginById.get(plugins[0] ?? '');
  const what = plugins.length === 1 && only ? nameOf(only) : texts.someOrAllPlugins(plugins.length);
  const file = (folder: Folder): void => {
    if (act(actFor(folder, plugins, moving), { onUndone })) {
      onFiled(folder.id);
    }
  };
  const here = new Set(arrangement.folders.map(({ id }) => id));
  const elsewhere = allFolders(order.records).filter(
    ({ id, shortcutTo }) => !here.has(id) && shortcutTo === null,
  );
  const folders = filingTargets([...arrangement.folders, ...elsewhere], lately, moving?.[0]);
  const choices = folders.map(
    (folder): Choice => ({
      id: folder.id,
      text: folder.name,
      take: () => {
        file(folder);
      },
      show: <Target folder={folder} plugins={plugins} />,
    }),
  );
  const make = (cabinetId: Cabinet['id'], name: string): void => {
    const id = asId<Folder['id']>(crypto.randomUUID());
    if (act(newFolderAct(id, cabinetId, name, plugins), { onUndone })) {
      onFiled(id);
    }
  };
  const offer = (typed: string): Choice | null => {
    if (moving || typed === '' || !cabinet || isNameTaken(arrangement.folders, typed)) {
      return null;
    }
    return {
      id: 'new-folder',
      text: typed,
      show: <NewFolder name={typed} what={what} />,
      take: () => {
        make(cabinet.id, typed);
      },
    };
  };
  return (
    <Picker
      title={moving ? texts.moveToFolder(what) : texts.fileInFolder(what)}
      prompt={texts.folderName}
      choices={choices}
      offer={offer}
      staysFor={moving ? undefined : texts.fileInAnother}
      onClose={onClose}
    />
  );
}

/** Files, moves, or keeps in a smart folder by hand. */
function actFor(
  folder: Folder,
  plugins: readonly string[],
  moving: readonly Placement[] | undefined,
): Act {
  if (folder.form === 'smart') {
    return keepInAct(folder, plugins);
  }
  return moving
    ? { act: 'move-to', placements: moving.map(({ id }) => id), folder: folder.id, before: null }
    : fileAct(folder.id, plugins);
}

const NewFolder = ({ name, what }: { name: string; what: string }) => (
  <>
    {texts.createTheFolder} <span className="label">{name}</span> {texts.andFileThere(what)}
  </>
);

/** A folder to file in: where it stands, how many it holds, and whether all are there already. */
function Target({ folder, plugins }: { folder: Folder; plugins: readonly string[] }) {
  const { arrangement } = useArrangement();
  const { order } = useOrder();
  const parent = folderIn(order.records, folder.parent ?? '');
  const members =
    arrangement.members.get(folder.id) ??
    // What a rule takes in is known of the cabinet that is open.
    (folder.form === 'smart'
      ? null
      : placementsIn(order.records, folder.id).map(({ plugin }) => plugin));
  const isHere = arrangement.folders.some(({ id }) => id === folder.id);
  const isThere = plugins.every((id) => members?.includes(asId(id)));
  return (
    <>
      <span className={`label ${folder.form === 'smart' ? 'smart' : ''}`}>{folder.name}</span>
      <span className="text-soft">
        {folder.form === 'smart' && texts.alwaysIn}
        {parent && texts.parentIn(parent.name)}
        {!isHere && texts.parentIn(cabinetIn(order.records, folder.cabinet)?.name ?? '')}
        {members?.length}
        {isThere ? texts.alreadyThere : ''}
      </span>
    </>
  );
}
