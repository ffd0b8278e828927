/** The offer to open copies that reading cannot tell enough of, and when that is done. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { PackageOpen } from 'lucide-react';
import { Button, Form } from 'react-bootstrap';
import { openingWishes, type OpeningView, type OpeningWish } from '@clever-drawer/core/api';
import { useComputer } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';
import { offerOf } from './model/opening-words.ts';
import * as texts from './texts.ts';

export function Opening() {
  const { client } = useComputer();
  const { notify } = useNotices();
  const queries = useQueryClient();
  const key = ['opening', client.computer];
  const opening = useQuery({ queryKey: key, queryFn: client.opening });
  const onError = (error: Error): void => {
    notify(error.message, 'trouble');
  };
  const change = useMutation({
    mutationFn: (wish: OpeningWish) => client.changeOpening(wish),
    onSuccess: (next) => {
      queries.setQueryData(key, next);
    },
    onError,
  });
  const open = useMutation({
    mutationFn: () => client.startScan('open'),
    onSettled: () => {
      void queries.invalidateQueries({ queryKey: ['scans', client.computer] });
    },
    onError,
  });
  if (!opening.data) {
    return null;
  }
  return (
    <section className="opening" aria-label={texts.opening}>
      <Offer
        view={opening.data}
        onOpen={() => {
          open.mutate();
        }}
      />
      <Wish view={opening.data} onWish={change.mutate} />
    </section>
  );
}

function Offer({ view, onOpen }: { readonly view: OpeningView; readonly onOpen: () => void }) {
  const offer = offerOf(view);
  if (offer === null) {
    return null;
  }
  return (
    <div className="opening-offer">
      <p>
        <strong>{offer}</strong> {texts.openingThemReadsNameVendor}
        {view.lacks !== null && ` ${view.lacks}`}
      </p>
      <Button variant="quiet" onClick={onOpen}>
        <PackageOpen size={16} aria-hidden /> {texts.open(view.unopened)}
      </Button>
    </div>
  );
}

interface WishProps {
  readonly view: OpeningView;
  readonly onWish: (wish: OpeningWish) => void;
}

function Wish({ view, onWish }: WishProps) {
  return (
    <Form.Group className="opening-wish" controlId="opening-wish">
      <Form.Label>{texts.openCopiesThatReadingCannot}</Form.Label>
      <Form.Select
        size="sm"
        value={view.wish}
        onChange={(event) => {
          onWish(event.target.value as OpeningWish);
        }}
      >
        {openingWishes.map((wish) => (
          <option key={wish} value={wish}>
            {texts.wishWords[wish]}
          </option>
        ))}
      </Form.Select>
    </Form.Group>
  );
}
