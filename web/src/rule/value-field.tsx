/** The values of a line as chips, with what the catalog knows offered while one types. */
import { Command } from 'cmdk';
import { X } from 'lucide-react';
import { useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { Form } from 'react-bootstrap';
import {
  fields,
  noWords,
  sayValue,
  understand,
  type Line,
  type RuleWords,
  type Field,
} from '@clever-drawer/core/rules';
import { fold } from '@clever-drawer/core/text';
import type { Completion, Completions } from './model/completions.ts';
import { narrowed, understandAll, withValues } from './model/typed-values.ts';
import * as texts from './texts.ts';

interface Props {
  readonly line: Line;
  readonly isNever: boolean;
  readonly words: RuleWords;
  readonly completions: Completions;
  readonly onChange: (values: readonly string[]) => void;
}

export function ValueField(props: Props) {
  const { line, onChange } = props;
  if (fields[line.field] === 'number') {
    return <NumberField {...props} />;
  }
  if (fields[line.field] !== 'time') {
    return <ChipField {...props} />;
  }
  if (line.relation.includes('within')) {
    return <SpanField {...props} />;
  }
  return (
    <Form.Control
      type="date"
      size="sm"
      className="day-field"
      aria-label={texts.day(line.field, line.relation)}
      value={line.values[0] ?? ''}
      onChange={(event) => {
        onChange(event.target.value === '' ? [] : [event.target.value]);
      }}
    />
  );
}

function NumberField({ line, onChange }: Props) {
  return (
    <Form.Control
      type="number"
      min={0}
      max={999_999_999}
      size="sm"
      className="number-field"
      aria-label={texts.number(line.field, line.relation)}
      value={line.values[0] ?? ''}
      onChange={(event) => {
        const understood = understand(line.field, line.relation, event.target.value, noWords);
        onChange(understood.ok ? [understood.value] : []);
      }}
    />
  );
}

function SpanField({ line, onChange }: Props) {
  const [count = '', unit = 'days'] = (line.values[0] ?? '').split(' ');
  const plural = unit.endsWith('s') ? unit : `${unit}s`;
  const change = (number: string, of: string): void => {
    const understood = understand(line.field, line.relation, `${number} ${of}`, noWords);
    onChange(understood.ok ? [understood.value] : []);
  };
  return (
    <span className="span-field">
      <Form.Control
        type="number"
        min={1}
        max={99_999}
        size="sm"
        aria-label={texts.howMany(line.field, line.relation)}
        value={count}
        onChange={(event) => {
          change(event.target.value, plural);
        }}
      />
      <Form.Select
        size="sm"
        aria-label={texts.ofWhat(line.field, line.relation)}
        value={plural}
        onChange={(event) => {
          change(count === '' ? '1' : count, event.target.value);
        }}
      >
        {['days', 'weeks', 'months', 'years'].map((one) => (
          <option key={one}>{one}</option>
        ))}
      </Form.Select>
    </span>
  );
}

function ChipField({ line, isNever, words, completions, onChange }: Props) {
  const { field, relation, values } = line;
  const [typed, setTyped] = useState('');
  const [isOpen, setOpen] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const known = useMemo(
    () => (isOpen ? completions.of(field, relation) : []),
    [isOpen, completions, field, relation],
  );
  const found = useMemo(() => narrowed(known, typed, values), [known, typed, values]);
  const add = (text: string): void => {
    const understood = understandAll(line, text, words);
    setTrouble(understood.trouble);
    if (understood.values.length > 0) {
      onChange(withValues(values, understood.values));
      setTyped('');
    }
  };
  const take = (completion: Completion): void => {
    onChange(withValues(values, [completion.value]));
    setTyped('');
    setTrouble(null);
    input.current?.focus();
  };
  const onKeyDown = (event: KeyboardEvent): void => {
    if (event.key === ',' || event.key === ';') {
      event.preventDefault();
      add(typed);
    } else if (event.key === 'Backspace' && typed === '') {
      onChange(values.slice(0, -1));
    } else if (event.key === 'Escape' && isOpen) {
      event.stopPropagation();
      setOpen(false);
    }
  };
  const isText = fields[field] === 'text' || fields[field] === 'version';
  const name = `${field} ${relation}`;
  return (
    <div className="value-place">
      <Command
        label={texts.addAValue(name)}
        shouldFilter={false}
        className={`value-field ${isNever ? 'never' : ''}`}
        onClick={() => {
          input.current?.focus();
        }}
      >
        {values.map((value, i) => (
          <ValueChip
            key={value}
            i={i}
            field={field}
            value={value}
            words={words}
            onChange={onChange}
            values={values}
          />
        ))}
        <ValueInput
          input={input}
          typed={typed}
          values={values}
          setTyped={setTyped}
          setOpen={setOpen}
          setTrouble={setTrouble}
          onKeyDown={onKeyDown}
          isText={isText}
          add={add}
        />
        <CompletionList
          isOpen={isOpen}
          typed={typed}
          found={found}
          isText={isText}
          add={add}
          take={take}
          field={field}
        />
      </Command>
      {trouble !== null && (
        <span className="text-brick visually-quiet" role="alert">
          {trouble}
        </span>
      )}
    </div>
  );
}

interface ValueInputProps {
  readonly input: React.RefObject<HTMLInputElement | null>;
  readonly typed: string;
  readonly values: readonly string[];
  readonly setTyped: React.Dispatch<React.SetStateAction<string>>;
  readonly setOpen: React.Dispatch<React.SetStateAction<boolean>>;
  readonly setTrouble: React.Dispatch<React.SetStateAction<string | null>>;
  readonly onKeyDown: (event: KeyboardEvent) => void;
  readonly isText: boolean;
  readonly add: (text: string) => void;
}

function ValueInput({
  input,
  typed,
  values,
  setTyped,
  setOpen,
  setTrouble,
  onKeyDown,
  isText,
  add,
}: ValueInputProps) {
  return (
    <Command.Input
      ref={input}
      value={typed}
      placeholder={values.length === 0 ? texts.typeThenEnter : ''}
      onValueChange={(text) => {
        setTyped(text);
        setOpen(true);
        setTrouble(null);
      }}
      onFocus={() => {
        setOpen(true);
      }}
      onKeyDown={onKeyDown}
      onBlur={() => {
        setOpen(false);
        if (isText && typed.trim() !== '') {
          add(typed);
        }
      }}
    />
  );
}

interface ValueChipProps {
  readonly i: number;
  readonly field: Field;
  readonly value: string;
  readonly words: RuleWords;
  readonly onChange: (values: readonly string[]) => void;
  readonly values: readonly string[];
}

function ValueChip({ i, field, value, words, onChange, values }: ValueChipProps) {
  return (
    <span className="value">
      {i > 0 && <span className="or">{texts.or}</span>}
      <span className="value-chip">
        {sayValue(field, value, words)}
        <button
          type="button"
          aria-label={texts.remove(sayValue(field, value, words))}
          onClick={() => {
            onChange(values.filter((one) => one !== value));
          }}
        >
          <X size={11} aria-hidden />
        </button>
      </span>
    </span>
  );
}

interface CompletionListProps {
  readonly isOpen: boolean;
  readonly typed: string;
  readonly found: Completion[];
  readonly isText: boolean;
  readonly add: (text: string) => void;
  readonly take: (completion: Completion) => void;
  readonly field: Field;
}

/** What the catalog knows, and what is typed as it is. */
function CompletionList({ isOpen, typed, found, isText, add, take, field }: CompletionListProps) {
  return (
    <Command.List
      className="completions"
      hidden={!isOpen || (typed === '' && found.length === 0)}
      onMouseDown={(event) => {
        event.preventDefault();
      }}
    >
      {isText && typed.trim() !== '' && !found.some((one) => fold(one.value) === fold(typed)) && (
        <Command.Item
          value="as typed"
          onSelect={() => {
            add(typed);
          }}
        >
          “{typed.trim()}”
        </Command.Item>
      )}
      {found.map((one) => (
        <Command.Item
          key={one.value}
          value={one.value}
          onSelect={() => {
            take(one);
          }}
        >
          <span>{one.text}</span>
          <span className="text-soft">{one.count}</span>
        </Command.Item>
      ))}
      {found.length === 0 && !isText && (
        <Command.Empty>{texts.thereIsNoWithThat(field)}</Command.Empty>
      )}
    </Command.List>
  );
}
