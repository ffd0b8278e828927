/** A cabinet written out as real directories, and kept in step. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { ShelfSettings, ShelfView } from '@clever-drawer/core/api';
import { useArrangement, useComputer, useOrder } from '../studio/contexts.ts';
import { sayTime } from '../ui/time-words.ts';
import { TakeIn } from './take-in.tsx';
import * as texts from './texts.ts';

export function ShelfTab() {
  const { client, computer } = useComputer();
  const { order } = useOrder();
  const shelf = useQuery({
    queryKey: ['shelf', client.computer, order.revision],
    queryFn: client.shelf,
    placeholderData: (before: ShelfView | undefined) => before,
  });
  return (
    <>
      <section className="keep-sheet" aria-labelledby="shelf-title">
        <h2 id="shelf-title">{texts.aCabinetAsDirectories}</h2>
        <p className="text-soft">{texts.forProgramsThatReadOnly}</p>
        {computer.isElsewhere ? (
          <p>{texts.isAnotherComputer(computer.name)}</p>
        ) : (
          shelf.data && <ShelfForm key={shelf.data.settings?.directory ?? ''} view={shelf.data} />
        )}
      </section>
      {!computer.isElsewhere && <ReadTree />}
    </>
  );
}

/** The other way: directories that are there already, read as a cabinet. */
function ReadTree() {
  const { computer } = useComputer();
  const [path, setPath] = useState('');
  const [asked, setAsked] = useState<string | null>(null);
  return (
    <>
      <section className="keep-sheet" aria-labelledby="tree-title">
        <h2 id="tree-title">{texts.directoriesAsACabinet}</h2>
        <p className="text-soft">{texts.turnsATreeOfLinks}</p>
        <Form
          className="shelf-form"
          onSubmit={(event) => {
            event.preventDefault();
            setAsked(path.trim() === '' ? null : path.trim());
          }}
        >
          <Form.Control
            aria-label={texts.theTreeOfDirectories}
            value={path}
            autoComplete="off"
            spellCheck={false}
            placeholder={texts.homeYouMyPlugins}
            onChange={(event) => {
              setPath(event.target.value);
            }}
          />
          <div className="keep-acts">
            <Button type="submit" variant="quiet">
              {texts.readThisDirectory}
            </Button>
          </div>
        </Form>
      </section>
      {asked !== null && (
        <TakeIn
          key={asked}
          source={{ text: asked, form: 'tree' }}
          title={`${asked} → ${computer.name}`}
          onDone={() => {
            setAsked(null);
          }}
        />
      )}
    </>
  );
}

function useShelf() {
  const { client } = useComputer();
  const { order } = useOrder();
  const queries = useQueryClient();
  const onSuccess = (view: ShelfView): void => {
    queries.setQueryData(['shelf', client.computer, order.revision], view);
  };
  return {
    preview: useMutation({ mutationFn: client.previewShelf }),
    write: useMutation({ mutationFn: client.setShelf, onSuccess }),
    remove: useMutation({ mutationFn: client.removeShelf, onSuccess }),
  };
}

function ShelfForm({ view: { settings, last } }: { readonly view: ShelfView }) {
  const { cabinets } = useArrangement();
  const [wish, setWish] = useState<ShelfSettings>(
    settings ?? { cabinet: cabinets[0]?.id ?? '', directory: '', hasFigures: true },
  );
  const { preview, write, remove } = useShelf();
  const trouble = preview.error ?? write.error ?? remove.error;
  const change = (next: Partial<ShelfSettings>): void => {
    setWish({ ...wish, ...next });
    preview.reset();
  };
  return (
    <Form
      className="shelf-form"
      onSubmit={(event) => {
        event.preventDefault();
        preview.mutate(wish);
      }}
    >
      <Form.Group controlId="shelf-cabinet">
        <Form.Label>{texts.cabinet}</Form.Label>
        <Form.Select
          value={wish.cabinet}
          onChange={(event) => {
            change({ cabinet: event.target.value });
          }}
        >
          {cabinets.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Form.Select>
      </Form.Group>
      <Form.Group controlId="shelf-directory">
        <Form.Label>{texts.directoryNewOrEmpty}</Form.Label>
        <Form.Control
          value={wish.directory}
          autoComplete="off"
          spellCheck={false}
          placeholder={texts.homeYouPluginShelf}
          onChange={(event) => {
            change({ directory: event.target.value });
          }}
        />
      </Form.Group>
      <Form.Check
        id="shelf-figures"
        label={texts.numberTheFoldersToKeep}
        checked={wish.hasFigures}
        onChange={(event) => {
          change({ hasFigures: event.target.checked });
        }}
      />
      {trouble && (
        <p className="text-brick" role="alert">
          {trouble.message}
        </p>
      )}
      {preview.data?.last && <WouldDo last={preview.data.last} />}
      <div className="keep-acts">
        <Button type="submit" variant={preview.data ? 'quiet' : 'primary'}>
          {texts.preview}
        </Button>
        {preview.data && (
          <Button
            onClick={() => {
              preview.reset();
              write.mutate(wish);
            }}
          >
            {texts.writeIt}
          </Button>
        )}
        {settings && (
          <Button
            variant="quiet"
            onClick={() => {
              remove.mutate();
            }}
          >
            {texts.removeTheShelf}
          </Button>
        )}
      </div>
      <InStep settings={settings} last={last} />
    </Form>
  );
}

function WouldDo({ last }: { readonly last: NonNullable<ShelfView['last']> }) {
  return <p role="status">{texts.itWouldCreateOrChange(last.done, last.kept)}</p>;
}

/** How the shelf stands. */
function InStep({ settings, last }: Pick<ShelfView, 'settings' | 'last'>) {
  if (!settings || !last) {
    return null;
  }
  if (last.trouble !== null) {
    return (
      <p className="text-brick" role="alert">
        {last.trouble}
      </p>
    );
  }
  return (
    <>
      <p className="text-soft" role="status">
        {texts.isUpToDate(settings.directory, last.done + last.kept, sayTime(last.at))}
      </p>
      {last.left.length > 0 && (
        <ul className="shelf-left">
          {last.left.map(({ path, because }) => (
            <li key={path}>{texts.skippedBecause(path, because)}</li>
          ))}
        </ul>
      )}
    </>
  );
}
