/** Telling what went wrong with something that was asked of the server. */
import { messageOf } from '../api/client.ts';
import { useNotices } from '../ui/notices.tsx';

export function useNotifyError(): (error: unknown) => void {
  const { notify } = useNotices();
  return (error) => {
    notify(messageOf(error), 'trouble');
  };
}
