/** Making or changing a folder, smart folder or divider, in the place where it will stand. */
import { yupResolver } from '@hookform/resolvers/yup';
import { useMemo } from 'react';
import { Button, Form } from 'react-bootstrap';
import { useForm, type FieldErrors, type UseFormReturn } from 'react-hook-form';
import { object, string } from 'yup';
import { Link } from 'react-router';
import { nameLength } from '@clever-drawer/core/acts';
import { asId, type FolderId } from '@clever-drawer/core/id';
import type { Folder } from '@clever-drawer/core/order';
import { compileRule, keywordRule } from '@clever-drawer/core/rules';
import { useActs, useArrangement, useCatalog } from '../../studio/contexts.ts';
import * as texts from '../texts.ts';

export type NewForm = keyof typeof texts.formNames;

const schema = object({
  form: string<NewForm>().oneOf(['folder', 'smart', 'divider']).required(),
  name: string()
    .trim()
    .required(texts.giveItAName)
    .max(nameLength, texts.atMostLetters(nameLength)),
  keywords: string()
    .default('')
    .when('form', {
      is: 'smart',
      then: (s) => s.test('keywords', texts.typeAtLeastOneKeyword, (text) => keywordRule(text).ok),
    }),
});

interface Props {
  /** The folder to change; none makes a new one. */
  readonly folder?: Folder;
  readonly parent?: FolderId | null;
  readonly onDone: () => void;
}

export function FolderForm({ folder, parent = null, onDone }: Props) {
  const { act } = useActs();
  const { cabinet } = useArrangement();
  const form = useForm({
    resolver: yupResolver(schema),
    // Of a folder that is there, only the name is asked.
    defaultValues: { form: 'folder' as NewForm, name: folder?.name ?? '', keywords: '' },
  });
  const kind = form.watch('form');
  const keywords = form.watch('keywords');
  const errors = form.formState.errors;
  const submit = form.handleSubmit((values) => {
    if (!cabinet) {
      return;
    }
    const rule = values.form === 'smart' ? keywordRule(values.keywords) : null;
    if (!folder) {
      if (
        act({
          act: 'add-folder',
          id: asId(crypto.randomUUID()),
          cabinet: cabinet.id,
          parent,
          form: values.form,
          name: values.name,
          rule: rule?.ok ? rule.value : null,
          before: null,
        })
      ) {
        onDone();
      }
      return;
    }
    if (
      values.name === folder.name ||
      act({ act: 'rename-folder', folder: folder.id, name: values.name })
    ) {
      onDone();
    }
  });
  return (
    <Form
      className="folder-form"
      noValidate
      onSubmit={(event) => {
        void submit(event);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Escape') {
          event.stopPropagation();
          onDone();
        }
      }}
      aria-label={folder ? texts.change(folder.name) : texts.newFolder}
    >
      {!folder && <FormKinds form={form} />}
      <Form.Group controlId="folder-name">
        <Form.Label className="visually-hidden">{texts.name}</Form.Label>
        <Form.Control
          autoFocus
          autoComplete="off"
          className="hand"
          placeholder={texts.name}
          isInvalid={errors.name !== undefined}
          {...form.register('name')}
        />
        <Form.Control.Feedback type="invalid">{errors.name?.message}</Form.Control.Feedback>
      </Form.Group>
      {kind === 'smart' && <Keywords errors={errors} form={form} keywords={keywords} />}
      <span className="form-acts">
        <Button type="submit" size="sm">
          {folder ? texts.save : texts.makeThe(texts.formNames[kind].toLowerCase())}
        </Button>
        <Button size="sm" variant="bare" onClick={onDone}>
          {texts.cancel}
        </Button>
      </span>
    </Form>
  );
}

interface KeywordsProps {
  readonly errors: FieldErrors<{ form: NewForm; name: string; keywords: string }>;
  readonly form: UseFormReturn<
    { form: NewForm; name: string; keywords: string },
    unknown,
    {
      keywords: string;
      name: string;
      form: NonNullable<'folder' | 'smart' | 'divider' | undefined>;
    }
  >;
  readonly keywords: string;
}

function Keywords({ errors, form, keywords }: KeywordsProps) {
  return (
    <Form.Group controlId="folder-keywords">
      <Form.Label className="form-line">{texts.holdsEveryPluginWhoseName}</Form.Label>
      <Form.Control
        autoComplete="off"
        spellCheck={false}
        placeholder={texts.delayEcho}
        isInvalid={errors.keywords !== undefined}
        {...form.register('keywords')}
      />
      <Form.Control.Feedback type="invalid">{errors.keywords?.message}</Form.Control.Feedback>
      <Preview keywords={keywords} />
    </Form.Group>
  );
}

function FormKinds({
  form,
}: {
  readonly form: UseFormReturn<
    { form: NewForm; name: string; keywords: string },
    unknown,
    {
      keywords: string;
      name: string;
      form: NonNullable<'folder' | 'smart' | 'divider' | undefined>;
    }
  >;
}) {
  return (
    <div className="form-kinds">
      {(['folder', 'smart', 'divider'] as const).map((k) => (
        <Form.Check
          key={k}
          inline
          type="radio"
          id={`form-${k}`}
          value={k}
          label={texts.formNames[k]}
          {...form.register('form')}
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
