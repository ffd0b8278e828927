/**
 * Making or changing a folder, smart folder or divider, in the place where it will be. It comes with
 * the screen: what is typed right after F2 or Shift+N is its name.
 */
import { useMemo, useState, type SubmitEvent } from 'react';
import { Button, Form } from 'react-bootstrap';
import { Link } from 'react-router';
import { nameLength } from '@clever-drawer/core/acts';
import { asId, type FolderId } from '@clever-drawer/core/id';
import type { Folder } from '@clever-drawer/core/order';
import { compileRule, keywordRule } from '@clever-drawer/core/rules';
import { useActs, useArrangement, useCatalog } from '../../studio/contexts.ts';
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
    <Form
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
      <Form.Group controlId="folder-name">
        <Form.Label className="visually-hidden">{texts.name}</Form.Label>
        <Form.Control
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
        <Form.Control.Feedback type="invalid">{nameTrouble}</Form.Control.Feedback>
      </Form.Group>
      {form === 'smart' && (
        <Keywords
          keywords={keywords}
          setKeywords={setKeywords}
          isInvalid={isTried && rule?.ok === false}
        />
      )}
      <span className="form-acts">
        <Button type="submit" size="sm">
          {folder ? texts.save : texts.makeThe(texts.formNames[form].toLowerCase())}
        </Button>
        <Button size="sm" variant="bare" onClick={onDone}>
          {texts.cancel}
        </Button>
      </span>
    </Form>
  );
}

/** Why a name cannot be a folder's; null where it can. */
function troubleOf(name: string): string | null {
  if (name === '') {
    return texts.giveItAName;
  }
  return name.length > nameLength ? texts.atMostLetters(nameLength) : null;
}

interface KeywordsProps {
  readonly keywords: string;
  readonly setKeywords: (keywords: string) => void;
  readonly isInvalid: boolean;
}

function Keywords({ keywords, setKeywords, isInvalid }: KeywordsProps) {
  return (
    <Form.Group controlId="folder-keywords">
      <Form.Label className="form-line">{texts.holdsEveryPluginWhoseName}</Form.Label>
      <Form.Control
        autoComplete="off"
        spellCheck={false}
        placeholder={texts.delayEcho}
        isInvalid={isInvalid}
        value={keywords}
        onChange={(event) => {
          setKeywords(event.target.value);
        }}
      />
      <Form.Control.Feedback type="invalid">{texts.typeAtLeastOneKeyword}</Form.Control.Feedback>
      <Preview keywords={keywords} />
    </Form.Group>
  );
}

interface FormKindsProps {
  readonly form: NewForm;
  readonly setForm: (form: NewForm) => void;
}

function FormKinds({ form, setForm }: FormKindsProps) {
  return (
    <div className="form-kinds">
      {newForms.map((one) => (
        <Form.Check
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

/** What the keywords would take in now, and the way to everything else a rule can ask. */
function Preview({ keywords }: { keywords: string }) {
  const { pluginById } = useCatalog();
  const { arrangement } = useArrangement();
  const { candidates, where } = arrangement.rules;
  const names = useMemo(() => {
    const rule = keywordRule(keywords);
    if (!rule.ok) {
      return null;
    }
    const { holds } = compileRule(rule.value);
    return candidates
      .filter((candidate) => holds(candidate, where))
      .map(({ id }) => pluginById.get(id)?.name ?? '');
  }, [keywords, candidates, where, pluginById]);
  const more = (
    <Link
      to={`/rule/new${keywords.trim() === '' ? '' : `?text=${encodeURIComponent(`name has ${keywords}`)}`}`}
    >
      {texts.moreThanKeywords}
    </Link>
  );
  if (names === null) {
    return (
      <Form.Text className="text-soft">
        {texts.aCommaIsOr} {more}
      </Form.Text>
    );
  }
  const some = names.slice(0, 3).join(', ');
  return (
    <Form.Text className="text-soft" role="status">
      {names.length === 0 ? texts.takesInNothingYet : texts.takesIn(names.length, some)} {more}
    </Form.Text>
  );
}
