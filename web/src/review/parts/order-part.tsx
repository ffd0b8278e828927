/** How good the order is. */
import { Link } from 'react-router';
import { folderIn, plural, type OrderReview } from '@clever-drawer/core';
import type { ReactNode } from 'react';
import { useArrangement, useOrder } from '../../studio/contexts.ts';
import { Bars, barsHeight } from '../pictures/bars.tsx';
import { useBehind } from '../pictures/behind.tsx';
import { Picture } from '../pictures/picture.tsx';
import { useNameOf } from '../use-name-of.ts';
import { groupWords } from './own-part.tsx';

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
    { id: 'hand', name: 'filed by hand', plugins: byHand },
    { id: 'smart', name: 'only by a rule', plugins: bySmart },
    { id: 'none', name: 'in no folder', plugins: nowhere },
  ];
  const share = (count: number): string => `${Math.round((100 * count) / Math.max(1, total))} %`;
  return (
    <Picture
      title="What is filed"
      says={`${share(byHand.length)} of ${plural(total, 'plugin')} stand in a folder that you made, ${share(nowhere.length)} in none.`}
      empty="Scan the places of your plugins: then it stands here how much of them is filed."
      figures={{
        heads: ['Where', 'Plugins'],
        rows: total === 0 ? [] : rows.map(({ name, plugins }) => [name, plugins.length]),
      }}
      height={barsHeight(rows.length)}
    >
      {(width) => (
        <Bars
          width={width}
          unit="plugins"
          bars={rows.map(({ id, name, plugins }) => ({
            id,
            name,
            whole: total,
            part: plugins.length,
            says: `${plugins.length}, ${share(plugins.length)}`,
            label: `${plural(plugins.length, 'plugin')} ${name}`,
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
      'Nearly the same',
      health.near.map(({ a, b, alike, both }) => ({
        key: `${a} ${b}`,
        folder: a,
        words: `and ${folder(b)}: ${Math.round(100 * alike)} % of what either holds stands in both`,
        plugins: both,
      })),
    ],
    [
      'Stands among others',
      health.strangers.map(({ folder: at, plugin: id, group }) => ({
        key: `${at} ${id}`,
        folder: at,
        words: `holds ${plugin(id)}, nearly all else there is ${groupWords(group)}`,
        plugins: [id],
      })),
    ],
    [
      'Nothing of it was ever loaded',
      health.unused.map(({ folder: at, plugins }) => ({
        key: at,
        folder: at,
        words: plural(plugins.length, 'plugin'),
        plugins,
      })),
    ],
    [
      'Never open when you loaded something',
      health.neverOpened.map(({ folder: at, plugins }) => ({
        key: at,
        folder: at,
        words: plural(plugins.length, 'plugin'),
        plugins,
      })),
    ],
    [
      'Smart folders that are empty',
      health.emptySmart.map((at) => ({
        key: at,
        folder: at,
        words: 'its rule takes nothing in',
        plugins: [],
      })),
    ],
    [
      'Smart folders that hold everything',
      health.fullSmart.map((at) => ({
        key: at,
        folder: at,
        words: 'its rule takes everything in',
        plugins: [],
      })),
    ],
  ];
  const told = sections.filter(([, notes]) => notes.length > 0);
  return (
    <section className="review-sheet" aria-labelledby="notes-title">
      <header>
        <h2 id="notes-title">Folders to look at</h2>
      </header>
      {told.length === 0 && (
        <p className="text-soft">
          No two folders are nearly the same, nothing stands among others, and every rule takes some
          in.
        </p>
      )}
      {told.map(([title, notes]) => (
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
                aria-label={`See the plugins: ${folder(id)}`}
                onClick={() => {
                  show(folder(id), plugins);
                }}
              >
                see them
              </button>
            )}
          </li>
        ))}
      </ul>
      {notes.length > shown && <p className="text-soft">And {notes.length - shown} more.</p>}
    </>
  );
}
