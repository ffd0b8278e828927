/** What came, went and was updated, and what is about to end. */
import { Link } from 'react-router';
import type { EndingTrial, ChangesReview } from '@clever-drawer/core/review';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { ComingsColumns, comingsHeight } from '../pictures/comings-columns.tsx';
import { Picture } from '../pictures/picture.tsx';
import * as texts from '../texts.ts';

export function ChangesPart({ review }: { readonly review: ChangesReview }) {
  const { comings } = review;
  return (
    <div className="review-grid">
      <Picture
        title={texts.whatCame}
        says={texts.byMonth}
        empty={texts.nothingCame}
        figures={{
          heads: [texts.month, texts.came, texts.updated, texts.went],
          rows: comings.map(({ month, came, updated, went }) => [
            month,
            came.length,
            updated.length,
            went.length,
          ]),
        }}
        height={comingsHeight}
      >
        {(width) => <ComingsColumns width={width} months={comings} />}
      </Picture>
      <Trials trials={review.trials} />
    </div>
  );
}

function trialWords(daysLeft: number): string {
  if (daysLeft < 0) {
    return texts.endedAgo(-daysLeft);
  }
  return daysLeft === 0 ? texts.endsToday : texts.dayLeft(daysLeft);
}

function Trials({ trials }: { readonly trials: readonly EndingTrial[] }) {
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  return (
    <section className="review-sheet" aria-labelledby="trials-title">
      <header>
        <h2 id="trials-title">{texts.whatIsAboutToEnd}</h2>
      </header>
      <p className="text-soft">
        {trials.length === 0 ? texts.noTrialWithADate : texts.trialsByTheirLastDay}
      </p>
      <ul className="note-list">
        {trials.map(({ plugin: id, until, daysLeft }) => {
          const plugin = pluginById.get(id);
          return (
            plugin && (
              <li key={id}>
                <Link to={`/plugin/${id}`}>{nameOf(plugin)}</Link>{' '}
                <span className="text-soft">
                  {until}, {trialWords(daysLeft)}
                </span>
              </li>
            )
          );
        })}
      </ul>
    </section>
  );
}
