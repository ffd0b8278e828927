/** One question at a time: best answer first, number keys, several types at once, later, and why. */
import { useEffect, useMemo, useRef, useState } from 'react';
import { Button } from 'react-bootstrap';
import { whichIsUnknown } from '@clever-drawer/core/catalog';
import { pluginsAsked, type Question, type Vendor } from '@clever-drawer/core/identify';
import { groupOf, typeName } from '@clever-drawer/core/taxonomy';
import { useActs, useWaiting } from '../studio/contexts.ts';
import { annotateAct } from '../annotate/annotate.ts';
import { TypesPicker } from '../annotate/behind.ts';
import { VendorPicker } from '../annotate/vendor-picker.tsx';
import { isDialogOpen, isTyping, useKeys } from '../ui/keys.ts';
import { KeysHint } from '../ui/keys-hint.tsx';
import { idsOf, isLikely, optionsOf, typesAct, type Option } from './model/options.ts';
import { NeighboursOf } from './neighbours.tsx';
import { QuestionHead } from './question-head.tsx';
import { Reasons, UpNext } from './why.tsx';
import * as texts from './texts.ts';

interface Props {
  readonly questions: readonly Question[];
  readonly vendors: readonly Vendor[];
}

export function CardStack({ questions, vendors }: Props) {
  const { later, putOff } = useWaiting();
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
          ? texts.putOffBeforeLeft(questions.length)
          : texts.leftToAnswer(
              waiting,
              waiting < questions.length ? texts.putOff(questions.length - waiting) : '',
            )
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
  // A mere guess is not highlighted, so that Enter doesn't accept it.
  const [at, setAt] = useState(() => (options[0] && isLikely(options[0]) ? 0 : -1));
  const [isSearching, setSearching] = useState(false);
  const active = options[at];
  const shown = active ?? options[0];
  const take = (option: Option | undefined): void => {
    if (chosen.size > 0 && question.variant === 'type') {
      act(typesAct(question, [...chosen]));
    } else if (option) {
      act(option.act);
    }
  };
  const toggle = (option: Option | undefined): void => {
    const { type } = option ?? {};
    if (type !== undefined) {
      setChosen((before) => toggled(before, type));
    }
  };
  const digits = Object.fromEntries(
    options.map((option, i) => [
      String(i + 1),
      () => (chosen.size > 0 ? toggle(option) : void act(option.act)),
    ]),
  );
  const canSearch =
    question.variant === 'type' || (question.variant === 'vendor' && question.plugin !== null);
  useKeys({
    ...digits,
    Enter: () => {
      take(active);
    },
    ArrowDown: () => {
      setAt((n) => Math.min(options.length - 1, n + 1));
    },
    ArrowUp: () => {
      setAt((n) => (n < 0 ? options.length - 1 : Math.max(0, n - 1)));
    },
    Space: () => {
      toggle(shown);
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
        act(annotateAct(idsOf(question), { isHidden: true }));
      }
    },
  });
  return (
    <>
      <Middle
        question={question}
        place={place}
        options={options}
        at={at}
        chosen={chosen}
        toggle={toggle}
        setAt={setAt}
        canSearch={canSearch}
        setSearching={setSearching}
        take={take}
        active={active}
        shown={shown}
      />
      <Beside question={question} active={shown} next={next} />
      {isSearching && (
        <Searching
          question={question}
          chosen={chosen}
          vendors={vendors}
          onClose={() => {
            setSearching(false);
          }}
        />
      )}
    </>
  );
}

function Middle(props: QuestionCardProps) {
  const { question, options, active, chosen, shown } = props;
  const section = useRef<HTMLElement>(null);
  useEffect(() => {
    // Keys mean the question as soon as it is there, also after a press in the list of questions.
    if (!isDialogOpen() && !isTyping(document.activeElement)) {
      section.current?.focus({ preventScroll: true });
    }
  }, []);
  return (
    <section ref={section} className="sort-middle" aria-label={texts.question} tabIndex={-1}>
      <QuestionCard {...props} />
      <KeysHint
        keys={[
          ['Enter', enterWords(options.length, active !== undefined || chosen.size > 0)],
          ...(question.variant === 'type' ? [['Space', texts.severalTypes] as const] : []),
          ['L', texts.later],
          ...(question.plugin ? [['H', texts.hideInLoad] as const] : []),
          ['Ctrl Z', texts.undo],
        ]}
      />
      {shown?.type !== undefined && <NeighboursOf question={question} type={shown.type} />}
    </section>
  );
}

interface QuestionCardProps {
  readonly question: Question;
  readonly place: string;
  readonly options: Option[];
  readonly at: number;
  readonly chosen: ReadonlySet<string>;
  readonly toggle: (option: Option | undefined) => void;
  readonly setAt: React.Dispatch<React.SetStateAction<number>>;
  readonly canSearch: boolean;
  readonly setSearching: React.Dispatch<React.SetStateAction<boolean>>;
  readonly take: (option: Option | undefined) => void;
  readonly active: Option | undefined;
  /** The highlighted answer, else the first. */
  readonly shown: Option | undefined;
}

