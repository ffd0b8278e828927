/** What one plugin is called: nickname, other names, slot label. The original name stays searchable. */
import { yupResolver } from '@hookform/resolvers/yup';
import { Button, Form, Modal } from 'react-bootstrap';
import { useForm, type FieldErrors, type UseFormReturn } from 'react-hook-form';
import { object, string, type InferType } from 'yup';
import { nameLength } from '@clever-drawer/core/acts';
import { answerLimits, type Plugin } from '@clever-drawer/core/catalog';
import { slotLabelFor, slotLabelLength } from '@clever-drawer/core/order';
import { useActs, useArrangement, useCatalog } from '../studio/contexts.ts';
import { annotateAct } from './annotate.ts';
import * as texts from './texts.ts';

const schema = object({
  nickname: string().trim().max(nameLength, texts.atMostLetters(nameLength)).default(''),
  alsoCalled: string()
    .test(
      'few',
      texts.atMostNames(answerLimits.names),
      (names = '') => splitNames(names).length <= answerLimits.names,
    )
    .test('short', texts.eachAtMostLetters(nameLength), (names = '') =>
      splitNames(names).every(({ length }) => length <= nameLength),
    )
    .default(''),
  slotLabel: string()
    .trim()
    .max(slotLabelLength, texts.atMostLettersForASlot(slotLabelLength))
    .default(''),
});

/** Names as they are typed: with commas between them, each once. */
const splitNames = (typed: string): string[] => [
  ...new Set(
    typed
      .split(',')
      .map((name) => name.trim())
      .filter((name) => name !== ''),
  ),
];

export function NameDialog({ plugin, onClose }: { plugin: Plugin; onClose: () => void }) {
  const { act } = useActs();
  const { namesOf } = useArrangement();
  const { answers } = useCatalog();
  const now = namesOf(plugin.id);
  const others = answers.get(plugin.id)?.alsoCalled.join(', ') ?? '';
  const form = useForm({
    resolver: yupResolver(schema),
    defaultValues: {
      nickname: now?.nickname ?? '',
      alsoCalled: others,
      slotLabel: now?.slotLabel ?? '',
    },
  });
  const errors = form.formState.errors;
  const nickname = form.watch('nickname');
  const submit = form.handleSubmit(({ nickname: name, alsoCalled, slotLabel }) => {
    const names = {
      nickname: name === '' ? null : name,
      slotLabel: slotLabel === '' ? null : slotLabel,
    };
    const isNamed =
      names.nickname === (now?.nickname ?? null) && names.slotLabel === (now?.slotLabel ?? null);
    const given = splitNames(alsoCalled);
    const saved =
      (isNamed || act({ act: 'name', plugin: plugin.id, ...names })) &&
      (given.join(', ') === others || act(annotateAct([plugin.id], { alsoCalled: given })));
    if (saved) {
      onClose();
    }
  });
  return (
    <Modal show onHide={onClose} animation={false} aria-labelledby="name-title">
      <Form
        noValidate
        onSubmit={(event) => {
          void submit(event);
        }}
      >
        <Modal.Header closeButton>
          <Modal.Title as="h1" id="name-title">
            {plugin.name}
          </Modal.Title>
        </Modal.Header>
        <NameFields errors={errors} form={form} plugin={plugin} nickname={nickname} />
        <Modal.Footer>
          <Button variant="bare" onClick={onClose}>
            {texts.cancel}
          </Button>
          <Button type="submit">{texts.saveTheName}</Button>
        </Modal.Footer>
      </Form>
    </Modal>
  );
}

type Names = InferType<typeof schema>;

interface NameFieldsProps {
  readonly errors: FieldErrors<Names>;
  readonly form: UseFormReturn<Names, unknown, Names>;
  readonly plugin: Plugin;
  readonly nickname: string;
}

function NameFields({ errors, form, plugin, nickname }: NameFieldsProps) {
  return (
    <Modal.Body>
      <Form.Group className="mb-3" controlId="nickname">
        <Form.Label>{texts.nickname}</Form.Label>
        <Form.Control
          autoFocus
          autoComplete="off"
          isInvalid={errors.nickname !== undefined}
          {...form.register('nickname')}
        />
        <Form.Text className="text-soft">{texts.yourOwnNameForIt(plugin.name)}</Form.Text>
        <Form.Control.Feedback type="invalid">{errors.nickname?.message}</Form.Control.Feedback>
      </Form.Group>
      <Form.Group className="mb-3" controlId="also-called">
        <Form.Label>{texts.alsoCalled}</Form.Label>
        <Form.Control
          autoComplete="off"
          isInvalid={errors.alsoCalled !== undefined}
          {...form.register('alsoCalled')}
        />
        <Form.Text className="text-soft">{texts.otherNamesToFindIt}</Form.Text>
        <Form.Control.Feedback type="invalid">{errors.alsoCalled?.message}</Form.Control.Feedback>
      </Form.Group>
      <Form.Group controlId="slot-label">
        <Form.Label>{texts.slotLabel}</Form.Label>
        <Form.Control
          autoComplete="off"
          placeholder={slotLabelFor(nickname.trim() === '' ? plugin.name : nickname.trim())}
          isInvalid={errors.slotLabel !== undefined}
          {...form.register('slotLabel')}
        />
        <Form.Text className="text-soft">{texts.theFewLettersShownIn}</Form.Text>
        <Form.Control.Feedback type="invalid">{errors.slotLabel?.message}</Form.Control.Feedback>
      </Form.Group>
    </Modal.Body>
  );
}
