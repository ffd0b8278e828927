/** The latest changes in words, and going back to any point among them: an undo for each. */
import { useQuery, type UseQueryResult } from '@tanstack/react-query';
import { Button, Modal } from 'react-bootstrap';
import type { ChangeView } from '@clever-drawer/core/api';
import { useActs, useComputer, useOrder } from '../studio/contexts.ts';
import type { OwnAct } from '../studio/own-acts.ts';
import { useOwnHistory } from '../studio/use-next-step.ts';
import { sayTime } from '../ui/time-words.ts';
import * as texts from './texts.ts';

export function LatestChanges({ onClose }: { onClose: () => void }) {
  const { client } = useComputer();
  const { order } = useOrder();
  const { step } = useActs();
  const changes = useQuery({
    queryKey: ['changes', client.computer, order.revision],
    queryFn: client.changes,
    placeholderData: (before: ChangeView[] | undefined) => before,
  });
  const { done: own } = useOwnHistory();
  const beside = own.filter((one) => one.beside).toReversed();
  // What was done beside the order behind its latest change goes first.
  const before = own.length - 1 - own.findLastIndex((one) => !one.beside);
  const list = changes.data ?? [];
  const done = list.filter((change) => change.state === 'done');
  const undone = list.filter((change) => change.state === 'undone');
  const times = (count: number, direction: 'undo' | 'redo'): void => {
    for (let i = 0; i < count; i += 1) {
      step(direction);
    }
  };
  const row = (change: ChangeView) => {
    const back = done.findIndex((one) => one.number === change.number) + 1;
    const again = undone.length - undone.findIndex((one) => one.number === change.number);
    return (
      <ChangeRow
        key={change.number}
        change={change}
        times={times}
        back={back + before}
        again={again}
      />
    );
  };
  return (
    <ChangesDialog onClose={onClose} list={list} changes={changes} row={row} beside={beside} />
  );
}

interface ChangesDialogProps {
  readonly onClose: () => void;
  readonly list: ChangeView[];
  readonly changes: UseQueryResult<ChangeView[]>;
  readonly row: (change: ChangeView) => React.JSX.Element;
  /** What was done in this window beside the order, the latest first. */
  readonly beside: readonly OwnAct[];
}

function ChangesDialog({ onClose, list, changes, row, beside }: ChangesDialogProps) {
  const { step } = useActs();
  return (
    <Modal
      show
      onHide={onClose}
      animation={false}
      size="lg"
      scrollable
      aria-labelledby="changes-title"
    >
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="changes-title">
          {texts.latestChanges}
        </Modal.Title>
      </Modal.Header>
      <Modal.Body tabIndex={0}>
        {beside.length > 0 && (
          <>
            <h2 className="changes-of">{texts.placesAndSlots}</h2>
            <ul className="changes">
              {beside.map(({ words }, at) => (
                <li key={beside.length - at}>
                  <span>{words}</span>
                  {at === 0 && (
                    <Button
                      variant="quiet"
                      size="sm"
                      onClick={() => {
                        step('undo');
                      }}
                    >
                      {texts.undo}
                    </Button>
                  )}
                </li>
              ))}
            </ul>
            <h2 className="changes-of">{texts.theOrder}</h2>
          </>
        )}
        {list.length === 0 && changes.data && (
          <p className="text-soft">{texts.noChangesYetEverythingYou}</p>
        )}
        <ul className="changes">{list.map(row)}</ul>
      </Modal.Body>
    </Modal>
  );
}

interface ChangeRowProps {
  readonly change: ChangeView;
  readonly times: (count: number, direction: 'undo' | 'redo') => void;
  readonly back: number;
  readonly again: number;
}

function ChangeRow({ change, times, back, again }: ChangeRowProps) {
  return (
    <li className={change.state}>
      <span>{change.words}</span>
      <span className="text-soft">{sayTime(change.at)}</span>
      {change.state === 'done' && (
        <Button
          variant="bare"
          size="sm"
          onClick={() => {
            times(back, 'undo');
          }}
        >
          {texts.undoThese(back)}
        </Button>
      )}
      {change.state === 'undone' && (
        <Button
          variant="bare"
          size="sm"
          onClick={() => {
            times(again, 'redo');
          }}
        >
          {texts.redoThese(again)}
        </Button>
      )}
      {change.state === 'discarded' && <span className="text-soft">{texts.undone}</span>}
    </li>
  );
}
