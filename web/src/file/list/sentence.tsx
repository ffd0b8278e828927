/** What narrows the list, as a sentence whose words can be pressed. */
import { Search } from 'lucide-react';
import { memo, useMemo, useState, type ReactNode, type RefObject } from 'react';
import { isGone, type Plugin } from '@clever-drawer/core/catalog';
import { formats } from '@clever-drawer/core/formats';
import { isNarrowed, sortings, type Filter, type Row } from '@clever-drawer/core/search';
import { plural } from '@clever-drawer/core/text';
import { useWriteTable } from '../../annotate/use-write-table.ts';
import { useCatalog } from '../../studio/contexts.ts';
import { KeepLink, WordOptions } from '../forms/behind.ts';
import { Menu } from '../../ui/menu.tsx';
import { FacetWords } from './facet-words.tsx';
import { clearFilter, type List } from './use-list.ts';
import { kindText, typeText } from '../model/filter-words.ts';
import type { WordOf } from './word-options.tsx';
import * as texts from '../texts.ts';

export function Sentence({
  list,
  field,
}: {
  list: List;
  field: RefObject<HTMLInputElement | null>;
}) {
  const { plugins } = useCatalog();
  const { filter, setFilter, rows, total } = list;
  const narrowing = useWithoutLetters(filter);
  return (
    <search className="sentence" aria-label={texts.filterTheList}>
      <SentenceWords filter={narrowing} setFilter={setFilter} plugins={plugins} />
      <SentenceTools
        field={field}
        filter={filter}
        setFilter={setFilter}
        rows={rows}
        total={total}
      />
    </search>
  );
}

/** The same object while letters are typed: the words need not be drawn again for these. */
function useWithoutLetters({ kind, type, vendor, format, unfiled, facets }: Filter): Filter {
  return useMemo(
    () => ({ kind, type, vendor, format, unfiled, facets, text: '' }),
    [kind, type, vendor, format, unfiled, facets],
  );
}

interface SentenceToolsProps {
  readonly field: RefObject<HTMLInputElement | null>;
  readonly filter: Filter;
  readonly setFilter: (change: Partial<Filter>) => void;
  readonly rows: readonly Row[];
  readonly total: number;
}

function SentenceTools({ field, filter, setFilter, rows, total }: SentenceToolsProps) {
  const writeTable = useWriteTable();
  const gone = rows.filter(({ plugin }) => isGone(plugin)).length;
  return (
    <div className="sentence-tools">
      <LettersField field={field} filter={filter} setFilter={setFilter} />
      <span className="shown" role="status">
        {isNarrowed(filter) ? (
          <>
            <strong>{rows.length - gone}</strong>{' '}
            {texts.ofAll(plural(total, filter.kind === 'setting' ? 'setting' : 'plugin'))}
            {texts.andGone(gone)}{' '}
            <button
              type="button"
              className="link-words"
              onClick={() => {
                setFilter(clearFilter);
              }}
            >
              {texts.showAll}
            </button>{' '}
            <kbd>Esc</kbd> <KeepLink filter={filter} />{' '}
            <button
              type="button"
              className="link-words"
              title={texts.exportThisListForA}
              onClick={() => {
                writeTable(rows.map(({ plugin }) => plugin.id));
              }}
            >
              {texts.exportAsCsv}
            </button>
          </>
        ) : (
          <>
            {texts.all(total)}
            {texts.andGone(gone)}
          </>
        )}
      </span>
    </div>
  );
}

interface LettersFieldProps {
  readonly field: RefObject<HTMLInputElement | null>;
  readonly filter: Filter;
  readonly setFilter: (change: Partial<Filter>) => void;
}

function LettersField({ field, filter, setFilter }: LettersFieldProps) {
  return (
    <span className="search-field">
      <Search size={14} aria-hidden />
      <input
        className="form-control form-control-sm"
        ref={field}
        type="text"
        value={filter.text}
        placeholder={texts.search}
        aria-label={texts.searchLabel}
        spellCheck={false}
        onChange={(event) => {
          setFilter({ text: event.target.value });
        }}
      />
      <kbd aria-hidden>/</kbd>
    </span>
  );
}

interface SentenceWordsProps {
  readonly filter: Filter;
  readonly setFilter: (change: Partial<Filter>) => void;
  readonly plugins: readonly Plugin[];
}

const SentenceWords = memo(function WordsOfSentence({
  filter,
  setFilter,
  plugins,
}: SentenceWordsProps) {
  return (
    <p className="sentence-words">
      {texts.show}{' '}
      <Word
        name={texts.kind}
        value={filter.kind}
        text={kindText(filter.kind)}
        any={texts.allPlugins}
        what="kind"
        plugins={plugins}
        onPick={(kind) => {
          setFilter({ kind: kind as Filter['kind'] });
        }}
      />{' '}
      {texts.of}{' '}
      <Word
        name={texts.type}
        value={filter.type}
        text={typeText(filter.type)}
        any={texts.anyType}
        what="type"
        plugins={plugins}
        onPick={(type) => {
          setFilter({ type });
        }}
      />{' '}
      {texts.from}{' '}
      <Word
        name={texts.vendor}
        value={filter.vendor}
        text={filter.vendor ?? texts.anyVendor}
        any={texts.anyVendor}
        what="vendor"
        plugins={plugins}
        onPick={(vendor) => {
          setFilter({ vendor });
        }}
      />{' '}
      {texts.inFormat}{' '}
      <Word
        name={texts.format}
        value={filter.format}
        text={filter.format ?? texts.anyFormat}
        any={texts.anyFormat}
        what="format"
        plugins={plugins}
        onPick={(format) => {
          setFilter({ format: formats.find((f) => f === format) ?? null });
        }}
      />
      ,{' '}
      <button
        type="button"
        className={`word ${filter.unfiled ? 'set' : ''}`}
        aria-pressed={filter.unfiled}
        onClick={() => {
          setFilter({ unfiled: !filter.unfiled });
        }}
      >
        {filter.unfiled ? texts.unfiled : texts.filedOrNot}
      </button>
      <FacetWords filter={filter} setFilter={setFilter} />.
    </p>
  );
});

interface WordProps {
  readonly name: string;
  readonly value: string | null;
  readonly text: string;
  readonly any: string;
  readonly what: WordOf;
  readonly plugins: readonly Plugin[];
  readonly onPick: (value: string | null) => void;
}

function Word({ name, value, text, any, what, plugins, onPick }: WordProps): ReactNode {
  const [letters, setLetters] = useState('');
  return (
    <Menu
      as="span"
      className={`word ${value === null ? '' : 'set'}`}
      label={`${name}: ${text}`}
      onSelect={(key) => {
        onPick(key === '' ? null : key);
      }}
      onToggle={() => {
        setLetters('');
      }}
      items={
        <WordOptions
          what={what}
          plugins={plugins}
          name={name}
          letters={letters}
          setLetters={setLetters}
          value={value}
          any={any}
        />
      }
    >
      {text}
    </Menu>
  );
}

/** How the list is lined up. */
export function LineUp({ list }: { list: List }) {
  return (
    <span className="line-up">
      {texts.orderBy}
      {sortings.map((sorting) => (
        <button
          key={sorting}
          type="button"
          className="line-word"
          aria-pressed={list.sorting === sorting}
          onClick={() => {
            list.setSorting(sorting);
          }}
        >
          {texts.listSortings[sorting]}
        </button>
      ))}
    </span>
  );
}
