/** The questions of one kind as a list: select rows, then one answer for all, or each its own best. */
import { Check } from 'lucide-react';
import { useEffect, useRef, useState, type KeyboardEvent, type MouseEvent } from 'react';
import { Button } from 'react-bootstrap';
import type { Act } from '@clever-drawer/core/acts';
import type { Question, Vendor } from '@clever-drawer/core/identify';
import { annotateAct, typeAct } from '../annotate/annotate.ts';
import { TypesPicker } from '../annotate/behind.ts';
import { VendorPicker } from '../annotate/vendor-picker.tsx';
import { useActs } from '../studio/contexts.ts';
import { runCommand, type Command } from '../ui/commands.ts';
import { chord } from '../ui/keys.ts';
import { KeysHint } from '../ui/keys-hint.tsx';
import { useLinesInView } from '../ui/lines-in-view.ts';
import { likelyAnswers, canPick, inShort, sameFor } from './model/bulk-answers.ts';
import { idsOf } from './model/options.ts';
import { useSelection, type Selection } from '../ui/use-selection.ts';
import { useTitle } from './use-title.ts';
import * as texts from './texts.ts';

interface Props {
  readonly questions: readonly Question[];
  readonly vendors: readonly Vendor[];
}

export function BulkList({ questions, vendors }: Props) {
  const { act } = useActs();
  const selection = useSelection(questions.map((question) => question.id));
  const [isPicking, setPicking] = useState(false);
  const selected = questions.filter((question) => selection.ids.has(question.id));
  const plugins = selected.flatMap(idsOf);
  const sort = questions[0]?.variant ?? 'type';
  const isPickable = plugins.length > 0 && canPick(sort);
  const settle = (wanted: Act | null): void => {
    if (wanted && act(wanted)) {
      selection.clear();
    }
  };
  const pick = (): void => {
    setPicking(true);
  };
  return (
    <section className="bulk" aria-label={texts.manyAtOnce}>
      <Answers
        count={questions.length}
        selected={selected}
        plugins={plugins}
        onSettle={settle}
        onPick={isPickable ? pick : null}
      />
      <Rows
        questions={questions}
        selection={selection}
        commands={[
          { keys: ['Enter'], run: () => settle(likelyAnswers(selected)?.act ?? null) },
          { keys: ['T'], when: () => isPickable, run: pick },
        ]}
      />
      <KeysHint keys={texts.bulkKeys} />
      {isPicking && (
        <OneForAll
          sort={sort}
          plugins={plugins}
          vendors={vendors}
          onSettle={settle}
          onClose={() => {
            setPicking(false);
          }}
        />
      )}
    </section>
  );
}

interface AnswersProps {
  readonly count: number;
  readonly selected: readonly Question[];
  readonly plugins: readonly string[];
  readonly onSettle: (act: Act | null) => void;
  /** Null where one answer for all makes no sense. */
  readonly onPick: (() => void) | null;
}

/** What can be answered for what is selected. */
function Answers({ count, selected, plugins, onSettle, onPick }: AnswersProps) {
  const likely = likelyAnswers(selected);
  const sort = selected[0]?.variant ?? 'type';
  return (
    <div className="bulk-acts">
      <span role="status">
        {selected.length === 0 ? texts.toAnswer(count) : texts.ofSelected(selected.length, count)}
      </span>
      {likely && (
        <Button
          onClick={() => {
            onSettle(likely.act);
          }}
        >
          {texts.acceptTheLikelyAnswers(likely.count, selected.length)} <kbd>Enter</kbd>
        </Button>
      )}
      {selected.length > 0 && !likely && canPick(sort) && (
        <span className="text-soft">{texts.onlyGuesses}</span>
      )}
      {onPick && (
        <Button variant="quiet" onClick={onPick}>
          {texts.oneAnswerForAll} <kbd>T</kbd>
        </Button>
      )}
      {plugins.length > 0 &&
        sameFor(sort).map(({ text, set }) => (
          <Button
            key={text}
            variant="quiet"
            onClick={() => {
              onSettle(annotateAct(plugins, set));
            }}
          >
            {text}
          </Button>
        ))}
    </div>
  );
}