function enterWords(options: number, canAccept: boolean): string {
  if (canAccept) {
    return texts.acceptTheHighlightedAnswer;
  }
  return options > 0 ? texts.noLikelyAnswer : texts.noAnswerToAccept;
}

function QuestionCard({
  question,
  place,
  options,
  at,
  chosen,
  toggle,
  setAt,
  canSearch,
  setSearching,
  take,
  active,
}: QuestionCardProps) {
  const { act } = useActs();
  return (
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
      {canSearch && <OtherAnswer setSearching={setSearching} question={question} />}
      {chosen.size > 0 && (
        <Button
          className="take-several"
          onClick={() => {
            take(active);
          }}
        >
          {texts.itIs([...chosen].map(typeName).join(' and '))} <kbd>Enter</kbd>
        </Button>
      )}
    </div>
  );
}

function OtherAnswer({
  setSearching,
  question,
}: {
  readonly setSearching: React.Dispatch<React.SetStateAction<boolean>>;
  readonly question: Question;
}) {
  return (
    <button
      type="button"
      className="option-row other"
      onClick={() => {
        setSearching(true);
      }}
    >
      <kbd>/</kbd>{' '}
      <span>{question.variant === 'type' ? texts.anotherType : texts.chooseAnotherVendor}</span>
    </button>
  );
}

interface BesideProps {
  readonly question: Question;
  readonly active: Option | undefined;
  readonly next: readonly Question[];
}

/** Why the marked answer, and what comes next. */
function Beside({ question, active, next }: BesideProps) {
  return (
    <aside className="sort-right">
      <Reasons
        title={
          question.variant === 'type' || question.variant === 'kind'
            ? texts.why(active?.text ?? texts.nothing)
            : texts.whyItIsAsked
        }
        reasons={active?.reasons ?? []}
        isWeighed={question.variant !== 'vendor' && question.variant !== 'licence'}
      />
      <UpNext questions={next} />
    </aside>
  );
}

function toggled(before: ReadonlySet<string>, type: string): ReadonlySet<string> {
  const after = new Set(before);
  if (!after.delete(type)) {
    after.add(type);
  }
  return after;
}

interface SearchingProps {
  readonly question: Question;
  readonly chosen: ReadonlySet<string>;
  readonly vendors: readonly Vendor[];
  readonly onClose: () => void;
}

/** Another answer than those offered, found by letters. */
function Searching({ question, chosen, vendors, onClose }: SearchingProps) {
  const { act } = useActs();
  if (question.variant === 'type') {
    return (
      <TypesPicker
        title={
          question.others.length === 0
            ? texts.whatDoesDo(question.plugin.name)
            : texts.whatDoTheseDo(question.others.length + 1)
        }
        onTake={(type) => {
          act(typesAct(question, type === null ? [...chosen] : [...chosen, type]));
        }}
        onClose={onClose}
      />
    );
  }
  const plugins = pluginsAsked(question);
  const [plugin] = plugins;
  return plugin ? (
    <VendorPicker
      title={texts.whoseIsItOrAreThese(plugins.length, plugin.name)}
      vendors={vendors}
      onTake={(vendor) => {
        act(annotateAct(idsOf(question), { vendor }));
      }}
      onClose={onClose}
    />
  ) : null;
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
  const count = pluginsAsked(question).length;
  const isOne = count === 1;
  const asks = {
    type: isOne ? texts.whatDoesItDo : texts.whatDoTheseDo(count),
    kind: isOne ? texts.whatIsIt : texts.whatAreThese(count),
    twin: count === 2 ? texts.onePluginOrTwo : texts.areTheseOnePlugin(count),
    vendor: vendorAsk(count),
    licence: isOne ? texts.canItBeUsed : texts.canYouUseThese(count),
  }[question.variant];
  return (
    <>
      <h2 id="asks">{asks}</h2>
      {options.length === 0 && question.variant === 'type' && (
        <p className="text-soft">{whichIsUnknown(question.plugin.kind)}</p>
      )}
      <ul className="options" aria-labelledby="asks">
        {options.map((option, i) => (
          <OptionRow
            key={option.id}
            i={i}
            at={at}
            chosen={chosen}
            option={option}
            onTake={onTake}
            onAim={onAim}
            onToggle={onToggle}
          />
        ))}
      </ul>
    </>
  );
}

function vendorAsk(count: number): string {
  if (count === 0) {
    return texts.oneVendorOrTwo;
  }
  return count === 1 ? texts.whoMakesIt : texts.whoMakesThese(count);
}

interface OptionRowProps {
  readonly i: number;
  readonly at: number;
  readonly chosen: ReadonlySet<string>;
  readonly option: Option;
  readonly onTake: (option: Option) => void;
  readonly onAim: (at: number) => void;
  readonly onToggle: (option: Option) => void;
}

function OptionRow({ i, at, chosen, option, onTake, onAim, onToggle }: OptionRowProps) {
  return (
    <li>
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
  );
}
