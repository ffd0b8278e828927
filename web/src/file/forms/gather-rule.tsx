/** From the plugins in the tray: the smallest rules that gather them, with what else each would take in. */
import { useMemo } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { useNavigate } from 'react-router';
import {
  CatalogIndex,
  gatherRules,
  printRule,
  sayRule,
  type Gathering,
  type Rule,
  type RuleWords,
} from '@clever-drawer/core/rules';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import * as formTexts from './texts.ts';

/** Rules offered, and names of other plugins told. */
const offered = 4;
const namesShown = 6;

export function GatherRule({
  plugins,
  onClose,
}: {
  plugins: readonly string[];
  onClose: () => void;
}) {
  const { arrangement } = useArrangement();
  const { candidates, where, words } = arrangement.rules;
  const found = useMemo(
    () => gatherRules(plugins, new CatalogIndex(candidates), where, offered),
    [plugins, candidates, where],
  );
  return <GatherDialog onClose={onClose} plugins={plugins} found={found} words={words} />;
}

interface GatherDialogProps {
  readonly onClose: () => void;
  readonly plugins: readonly string[];
  readonly found: Gathering[];
  readonly words: RuleWords;
}

function GatherDialog({ onClose, plugins, found, words }: GatherDialogProps) {
  return (
    <Modal
      show
      onHide={onClose}
      animation={false}
      size="lg"
      scrollable
      aria-labelledby="gather-title"
    >
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="gather-title">
          {formTexts.rulesThatGatherThese(plugins.length)}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body tabIndex={0}>
        {found.length === 0 && <p className="text-soft">{formTexts.theyHaveNothingInCommon}</p>}
        <GatheredRules found={found} words={words} />
      </Modal.Body>
      <Modal.Footer>
        <Button variant="bare" onClick={onClose}>
          {formTexts.closeRules}
        </Button>
      </Modal.Footer>
    </Modal>
  );
}

function GatheredRules({
  found,
  words,
}: {
  readonly found: Gathering[];
  readonly words: RuleWords;
}) {
  return (
    <ul className="suggestions">
      {found.map(({ rule, others }) => (
        <GatheredRule key={printRule(rule, words)} rule={rule} words={words} others={others} />
      ))}
    </ul>
  );
}

interface GatheredRuleProps {
  readonly rule: Rule;
  readonly words: RuleWords;
  readonly others: readonly string[];
}

function GatheredRule({ rule, words, others }: GatheredRuleProps) {
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  const navigate = useNavigate();
  return (
    <li>
      <span>
        <strong>{sayRule(rule, words)}</strong>
        <span className="text-soft visually-quiet d-block">
          {others.length === 0
            ? formTexts.matchesNothingElse
            : formTexts.matchesMore(
                others.length,
                others
                  .slice(0, namesShown)
                  .map((id) => {
                    const plugin = pluginById.get(id);
                    return plugin ? nameOf(plugin) : '';
                  })
                  .join(', '),
                others.length > namesShown ? ' …' : '',
              )}
        </span>
      </span>
      <Button
        size="sm"
        variant="quiet"
        onClick={() => {
          void navigate(`/rule/new?text=${encodeURIComponent(printRule(rule, words))}`);
        }}
      >
        {formTexts.startWithThis}
      </Button>
    </li>
  );
}
