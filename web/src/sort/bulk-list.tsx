/** The questions of one sort as a list: select rows, then one answer for all, or each its own best. */
import { Check } from 'lucide-react';
import { useVirtualizer } from '@tanstack/react-virtual';
import { useRef, useState, type KeyboardEvent, type MouseEvent } from 'react';
import { Button } from 'react-bootstrap';
import {
  asId,
  typeName,
  type Act,
  type AnswerFacts,
  type Question,
  type Said,
  type Vendor,
} from '@clever-drawer/core';
import { useActs } from '../studio/contexts.ts';
import { sayAct } from '../annotate/annotate.ts';
import { TypesPicker } from '../annotate/types-picker.tsx';
import { VendorPicker } from '../annotate/vendor-picker.tsx';
import { chord } from '../ui/keys.ts';
import { KeysHint } from '../ui/keys-hint.tsx';
import { optionsOf } from './model/options.ts';
import { useTitle } from './use-title.ts';
import { useSelection } from './use-selection.ts';

interface Props {
  readonly questions: readonly Question[];
  readonly vendors: readonly Vendor[];
}

const rowHeight = 44;

export function BulkList({ questions, vendors }: Props) {
  const { act } = useActs();
  const titleOf = useTitle();
  const selection = useSelection(questions.map((question) => question.id));
  const [picking, setPicking] = useState(false);
  const scroller = useRef<HTMLDivElement>(null);
  const rows = useVirtualizer({
    count: questions.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => rowHeight,
    overscan: 8,
  });
  const selected = questions.filter((question) => selection.ids.has(question.id));
  const plugins = selected.flatMap((question) =>
    question.plugin ? [question.plugin.id as string] : [],
  );
  const sort = questions[0]?.sort ?? 'type';
  const settle = (wanted: Act | null): void => {
    if (wanted && act(wanted)) {
      selection.clear();
    }
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    const keys: Record<string, () => void> = {
      ArrowDown: () => {
        rows.scrollToIndex(selection.move(1));
      },
      ArrowUp: () => {
        rows.scrollToIndex(selection.move(-1));
      },
      'Shift+ArrowDown': () => {
        rows.scrollToIndex(selection.move(1, true));
      },
      'Shift+ArrowUp': () => {
        rows.scrollToIndex(selection.move(-1, true));
      },
      Space: selection.toggleActive,
      'Ctrl+A': selection.all,
      Escape: selection.clear,
      Enter: () => {
        settle(bestOf(selected));
      },
      T: () => {
        if (plugins.length > 0 && canPick(sort)) {
          setPicking(true);
        }
      },
    };
    const does = keys[chord(event)];
    if (!does) {
      return;
    }
    event.preventDefault();
    does();
  };
  const best = bestOf(selected);
  return (
    <section className="bulk" aria-label="Many at once">
      <div className="bulk-acts">
        <span role="status">
          {selected.length === 0
            ? `${questions.length} to answer. Select some with a click, Shift or Ctrl+A.`
            : `${selected.length} of ${questions.length} selected`}
        </span>
        {selected.length > 0 && best && (
          <Button
            onClick={() => {
              settle(best);
            }}
          >
            Take the best answer for {selected.length === 1 ? 'it' : `each of ${selected.length}`}{' '}
            <kbd>Enter</kbd>
          </Button>
        )}
        {plugins.length > 0 && canPick(sort) && (
          <Button
            variant="quiet"
            onClick={() => {
              setPicking(true);
            }}
          >
            One answer for all … <kbd>T</kbd>
          </Button>
        )}
        {plugins.length > 0 &&
          sameFor(sort).map(({ text, set }) => (
            <Button
              key={text}
              variant="quiet"
              onClick={() => {
                settle(sayAct(plugins, set));
              }}
            >
              {text}
            </Button>
          ))}
      </div>
      <div
        ref={scroller}
        className="bulk-rows"
        tabIndex={0}
        role="listbox"
        aria-multiselectable
        aria-label="Questions"
        aria-activedescendant={selection.active === null ? undefined : rowId(selection.active)}
        onKeyDown={onKeyDown}
      >
        <div style={{ height: rows.getTotalSize(), position: 'relative' }}>
          {rows.getVirtualItems().map((row) => {
            const question = questions[row.index];
            if (!question) {
              return null;
            }
            const isSelected = selection.ids.has(question.id);
            const { text, why } = inShort(question);
            return (
              <div
                key={question.id}
                id={rowId(question.id)}
                role="option"
                aria-selected={isSelected}
                data-testid="ask-row"
                className={`bulk-row ${isSelected ? 'selected' : ''} ${selection.active === question.id ? 'active' : ''}`}
                style={{ transform: `translateY(${row.start}px)` }}
                onClick={(event: MouseEvent) => {
                  selection.press(question.id, event.shiftKey, event.ctrlKey || event.metaKey);
                }}
              >
                <span className={`tick ${isSelected ? 'on' : ''}`}>
                  {isSelected && <Check size={13} aria-hidden />}
                </span>
                <span className="names">
                  <span className="name">{titleOf(question).name}</span>
                  <span className="vendor">{titleOf(question).beside}</span>
                </span>
                <span>{text}</span>
                <span className="text-soft bulk-why">{why}</span>
              </div>
            );
          })}
        </div>
      </div>
      <KeysHint
        keys={[
          ['↑ ↓', 'move'],
          ['Space', 'select'],
          ['Shift ↓', 'select a run'],
          ['Ctrl A', 'all'],
          ['Enter', 'best answer for each'],
          ['Ctrl Z', 'undo'],
        ]}
      />
      {picking && sort === 'type' && (
        <TypesPicker
          title={`What do these ${plugins.length} do?`}
          onTake={(type) => {
            settle(sayAct(plugins, { types: type === null ? [] : [type] }));
          }}
          onClose={() => {
            setPicking(false);
          }}
        />
      )}
      {picking && sort === 'vendor' && (
        <VendorPicker
          title={`Whose are these ${plugins.length}?`}
          vendors={vendors}
          onTake={(vendor) => {
            settle(sayAct(plugins, { vendor }));
          }}
          onClose={() => {
            setPicking(false);
          }}
        />
      )}
    </section>
  );
}

