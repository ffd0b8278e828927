/** What settling the clear ones would do, before it does it. */
import { useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { pluginsAsked, typeName, type TypeQuestion } from '@clever-drawer/core';
import { useActs, useArrangement } from '../studio/contexts.ts';

export function SettleClear({
  questions,
  onClose,
}: {
  questions: readonly TypeQuestion[];
  onClose: () => void;
}) {
  const { act } = useActs();
  const [left, setLeft] = useState<ReadonlySet<string>>(() => new Set());
  const taken = questions.filter((question) => !left.has(question.id));
  const toggle = (id: string): void => {
    setLeft((before) => {
      const next = new Set(before);
      if (!next.delete(id)) {
        next.add(id);
      }
      return next;
    });
  };
  const settle = (): void => {
    if (
      act({
        act: 'answer',
        say: taken.map((question) => ({
          plugins: pluginsAsked(question).map(({ id }) => id),
          set: { types: question.clear },
        })),
      })
    ) {
      onClose();
    }
  };
  return (
    <Modal
      show
      onHide={onClose}
      animation={false}
      scrollable
      size="lg"
      aria-labelledby="settle-title"
    >
      <Modal.Header closeButton>
        <Modal.Title as="h1" id="settle-title">
          Settle {questions.length} clear ones
        </Modal.Title>
      </Modal.Header>
      <ClearAnswers questions={questions} left={left} toggle={toggle} />
      <SettleActs onClose={onClose} taken={taken} settle={settle} />
    </Modal>
  );
}

interface SettleActsProps {
  readonly onClose: () => void;
  readonly taken: TypeQuestion[];
  readonly settle: () => void;
}

function SettleActs({ onClose, taken, settle }: SettleActsProps) {
  const count = taken.flatMap(pluginsAsked).length;
  return (
    <Modal.Footer>
      <Button variant="bare" onClick={onClose}>
        Cancel
      </Button>
      {taken.length > 0 && (
        <Button autoFocus onClick={settle}>
          Settle {count === 1 ? 'one plugin' : `${count} plugins`}
        </Button>
      )}
    </Modal.Footer>
  );
}

interface ClearAnswersProps {
  readonly questions: readonly TypeQuestion[];
  readonly left: ReadonlySet<string>;
  readonly toggle: (id: string) => void;
}

function ClearAnswers({ questions, left, toggle }: ClearAnswersProps) {
  const { nameOf } = useArrangement();
  return (
    <Modal.Body>
      <p className="text-soft">
        This is what would be said of each. Take out what you want to answer yourself; one undo
        takes all of it back.
      </p>
      <ul className="settle-rows">
        {questions.map((question) => (
          <li key={question.id}>
            <label>
              <input
                type="checkbox"
                className="form-check-input"
                checked={!left.has(question.id)}
                onChange={() => {
                  toggle(question.id);
                }}
              />{' '}
              <span className="name">{pluginsAsked(question).map(nameOf).join(', ')}</span>
            </label>
            <span>
              {question.clear.map(typeName).join(' and ')} ·{' '}
              {Math.round((question.suggestions[0]?.probability ?? 0) * 100)} %
            </span>
            <span className="text-soft">{question.suggestions[0]?.reasons[0]?.text}</span>
          </li>
        ))}
      </ul>
    </Modal.Body>
  );
}
