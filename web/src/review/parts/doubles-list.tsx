/** Plugins that are alike, of which at most one is used. */
import { plural, type OwnReview } from '@clever-drawer/core';
import { useBehind } from '../pictures/behind.tsx';
import { useNameOf } from '../use-name-of.ts';

const shown = 12;

export function DoublesList({ review: { doubles } }: { readonly review: OwnReview }) {
  const name = useNameOf();
  const { show } = useBehind();
  return (
    <section className="review-sheet" aria-labelledby="doubles-title">
      <header>
        <h2 id="doubles-title">What doubles</h2>
      </header>
      <p className="text-soft">
        {doubles.length === 0
          ? 'No plugins of one series are alike in type and ports while you use at most one of them.'
          : 'Alike in series, type and ports, and you use at most one of them.'}
      </p>
      <ul className="note-list">
        {doubles.slice(0, shown).map(({ plugins, used }) => (
          <li key={plugins.join()}>
            <button
              type="button"
              className="link-words"
              onClick={() => {
                show('Alike in series, type and ports', plugins);
              }}
            >
              {plugins.map(name).join(', ')}
            </button>{' '}
            <span className="text-soft">
              {used === null ? 'none used' : `you use ${name(used)}`}
            </span>
          </li>
        ))}
      </ul>
      {doubles.length > shown && (
        <p className="text-soft">And {plural(doubles.length - shown, 'more group')}.</p>
      )}
    </section>
  );
}
