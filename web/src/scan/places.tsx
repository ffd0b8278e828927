/** The places, and adding one by typing or pasting its path. */
import { yupResolver } from '@hookform/resolvers/yup';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { FolderSearch, Plus, X } from 'lucide-react';
import { Button, Form } from 'react-bootstrap';
import { useForm } from 'react-hook-form';
import { object, string } from 'yup';
import type { PlaceView } from '@clever-drawer/core';
import { useStudio } from '../api/studio.tsx';
import { useNotices } from '../ui/notices.tsx';

export function Places({ places, isScanning }: { places: readonly PlaceView[]; isScanning: boolean }) {
  const { client } = useStudio();
  const { say } = useNotices();
  const queries = useQueryClient();
  const again = (): Promise<void> => queries.invalidateQueries({ queryKey: ['places', client.computer] });
  const usual = useMutation({
    mutationFn: client.addUsualPlaces,
    onSuccess: (added) => { say(added.length > 0 ? `${added.length === 1 ? 'One usual place' : `${added.length} usual places`} added` : 'All usual places of this computer are listed already', 'done'); void again(); },
    onError: (error) => { say(error.message, 'trouble'); },
  });
  const remove = useMutation({
    mutationFn: (place: PlaceView) => client.removePlace(place.id),
    onSuccess: () => { say('The place is no longer looked through. Nothing on the disk was touched; what you made of its plugins is kept.', 'done'); void again(); },
    onError: (error) => { say(error.message, 'trouble'); },
  });
  return (
    <>
      {places.length > 0 && (
        <table className="places">
          <thead><tr><th scope="col">Format</th><th scope="col">Place</th><th scope="col" className="num">Copies</th><th scope="col" className="num">To look at</th><th scope="col"><span className="visually-hidden">Acts</span></th></tr></thead>
          <tbody>
            {places.map((place) => (
              <tr key={place.id}>
                <td>{place.formats.map((f) => <span key={f} className="chip format">{f}</span>)}</td>
                <td className="mono">{place.path}{!place.reachable && <span className="text-brick"> · out of reach</span>}</td>
                <td className="num">{place.copies}</td>
                <td className={`num ${place.failed > 0 ? 'text-brick fw-semibold' : 'text-soft'}`}>{place.failed > 0 ? `${place.failed} failed` : 'none'}</td>
                <td><Button variant="bare" size="sm" aria-label={`Stop looking through ${place.path}`} title={isScanning ? 'Wait until the scan is done, or stop it' : 'Stop looking through this place'} onClick={() => { remove.mutate(place); }}><X size={15} aria-hidden /></Button></td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <AddPlace onAdded={again} />
      <Button variant="bare" className="usual" onClick={() => { usual.mutate(); }}><FolderSearch size={16} aria-hidden /> Look in the usual places</Button>
    </>
  );
}

const schema = object({ path: string().trim().required('Type or paste the path of a directory.').max(4096, 'That is longer than a path can be.') });

function AddPlace({ onAdded }: { onAdded: () => Promise<void> }) {
  const { client } = useStudio();
  const { say } = useNotices();
  const form = useForm({ resolver: yupResolver(schema), defaultValues: { path: '' } });
  const error = form.formState.errors.path?.message;
  const submit = form.handleSubmit(async ({ path }) => {
    try {
      const place = await client.addPlace(path);
      form.reset();
      say(`${place.path} added. Scan to look through it.`, 'done');
      await onAdded();
    } catch (refused) {
      form.setError('path', { message: (refused as Error).message });
    }
  });
  return (
    <Form onSubmit={(event) => { void submit(event); }} className="add-place" noValidate>
      <Form.Label htmlFor="add-place" className="visually-hidden">Path of a directory with plugins</Form.Label>
      <Form.Control id="add-place" placeholder="/path/to/a/directory/with/plugins" autoComplete="off" spellCheck={false} isInvalid={error !== undefined} aria-describedby="add-place-error" {...form.register('path')} />
      <Button type="submit" variant="quiet"><Plus size={16} aria-hidden /> Add a place</Button>
      <Form.Control.Feedback type="invalid" id="add-place-error" role="alert">{error}</Form.Control.Feedback>
    </Form>
  );
}
