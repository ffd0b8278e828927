/** What is worth doing now: a summary that can be read aloud, advice by rank, and three to try again. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { Link } from 'react-router';
import type { Advice, WorthReview } from '@clever-drawer/core/review';
import { day } from '@clever-drawer/core/time';
import { WithMenu } from '../../annotate/with-menu.tsx';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { usePutOff } from '../../studio/use-put-off.ts';
import { useTryAgain } from '../../studio/use-try-again.ts';
import { AdviceDialog } from '../advice-dialog.tsx';
import * as texts from '../texts.ts';

interface Props {
  readonly review: WorthReview;
  readonly now: number;
}

export function WorthPart({ review, now }: Props) {
  const { isPutOff } = usePutOff();
  // What is looked at stays while it is done, and is no longer told.
  const [opened, setOpened] = useState<Advice | null>(null);
  const shown = review.advice.filter(({ key }) => !isPutOff(key, now));
  return (
    <div className="review-worth">
      <div>
        <Summary review={review} />
        <section className="review-sheet" aria-labelledby="worth-title">
          <header>
            <h2 id="worth-title">{texts.worthDoingNow}</h2>
          </header>
          {shown.length === 0 ? (
            <p className="text-soft">{texts.nothingYetAfterSomeWeeks}</p>
          ) : (
            <ol className="advice-list">
              {shown.map((advice) => (
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
    <section className="review-sheet review-summary" aria-label={texts.inShort}>
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
          aria-label={texts.lookAtIt(advice.title)}
          onClick={() => {
            onOpen(advice);
          }}
        >
          {texts.lookAtItShort}
        </Button>
        <button
          type="button"
          className="link-words"
          aria-label={texts.notNow(advice.title)}
          title={texts.shownAgainInAMonth}
          onClick={() => {
            putOff(advice.key, new Date(now + monthDays * day).toISOString());
          }}
        >
          {texts.notNowShort}
        </button>
        <button
          type="button"
          className="link-words"
          aria-label={texts.never(advice.title)}
          title={texts.notShownAgain}
          onClick={() => {
            putOff(advice.key, null);
          }}
        >
          {texts.neverShort}
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
        <summary>{texts.putOff(away.length)}</summary>
        <ul className="note-list">
          {away.map(({ key, title }) => (
            <li key={key}>
              {title}{' '}
              <button
                type="button"
                className="link-words"
                aria-label={texts.showAgain(title)}
                onClick={() => {
                  putOff(key);
                }}
              >
                {texts.tellAgainShort}
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
        <h2 id="try-title">{texts.tryAgainThisWeek}</h2>
      </header>
      <p className="text-soft">
        {plugins.length === 0 ? texts.pluginsYouHaventLoadedFor : texts.notUsedLatelyOfTypes}
      </p>
      <ul>
        {plugins.map((plugin) => {
          const loads = usage.get(plugin.id)?.loads ?? 0;
          return (
            <WithMenu as="li" key={plugin.id} plugins={[plugin.id]}>
              <Link to={`/plugin/${plugin.id}`}>{nameOf(plugin)}</Link>
              <span className="text-soft">
                {plugin.vendor ?? texts.noVendor},{' '}
                {loads === 0 ? texts.neverLoaded : texts.loaded(loads)}
              </span>
              <button
                type="button"
                className="link-words"
                aria-label={texts.anotherOneInsteadOf(nameOf(plugin))}
                onClick={() => {
                  dismiss(plugin.id);
                }}
              >
                {texts.anotherOne}
              </button>
            </WithMenu>
          );
        })}
      </ul>
    </section>
  );
}
