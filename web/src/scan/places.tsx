/** The places, and adding one by typing or pasting its path. */
import { useMutation, useQueryClient, type UseMutationResult } from '@tanstack/react-query';
import { Eye, EyeOff, FolderSearch, Plus, X } from 'lucide-react';
import { Button, Form } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { Link } from 'react-router';
import type { PlaceView } from '@clever-drawer/core/api';
import { formats } from '@clever-drawer/core/formats';
import { plural } from '@clever-drawer/core/text';
import { useActs, useComputer } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';
import * as texts from './texts.ts';

export function Places({
  places,
  isScanning,
}: {
  places: readonly PlaceView[];
  isScanning: boolean;
}) {
  const { client } = useComputer();
  const { notify } = useNotices();
  const queries = useQueryClient();
  const again = (): Promise<void> =>
    queries.invalidateQueries({ queryKey: ['places', client.computer] });
  const usual = useMutation({
    mutationFn: client.addUsualPlaces,
    onSuccess: (added) => {
      notify(added.length > 0 ? texts.added(added.length) : texts.allTheUsualPlacesAre, 'done');
      void again();
    },
    onError: (error) => {
      notify(error.message, 'trouble');
    },
  });
  const { remove, change } = usePlaceActs(again);
  return (
    <>
      {places.length > 0 && (
        <PlacesTable places={places} isScanning={isScanning} change={change} remove={remove} />
      )}
      <AddPlace onAdded={again} />
      <Button
        variant="bare"
        className="usual"
        onClick={() => {
          usual.mutate();
        }}
      >
        <FolderSearch size={16} aria-hidden /> {texts.lookInTheUsualPlaces}
      </Button>
    </>
  );
}

/** Removing a place and changing it, each with how it is taken back. */
function usePlaceActs(again: () => Promise<void>) {
  const { client } = useComputer();
  const { did } = useActs();
  const { notify } = useNotices();
  const queries = useQueryClient();
  const onError = (error: Error): void => {
    notify(error.message, 'trouble');
  };
  const show = (next: PlaceView[]): void => {
    queries.setQueryData(['places', client.computer], next);
  };
  const remove = useMutation({
    mutationFn: (place: PlaceView) => client.removePlace(place.id),
    onSuccess: (_, place) => {
      // Taken back, it is another place of the same path.
      let { id } = place;
      did(texts.removeThePlaceNothing(place.path), {
        undo: async () => {
          ({ id } = await client.addPlace(place.path, place.formats));
          const { isOn, isWatched } = place;
          show(await client.changePlace(id, { isOn, isWatched }));
        },
        redo: async () => {
          await client.removePlace(id);
          await again();
        },
      });
      void again();
    },
    onError,
  });
  const change = useMutation({
    mutationFn: ({ place, ...wanted }: ChangedPlace) => client.changePlace(place.id, wanted),
    onSuccess: (next, { place, ...wanted }) => {
      show(next);
      const before =
        wanted.isOn === undefined ? { isWatched: place.isWatched } : { isOn: place.isOn };
      did(placeWords(place.path, wanted), {
        undo: async () => {
          show(await client.changePlace(place.id, before));
        },
        redo: async () => {
          show(await client.changePlace(place.id, wanted));
        },
      });
    },
    onError,
  });
  return { remove, change };
}

/** A place with what of it changes. */
interface ChangedPlace {
  readonly place: PlaceView;
  readonly isOn?: boolean;
  readonly isWatched?: boolean;
}

function placeWords(path: string, { isOn, isWatched }: Omit<ChangedPlace, 'place'>): string {
  if (isOn !== undefined) {
    return texts.lookThroughPath(isOn, path);
  }
  return texts.keepLookingInPath(isWatched === true, path);
}

interface PlacesTableProps {
  readonly places: readonly PlaceView[];
  readonly isScanning: boolean;
  readonly change: UseMutationResult<PlaceView[], Error, ChangedPlace>;
  readonly remove: UseMutationResult<null, Error, PlaceView>;
}

function PlacesTable({ places, isScanning, change, remove }: PlacesTableProps) {
  return (
    <table className="places">
      <PlacesHead />
      <tbody>
        {places.map((place) => (
          <PlaceRow
            key={place.id}
            place={place}
            isScanning={isScanning}
            onChange={(wanted) => {
              change.mutate({ place, ...wanted });
            }}
            onRemove={() => {
              remove.mutate(place);
            }}
          />
        ))}
      </tbody>
    </table>
  );
}

function PlacesHead() {
  return (
    <thead>
      <tr>
        <th scope="col">
          <span className="visually-hidden">{texts.on}</span>
        </th>
        <th scope="col">{texts.place}</th>
        <th scope="col" className="num">
          {texts.copiesColumn}
        </th>
        <th scope="col" className="num">
          {texts.failed}
        </th>
        <th scope="col">
          <span className="visually-hidden">{texts.actions}</span>
        </th>
      </tr>
    </thead>
  );
}

