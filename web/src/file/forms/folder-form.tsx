/**
 * Making or changing a folder, smart folder or divider, in the place where it will be. It comes with
 * the screen: what is typed right after F2 or Shift+N is its name.
 */
import { useState, type SubmitEvent } from 'react';
import { Button, FormCheck, FormControl, FormGroup, FormLabel } from 'react-bootstrap';
import { nameLength } from '@clever-drawer/core/acts';
import { asId, type FolderId } from '@clever-drawer/core/id';
import type { Folder } from '@clever-drawer/core/order';
import { keywordRule } from '@clever-drawer/core/rules';
import { useActs, useArrangement } from '../../studio/contexts.ts';
import { KeywordsField } from './keywords-behind.ts';
import * as texts from '../texts.ts';

const newForms = ['folder', 'smart', 'divider'] as const;

type NewForm = (typeof newForms)[number];

interface Props {
  /** The folder to change; none makes a new one. */
  readonly folder?: Folder;
  readonly parent?: FolderId | null;
  readonly onDone: () => void;
}

export function FolderForm({ folder, parent = null, onDone }: Props) {
  const { act } = useActs();
  const { cabinet } = useArrangement();
  const [form, setForm] = useState<NewForm>('folder');
  const [name, setName] = useState(folder?.name ?? '');
  const [keywords, setKeywords] = useState('');
  const [isTried, setTried] = useState(false);
  const rule = form === 'smart' ? keywordRule(keywords) : null;
  const nameTrouble = isTried ? troubleOf(name.trim()) : null;
  const save = (trimmed: string): boolean => {
    if (folder) {
      return (
        trimmed === folder.name || act({ act: 'rename-folder', folder: folder.id, name: trimmed })
      );
    }
    return (
      cabinet !== undefined &&
      act({
        act: 'add-folder',
        id: asId(crypto.randomUUID()),
        cabinet: cabinet.id,
        parent,
        form,
        name: trimmed,
        rule: rule?.ok ? rule.value : null,
        before: null,
      })
    );
  };
  const submit = (event: SubmitEvent): void => {
    event.preventDefault();
    setTried(true);
    const trimmed = name.trim();
    if (troubleOf(trimmed) === null && rule?.ok !== false && save(trimmed)) {
      onDone();
    }
  };
  return (
    <form
      className="folder-form"
      noValidate
      onSubmit={submit}
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.stopPropagation();
          onDone();
        }
      }}
      aria-label={folder ? texts.change(folder.name) : texts.newFolder}
    >
      {!folder && <FormKinds form={form} setForm={setForm} />}
      <FormGroup controlId="folder-name">
        <FormLabel className="visually-hidden">{texts.name}</FormLabel>
        <FormControl
          autoFocus
          autoComplete="off"
          className="hand"
          placeholder={texts.name}
          isInvalid={nameTrouble !== null}
          value={name}
          onFocus={(event) => {
            event.target.select();
          }}
          onChange={(event) => {
            setName(event.target.value);
          }}
        />
        <FormControl.Feedback type="invalid">{nameTrouble}</FormControl.Feedback>
      </FormGroup>
      {form === 'smart' && (
        <KeywordsField
          keywords={keywords}
          setKeywords={setKeywords}
          isInvalid={isTried && rule?.ok === false}
        />
      )}
      <span className="form-acts">
        <Button type="submit" size="sm">
          {folder ? texts.save : texts.createThe(texts.formNames[form].toLowerCase())}
        </Button>
        <Button size="sm" variant="bare" onClick={onDone}>
          {texts.cancel}
        </Button>
      </span>
    </form>
  );
}

/** Why a name cannot be a folder's; null where it can. */
function troubleOf(name: string): string | null {
  if (name === '') {
    return texts.enterAName;
  }
  return name.length > nameLength ? texts.atMostLetters(nameLength) : null;
}

interface FormKindsProps {
  readonly form: NewForm;
  readonly setForm: (form: NewForm) => void;
}

function FormKinds({ form, setForm }: FormKindsProps) {
  return (
    <div className="form-kinds">
      {newForms.map((one) => (
        <FormCheck
          key={one}
          inline
          type="radio"
          name="form"
          id={`form-${one}`}
          checked={one === form}
          label={texts.formNames[one]}
          onChange={() => {
            setForm(one);
          }}
        />
      ))}
    </div>
  );
}
