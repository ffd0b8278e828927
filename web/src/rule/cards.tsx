/** The cards of a rule, line by line: what it asks about, how, and for what. */
import { Plus, TriangleAlert, X } from 'lucide-react';
import { Fragment } from 'react';
import { Button, Form } from 'react-bootstrap';
import {
  fieldNames,
  fields,
  relationsFor,
  standsAlone,
  type Card,
  type Field,
  type Line,
  type Relation,
  type RuleWords,
  type Warning,
} from '@clever-drawer/core/rules';
import type { Completions } from './model/completions.ts';
import { withField, type Drafting, type Where } from './use-draft.ts';
import { ValueField } from './value-field.tsx';
import * as texts from './texts.ts';

interface Props {
  readonly drafting: Drafting;
  readonly words: RuleWords;
  readonly completions: Completions;
  readonly warnings: readonly Warning[];
}

const isText = (field: Field): boolean => fields[field] === 'text';
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

export function Cards(props: Props) {
  const {
    draft: { cards, never },
    edit,
  } = props.drafting;
  return (
    <>
      {cards.map((card, at) => (
        <Fragment key={at}>
          {at > 0 && <p className="or-between hand">{texts.or}</p>}
          <CardBox
            {...props}
            card={card}
            at={{ isNever: false, card: at }}
            title={texts.thisHolds(card.lines.length)}
          />
        </Fragment>
      ))}
      <Button
        variant="quiet"
        size="sm"
        className="add-card"
        onClick={() => {
          edit({ edit: 'add-card', isNever: false });
        }}
      >
        <Plus size={14} aria-hidden />{' '}
        {cards.length === 0 ? texts.addACondition : texts.addAlternativeOr}
      </Button>
      {never.map((card, at) => (
        <CardBox
          key={at}
          {...props}
          card={card}
          at={{ isNever: true, card: at }}
          title={texts.butNever(card.lines.length)}
        />
      ))}
      <Button
        variant="bare"
        size="sm"
        className="add-card"
        onClick={() => {
          edit({ edit: 'add-card', isNever: true });
        }}
      >
        <Plus size={14} aria-hidden />{' '}
        {never.length === 0 ? texts.addAnException : texts.addAnotherException}
      </Button>
    </>
  );
}

interface BoxProps extends Props {
  readonly card: Card;
  readonly at: Where;
  readonly title: string;
}

function CardBox({ card, at, title, drafting, words, completions, warnings }: BoxProps) {
  const mine = warnings.filter(
    (warning) =>
      warning.kind !== 'never-everything' &&
      warning.isNever === at.isNever &&
      warning.card === at.card,
  );
  return (
    <section
      className={`rule-card ${at.isNever ? 'never' : ''}`}
      aria-label={texts.titleOfCard(title, at.isNever, at.card + 1)}
    >
      <span className="punched" aria-hidden />
      <h2>{title}</h2>
      {card.lines.map((line, i) => (
        <LineRow
          key={i}
          line={line}
          at={at}
          number={i}
          drafting={drafting}
          words={words}
          completions={completions}
          isEmpty={mine.some((warning) => warning.kind === 'line-empty' && warning.line === i)}
        />
      ))}
      {mine.map((warning) => {
        if (warning.kind === 'card-empty') {
          return <Warn key="empty">{texts.noPluginMeetsAllOf}</Warn>;
        }
        if (warning.kind === 'card-contained') {
          return (
            <Warn key="contained">{texts.cardAlreadyMatchesEverythingThis(warning.other + 1)}</Warn>
          );
        }
        return null;
      })}
      <Button
        variant="bare"
        size="sm"
        className="add-line"
        onClick={() => {
          drafting.edit({ edit: 'add-line', at });
        }}
      >
        <Plus size={14} aria-hidden /> {texts.addConditionAnd}
      </Button>
    </section>
  );
}

export const Warn = ({ children }: { children: React.ReactNode }) => (
  <p className="rule-warning" role="note">
    <TriangleAlert size={14} aria-hidden /> {children}
  </p>
);

interface RowProps {
  readonly line: Line;
  readonly at: Where;
  readonly number: number;
  readonly drafting: Drafting;
  readonly words: RuleWords;
  readonly completions: Completions;
  readonly isEmpty: boolean;
}

function LineRow({ line, at, number, drafting, words, completions, isEmpty }: RowProps) {
  const set = (to: Line | null): void => {
    drafting.edit({ edit: 'line', at, line: number, to });
  };
  const setRelation = (relation: Relation): void => {
    set({
      ...line,
      relation,
      values:
        standsAlone(relation) || line.relation.includes('within') !== relation.includes('within')
          ? []
          : line.values,
    });
  };
  return (
    <LineFields
      number={number}
      line={line}
      set={set}
      setRelation={setRelation}
      at={at}
      words={words}
      completions={completions}
      isEmpty={isEmpty}
    />
  );
}

interface LineFieldsProps {
  readonly number: number;
  readonly line: Line;
  readonly set: (to: Line | null) => void;
  readonly setRelation: (relation: Relation) => void;
  readonly at: Where;
  readonly words: RuleWords;
  readonly completions: Completions;
  readonly isEmpty: boolean;
}

function LineFields({
  number,
  line,
  set,
  setRelation,
  at,
  words,
  completions,
  isEmpty,
}: LineFieldsProps) {
  return (
    <div className="rule-line" role="group" aria-label={texts.condition(number + 1)}>
      <FieldChoice line={line} set={set} />
      <RelationChoice line={line} setRelation={setRelation} />
      {standsAlone(line.relation) ? (
        <span />
      ) : (
        <ValueField
          key={`${line.field} ${line.relation}`}
          line={line}
          isNever={at.isNever}
          words={words}
          completions={completions}
          onChange={(values) => {
            set({ ...line, values });
          }}
        />
      )}
      <Button
        variant="bare"
        size="sm"
        aria-label={texts.removeCondition(number + 1)}
        onClick={() => {
          set(null);
        }}
      >
        <X size={14} aria-hidden />
      </Button>
      {isEmpty && <Warn>{texts.noPluginMeetsThisCondition}</Warn>}
    </div>
  );
}

function RelationChoice({
  line,
  setRelation,
}: {
  readonly line: Line;
  readonly setRelation: (relation: Relation) => void;
}) {
  return (
    <Form.Select
      size="sm"
      aria-label={texts.howItCompares}
      value={line.relation}
      onChange={(event) => {
        setRelation(event.target.value as Relation);
      }}
    >
      {relationsFor(line.field).map((relation) => (
        <option key={relation}>{relation}</option>
      ))}
    </Form.Select>
  );
}

function FieldChoice({
  line,
  set,
}: {
  readonly line: Line;
  readonly set: (to: Line | null) => void;
}) {
  return (
    <Form.Select
      size="sm"
      aria-label={texts.whatItAsksAbout}
      value={line.field}
      onChange={(event) => {
        set(withField(line, event.target.value as Field, isText));
      }}
    >
      {fieldNames.map((field) => (
        <option key={field} value={field}>
          {capital(field)}
        </option>
      ))}
    </Form.Select>
  );
}
