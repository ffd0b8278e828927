/** What a piece of advice would do, and doing it. */
import { useState, type SyntheticEvent } from 'react';
import { Button, Form, Modal } from 'react-bootstrap';
import { nameLength } from '@clever-drawer/core/acts';
import type { Plugin } from '@clever-drawer/core/catalog';
import type { Advice } from '@clever-drawer/core/review';
import { NameDialog } from '../annotate/behind.ts';
import { useActs, useArrangement, useCatalog, useComputer, useOrder } from '../studio/contexts.ts';
import { useNotifyError } from '../studio/notify-error.ts';
import { adviceAct } from './model/advice-act.ts';
import { copiesToRetire } from './model/copies-to-retire.ts';
import { PluginLinks } from './pictures/behind.tsx';
import * as texts from './texts.ts';

interface Props {
  readonly advice: Advice;
  readonly onClose: () => void;
}

export function AdviceDialog({ advice, onClose }: Props) {
  const { follow, canFollow, name, setName, retiring } = useFollowing(advice, onClose);
  const submit = (event: SyntheticEvent): void => {
    event.preventDefault();
    follow();
  };
  return (
    <Modal show scrollable onHide={onClose} animation={false} aria-labelledby="advice-title">
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
        {retiring.aside.length > 0 && (
          <p role="status">{texts.filesAreSetAside(retiring.aside.length)}</p>
        )}
        {advice.kind === 'retire' && retiring.aside.length === 0 && (
          <p className="text-soft">{texts.theirFilesAreNotTouched}</p>
        )}
        {advice.kind === 'name-slow' ? (
          <SlowList advice={advice} />
        ) : (
          <PluginLinks plugins={advice.plugins} />
        )}
      </Modal.Body>
      <Modal.Footer>
        <Button variant="bare" onClick={onClose}>
          {canFollow && retiring.aside.length === 0 ? texts.cancel : texts.close}
        </Button>
        {retiring.aside.length > 0 ? (
          <Button
            onClick={() => {
              retiring.takeBack(onClose);
            }}
          >
            {texts.restoreThem}
          </Button>
        ) : (
          canFollow && <Button onClick={follow}>{texts.adviceDoes[advice.kind]}</Button>
        )}
      </Modal.Footer>
    </Modal>
  );
}

function useFollowing(advice: Advice, onClose: () => void) {
  const { act } = useActs();
  const { order } = useOrder();
  const { cabinet, nameOf } = useArrangement();
  const { pluginById } = useCatalog();
  const retiring = useRetire();
  const [name, setName] = useState(() =>
    advice.plugins
      .flatMap((id) => pluginById.get(id) ?? [])
      .map(nameOf)
      .join(' → ')
      .slice(0, nameLength),
  );
  const here = { order: order.records, cabinet, pluginById };
  const canFollow = advice.kind === 'retire' || adviceAct(advice, here, name) !== null;
  const follow = (): void => {
    const asked = adviceAct(advice, here, name);
    if (advice.kind === 'retire') {
      retiring.retire(advice);
    } else if (asked && act(asked)) {
      onClose();
    }
  };
  return { follow, canFollow, name, setName, retiring };
}

/** Sets old copies aside; the same press takes them back. */
function useRetire() {
  const { client } = useComputer();
  const { plugins } = useCatalog();
  const notifyError = useNotifyError();
  const [aside, setAside] = useState<readonly string[]>([]);
  const retire = ({ copies }: Advice): void => {
    const files = copiesToRetire(plugins, copies);
    client.setAside(files.map(({ id }) => id)).then(() => {
      setAside(files.map(({ path }) => path));
    }, notifyError);
  };
  const takeBack = async (): Promise<void> => {
    await client.takeBack(aside);
    await client.startScan('changed');
  };
  return {
    aside,
    retire,
    takeBack: (then: () => void): void => {
      takeBack().then(then, notifyError);
    },
  };
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
