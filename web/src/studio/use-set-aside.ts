/** Setting a copy aside, from any screen: neither examined nor catalogued until it is taken back. */
import { useMutation } from '@tanstack/react-query';
import { useNotices } from '../ui/notices.tsx';
import { useComputer } from './contexts.ts';
import { useNotifyError } from './notify-error.ts';

/** `said` is what is told once it is done. */
export function useSetAside(): (copy: string, said: string) => void {
  const { client } = useComputer();
  const { notify } = useNotices();
  const aside = useMutation({
    mutationFn: ({ copy }: { readonly copy: string; readonly said: string }) =>
      client.setAside([copy]),
    onSuccess: (_, { said }) => {
      notify(said, 'done');
    },
    onError: useNotifyError(),
  });
  return (copy, said) => {
    aside.mutate({ copy, said });
  };
}
