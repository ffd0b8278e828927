/** What one uses: when, after what, by which keys, and what gathers dust. */
import { useState } from 'react';
import { Button } from 'react-bootstrap';
import { nameLength } from '@clever-drawer/core/acts';
import { trackWords } from '@clever-drawer/core/loading';
import { dustAges, type MonthRows, type UseReview } from '@clever-drawer/core/review';
import { useActs, useCatalog } from '../../studio/contexts.ts';
import { chainAct } from '../model/advice-act.ts';
import { monthWords } from '../model/month-words.ts';
import { DustPlot, dustHeight, loadsWords } from '../pictures/dust-plot.tsx';
import { Grid, gridHeight } from '../pictures/grid.tsx';
import { KeysLine, keysHeight } from '../pictures/keys-line.tsx';
import { PairsLinks, pairsHeight } from '../pictures/pairs-links.tsx';
import { Picture } from '../pictures/picture.tsx';
import { useNameOf } from '../use-name-of.ts';
import { groupWords } from './own-part.tsx';
import * as texts from '../texts.ts';

interface Props {
  readonly review: UseReview;
  readonly isLearning: boolean;
}

export function UsePart({ review, isLearning }: Props) {
  if (!isLearning) {
    return (
      <section className="review-sheet">
        <h2>{texts.loadsAreNotRecorded}</h2>
        <p className="text-soft">{texts.youSwitchedThisOffYou}</p>
      </section>
    );
  }
  return (
    <div className="review-grid">
      <DustPicture review={review} />
      <MonthsPicture review={review} />
      <PairsPicture review={review} />
      <KeysPicture review={review} />
    </div>
  );
}

const afterAWeek = texts.afterAWeekOfLoading;

function DustPicture({ review: { dust } }: { readonly review: UseReview }) {
  const plugins = dust.reduce((sum, mark) => sum + mark.plugins.length, 0);
  const dusty = dust
    .filter(({ age }) => age >= 3)
    .reduce((sum, mark) => sum + mark.plugins.length, 0);
  return (
    <Picture
      title={texts.whatGathersDust}
      says={texts.ofWereNotLoadedForThree(dusty, plugins)}
      empty={texts.dustStandsHere(afterAWeek)}
      figures={{
        heads: [texts.lastLoaded, texts.loads, texts.plugins],
        rows: dust
          .toSorted((a, b) => a.age - b.age || a.loads - b.loads)
          .map(({ age, loads, plugins: ids }) => [
            dustAges[age]?.name ?? '',
            loadsWords(loads),
            ids.length,
          ]),
      }}
      height={dustHeight}
    >
      {(width) => <DustPlot width={width} marks={dust} />}
    </Picture>
  );
}

function MonthsPicture({ review }: { readonly review: UseReview }) {
  const [by, setBy] = useState<MonthRows>('group');
  const { months, rows, cells } = by === 'group' ? review.byGroup : review.byTrack;
  const shown = months.slice(-14);
  const words = (row: string): string =>
    by === 'group' ? groupWords(row) : trackWords[row as keyof typeof trackWords];
  const most = Math.max(1, ...cells.map(({ loads }) => loads));
  return (
    <Picture
      title={texts.whatYouUsedWhen}
      says={texts.loadsPerMonthDarkerIs}
      empty={texts.useStandsHere(afterAWeek)}
      figures={{
        heads: [
          texts.month,
          by === 'group' ? texts.group : texts.sortOfTrack,
          texts.loads,
          texts.plugins,
        ],
        rows: cells
          .toSorted((a, b) => (a.month < b.month ? -1 : 1))
          .map(({ month, row, loads, plugins }) => [month, words(row), loads, plugins.length]),
      }}
      height={gridHeight(Math.min(rows.length, 14))}
      tools={
        <button
          type="button"
          className="link-words"
          onClick={() => {
            setBy(by === 'group' ? 'track' : 'group');
          }}
        >
          {by === 'group' ? texts.bySortOfTrack : texts.byType}
        </button>
      }
    >
      {(width) => (
        <Grid
          width={width}
          rows={rows.slice(0, 14).map((id) => ({ id, name: words(id) }))}
          columns={shown.map((id) => ({ id, name: monthWords(id, true) }))}
          cells={cells.map(({ month, row, loads, plugins }) => ({
            row,
            column: month,
            value: loads,
            depth: Math.sqrt(loads / most) * 0.999,
            label: texts.loadsOfMonth(monthWords(month), words(row), loads, plugins.length),
            plugins,
          }))}
        />
      )}
    </Picture>
  );
}

