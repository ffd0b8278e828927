/** Ctrl+K: any plugin, folder or screen by a few letters. */
import { useNavigate } from 'react-router';
import { useArrangement, useCatalog } from '../studio/contexts.ts';
import { Picker, type Choice } from '../ui/picker.tsx';

interface Props {
  readonly onClose: () => void;
  readonly screens: readonly { path: string; name: string; key: string }[];
}

export function FindAnything({ onClose, screens }: Props) {
  const { plugins } = useCatalog();
  const { arrangement, nameOf } = useArrangement();
  const navigate = useNavigate();
  const choices: Choice[] = [
    ...screens.map(
      (screen): Choice => ({
        id: screen.path,
        text: screen.name,
        show: (
          <>
            <span className="text-soft">Screen</span> {screen.name} <kbd>{screen.key}</kbd>
          </>
        ),
        take: () => {
          void navigate(screen.path);
        },
      }),
    ),
    ...arrangement.folders
      .filter((f) => f.form !== 'divider')
      .map(
        (folder): Choice => ({
          id: folder.id,
          text: folder.name,
          show: (
            <>
              <span className={`label ${folder.form === 'smart' ? 'smart' : ''}`}>
                {folder.name}
              </span>{' '}
              <span className="text-soft">folder</span>
            </>
          ),
          take: () => {
            void navigate(`/file?open=${folder.id}`);
          },
        }),
      ),
    ...plugins.map(
      (plugin): Choice => ({
        id: plugin.id,
        text: nameOf(plugin),
        keywords: [plugin.name, plugin.vendor ?? ''],
        show: (
          <>
            <strong>{nameOf(plugin)}</strong> <span className="text-soft">{plugin.vendor}</span>
          </>
        ),
        take: () => {
          void navigate(`/plugin/${plugin.id}`);
        },
      }),
    ),
  ];
  return (
    <Picker
      title="Find anything"
      prompt="A plugin, folder or screen"
      choices={choices}
      onClose={onClose}
    />
  );
}
