/** What a piece of advice would do, and doing it. */
import { useState, type SyntheticEvent } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { nameLength } from '@clever-drawer/core/acts';
import type { Plugin } from '@clever-drawer/core/catalog';
import { tieWords, type Advice } from '@clever-drawer/core/review';
import { NameDialog } from '../annotate/behind.ts';
import { useActs, useArrangement, useCatalog, useOrder } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';
import { TickList } from '../ui/tick-list.tsx';
import { adviceAct } from './model/advice-act.ts';
import { choicesOf, followWords, onlyChosen, type AdviceChoice } from './model/choices.ts';
import { PluginLinks } from './pictures/behind.tsx';
import * as texts from './texts.ts';

interface Props {
  readonly advice: Advice;
  readonly onClose: () => void;
}

export function AdviceDialog({ advice, onClose }: Props) {
  const { follow, canFollow, name, setName, choices, chosen, setChosen } = useFollowing(
    advice,
    onClose,
  );
  const submit = (event: SyntheticEvent): void => {
    event.preventDefault();
    follow();
  };
  return (
    <Modal
      show
      scrollable
      size={advice.kind === 'retire' ? 'lg' : undefined}
      onHide={onClose}
      animation={false}
      aria-labelledby="advice-title"
    >
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="advice-title">
          {advice.title}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p>{advice.brings}</p>
        {advice.kind === 'keep-chain' && (
          <Form id="advice-form" onSubmit={submit}>
            <Form.Label htmlFor="chain-name">{texts.nameOfTheChain}</Form.Label>
            <Form.Control
              id="chain-name"
              value={name}
              maxLength={nameLength}
              onChange={(event) => {
                setName(event.target.value);
              }}
            />
          </Form>
        )}
        {advice.kind === 'retire' && <p className="text-soft">{texts.theirFilesAreNotTouched}</p>}
        {advice.kind === 'name-slow' && <SlowList advice={advice} />}
        {advice.kind !== 'name-slow' && choices && (
          <Choices choices={choices} chosen={chosen} onChoose={setChosen} />
        )}
        {advice.kind !== 'name-slow' && !choices && <PluginLinks plugins={advice.plugins} />}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="bare" onClick={onClose}>
          {canFollow ? texts.cancel : texts.close}
        </Button>
        {canFollow && (
          <Button disabled={choices !== null && chosen.size === 0} onClick={follow}>
            {followWords(advice.kind, chosen.size)}
          </Button>
        )}
      </Modal.Footer>
    </Modal>
  );
}

function useFollowing(advice: Advice, onClose: () => void) {
  const { act } = useActs();
  const { notify } = useNotices();
  const { order } = useOrder();
  const { cabinet, nameOf } = useArrangement();
  const { pluginById } = useCatalog();
  const choices = choicesOf(advice);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(
    () => new Set(choices?.filter(({ ties }) => ties.length === 0).map(({ id }) => id)),
  );
  const [name, setName] = useState(() =>
    advice.plugins
      .flatMap((id) => pluginById.get(id) ?? [])
      .map(nameOf)
      .join(' → ')
      .slice(0, nameLength),
  );
  const here = { order: order.records, cabinet, pluginById };
  const canFollow = adviceAct(advice, here, name) !== null;
  const follow = (): void => {
    const wanted = choices ? onlyChosen(advice, choices, chosen) : advice;
    const asked = adviceAct(wanted, here, name);
    if (asked && act(asked)) {
      if (asked.act === 'set-aside') {
        notify(texts.copiesSetAside(asked.copies.length), 'done');
      }
      onClose();
    }
  };
  return { follow, canFollow, name, setName, choices, chosen, setChosen };
}

interface ChoicesProps {
  readonly choices: readonly AdviceChoice[];
  readonly chosen: ReadonlySet<string>;
  readonly onChoose: (chosen: ReadonlySet<string>) => void;
}

/** What it would be done to, each with what speaks for and against it. */
function Choices({ choices, chosen, onChoose }: ChoicesProps) {
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  return (
    <TickList
      label={texts.whatItIsDoneTo}
      count={texts.chosenOf(chosen.size, choices.length)}
      ticked={chosen}
      onTick={onChoose}
      items={choices.flatMap((choice) => {
        const plugin = pluginById.get(choice.plugin);
        if (!plugin) {
          return [];
        }
        const name = nameOf(plugin);
        const { copy } = choice;
        return [
          {
            id: choice.id,
            name: copy ? `${name}, ${copy.format}, ${copy.path}` : name,
            show: <ChoiceWords choice={choice} name={name} vendor={plugin.vendor} />,
          },
        ];
      })}
    />
  );
}

interface ChoiceWordsProps {
  readonly choice: AdviceChoice;
  readonly name: string;
  readonly vendor: string | null;
}

function ChoiceWords({ choice: { copy, ties }, name, vendor }: ChoiceWordsProps) {
  const tied = ties.map((tie) => tieWords[tie]).join(', ');
  return (
    <>
      <strong>{name}</strong>{' '}
      <span className="text-soft">
        {copy
          ? `${copy.format} · ${texts.bitsOf(copy.is32Bit)} · ${copy.version ?? texts.noVersion}`
          : (vendor ?? texts.noVendor)}
      </span>
      {tied !== '' && <span className="tied"> {tied}</span>}
      {copy && (
        <>
          <span className="mono path">{copy.path}</span>
          <span className="text-soft newer">
            {texts.newerIs(copy.by.format, copy.by.version, copy.by.path)}
          </span>
          {copy.sessions.length > 0 && (
            <span className="text-soft newer">{texts.askedForIn(copy.sessions.join(', '))}</span>
          )}
        </>
      )}
    </>
  );
}

/** Plugins that are slow to find, each with a way to name it. */
function SlowList({ advice: { slow } }: { readonly advice: Advice }) {
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  const [named, setNamed] = useState<Plugin | null>(null);
  return (
    <>
      <ul className="behind-list">
        {slow.map(({ plugin: id, loads, keys, typed }) => {
          const plugin = pluginById.get(id);
          return (
            plugin && (
              <li key={id}>
                {nameOf(plugin)}{' '}
                <span className="text-soft">
                  {texts.keys(keys.toFixed(1), loads)}
                  {typed !== '' && texts.typed(typed)}
                </span>
                <Button
                  variant="quiet"
                  size="sm"
                  aria-label={texts.name(nameOf(plugin))}
                  onClick={() => {
                    setNamed(plugin);
                  }}
                >
                  {texts.nameIt}
                </Button>
              </li>
            )
          );
        })}
      </ul>
      {named && (
        <NameDialog
          plugin={named}
          onClose={() => {
            setNamed(null);
          }}
        />
      )}
    </>
  );
}