/** Pairs that a picture has room for. */
const pairsShown = 12;

function PairsPicture({ review: { pairs, recurring } }: { readonly review: UseReview }) {
  const name = useNameOf();
  const shown = pairs.slice(0, pairsShown);
  return (
    <Picture
      title={texts.whatGoesWithWhat}
      says={texts.whichPluginYouLoadRight}
      empty={texts.pairsStandHere(afterAWeek)}
      figures={{
        heads: [
          texts.before,
          texts.after,
          texts.times,
          texts.support,
          texts.confidence,
          texts.lift,
        ],
        rows: pairs.map(({ before, after, times, support, confidence, lift }) => [
          name(before),
          name(after),
          times,
          Number(support.toFixed(4)),
          Number(confidence.toFixed(3)),
          Number(lift.toFixed(2)),
        ]),
      }}
      height={pairsHeight(shown) + 4}
      tools={
        recurring.some(({ plugins }) => plugins.length > 2) && <RowsMenu review={{ recurring }} />
      }
    >
      {(width) => <PairsLinks width={width} pairs={shown} nameOf={name} />}
    </Picture>
  );
}

/** Rows of three and more that came again, each with an offer to keep it. */
function RowsMenu({ review: { recurring } }: { readonly review: Pick<UseReview, 'recurring'> }) {
  const [isOpen, setOpen] = useState(false);
  return (
    <>
      <button
        type="button"
        className="link-words"
        onClick={() => {
          setOpen(!isOpen);
        }}
        aria-expanded={isOpen}
      >
        {texts.repeatedChains}
      </button>
      {isOpen && <Rows recurring={recurring.filter(({ plugins }) => plugins.length > 2)} />}
    </>
  );
}

function Rows({ recurring }: Pick<UseReview, 'recurring'>) {
  const { act } = useActs();
  const { pluginById, plugins: all } = useCatalog();
  const name = useNameOf();
  const kept = new Set(all.flatMap(({ chain }) => (chain ? [chain.join(' ')] : [])));
  return (
    <ul className="rows-again">
      {recurring.slice(0, 8).map(({ plugins, times }) => {
        const title = plugins.map(name).join(' → ');
        return (
          <li key={plugins.join()}>
            <span>
              {title} <span className="text-soft">{texts.timesItCame(times)}</span>
            </span>
            {kept.has(plugins.join(' ')) ? (
              <span className="text-soft">{texts.kept}</span>
            ) : (
              <Button
                variant="quiet"
                size="sm"
                aria-label={texts.keepAsAChain(title)}
                onClick={() => {
                  act(chainAct(title.slice(0, nameLength), plugins, pluginById));
                }}
              >
                {texts.keepItAsAChain}
              </Button>
            )}
          </li>
        );
      })}
    </ul>
  );
}

function KeysPicture({ review: { keys, byTrack, letters, slow } }: { readonly review: UseReview }) {
  const name = useNameOf();
  const pluginsOf = (month: string): string[] => [
    ...new Set(
      byTrack.cells.filter((cell) => cell.month === month).flatMap((cell) => cell.plugins),
    ),
  ];
  return (
    <Picture
      title={texts.howYouFind}
      says={[
        ...(letters.length > 0
          ? [
              texts.typedMostOften(
                letters
                  .slice(0, 6)
                  .map((one) => `“${one.letters}”`)
                  .join(', '),
              ),
            ]
          : []),
        ...(slow.length > 0
          ? [
              texts.slowToFind(
                slow
                  .slice(0, 3)
                  .map((one) => texts.pluginAndKeys(name(one.plugin), one.keys.toFixed(1)))
                  .join(', '),
              ),
            ]
          : []),
      ].join(' ')}
      empty={texts.keysStandHere(afterAWeek)}
      figures={{
        heads: [texts.month, texts.loads, texts.keysALoadColumn, texts.median, texts.seconds],
        rows: keys.map(({ month, loads, keys: mean, median, seconds }) => [
          month,
          loads,
          Number(mean.toFixed(2)),
          median,
          seconds === null ? '' : Number(seconds.toFixed(2)),
        ]),
      }}
      height={keysHeight}
    >
      {(width) => <KeysLine width={width} months={keys} pluginsOf={pluginsOf} />}
    </Picture>
  );
}
