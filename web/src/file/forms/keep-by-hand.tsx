/** What was dropped on a smart folder: always in, or another rule. */
import { Button, Modal } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import { asId } from '@clever-drawer/core/id';
import type { Folder } from '@clever-drawer/core/order';
import { sayRule } from '@clever-drawer/core/rules';
import { useActs, useArrangement, useCatalog } from '../../studio/contexts.ts';
import * as formTexts from './texts.ts';
import * as texts from '../texts.ts';

interface KeepByHandProps {
  readonly folder: string;
  readonly plugins: readonly string[];
  readonly onClose: () => void;
}

export function KeepByHand({ folder: id, plugins, onClose }: KeepByHandProps) {
  const { pluginById } = useCatalog();
  const { act } = useActs();
  const { arrangement, nameOf } = useArrangement();
  const folder = arrangement.folders.find((one) => one.id === id);
  const only = pluginById.get(plugins[0] ?? '');
  if (!folder) {
    return null;
  }
  const what = plugins.length === 1 && only ? nameOf(only) : formTexts.thesePlugins(plugins.length);
  const keep = (): void => {
    act({
      act: 'keep-by-hand',
      folder: asId(id),
      plugins: plugins.map((one) => asId(one)),
      as: 'in',
    });
    onClose();
  };
  return (
    <Modal show onHide={onClose} animation={false} aria-labelledby="keep-title">
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="keep-title">
          {formTexts.fillsItselfByARule(folder.name)}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body>
        <p className="mb-1">{folder.rule && sayRule(folder.rule, arrangement.rules.words)}</p>
        <p className="text-soft mb-0">{formTexts.includeByHand(what)}</p>
      </Modal.Body>
      <KeepActs onClose={onClose} folder={folder} keep={keep} plugins={plugins} />
    </Modal>
  );
}

interface KeepActsProps {
  readonly onClose: () => void;
  readonly folder: Folder;
  readonly keep: () => void;
  readonly plugins: readonly string[];
}

function KeepActs({ onClose, folder, keep, plugins }: KeepActsProps) {
  const navigate = useNavigate();
  return (
    <Modal.Footer>
      <Button variant="bare" onClick={onClose}>
        {texts.cancel}
      </Button>
      <Button
        variant="quiet"
        onClick={() => {
          void navigate(`/rule/${folder.shortcutTo ?? folder.id}`);
        }}
      >
        {formTexts.changeTheRule}
      </Button>
      <Button autoFocus onClick={keep}>
        {formTexts.alwaysInclude(plugins.length)}
      </Button>
    </Modal.Footer>
  );
}
