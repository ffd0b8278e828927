/** An order from elsewhere: what each of its plugins is here, what would change, and taking it. */
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Button, Form } from 'react-bootstrap';
import type { MatchView, OrderPreview } from '@clever-drawer/core/api';
import { matchHows, type MergeMode } from '@clever-drawer/core/exchange';
import { useComputer } from '../studio/contexts.ts';
import { useNotices } from '../ui/notices.tsx';
import { ChangeLines } from './change-lines.tsx';
import { MatchRows } from './match-rows.tsx';
import * as texts from './texts.ts';

/** Where it comes from. */
export type OrderSource =
  | { readonly text: string; readonly form: 'document' | 'outline' | 'table' | 'tree' }
  | { readonly computer: string };

interface Props {
  readonly source: OrderSource;
  /** Where from, in words. */
  readonly title: string;
  readonly onDone: () => void;
}

export function TakeIn({ source, title, onDone }: Props) {
  const { client } = useComputer();
  const { notify } = useNotices();
  const [how, setHow] = useState<MergeMode>('add');
  const [choices, setChoices] = useState<Readonly<Record<string, string | null>>>({});
  const [hasLoads, setHasLoads] = useState(true);
  const incoming = { ...source, how, choices, hasLoads };
  const preview = useQuery({
    queryKey: ['preview', client.computer, source, how, choices, hasLoads],
    queryFn: () => client.previewDocument(incoming),
    placeholderData: (before: OrderPreview | undefined) => before,
    retry: false,
    gcTime: 0,
  });
  const merging = useMutation({
    mutationFn: () => client.mergeDocument(incoming),
    onSuccess: ({ words }) => {
      notify(words, 'done');
      onDone();
    },
  });
  const trouble = preview.error ?? merging.error;
  if (trouble && !preview.data) {
    return (
      <p className="text-brick" role="alert">
        {trouble.message}
      </p>
    );
  }
  if (!preview.data) {
    return <p className="text-soft">{texts.matchingItsPlugins}</p>;
  }
  const { change, matches, loads } = preview.data;
  return (
    <section className="keep-sheet" aria-labelledby="take-in-title">
      <h2 id="take-in-title">{title}</h2>
      {matches.length > 0 && (
        <>
          <p className="text-soft">{texts.pluginOfThatOrder(matches.length)}</p>
          <MatchBar matches={matches} />
        </>
      )}
      <MatchRows
        matches={matches}
        choices={choices}
        onChoose={(plugin, choice) => {
          setChoices((before) => ({ ...before, [plugin]: choice }));
        }}
      />
      {!('form' in source && source.form === 'table') && <Modes how={how} onHow={setHow} />}
      {(loads > 0 || !hasLoads) && (
        <Form.Check
          id="has-loads"
          checked={hasLoads}
          onChange={() => {
            setHasLoads(!hasLoads);
          }}
          label={
            <>
              {texts.includeItsLoadsAndHabits}{' '}
              <span className="text-soft">
                {loads > 0 && texts.load(loads)}
                {texts.undoDoesNotRemoveThem}
              </span>
            </>
          }
        />
      )}
      <ChangeLines change={change} way="read" />
      {trouble && (
        <p className="text-brick" role="alert">
          {trouble.message}
        </p>
      )}
      {(change.lines.length > 0 || loads > 0) && (
        <div className="keep-acts">
          <Button
            onClick={() => {
              if (!merging.isPending) {
                merging.mutate();
              }
            }}
          >
            {merging.isPending ? texts.importing : texts.importAsOneChange}
          </Button>
          <Button variant="bare" onClick={onDone}>
            {texts.cancel}
          </Button>
        </div>
      )}
    </section>
  );
}

interface ModesProps {
  readonly how: MergeMode;
  readonly onHow: (how: MergeMode) => void;
}

function Modes({ how, onHow }: ModesProps) {
  return (
    <fieldset className="merge-modes">
      <legend className="visually-hidden">{texts.howToMerge}</legend>
      {texts.modeWords.map(([mode, words, means]) => (
        <Form.Check
          key={mode}
          type="radio"
          name="merge-mode"
          id={`merge-${mode}`}
          checked={how === mode}
          onChange={() => {
            onHow(mode);
          }}
          label={
            <>
              {words} <span className="text-soft">{means}</span>
            </>
          }
        />
      ))}
    </fieldset>
  );
}

/** How many of each, as a bar with its figures below. */
function MatchBar({ matches }: { readonly matches: readonly MatchView[] }) {
  const counts = matchHows.map((how) => ({
    how,
    count: matches.filter((match) => match.how === how).length,
  }));
  const there = counts.filter(({ count }) => count > 0);
  return (
    <>
      <div className="match-bar" aria-hidden>
        {there.map(({ how, count }) => (
          <span key={how} className={`match-${how}`} style={{ flexGrow: count }} />
        ))}
      </div>
      <ul className="match-counts">
        {there.map(({ how, count }) => (
          <li key={how} className={`match-${how}`}>
            {count} {texts.howWords[how]}
          </li>
        ))}
      </ul>
    </>
  );
}
