/** What was set aside, to be restored. */
import { useQuery } from '@tanstack/react-query';
import { Button } from 'react-bootstrap';
import type { AsideView } from '@clever-drawer/core/api';
import { useActs, useComputer } from '../studio/contexts.ts';
import * as texts from './texts.ts';

export function Asides() {
  const { client } = useComputer();
  const { act } = useActs();
  const { data: asides = [] } = useQuery({
    queryKey: ['asides', client.computer],
    queryFn: client.asides,
  });
  if (asides.length === 0) {
    return null;
  }
  const restore = (copies: readonly AsideView[]): void => {
    act({ act: 'restore', copies: copies.map(({ copy }) => copy) });
  };
  return (
    <section className="asides" aria-labelledby="asides-title">
      <h2 id="asides-title">{texts.setAside}</h2>
      <p className="text-soft visually-quiet">{texts.notExaminedAnd}</p>
      <ul>
        {asides.map((aside) => (
          <AsideRow
            key={aside.copy}
            aside={aside}
            onRestore={() => {
              restore([aside]);
            }}
          />
        ))}
      </ul>
      {asides.length > 1 && (
        <Button
          size="sm"
          variant="quiet"
          onClick={() => {
            restore(asides);
          }}
        >
          {texts.restoreAll(asides.length)}
        </Button>
      )}
    </section>
  );
}

interface AsideRowProps {
  readonly aside: AsideView;
  readonly onRestore: () => void;
}

function AsideRow({ aside: { name, format, path }, onRestore }: AsideRowProps) {
  return (
    <li>
      <span>
        <strong>{name}</strong> <span className="chip format">{format}</span>{' '}
        <span className="mono text-soft">{path}</span>
      </span>
      <Button
        size="sm"
        variant="quiet"
        aria-label={texts.restoreCopy(name, format)}
        onClick={onRestore}
      >
        {texts.restore}
      </Button>
    </li>
  );
}
