/** F: file plugins in a folder found by a few letters, or in a new one. */
import { asId, type Act, type Folder, type Placement } from '@clever-drawer/core';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { Picker, type Choice } from '../ui/picker.tsx';
import { newPlaces } from '../annotate/filing.ts';
import { planFiling } from './model/drop-plan.ts';

/** Keeps plugins in a smart folder, whatever its rule says. */
const keepInAct = (folder: Folder, plugins: readonly string[]): Act => ({
  act: 'keep-by-hand',
  folder: folder.id,
  plugins: plugins.map((id) => asId(id)),
  as: 'in',
});

interface Props {
  readonly plugins: readonly string[];
  /** The placement that is moved; none files a reference. */
  readonly moving?: Placement | undefined;
  /** Folders filed in lately, latest first. */
  readonly lately: readonly string[];
  readonly onClose: () => void;
  readonly onFiled: (folder: string) => void;
}

export function FileIn({ plugins, moving, lately, onClose, onFiled }: Props) {
  const { pluginById } = useCatalog();
  const { act } = useActs();
  const { arrangement, cabinet, cabinets, nameOf } = useArrangement();
  const only = pluginById.get(plugins[0] ?? '');
  const what = plugins.length === 1 && only ? nameOf(only) : `${plugins.length} plugins`;
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
    if (act(outcome.kind === 'act' ? outcome.act : keepInAct(folder, plugins))) {
      onFiled(folder.id);
    }
  };
  const isTarget = (f: Folder): boolean =>
    (f.form === 'folder' || f.form === 'favourites' || (f.form === 'smart' && !moving)) &&
    (moving === undefined || (f.shortcutTo ?? f.id) !== moving.folder);
  const remembered = lately
    .map((id) => arrangement.folders.find((f) => f.id === id))
    .filter((f) => f !== undefined);
  const folders = [...new Set([...remembered, ...arrangement.folders])].filter(isTarget);
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
  const offer = (typed: string): Choice | null => {
    if (
      moving ||
      typed === '' ||
      !cabinet ||
      folders.some((f) => f.name.toLowerCase() === typed.toLowerCase())
    ) {
      return null;
    }
    const id = asId<Folder['id']>(crypto.randomUUID());
    return {
      id: 'new folder',
      text: typed,
      show: (
        <>
          Make the folder <span className="label">{typed}</span> and file {what} there
        </>
      ),
      take: () => {
        if (
          act({
            act: 'add-folder',
            id,
            cabinet: cabinet.id,
            parent: null,
            form: 'folder',
            name: typed,
            rule: null,
            before: null,
            plugins: newPlaces(plugins),
          })
        ) {
          onFiled(id);
        }
      },
    };
  };
  return (
    <Picker
      title={moving ? `Move ${what} to …` : `File ${what} in …`}
      prompt="Letters of the folder's name"
      choices={choices}
      offer={offer}
      onClose={onClose}
    />
  );
}

/** A folder to file in: where it stands, how many it holds, and whether all are there already. */
function Target({ folder, plugins }: { folder: Folder; plugins: readonly string[] }) {
  const { arrangement } = useArrangement();
  const parent = arrangement.folders.find((each) => each.id === folder.parent);
  const held = arrangement.members.get(folder.id) ?? [];
  const isThere = plugins.every((id) => held.includes(asId(id)));
  return (
    <>
      <span className={`label ${folder.form === 'smart' ? 'smart' : ''}`}>{folder.name}</span>
      <span className="text-soft">
        {folder.form === 'smart' && 'always in, by hand · '}
        {parent && `in ${parent.name} · `}
        {held.length}
        {isThere ? ' · already there' : ''}
      </span>
    </>
  );
}
