/** A folder of the cabinet by its letters, those inside others too: a cabinet may have many. */
import { useArrangement } from '../studio/contexts.ts';
import { Picker, type Choice } from '../ui/picker.tsx';
import * as texts from './texts.ts';

interface Props {
  /** How many plugins of a folder, and of those below it, can be loaded here. */
  readonly countIn: (folder: string) => number;
  readonly goTo: (folder: string) => void;
  readonly onClose: () => void;
}

export function FolderChoice({ countIn, goTo, onClose }: Props) {
  const { arrangement } = useArrangement();
  const choices = arrangement.folders.flatMap(({ id, name, form }): Choice[] => {
    const count = form === 'divider' ? 0 : countIn(id);
    return count === 0
      ? []
      : [
          {
            id,
            text: name,
            show: (
              <>
                <span className="label">{name}</span> <span className="text-soft">{count}</span>
              </>
            ),
            take: () => {
              goTo(id);
            },
          },
        ];
  });
  return (
    <Picker
      title={texts.lookInAFolder}
      prompt={texts.folderName}
      choices={choices}
      onClose={onClose}
    />
  );
}