const rowHeight = 44;

interface RowsProps {
  readonly questions: readonly Question[];
  readonly selection: Selection;
  /** What keys do beside moving and selecting. */
  readonly commands: readonly Command[];
}

function Rows({ questions, selection, commands }: RowsProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useLinesInView({
    count: questions.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
  });
  useEffect(() => {
    scroller.current?.focus({ preventScroll: true });
  }, []);
  const move = (by: number, isRun = false): void => {
    rows.scrollToIndex(selection.move(by, isRun));
  };
  const table: readonly Command[] = [
    { keys: ['ArrowDown'], run: () => move(1) },
    { keys: ['ArrowUp'], run: () => move(-1) },
    { keys: ['Shift+ArrowDown'], run: () => move(1, true) },
    { keys: ['Shift+ArrowUp'], run: () => move(-1, true) },
    { keys: ['Space'], run: selection.toggleActive },
    { keys: ['Ctrl+A'], run: selection.all },
    { keys: ['Escape'], run: selection.clear },
    ...commands,
  ];
  return (
    <div
      ref={scroller}
      className="bulk-rows"
      tabIndex={0}
      role="listbox"
      aria-multiselectable
      aria-label={texts.questions}
      aria-activedescendant={selection.active === null ? undefined : rowId(selection.active)}
      onKeyDown={(event: KeyboardEvent) => {
        runCommand(table, chord(event), event);
      }}
    >
      <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
        {rows.getVirtualItems().map(({ index, start }) => {
          const question = questions[index];
          return (
            question && (
              <Row key={question.id} question={question} selection={selection} top={start} />
            )
          );
        })}
      </div>
    </div>
  );
}

interface RowProps {
  readonly question: Question;
  readonly selection: Selection;
  /** Pixels from the top of the list. */
  readonly top: number;
}

function Row({ question, selection, top }: RowProps) {
  const { name, beside } = useTitle()(question);
  const isSelected = selection.ids.has(question.id);
  const isActive = selection.active === question.id;
  const { text, why } = inShort(question);
  return (
    <div
      id={rowId(question.id)}
      role="option"
      aria-selected={isSelected}
      data-testid="ask-row"
      className={`bulk-row ${isSelected ? 'selected' : ''} ${isActive ? 'active' : ''}`}
      style={{ transform: `translateY(${top}px)` }}
      onClick={(event: MouseEvent) => {
        selection.press(question.id, event.shiftKey, event.ctrlKey || event.metaKey);
      }}
    >
      <span className={`tick ${isSelected ? 'on' : ''}`}>
        {isSelected && <Check size={13} aria-hidden />}
      </span>
      <span className="names">
        <span className="name">{name}</span>
        <span className="vendor">{beside}</span>
      </span>
      <span>{text}</span>
      <span className="text-soft bulk-why">{why}</span>
    </div>
  );
}

interface OneForAllProps {
  readonly sort: Question['variant'];
  readonly plugins: readonly string[];
  readonly vendors: readonly Vendor[];
  readonly onSettle: (act: Act) => void;
  readonly onClose: () => void;
}

function OneForAll({ sort, plugins, vendors, onSettle, onClose }: OneForAllProps) {
  if (sort === 'type') {
    return (
      <TypesPicker
        title={texts.whatDoTheseDo(plugins.length)}
        onTake={(type) => {
          onSettle(typeAct(plugins, type));
        }}
        onClose={onClose}
      />
    );
  }
  return (
    <VendorPicker
      title={texts.whoMakesThese(plugins.length)}
      vendors={vendors}
      onTake={(vendor) => {
        onSettle(annotateAct(plugins, { vendor }));
      }}
      onClose={onClose}
    />
  );
}

/** Ids of elements hold no spaces. */
const rowId = (id: string): string => `ask-${id.replace(/[^\w-]+/g, '-')}`;