/** Ids of elements hold no spaces. */
const rowId = (id: string): string => `ask-${id.replace(/[^\w-]+/g, '-')}`;

const canPick = (sort: Question['sort']): boolean => sort === 'type' || sort === 'vendor';

/** Answers that make sense for any number of plugins. */
function sameFor(sort: Question['sort']): { text: string; set: Partial<AnswerFacts> }[] {
  if (sort === 'kind') {
    return [
      { text: 'All effects', set: { kind: 'effect' } },
      { text: 'All instruments', set: { kind: 'instrument' } },
      { text: 'All note effects', set: { kind: 'note-effect' } },
      { text: 'All tools', set: { kind: 'tool' } },
    ];
  }
  if (sort === 'licence') {
    return [
      { text: 'All owned', set: { licence: { state: 'owned', until: null } } },
      { text: 'All on trial', set: { licence: { state: 'trial', until: null } } },
      { text: 'None licensed', set: { licence: { state: 'not licensed', until: null } } },
      { text: 'Hide all from loading', set: { isHidden: true } },
    ];
  }
  return [];
}

/** The best answer of each question as one act; null where that cannot be one. */
function bestOf(questions: readonly Question[]): Act | null {
  const acts = questions.flatMap((question) => {
    const option = optionsOf(question)[0];
    return option && (option.probability !== null || question.sort === 'vendor')
      ? [option.act]
      : [];
  });
  if (acts.length === 0 || acts.length < questions.length) {
    return null;
  }
  const said = acts.flatMap((act): readonly Said[] => (act.act === 'answer' ? act.say : []));
  if (said.length === acts.length) {
    return {
      act: 'answer',
      say: said.map((one) => ({ ...one, plugins: one.plugins.map((id) => asId(id)) })),
    };
  }
  if (acts.length === 1) {
    return acts[0] ?? null;
  }
  return null;
}

function inShort(question: Question): { text: string; why: string } {
  switch (question.sort) {
    case 'type': {
      const best = question.suggestions[0];
      return {
        text: best ? `${typeName(best.type)} · ${Math.round(best.probability * 100)} %` : 'no idea',
        why: best?.reasons[0]?.text ?? '',
      };
    }
    case 'kind': {
      const best = optionsOf(question)[0];
      return {
        text: `${best?.text ?? ''} · ${Math.round((best?.probability ?? 0) * 100)} %`,
        why: question.reasons.map((reason) => reason.text).join('; but '),
      };
    }
    case 'twin':
      return {
        text: `and ${question.other.vendor ?? 'one without a vendor'}`,
        why: question.reasons[0]?.text ?? '',
      };
    case 'vendor':
      return {
        text: question.near ? 'one vendor?' : guessText(question.guesses[0]?.vendor),
        why: question.near?.reason ?? question.guesses[0]?.reason ?? '',
      };
    case 'licence':
      return { text: 'can you use it?', why: question.hint };
    default:
      return question satisfies never;
  }
}

const guessText = (vendor: string | undefined): string =>
  vendor === undefined ? 'no idea' : `${vendor}?`;
