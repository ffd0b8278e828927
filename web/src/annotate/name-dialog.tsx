/** Nickname and slot label of one plugin. The original name stays searchable. */
import { yupResolver } from '@hookform/resolvers/yup';
import { Button, Form, Modal } from 'react-bootstrap';
import { useForm, type FieldErrors, type UseFormReturn } from 'react-hook-form';
import { object, string } from 'yup';
import { nameLength } from '@clever-drawer/core/acts';
import type { Plugin } from '@clever-drawer/core/catalog';
import { slotLabelFor, slotLabelLength } from '@clever-drawer/core/order';
import { useActs, useArrangement } from '../studio/contexts.ts';
import * as texts from './texts.ts';

const schema = object({
  nickname: string().trim().max(nameLength, texts.atMostLetters(nameLength)).default(''),
  slotLabel: string()
    .trim()
    .max(slotLabelLength, texts.atMostLettersForASlot(slotLabelLength))
    .default(''),
});

export function NameDialog({ plugin, onClose }: { plugin: Plugin; onClose: () => void }) {
  const { act } = useActs();
  const { namesOf } = useArrangement();
  const now = namesOf(plugin.id);
  const form = useForm({
    resolver: yupResolver(schema),
    defaultValues: { nickname: now?.nickname ?? '', slotLabel: now?.slotLabel ?? '' },
  });
  const errors = form.formState.errors;
  const nickname = form.watch('nickname');
  const submit = form.handleSubmit(({ nickname: name, slotLabel }) => {
    if (
      act({
        act: 'name',
        plugin: plugin.id,
        nickname: name === '' ? null : name,
        slotLabel: slotLabel === '' ? null : slotLabel,
      })
    ) {
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

interface NameFieldsProps {
  readonly errors: FieldErrors<{ nickname: string; slotLabel: string }>;
  readonly form: UseFormReturn<
    { nickname: string; slotLabel: string },
    unknown,
    { nickname: string; slotLabel: string }
  >;
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
        <Form.Text className="text-soft">{texts.whatYouCallIt(plugin.name)}</Form.Text>
        <Form.Control.Feedback type="invalid">{errors.nickname?.message}</Form.Control.Feedback>
      </Form.Group>
      <Form.Group controlId="slot-label">
        <Form.Label>{texts.slotLabel}</Form.Label>
        <Form.Control
          autoComplete="off"
          placeholder={slotLabelFor(nickname.trim() === '' ? plugin.name : nickname.trim())}
          isInvalid={errors.slotLabel !== undefined}
          {...form.register('slotLabel')}
        />
        <Form.Text className="text-soft">{texts.theFewLettersThatStand}</Form.Text>
        <Form.Control.Feedback type="invalid">{errors.slotLabel?.message}</Form.Control.Feedback>
      </Form.Group>
    </Modal.Body>
  );
}
