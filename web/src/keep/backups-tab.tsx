/** Backups of the whole studio: how old the last one is, one now, where they lie. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { BackupsView } from '@clever-drawer/core/api';
import { printNumber } from '@clever-drawer/core/print-number';
import { backUpNow, setBackups, viewBackups } from '../api/client.ts';
import { sayTime } from '../ui/time-words.ts';
import * as texts from './texts.ts';

export function BackupsTab() {
  const queries = useQueryClient();
  const backups = useQuery({ queryKey: ['backups'], queryFn: viewBackups });
  const running = useMutation({
    mutationFn: backUpNow,
    onSuccess: (view) => {
      queries.setQueryData(['backups'], view);
    },
  });
  const trouble = backups.error ?? running.error;
  return (
    <section className="keep-sheet" aria-labelledby="backups-title">
      <h2 id="backups-title">{texts.everythingOfTheStudio}</h2>
      <p className="text-soft">
        {texts.allComputers} <code>./clever-drawer restore FILE --data DIR</code>
      </p>
      {trouble && (
        <p className="text-brick" role="alert">
          {trouble.message}
        </p>
      )}
      {backups.data && <LastBackup view={backups.data} />}
      <div className="keep-acts">
        <Button
          onClick={() => {
            if (!running.isPending) {
              running.mutate();
            }
          }}
        >
          {running.isPending ? texts.backingUp : texts.backUpNow}
        </Button>
      </div>
      {backups.data && (
        <>
          <BackupList view={backups.data} />
          <WhereBackups key={backups.data.directory} view={backups.data} />
        </>
      )}
    </section>
  );
}

function LastBackup({ view: { backups, trouble, isOld } }: { readonly view: BackupsView }) {
  const [newest] = backups;
  const last = newest ? texts.lastBackup(sayTime(newest.at)) : texts.thereIsNoBackupYet;
  return (
    <>
      <p className={isOld ? 'text-brick' : ''} role="status">
        {last}
        {newest && isOld && texts.itIsOld}
      </p>
      {trouble !== null && (
        <p className="text-brick" role="alert">
          {texts.theLastOneFailed(trouble)}
        </p>
      )}
    </>
  );
}

const size = (bytes: number): string =>
  bytes < 1_048_576
    ? texts.bytesKB(printNumber(Math.ceil(bytes / 1024)))
    : texts.bytesMB((bytes / 1_048_576).toFixed(1));

function BackupList({ view: { backups } }: { readonly view: BackupsView }) {
  return (
    <ul className="backup-list">
      {backups.map(({ file, at, bytes, rows }) => (
        <li key={file}>
          <span>{sayTime(at)}</span>
          <span className="text-soft">{texts.rows(printNumber(rows), size(bytes))}</span>
          <code>{file}</code>
        </li>
      ))}
    </ul>
  );
}

function WhereBackups({ view }: { readonly view: BackupsView }) {
  const queries = useQueryClient();
  const [directory, setDirectory] = useState(view.directory);
  const [keep, setKeep] = useState(String(view.keep));
  const saving = useMutation({
    mutationFn: () => setBackups(directory, Number(keep)),
    onSuccess: (next) => {
      queries.setQueryData(['backups'], next);
    },
  });
  return (
    <Form
      className="shelf-form"
      onSubmit={(event) => {
        event.preventDefault();
        saving.mutate();
      }}
    >
      <Form.Group controlId="backup-directory">
        <Form.Label>{texts.directory}</Form.Label>
        <Form.Control
          value={directory}
          autoComplete="off"
          spellCheck={false}
          onChange={(event) => {
            setDirectory(event.target.value);
          }}
        />
      </Form.Group>
      <Form.Group controlId="backup-keep">
        <Form.Label>{texts.numberToKeep}</Form.Label>
        <Form.Control
          type="number"
          min={1}
          max={1000}
          value={keep}
          onChange={(event) => {
            setKeep(event.target.value);
          }}
        />
      </Form.Group>
      {saving.error && (
        <p className="text-brick" role="alert">
          {saving.error.message}
        </p>
      )}
      <div className="keep-acts">
        <Button type="submit" variant="quiet">
          {texts.save}
        </Button>
      </div>
    </Form>
  );
}
