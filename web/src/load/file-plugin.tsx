/** Filing a plugin from where one met it: a hit, or a slot. */
import { FileIn } from '../annotate/behind.ts';
import { useRecentFolders } from '../annotate/use-recent-folders.ts';

interface Props {
  readonly plugin: string;
  readonly onClose: () => void;
}

export function FilePlugin({ plugin, onClose }: Props) {
  const { lately, onFiled } = useRecentFolders();
  return <FileIn plugins={[plugin]} lately={lately} onFiled={onFiled} onClose={onClose} />;
}
