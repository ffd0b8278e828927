/** Sort: what is truly uncertain, asked one card at a time or settled in a list. */
import { CheckCheck, Layers, List as ListIcon } from 'lucide-react';
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { FindingView } from '@clever-drawer/core/api';
import {
  questionVariants,
  type Question,
  type QuestionVariant,
  type TypeQuestion,
} from '@clever-drawer/core/identify';
import { useDialogsBehind } from '../annotate/behind.ts';
import { useCatalog } from '../studio/contexts.ts';
import { usePickerBehind } from '../ui/picker.tsx';
import { writeStored, readStored } from '../ui/keys.ts';
import { Progress } from '../ui/progress.tsx';
import { AllVendors } from './all-vendors.tsx';
import { BulkList } from './bulk-list.tsx';
import { CardStack } from './card-stack.tsx';
import { FailedList } from './failed-list.tsx';
import { SettleClear } from './settle-clear.tsx';
import './sort.css';
import { useAddress } from '../ui/use-address.ts';
import { useQuestions } from './use-questions.ts';
import * as texts from './texts.ts';

export function SortScreen() {
  useDialogsBehind();
  usePickerBehind();
  const { plugins } = useCatalog();
  const { questions, failed, total, settled, view, isReady } = useQuestions();
  const [params, changeAddress] = useAddress();
  // The way stands in the address too, so that a link and Ctrl+K lead there.
  const way = params.get('way') ?? readStored('sort-way', 'cards');
  const [isSettling, setSettling] = useState(false);
  const isListing = params.has('vendors');
  const setListing = (isNow: boolean): void => {
    changeAddress({ vendors: isNow ? 'yes' : null }, { replace: true });
  };
  const count = (sort: QuestionVariant): number =>
    sort === 'failed'
      ? failed.length
      : questions.filter((question) => question.variant === sort).length;
  const asked =
    questionVariants.find((sort) => sort === params.get('ask')) ??
    questionVariants.find((sort) => count(sort) > 0) ??
    'type';
  const those = questions.filter((question) => question.variant === asked);
  const clear = questions.flatMap((question) =>
    question.variant === 'type' && question.clear.length > 0 ? [question] : [],
  );
  const change = (next: string): void => {
    writeStored('sort-way', next);
    changeAddress({ way: next }, { replace: true });
  };
  if (!isReady) {
    return <main id="content" tabIndex={-1} aria-busy="true" />;
  }
  return (
    <main id="content" tabIndex={-1} className="sort-screen">
      <SortLeft
        questions={questions}
        failed={failed}
        asked={asked}
        onAsk={(sort) => {
          changeAddress({ ask: sort }, { replace: true });
        }}
        count={count}
        settled={settled}
        total={total}
        clear={clear}
        setSettling={setSettling}
        setListing={setListing}
        way={way}
        change={change}
      />
      <Asked
        sort={asked}
        questions={those}
        way={way}
        isEmpty={plugins.length === 0}
        vendors={view?.vendors ?? []}
        failed={failed}
      />
      {isListing && (
        <AllVendors
          vendors={view?.vendors ?? []}
          onClose={() => {
            setListing(false);
          }}
        />
      )}
      {isSettling && (
        <SettleClear
          questions={clear}
          onClose={() => {
            setSettling(false);
          }}
        />
      )}
    </main>
  );
}

interface SortLeftProps {
  readonly questions: readonly Question[];
  readonly failed: readonly FindingView[];
  readonly asked: 'failed' | 'type' | 'kind' | 'twin' | 'vendor' | 'licence';
  readonly onAsk: (sort: QuestionVariant) => void;
  readonly count: (sort: QuestionVariant) => number;
  readonly settled: number;
  readonly total: number;
  readonly clear: TypeQuestion[];
  readonly setSettling: React.Dispatch<React.SetStateAction<boolean>>;
  readonly setListing: (isNow: boolean) => void;
  readonly way: string;
  readonly change: (next: string) => void;
}

