/** A dialog with one field and a list that narrows while one types: arrows move, Enter takes. */
import { Command } from 'cmdk';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { Modal } from 'react-bootstrap';
import { Kbd } from './kbd.tsx';
import { ranked } from './model/ranked.ts';
import * as texts from './texts.ts';
import { typedAhead } from './typed-ahead.ts';

export interface Choice {
  readonly id: string;
  readonly text: string;
  /** More to find it by, not shown. */
  readonly keywords?: readonly string[];
  readonly show: ReactNode;
  readonly take: () => void;
}

export interface PickerProps {
  readonly title: string;
  readonly prompt: string;
  readonly choices: readonly Choice[];
  /** Finds choices for the letters, best first; without it they are ranked by how they begin. */
  readonly search?: (typed: string) => readonly Choice[];
  /** What to offer for letters that no choice is called. */
  readonly offer?: (typed: string) => Choice | null;
  /** What Shift+Enter is for: it takes one and stays open for more; it does so where this is given. */
  readonly staysFor?: string | undefined;
  readonly onClose: () => void;
}

/** Most choices shown at once. */
const shown = 60;

export function PickerDialog({
  title,
  prompt,
  choices,
  search,
  offer,
  staysFor,
  onClose,
}: PickerProps) {
  const [typed, setTyped] = useState(typedAhead);
  const field = useRef<HTMLInputElement>(null);
  // A menu that opened this dialog takes the focus back when it closes; the field gets it afterwards.
  useEffect(() => {
    const frame = requestAnimationFrame(() => {
      field.current?.focus();
    });
    return () => {
      cancelAnimationFrame(frame);
    };
  }, []);
  const found = (search?.(typed) ?? ranked(choices, typed)).slice(0, shown);
  const extra = offer?.(typed.trim()) ?? null;
  const isStaying = useRef(false);
  const take = (choice: Choice): void => {
    if (isStaying.current) {
      setTyped('');
    } else {
      onClose();
    }
    choice.take();
  };
  const noteShift = ({ shiftKey }: { readonly shiftKey: boolean }): void => {
    isStaying.current = shiftKey && staysFor !== undefined;
  };
  return (
    <Modal show onHide={onClose} aria-label={title} animation={false} className="picker">
      <Command
        label={title}
        shouldFilter={false}
        loop
        onKeyDown={noteShift}
        onClickCapture={noteShift}
      >
        <div className="picker-head hand">{title}</div>
        <Command.Input
          ref={field}
          value={typed}
          onValueChange={setTyped}
          placeholder={prompt}
          autoFocus
          className="form-control"
        />
        <Found found={found} extra={extra} take={take} />
        {staysFor !== undefined && (
          <p className="keys-hint picker-foot">
            <span>
              <Kbd keys="Shift+Enter" /> {staysFor}
            </span>
          </p>
        )}
      </Command>
    </Modal>
  );
}

interface FoundProps {
  readonly found: readonly Choice[];
  readonly extra: Choice | null;
  readonly take: (choice: Choice) => void;
}

function Found({ found, extra, take }: FoundProps) {
  return (
    <Command.List>
      {found.length === 0 && !extra && <Command.Empty>{texts.noMatches}</Command.Empty>}
      {found.map((choice) => (
        <Command.Item
          key={choice.id}
          value={choice.id}
          onSelect={() => {
            take(choice);
          }}
        >
          {choice.show}
        </Command.Item>
      ))}
      {extra && (
        <Command.Item
          value={extra.id}
          onSelect={() => {
            take(extra);
          }}
        >
          {extra.show}
        </Command.Item>
      )}
    </Command.List>
  );
}