interface PlaceRowProps {
  readonly place: PlaceView;
  readonly onChange: (wanted: { isOn?: boolean; isWatched?: boolean }) => void;
  readonly isScanning: boolean;
  readonly onRemove: () => void;
}

function PlaceRow({ place, isScanning, onChange, onRemove }: PlaceRowProps) {
  return (
    <tr>
      <td>
        <Form.Check
          type="checkbox"
          checked={place.isOn}
          aria-label={texts.lookThrough(place.path)}
          onChange={() => {
            onChange({ isOn: !place.isOn });
          }}
        />
      </td>
      <td>
        <span className="mono">{place.path}</span>
        <PlaceNotes place={place} />
      </td>
      <td className="num">{place.copies}</td>
      <td className={`num ${place.failed > 0 ? 'text-brick fw-semibold' : 'text-soft'}`}>
        {place.failed > 0 ? place.failed : texts.none}
      </td>
      <PlaceActs place={place} isScanning={isScanning} onChange={onChange} onRemove={onRemove} />
    </tr>
  );
}

interface PlaceActsProps {
  readonly place: PlaceView;
  readonly onChange: (wanted: { isOn?: boolean; isWatched?: boolean }) => void;
  readonly isScanning: boolean;
  readonly onRemove: () => void;
}

function PlaceActs({ place, isScanning, onChange, onRemove }: PlaceActsProps) {
  return (
    <td className="place-acts">
      <Button
        variant="bare"
        size="sm"
        aria-pressed={place.isWatched}
        aria-label={texts.watch(place.path)}
        title={place.isWatched ? texts.watchedClickToStop : texts.watchScanWhenSomethingChanges}
        onClick={() => {
          onChange({ isWatched: !place.isWatched });
        }}
      >
        {place.isWatched ? <Eye size={15} aria-hidden /> : <EyeOff size={15} aria-hidden />}
      </Button>
      <Button
        variant="bare"
        size="sm"
        aria-label={texts.removeThePlace(place.path)}
        title={isScanning ? texts.waitUntilTheScanIsDone : texts.removeThisPlace}
        onClick={() => {
          onRemove();
        }}
      >
        <X size={15} aria-hidden />
      </Button>
    </td>
  );
}

/** What else there is to say of a place: its formats where it is not for all, and its state. */
function PlaceNotes({ place }: { place: PlaceView }) {
  const notes = [
    place.formats.length < formats.length ? place.formats.join(', ') : texts.allFormats,
    ...(place.opened > 0 ? [texts.opened(place.opened)] : []),
    ...(place.settings > 0 ? [plural(place.settings, texts.savedSetting)] : []),
    ...(place.isWatched ? [texts.watched] : []),
    ...(place.isOn ? [] : [texts.off]),
  ];
  return (
    <span className="place-notes">
      {notes.join(' · ')}
      {place.withoutProgram > 0 && (
        <>
          {' · '}
          <Link to="/file?state=no-program" className="text-brick">
            {texts.withoutProgram(place.withoutProgram)}
          </Link>
        </>
      )}
      {!place.reachable && <span className="text-brick"> {texts.outOfReach}</span>}
    </span>
  );
}

/** The longest path that a system takes, in characters. */
const longestPath = 4096;

function AddPlace({ onAdded }: { onAdded: () => Promise<void> }) {
  const { client } = useComputer();
  const { notify } = useNotices();
  const form = useForm({ defaultValues: { path: '' } });
  const error = form.formState.errors.path?.message;
  const submit = form.handleSubmit(async ({ path }) => {
    try {
      const place = await client.addPlace(path.trim());
      form.reset();
      notify(texts.addedPressScan(place.path), 'done');
      await onAdded();
    } catch (refused) {
      form.setError('path', { message: (refused as Error).message });
    }
  });
  return (
    <Form
      onSubmit={(event) => {
        void submit(event);
      }}
      className="add-place"
      noValidate
    >
      <Form.Label htmlFor="add-place" className="visually-hidden">
        {texts.pathOfADirectoryWithPlugins}
      </Form.Label>
      <Form.Control
        id="add-place"
        placeholder={texts.pathToADirectoryWithPlugins}
        autoComplete="off"
        spellCheck={false}
        isInvalid={error !== undefined}
        aria-describedby="add-place-error"
        {...form.register('path', {
          validate: (path) => path.trim() !== '' || texts.enterThePathOfA,
          maxLength: { value: longestPath, message: texts.thatIsLongerThanAPath },
        })}
      />
      <Button type="submit" variant="quiet">
        <Plus size={16} aria-hidden /> {texts.addAPlace}
      </Button>
      <Form.Control.Feedback type="invalid" id="add-place-error" role="alert">
        {error}
      </Form.Control.Feedback>
    </Form>
  );
}
