/** One question at a time: best answer first, number keys, several types at once, later, and why. */
import { useMemo, useState } from 'react';
import { Button } from 'react-bootstrap';
import { groupOf, typeName, type Question, type Vendor } from '@clever-drawer/core';
import { useActs } from '../studio/contexts.ts';
import { sayAct } from '../annotate/annotate.ts';
import { TypesPicker } from '../annotate/types-picker.tsx';
import { VendorPicker } from '../annotate/vendor-picker.tsx';
import { useKeys } from '../ui/keys.ts';
import { KeysHint } from '../ui/keys-hint.tsx';
import { useLater } from './later.ts';
import { optionsOf, typesAct, type Option } from './model/options.ts';
import { QuestionHead } from './question-head.tsx';
import { Reasons, UpNext } from './why.tsx';

interface Props {
  readonly questions: readonly Question[];
  readonly vendors: readonly Vendor[];
}

export function CardStack({ questions, vendors }: Props) {
  const { later, putOff } = useLater();
  const ordered = useMemo(
    () => [
      ...questions.filter((q) => !later.has(q.id)),
      ...questions.filter((q) => later.has(q.id)),
    ],
    [questions, later],
  );
  const question = ordered[0];
  const waiting = questions.filter((q) => !later.has(q.id)).length;
  if (!question) {
    return null;
  }
  return (
    <Card
      key={question.id}
      question={question}
      next={ordered.slice(1, 7)}
      place={
        waiting === 0
          ? `put off before · ${questions.length} left`
          : `${waiting} to answer${waiting < questions.length ? ` · ${questions.length - waiting} put off` : ''}`
      }
      vendors={vendors}
      onLater={() => {
        putOff(question.id);
      }}
    />
  );
}

interface CardProps {
  readonly question: Question;
  readonly next: readonly Question[];
  readonly place: string;
  readonly vendors: readonly Vendor[];
  readonly onLater: () => void;
}

function Card({ question, next, place, vendors, onLater }: CardProps) {
  const { act } = useActs();
  const options = useMemo(() => optionsOf(question), [question]);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(() => new Set());
  const [at, setAt] = useState(0);
  const [isSearching, setSearching] = useState(false);
  const active = options[at] ?? options[0];
  const take = (option: Option | undefined): void => {
    if (chosen.size > 0 && question.sort === 'type') {
      act(typesAct(question.plugin.id, [...chosen]));
    } else if (option) {
      act(option.act);
    }
  };
  const toggle = (option: Option | undefined): void => {
    const { type } = option ?? {};
    if (type !== undefined) {
      setChosen((before) => {
        const after = new Set(before);
        if (!after.delete(type)) {
          after.add(type);
        }
        return after;
      });
    }
  };
  const digits = Object.fromEntries(
    options.map((option, i) => [
      String(i + 1),
      () => {
        if (chosen.size > 0) {
          toggle(option);
        } else {
          act(option.act);
        }
      },
    ]),
  );
  const canSearch =
    question.sort === 'type' || (question.sort === 'vendor' && question.plugin !== null);
  useKeys({
    ...digits,
    Enter: () => {
      take(active);
    },
    ArrowDown: () => {
      setAt((n) => Math.min(options.length - 1, n + 1));
    },
    ArrowUp: () => {
      setAt((n) => Math.max(0, n - 1));
    },
    Space: () => {
      toggle(active);
    },
    ArrowRight: onLater,
    L: onLater,
    '/': () => {
      if (canSearch) {
        setSearching(true);
      }
    },
    H: () => {
      if (question.plugin) {
        act(sayAct([question.plugin.id], { isHidden: true }));
      }
    },
  });
  return (
    <>
      <section className="sort-middle" aria-label="Question">
        <div className="question-card">
          <QuestionHead question={question} place={place} />
          <Options
            question={question}
            options={options}
            at={at}
            chosen={chosen}
            onTake={(option) => {
              if (chosen.size > 0) {
                toggle(option);
              } else {
                act(option.act);
              }
            }}
            onAim={setAt}
            onToggle={toggle}
          />
          {canSearch && (
            <button
              type="button"
              className="option-row other"
              onClick={() => {
                setSearching(true);
              }}
            >
              <kbd>/</kbd>{' '}
              <span>{question.sort === 'type' ? 'Another type …' : 'Another vendor …'}</span>
            </button>
          )}
          {chosen.size > 0 && (
            <Button
              className="take-several"
              onClick={() => {
                take(active);
              }}
            >
              It is {[...chosen].map(typeName).join(' and ')} <kbd>Enter</kbd>
            </Button>
          )}
        </div>
        <KeysHint
          keys={[
            ['Enter', options.length > 0 ? 'take the marked answer' : 'nothing to take'],
            ...(question.sort === 'type' ? [['Space', 'it does several'] as const] : []),
            ['L', 'later'],
            ...(question.plugin ? [['H', 'hide from loading'] as const] : []),
            ['Ctrl Z', 'undo'],
          ]}
        />
      </section>
      <aside className="sort-right">
        <Reasons
          title={
            question.sort === 'type' || question.sort === 'kind'
              ? `Why ${active?.text ?? 'nothing'}?`
              : 'Why it is asked'
          }
          reasons={active?.reasons ?? []}
        />
        <UpNext questions={next} />
      </aside>
      {isSearching && question.sort === 'type' && (
        <TypesPicker
          title={`What does ${question.plugin.name} do?`}
          onTake={(type) => {
            act(typesAct(question.plugin.id, type === null ? [...chosen] : [...chosen, type]));
          }}
          onClose={() => {
            setSearching(false);
          }}
        />
      )}
      {isSearching && question.sort === 'vendor' && question.plugin && (
        <VendorPicker
          title={`Whose is ${question.plugin.name}?`}
          vendors={vendors}
          onTake={(vendor) => {
            if (question.plugin) {
              act(sayAct([question.plugin.id], { vendor }));
            }
          }}
          onClose={() => {
            setSearching(false);
          }}
        />
      )}
    </>
  );
}

