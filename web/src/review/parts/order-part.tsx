/** How good the order is. */
import { Link } from 'react-router';
import { folderIn } from '@clever-drawer/core/order';
import type { OrderReview } from '@clever-drawer/core/review';
import { plural } from '@clever-drawer/core/text';
import type { ReactNode } from 'react';
import { useArrangement, useOrder } from '../../studio/contexts.ts';
import { Bars, barsHeight } from '../pictures/bars.tsx';
import { useBehind } from '../pictures/behind.tsx';
import { Picture } from '../pictures/picture.tsx';
import { useNameOf } from '../use-name-of.ts';
import { groupWords } from './own-part.tsx';
import * as texts from '../texts.ts';

export function OrderPart({ review }: { readonly review: OrderReview }) {
  return (
    <div className="review-grid">
      <FiledPicture review={review} />
      <FolderNotes review={review} />
    </div>
  );
}

function FiledPicture({ review: { health } }: { readonly review: OrderReview }) {
  const { byHand, bySmart, nowhere } = health.filed;
  const total = byHand.length + bySmart.length + nowhere.length;
  const rows = [
    { id: 'hand', name: texts.filedByHand, plugins: byHand },
    { id: 'smart', name: texts.onlyByARule, plugins: bySmart },
    { id: 'none', name: texts.unfiled, plugins: nowhere },
  ];
  const share = (count: number): string => `${Math.round((100 * count) / Math.max(1, total))} %`;
  return (
    <Picture
      title={texts.whatIsFiled}
      says={texts.ofAreInAFolder(share(byHand.length), total, share(nowhere.length))}
      empty={texts.scanToSeeHowMuchIsFiled}
      figures={{
        heads: [texts.where, texts.plugins],
        rows: total === 0 ? [] : rows.map(({ name, plugins }) => [name, plugins.length]),
      }}
      height={barsHeight(rows.length)}
    >
      {(width) => (
        <Bars
          width={width}
          unit={texts.pluginsUnit}
          bars={rows.map(({ id, name, plugins }) => ({
            id,
            name,
            whole: total,
            part: plugins.length,
            says: texts.countAndShare(plugins.length, share(plugins.length)),
            label: texts.pluginsThatAre(plugins.length, name),
            plugins,
          }))}
        />
      )}
    </Picture>
  );
}

interface Note {
  readonly key: string;
  readonly folder: string;
  readonly words: ReactNode;
  readonly plugins: readonly string[];
}

/** Notes of one kind shown at once. */
const shown = 8;

function FolderNotes({ review: { health } }: { readonly review: OrderReview }) {
  const { order } = useOrder();
  const plugin = useNameOf();
  const folder = (id: string): string => folderIn(order.records, id)?.name ?? '';
  const sections: readonly (readonly [string, readonly Note[]])[] = [
    [
      texts.nearlyTheSame,
      health.near.map(({ a, b, alike, both }) => ({
        key: `${a} ${b}`,
        folder: a,
        words: texts.andOfTheirPluginsAre(folder(b), Math.round(100 * alike)),
        plugins: both,
      })),
    ],
    [
      texts.outOfPlace,
      health.strangers.map(({ folder: at, plugin: id, group }) => ({
        key: `${at} ${id}`,
        folder: at,
        words: texts.holdsNearlyAllElseThereIs(plugin(id), groupWords(group)),
        plugins: [id],
      })),
    ],
    [
      texts.nothingInItWasEver,
      health.unused.map(({ folder: at, plugins }) => ({
        key: at,
        folder: at,
        words: plural(plugins.length, 'plugin'),
        plugins,
      })),
    ],
    [
      texts.neverOpenWhenYouLoadedSomething,
      health.neverOpened.map(({ folder: at, plugins }) => ({
        key: at,
        folder: at,
        words: plural(plugins.length, 'plugin'),
        plugins,
      })),
    ],
    [
      texts.smartFoldersThatAreEmpty,
      health.emptySmart.map((at) => ({
        key: at,
        folder: at,
        words: texts.itsRuleMatchesNothing,
        plugins: [],
      })),
    ],
    [
      texts.smartFoldersThatHoldEverything,
      health.fullSmart.map((at) => ({
        key: at,
        folder: at,
        words: texts.itsRuleMatchesEverything,
        plugins: [],
      })),
    ],
  ];
  const filled = sections.filter(([, notes]) => notes.length > 0);
  return (
    <section className="review-sheet" aria-labelledby="notes-title">
      <header>
        <h2 id="notes-title">{texts.foldersToLookAt}</h2>
      </header>
      {filled.length === 0 && <p className="text-soft">{texts.noTwoFoldersAreNearly}</p>}
      {filled.map(([title, notes]) => (
        <NoteSection key={title} title={title} notes={notes} folder={folder} />
      ))}
    </section>
  );
}

/** Leads to the folder in its cabinet. */
function FolderLink({ id }: { readonly id: string }) {
  const { order } = useOrder();
  const { chooseCabinet } = useArrangement();
  const folder = folderIn(order.records, id);
  return (
    folder && (
      <Link
        to={`/file?open=${id}`}
        onClick={() => {
          chooseCabinet(folder.cabinet);
        }}
      >
        {folder.name}
      </Link>
    )
  );
}

interface NoteSectionProps {
  readonly title: string;
  readonly notes: readonly Note[];
  readonly folder: (id: string) => string;
}

function NoteSection({ title, notes, folder }: NoteSectionProps) {
  const { show } = useBehind();
  return (
    <>
      <h3>{title}</h3>
      <ul className="note-list">
        {notes.slice(0, shown).map(({ key, folder: id, words, plugins }) => (
          <li key={key}>
            <FolderLink id={id} /> <span>{words}</span>{' '}
            {plugins.length > 1 && (
              <button
                type="button"
                className="link-words"
                aria-label={texts.seeThePlugins(folder(id))}
                onClick={() => {
                  show(folder(id), plugins);
                }}
              >
                {texts.seeThem}
              </button>
            )}
          </li>
        ))}
      </ul>
      {notes.length > shown && <p className="text-soft">{texts.andMore(notes.length - shown)}</p>}
    </>
  );
}
