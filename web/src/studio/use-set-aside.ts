/** Setting copies aside, from any screen: one change, which undo takes back. */
import type { CopyId } from '@clever-drawer/core/id';
import { useNotices } from '../ui/notices.tsx';
import { useActs } from './contexts.ts';

/** `said` is shown once it is done. */
export function useSetAside(): (copy: CopyId, said: string) => void {
  const { act } = useActs();
  const { notify } = useNotices();
  return (copy, said) => {
    if (act({ act: 'set-aside', copies: [copy] })) {
      notify(said, 'done');
    }
  };
}
