/** F: file plugins in a folder found by a few letters, or in a new one. */
import type { Act } from '@clever-drawer/core/acts';
import { asId } from '@clever-drawer/core/id';
import type { Cabinet, Folder, Placement } from '@clever-drawer/core/order';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { Picker, type Choice } from '../ui/picker.tsx';
import { fileAct } from './filing.ts';
import { filingTargets, isNameTaken, keepInAct, newFolderAct } from './filing-targets.ts';
import * as texts from './texts.ts';

interface Props {
  readonly plugins: readonly string[];
  /** The placement that is moved; none files a reference. */
  readonly moving?: Placement | undefined;
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
  const only = pluginById.get(plugins[0] ?? '');
  const what = plugins.length === 1 && only ? nameOf(only) : texts.someOrAllPlugins(plugins.length);
  const file = (folder: Folder): void => {
    if (act(actFor(folder, plugins, moving), { onUndone })) {
      onFiled(folder.id);
    }
  };
  const folders = filingTargets(arrangement.folders, lately, moving);
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
    if (moving || typed === '' || !cabinet || isNameTaken(folders, typed)) {
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
      prompt={texts.lettersOfTheFoldersName}
      choices={choices}
      offer={offer}
      onClose={onClose}
    />
  );
}

/** Files, moves, or keeps in a smart folder by hand. */
function actFor(folder: Folder, plugins: readonly string[], moving: Placement | undefined): Act {
  if (folder.form === 'smart') {
    return keepInAct(folder, plugins);
  }
  return moving
    ? { act: 'move-to', placements: [moving.id], folder: folder.id, before: null }
    : fileAct(folder.id, plugins);
}

const NewFolder = ({ name, what }: { name: string; what: string }) => (
  <>
    {texts.makeTheFolder} <span className="label">{name}</span> {texts.andFileThere(what)}
  </>
);

/** A folder to file in: where it stands, how many it holds, and whether all are there already. */
function Target({ folder, plugins }: { folder: Folder; plugins: readonly string[] }) {
  const { arrangement } = useArrangement();
  const parent = arrangement.folders.find((each) => each.id === folder.parent);
  const members = arrangement.members.get(folder.id) ?? [];
  const isThere = plugins.every((id) => members.includes(asId(id)));
  return (
    <>
      <span className={`label ${folder.form === 'smart' ? 'smart' : ''}`}>{folder.name}</span>
      <span className="text-soft">
        {folder.form === 'smart' && texts.alwaysIn}
        {parent && texts.parentIn(parent.name)}
        {members.length}
        {isThere ? texts.alreadyThere : ''}
      </span>
    </>
  );
}
