/**
 * Ctrl+K: any plugin, folder or screen by a few letters. Plugins are found as in Load; only what is
 * shown is made.
 */
import { useNavigate } from 'react-router';
import { habitsOf, noUse, type Folder, type Plugin } from '@clever-drawer/core';
import { useArrangement } from '../studio/contexts.ts';
import { useFinder } from '../studio/use-finder.ts';
import { ranked } from '../ui/model/ranked.ts';
import { Picker, type Choice } from '../ui/picker.tsx';

interface Screen {
  readonly path: string;
  readonly name: string;
  readonly key: string;
}

interface Props {
  readonly onClose: () => void;
  readonly screens: readonly Screen[];
}

/** Plugins shown at once; folders and screens besides. */
const pluginsShown = 40;
const foldersShown = 15;
const noHabits = habitsOf(noUse);

export function FindAnything({ onClose, screens }: Props) {
  const { arrangement, nameOf } = useArrangement();
  const navigate = useNavigate();
  const finder = useFinder();
  const go = (path: string) => (): void => {
    void navigate(path);
  };
  const folders = arrangement.folders
    .filter((folder) => folder.form !== 'divider')
    .map((folder) => ({ text: folder.name, folder }));
  const search = (typed: string): Choice[] => [
    ...ranked(
      screens.map((screen) => ({ text: screen.name, screen })),
      typed,
    ).map(({ screen }) => screenChoice(screen, go(screen.path))),
    ...ranked(folders, typed)
      .slice(0, foldersShown)
      .map(({ folder }) => folderChoice(folder, go(`/file?open=${folder.id}`))),
    ...(finder?.find(typed.trim(), noHabits, pluginsShown).hits ?? []).map(({ plugin }) =>
      pluginChoice(plugin, nameOf(plugin), go(`/plugin/${plugin.id}`)),
    ),
  ];
  return (
    <Picker
      title="Find anything"
      prompt="A plugin, folder or screen"
      choices={[]}
      search={search}
      onClose={onClose}
    />
  );
}

const screenChoice = (screen: Screen, take: () => void): Choice => ({
  id: screen.path,
  text: screen.name,
  take,
  show: (
    <>
      <span className="text-soft">Screen</span> {screen.name} <kbd>{screen.key}</kbd>
    </>
  ),
});

const folderChoice = (folder: Folder, take: () => void): Choice => ({
  id: folder.id,
  text: folder.name,
  take,
  show: (
    <>
      <span className={`label ${folder.form === 'smart' ? 'smart' : ''}`}>{folder.name}</span>{' '}
      <span className="text-soft">folder</span>
    </>
  ),
});

const pluginChoice = (plugin: Plugin, name: string, take: () => void): Choice => ({
  id: plugin.id,
  text: name,
  take,
  show: (
    <>
      <strong>{name}</strong> <span className="text-soft">{plugin.vendor}</span>
    </>
  ),
});
