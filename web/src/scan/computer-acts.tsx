/** Renaming the computer that is shown, removing another one, and restoring what was removed. */
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import {
  listRemovedComputers,
  removeComputer,
  renameComputer,
  restoreComputer,
} from '../api/client.ts';
import { useActs, useComputer } from '../studio/contexts.ts';
import { useNotifyError } from '../studio/notify-error.ts';
import { AskFirst } from '../ui/ask-first.tsx';
import { FormDialog } from '../ui/form-dialog.tsx';
import { useNotices } from '../ui/notices.tsx';
import * as texts from './texts.ts';

const removedKey = ['removed computers'];

/** What can be done with the computer that is shown. */
export function ComputerActs() {
  const { computer } = useComputer();
  const [isNaming, setNaming] = useState(false);
  const remove = useRemove();
  return (
    <p className="computer-acts">
      <Button
        variant="bare"
        size="sm"
        onClick={() => {
          setNaming(true);
        }}
      >
        {texts.renameComputer}
      </Button>
      {computer.isElsewhere && (
        <AskFirst
          size="sm"
          label={texts.removeComputer}
          question={texts.removeComputerQuestion}
          onSure={remove}
        />
      )}
      {isNaming && (
        <RenameDialog
          onClose={() => {
            setNaming(false);
          }}
        />
      )}
    </p>
  );
}

function RenameDialog({ onClose }: { readonly onClose: () => void }) {
  const { computer } = useComputer();
  const { did } = useActs();
  const queries = useQueryClient();
  const [name, setName] = useState(computer.name);
  const field = useId();
  const { id, name: before } = computer;
  const call = async (wanted: string): Promise<void> => {
    await renameComputer(id, wanted);
    await queries.invalidateQueries({ queryKey: ['computers'] });
  };
  const rename = useMutation({
    mutationFn: call,
    onSuccess: (_, wanted) => {
      did(texts.computerRenamed(before, wanted), {
        undo: () => call(before),
        redo: () => call(wanted),
      });
      onClose();
    },
  });
  return (
    <FormDialog
      title={texts.nameOfThisComputer}
      act={texts.rename}
      onClose={onClose}
      onSubmit={() => {
        rename.mutate(name.trim());
      }}
    >
      <Form.Label htmlFor={field}>{texts.name}</Form.Label>
      <Form.Control
        id={field}
        value={name}
        autoFocus
        autoComplete="off"
        isInvalid={rename.isError}
        aria-describedby={rename.isError ? `${field}-trouble` : undefined}
        onFocus={({ target }) => {
          target.select();
        }}
        onChange={({ target }) => {
          setName(target.value);
        }}
      />
      {rename.error && (
        <Form.Control.Feedback type="invalid" id={`${field}-trouble`} role="alert">
          {rename.error.message}
        </Form.Control.Feedback>
      )}
    </FormDialog>
  );
}

/** Removes the computer that is shown; the window goes on with another one. */
function useRemove(): () => void {
  const { computer, computers, chooseComputer } = useComputer();
  const { notify } = useNotices();
  const queries = useQueryClient();
  const remove = useMutation({
    mutationFn: () => removeComputer(computer.id),
    onSuccess: async () => {
      notify(texts.computerRemoved(computer.name), 'done');
      const next = computers.find(({ id }) => id !== computer.id);
      if (next) {
        chooseComputer(next.id);
      }
      await queries.invalidateQueries({ queryKey: ['computers'] });
    },
    onError: useNotifyError(),
  });
  return () => {
    remove.mutate();
  };
}

/** Computers that were removed; nothing where none was. */
export function RemovedComputers() {
  const { notify } = useNotices();
  const queries = useQueryClient();
  const { data: removed = [] } = useQuery({
    queryKey: removedKey,
    queryFn: listRemovedComputers,
    refetchOnMount: 'always',
  });
  const restore = useMutation({
    mutationFn: restoreComputer,
    onSuccess: async ({ name }) => {
      notify(texts.computerRestored(name), 'done');
      await Promise.all([
        queries.invalidateQueries({ queryKey: ['computers'] }),
        queries.invalidateQueries({ queryKey: removedKey }),
      ]);
    },
    onError: useNotifyError(),
  });
  if (removed.length === 0) {
    return null;
  }
  return (
    <section className="asides" aria-labelledby="removed-computers">
      <h2 id="removed-computers">{texts.removedComputers}</h2>
      <ul>
        {removed.map(({ id, name }) => (
          <li key={id}>
            <strong>{name}</strong>
            <Button
              variant="bare"
              size="sm"
              aria-label={texts.restoreComputer(name)}
              onClick={() => {
                restore.mutate(id);
              }}
            >
              {texts.restore}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
