/** F: file plugins in a folder found by a few letters, or in a new one. */
import { asId } from '@clever-drawer/core/id';
import type { Cabinet, Folder, Placement } from '@clever-drawer/core/order';
import { useActs, useArrangement, useCatalog } from '../../studio/contexts.ts';
import { Picker, type Choice } from '../../ui/picker.tsx';
import { planFiling } from '../model/drop-plan.ts';
import { filingTargets, isNameTaken, keepInAct, newFolderAct } from '../model/filing-targets.ts';
import * as texts from '../texts.ts';

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
  const { arrangement, cabinet, cabinets, nameOf } = useArrangement();
  const only = pluginById.get(plugins[0] ?? '');
  const what = plugins.length === 1 && only ? nameOf(only) : texts.someOrAllPlugins(plugins.length);
  const file = (folder: Folder): void => {
    const scene = {
      arrangement,
      cabinets,
      plugins,
      what,
      part: 'inside',
      isCopying: false,
    } as const;
    const { outcome } = planFiling(scene, folder, { placement: moving });
    const wanted = outcome.kind === 'act' ? outcome.act : keepInAct(folder, plugins);
    if (act(wanted, { onUndone })) {
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