interface OptionsProps {
  readonly question: Question;
  readonly options: readonly Option[];
  readonly at: number;
  readonly chosen: ReadonlySet<string>;
  readonly onTake: (option: Option) => void;
  readonly onAim: (at: number) => void;
  readonly onToggle: (option: Option) => void;
}

function Options({ question, options, at, chosen, onTake, onAim, onToggle }: OptionsProps) {
  const asks = {
    type: 'What does it do?',
    kind: 'What is it?',
    twin: 'One plugin or two?',
    vendor: question.plugin ? 'Whose is it?' : 'One vendor or two?',
    licence: 'Can you use it?',
  }[question.sort];
  return (
    <>
      <h2 id="asks">{asks}</h2>
      {options.length === 0 && (
        <p className="text-soft">
          {question.sort === 'type' ? 'Nothing speaks for any type.' : 'Nothing tells whose it is.'}
        </p>
      )}
      <ul className="options" aria-labelledby="asks">
        {options.map((option, i) => (
          <li key={option.id}>
            <button
              type="button"
              className={`option-row ${i === at ? 'aimed' : ''} ${chosen.has(option.type ?? '') ? 'chosen' : ''}`}
              aria-pressed={option.type === undefined ? undefined : chosen.has(option.type)}
              onClick={() => {
                onTake(option);
              }}
              onFocus={() => {
                onAim(i);
              }}
              onKeyDown={(event) => {
                if (event.key === ' ' && option.type !== undefined) {
                  event.preventDefault();
                  onToggle(option);
                }
              }}
              onMouseEnter={() => {
                onAim(i);
              }}
            >
              <kbd>{i + 1}</kbd>{' '}
              <span className="option-text">
                {option.text}
                {option.type?.includes('/') && (
                  <span className="option-group">{typeName(groupOf(option.type))}</span>
                )}
              </span>
              {option.probability !== null && (
                <>
                  <span className="likely" aria-hidden>
                    <span style={{ width: `${option.probability * 100}%` }} />
                  </span>
                  <span className="percent">{Math.round(option.probability * 100)} %</span>
                </>
              )}
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}