function SortLeft({
  questions,
  failed,
  asked,
  onAsk,
  count,
  settled,
  total,
  clear,
  setSettling,
  setListing,
  way,
  change,
}: SortLeftProps) {
  return (
    <section className="sort-left" aria-labelledby="sort-title">
      <h1 id="sort-title">
        {questions.length + failed.length === 0
          ? texts.nothingIsWaiting
          : texts.questionsWait(questions.length + failed.length)}
      </h1>
      <Asks asked={asked} onAsk={onAsk} count={count} />
      <Settled settled={settled} total={total} clear={clear} setSettling={setSettling} />
      <Button
        variant="bare"
        className="vendors-open"
        onClick={() => {
          setListing(true);
        }}
      >
        {texts.allVendorsAndTheirSpellings}
      </Button>
      <WayOfAnswering way={way} change={change} />
    </section>
  );
}

function WayOfAnswering({
  way,
  change,
}: {
  readonly way: string;
  readonly change: (next: string) => void;
}) {
  return (
    <div className="way" role="group" aria-label={texts.wayOfAnswering}>
      <button
        type="button"
        aria-pressed={way === 'cards'}
        onClick={() => {
          change('cards');
        }}
      >
        <Layers size={15} aria-hidden /> {texts.oneAtATime}
      </button>
      <button
        type="button"
        aria-pressed={way === 'list'}
        onClick={() => {
          change('list');
        }}
      >
        <ListIcon size={15} aria-hidden /> {texts.manyAtOnce}
      </button>
    </div>
  );
}

interface SettledProps {
  readonly settled: number;
  readonly total: number;
  readonly clear: TypeQuestion[];
  readonly setSettling: React.Dispatch<React.SetStateAction<boolean>>;
}

function Settled({ settled, total, clear, setSettling }: SettledProps) {
  return (
    <div className="settled">
      <p>{texts.ofPluginsSettled(settled, total)}</p>
      <Progress name={texts.pluginsSettled} now={settled} max={Math.max(1, total)} />
      {clear.length > 0 && (
        <>
          <p>{texts.typesHaveOneSureAnswer(clear.length)}</p>
          <Button
            variant="quiet"
            onClick={() => {
              setSettling(true);
            }}
          >
            <CheckCheck size={16} aria-hidden /> {texts.acceptTheSureAnswers}
          </Button>
        </>
      )}
    </div>
  );
}

interface AsksProps {
  readonly asked: 'type' | 'kind' | 'twin' | 'vendor' | 'licence' | 'failed';
  readonly onAsk: (sort: QuestionVariant) => void;
  readonly count: (sort: QuestionVariant) => number;
}

/** The kinds of questions, with how many wait. */
function Asks({ asked, onAsk, count }: AsksProps) {
  return (
    <ul className="asks">
      {questionVariants.map((sort) => (
        <li key={sort}>
          <button
            type="button"
            className={`ask ${sort === asked ? 'chosen' : ''}`}
            aria-current={sort === asked ? 'true' : undefined}
            onClick={() => {
              onAsk(sort);
            }}
          >
            <span className="hand">{texts.questionNames[sort][0]}</span>
            <span className="ask-count">{count(sort)}</span>
            <span className="ask-what">{texts.questionNames[sort][1]}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

interface AskedProps {
  readonly sort: QuestionVariant;
  readonly questions: readonly Question[];
  readonly way: string;
  readonly isEmpty: boolean;
  readonly vendors: Parameters<typeof CardStack>[0]['vendors'];
  readonly failed: Parameters<typeof FailedList>[0]['findings'];
}

function Asked({ sort, questions, way, isEmpty, vendors, failed }: AskedProps) {
  if (sort === 'failed' && failed.length > 0) {
    return <FailedList findings={failed} />;
  }
  if (questions.length === 0) {
    return (
      <div className="sort-empty empty">
        <h2>
          {isEmpty
            ? texts.noPluginsYet
            : texts.questionNames[sort][0].replace('?', texts.allAnswered)}
        </h2>
        <p>
          {isEmpty ? (
            <>
              {texts.questionsComeWithTheFirstScan} <Link to="/scan">{texts.goToScan}</Link>.
            </>
          ) : (
            texts.cleverDrawerAsksAgainOnly
          )}
        </p>
      </div>
    );
  }
  return way === 'list' ? (
    <BulkList key={sort} questions={questions} vendors={vendors} />
  ) : (
    <CardStack key={sort} questions={questions} vendors={vendors} />
  );
}
