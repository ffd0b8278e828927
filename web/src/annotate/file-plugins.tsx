/** Filing plugins from where one met them; folders filed in lately come first. */
import { FileIn } from './file-in.tsx';
import { useRecentFolders } from './use-recent-folders.ts';

interface Props {
  readonly plugins: readonly string[];
  readonly onClose: () => void;
}

export function FilePlugins({ plugins, onClose }: Props) {
  const { lately, onFiled } = useRecentFolders();
  return <FileIn plugins={plugins} lately={lately} onFiled={onFiled} onClose={onClose} />;
}
