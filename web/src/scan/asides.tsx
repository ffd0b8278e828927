/** What was set aside, to be taken back. */
import { useMutation, useQuery, type UseMutationResult } from '@tanstack/react-query';
import { Button } from 'react-bootstrap';
import { useComputer } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';
import type { AsideView } from '@clever-drawer/core/api';
import * as texts from './texts.ts';

export function Asides() {
  const { client } = useComputer();
  const { notify } = useNotices();
  const asides = useQuery({ queryKey: ['asides', client.computer], queryFn: client.asides });
  const back = useMutation({
    mutationFn: (path: string) => client.takeBack([path]),
    onSuccess: () => {
      notify(texts.restoredTheNextScanExamines, 'done');
    },
    onError: (error) => {
      notify(error.message, 'trouble');
    },
  });
  if (!asides.data || asides.data.length === 0) {
    return null;
  }
  return (
    <section className="asides" aria-labelledby="asides-title">
      <h2 id="asides-title">{texts.setAside}</h2>
      <p className="text-soft visually-quiet">{texts.notExaminedAnd}</p>
      <ul>
        {asides.data.map((aside) => (
          <AsideRow key={aside.path} aside={aside} back={back} />
        ))}
      </ul>
    </section>
  );
}

function AsideRow({
  aside,
  back,
}: {
  readonly aside: AsideView;
  readonly back: UseMutationResult<null, Error, string>;
}) {
  return (
    <li>
      <span>
        <strong>{aside.name}</strong> <span className="mono text-soft">{aside.path}</span>
      </span>
      <Button
        size="sm"
        variant="quiet"
        onClick={() => {
          back.mutate(aside.path);
        }}
      >
        {texts.restore}
      </Button>
    </li>
  );
}
