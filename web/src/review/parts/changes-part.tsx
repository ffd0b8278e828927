/** What came, went and was updated, and what is about to end. */
import { Link } from 'react-router';
import { plural, type EndingTrial, type ChangesReview } from '@clever-drawer/core';
import { useArrangement, useCatalog } from '../../studio/contexts.ts';
import { ComingsColumns, comingsHeight } from '../pictures/comings-columns.tsx';
import { Picture } from '../pictures/picture.tsx';

export function ChangesPart({ review }: { readonly review: ChangesReview }) {
  const { comings } = review;
  return (
    <div className="review-grid">
      <Picture
        title="What came, went and was updated"
        says="By month, as scans found it; the first scan, which found all, is left out."
        empty="Nothing came, went or was updated since the first scan, in this time."
        figures={{
          heads: ['Month', 'Came', 'Updated', 'Went'],
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
    return `ended ${plural(-daysLeft, 'day')} ago`;
  }
  return daysLeft === 0 ? 'ends today' : `${plural(daysLeft, 'day')} left`;
}

function Trials({ trials }: { readonly trials: readonly EndingTrial[] }) {
  const { pluginById } = useCatalog();
  const { nameOf } = useArrangement();
  return (
    <section className="review-sheet" aria-labelledby="trials-title">
      <header>
        <h2 id="trials-title">What is about to end</h2>
      </header>
      <p className="text-soft">
        {trials.length === 0
          ? 'No trial with a day. Say on a plugin’s page that it is a trial and until when: then it stands here.'
          : 'Trials, by the day that you said.'}
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
