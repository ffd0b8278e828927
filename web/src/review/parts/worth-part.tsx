/** What is worth doing now: a summary that can be read aloud, advice by rank, and three to try again. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import { day, plural, type Advice, type WorthReview } from '@clever-drawer/core';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { usePutOff } from '../../studio/use-put-off.ts';
import { useTryAgain } from '../../studio/use-try-again.ts';
import { AdviceDialog } from '../advice-dialog.tsx';

interface Props {
  readonly review: WorthReview;
  readonly now: number;
}

export function WorthPart({ review, now }: Props) {
  const { isPutOff } = usePutOff();
  // What is looked at stays while it is done, and is no longer told.
  const [opened, setOpened] = useState<Advice | null>(null);
  const told = review.advice.filter(({ key }) => !isPutOff(key, now));
  return (
    <div className="review-worth">
      <div>
        <Summary review={review} />
        <section className="review-sheet" aria-labelledby="worth-title">
          <header>
            <h2 id="worth-title">Worth doing now</h2>
          </header>
          {told.length === 0 ? (
            <p className="text-soft">
              Nothing stands out. After some weeks of loading it stands here what would ease them
              most.
            </p>
          ) : (
            <ol className="advice-list">
              {told.map((advice) => (
                <AdviceLine key={advice.key} advice={advice} now={now} onOpen={setOpened} />
              ))}
            </ol>
          )}
          <PutOffCount advice={review.advice} now={now} />
        </section>
      </div>
      <TryAgain />
      {opened && (
        <AdviceDialog
          advice={opened}
          onClose={() => {
            setOpened(null);
          }}
        />
      )}
    </div>
  );
}

function Summary({ review: { summary } }: { readonly review: WorthReview }) {
  return (
    <section className="review-sheet review-summary" aria-label="In short">
      {summary.map((sentence) => (
        <p key={sentence}>{sentence}</p>
      ))}
    </section>
  );
}

/** "Not now" is a month. */
const monthDays = 30;

interface AdviceLineProps {
  readonly advice: Advice;
  readonly now: number;
  readonly onOpen: (advice: Advice) => void;
}

function AdviceLine({ advice, now, onOpen }: AdviceLineProps) {
  const { putOff } = usePutOff();
  return (
    <li>
      <div>
        <strong>{advice.title}</strong>
        <p className="text-soft">{advice.brings}</p>
      </div>
      <div className="advice-acts">
        <Button
          variant="quiet"
          aria-label={`Look at it: ${advice.title}`}
          onClick={() => {
            onOpen(advice);
          }}
        >
          Look at it …
        </Button>
        <button
          type="button"
          className="link-words"
          aria-label={`Not now: ${advice.title}`}
          title="Told again in a month"
          onClick={() => {
            putOff(advice.key, new Date(now + monthDays * day).toISOString());
          }}
        >
          not now
        </button>
        <button
          type="button"
          className="link-words"
          aria-label={`Never: ${advice.title}`}
          title="Not told again"
          onClick={() => {
            putOff(advice.key, null);
          }}
        >
          never
        </button>
      </div>
    </li>
  );
}

interface PutOffProps {
  readonly advice: readonly Advice[];
  readonly now: number;
}

/** What was put off can be told again. */
function PutOffCount({ advice, now }: PutOffProps) {
  const { isPutOff, putOff } = usePutOff();
  const away = advice.filter(({ key }) => isPutOff(key, now));
  return (
    away.length > 0 && (
      <details className="put-off">
        <summary>{away.length} put off</summary>
        <ul className="note-list">
          {away.map(({ key, title }) => (
            <li key={key}>
              {title}{' '}
              <button
                type="button"
                className="link-words"
                aria-label={`Tell again: ${title}`}
                onClick={() => {
                  putOff(key);
                }}
              >
                tell again
              </button>
            </li>
          ))}
        </ul>
      </details>
    )
  );
}

function TryAgain() {
  const { usage } = useCatalog();
  const { nameOf } = useArrangement();
  const { plugins, dismiss } = useTryAgain();
  return (
    <section className="review-sheet try-again" aria-labelledby="try-title">
      <header>
        <h2 id="try-title">Try again this week</h2>
      </header>
      <p className="text-soft">
        {plugins.length === 0
          ? 'When something was not loaded for three months while others of its type were, it is offered here.'
          : 'Forgotten ones of types that you use. Next Monday there are others.'}
      </p>
      <ul>
        {plugins.map((plugin) => {
          const loads = usage.get(plugin.id)?.loads ?? 0;
          return (
            <li key={plugin.id}>
              <Link to={`/plugin/${plugin.id}`}>{nameOf(plugin)}</Link>
              <span className="text-soft">
                {plugin.vendor ?? 'no vendor'},{' '}
                {loads === 0 ? 'never loaded' : `loaded ${plural(loads, 'time')}`}
              </span>
              <button
                type="button"
                className="link-words"
                aria-label={`Another one instead of ${nameOf(plugin)}`}
                onClick={() => {
                  dismiss(plugin.id);
                }}
              >
                another one
              </button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
