/** What settling the clear ones would do, before it does it. */
import { useState } from 'react';
import { Button, Modal } from 'react-bootstrap';
import { grouped } from '@clever-drawer/core/grouped';
import { pluginsAsked, type TypeQuestion } from '@clever-drawer/core/identify';
import { groupOf, typeName } from '@clever-drawer/core/taxonomy';
import { useActs, useArrangement } from '../studio/contexts.ts';
import * as texts from './texts.ts';

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
  const take = (asked: readonly TypeQuestion[], isTaken: boolean): void => {
    setLeft((before) => {
      const ids = new Set(asked.map(({ id }) => id));
      const others = [...before].filter((id) => !ids.has(id));
      return new Set(isTaken ? others : [...others, ...ids]);
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
          {texts.acceptSureAnswers(questions.length)}
        </Modal.Title>
      </Modal.Header>
      <ClearAnswers questions={questions} left={left} take={take} />
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
        {texts.cancel}
      </Button>
      {taken.length > 0 && (
        <Button autoFocus onClick={settle}>
          {texts.acceptFor(count)}
        </Button>
      )}
    </Modal.Footer>
  );
}

interface ClearAnswersProps {
  readonly questions: readonly TypeQuestion[];
  readonly left: ReadonlySet<string>;
  readonly take: (asked: readonly TypeQuestion[], isTaken: boolean) => void;
}

/** By group of types, the largest first, those whose names begin alike in the order they are asked. */
function byGroup(questions: readonly TypeQuestion[]): [group: string, TypeQuestion[]][] {
  const groups = grouped(
    questions.map((question) => [groupOf(question.clear[0] ?? ''), question] as const),
  );
  return [...groups].sort(([, a], [, b]) => b.length - a.length);
}

function ClearAnswers({ questions, left, take }: ClearAnswersProps) {
  return (
    <Modal.Body>
      <p className="text-soft">{texts.theseAnswersWillBeApplied}</p>
      {byGroup(questions).map(([group, asked]) => (
        <ClearGroup key={group} group={group} questions={asked} left={left} take={take} />
      ))}
    </Modal.Body>
  );
}

/** What would be put in one group of types: taken or left as a whole, or one by one. */
function ClearGroup({ group, questions, left, take }: ClearAnswersProps & { group: string }) {
  const { nameOf } = useArrangement();
  const taken = questions.filter(({ id }) => !left.has(id));
  return (
    <section aria-label={typeName(group)}>
      <label className="settle-group">
        <input
          type="checkbox"
          className="form-check-input"
          checked={taken.length === questions.length}
          onChange={() => {
            take(questions, taken.length < questions.length);
          }}
        />{' '}
        <strong>{typeName(group)}</strong>
        <span className="text-soft">
          {texts.countOfQuestions(
            taken.flatMap(pluginsAsked).length,
            questions.flatMap(pluginsAsked).length,
          )}
        </span>
      </label>
      <ul className="settle-rows">
        {questions.map((question) => (
          <li key={question.id}>
            <label>
              <input
                type="checkbox"
                className="form-check-input"
                checked={!left.has(question.id)}
                onChange={() => {
                  take([question], left.has(question.id));
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
    </section>
  );
}
