/** Plugins that are alike, of which at most one is used. */
import type { OwnReview } from '@clever-drawer/core/review';
import { useBehind } from '../pictures/behind.tsx';
import { useNameOf } from '../use-name-of.ts';
import * as texts from '../texts.ts';

const shown = 12;

export function DoublesList({ review: { doubles } }: { readonly review: OwnReview }) {
  const name = useNameOf();
  const { show } = useBehind();
  return (
    <section className="review-sheet" aria-labelledby="doubles-title">
      <header>
        <h2 id="doubles-title">{texts.whatDoubles}</h2>
      </header>
      <p className="text-soft">
        {doubles.length === 0 ? texts.noSimilarPluginsInOne : texts.similarInSeriesTypeAnd}
      </p>
      <ul className="note-list">
        {doubles.slice(0, shown).map(({ plugins, used }) => (
          <li key={plugins.join()}>
            <button
              type="button"
              className="link-words"
              onClick={() => {
                show(texts.alikeInSeriesShort, plugins);
              }}
            >
              {plugins.map(name).join(', ')}
            </button>{' '}
            <span className="text-soft">
              {used === null ? texts.noneUsed : texts.youUse(name(used))}
            </span>
          </li>
        ))}
      </ul>
      {doubles.length > shown && (
        <p className="text-soft">{texts.countAnd(doubles.length - shown)}</p>
      )}
    </section>
  );
}
