/** What narrows the list, as a sentence whose words can be pressed. */
import { Search } from 'lucide-react';
import { memo, useMemo, useState, type ReactNode, type RefObject } from 'react';
import { Dropdown } from 'react-bootstrap';
import {
  plural,
  compareNames,
  formats,
  isNarrowed,
  kinds,
  noVendor,
  sortings,
  typeGroups,
  typeName,
  type Filter,
  type Plugin,
  type Row,
  kindWords,
} from '@clever-drawer/core';
import { useWriteTable } from '../annotate/use-write-table.ts';
import { useCatalog } from '../studio/contexts.ts';
import { fetchedLater } from '../ui/fetched-later.tsx';
import { MenuItem } from '../ui/menu-item.tsx';
import { FacetWords } from './facet-words.tsx';
import { clearFilter, type List } from './use-list.ts';
import * as texts from './texts.ts';

const KeepLink = fetchedLater(async () => (await import('./keep-link.tsx')).KeepLink);

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
  const optionsOf = useMemo<OptionsOf>(
    () => ({
      kind: kindOptions,
      type: () => typeOptions(plugins),
      vendor: () => vendorOptions(plugins),
      format: () => formatOptions(plugins),
    }),
    [plugins],
  );
  return (
    <search className="sentence" aria-label={texts.narrowTheList}>
      <SentenceWords filter={narrowing} setFilter={setFilter} optionsOf={optionsOf} />
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
  return (
    <div className="sentence-tools">
      <LettersField field={field} filter={filter} setFilter={setFilter} />
      <span className="shown" role="status">
        {isNarrowed(filter) ? (
          <>
            <strong>{rows.length}</strong>{' '}
            {texts.ofAll(plural(total, filter.kind === 'setting' ? 'setting' : 'plugin'))}{' '}
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
              title={texts.writeWhatIsShown}
              onClick={() => {
                writeTable(rows.map(({ plugin }) => plugin.id));
              }}
            >
              {texts.asATable}
            </button>
          </>
        ) : (
          <>{texts.all(total)}</>
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
        placeholder={texts.withTheLetters}
        aria-label={texts.lettersTheyHave}
        spellCheck={false}
        onChange={(event) => {
          setFilter({ text: event.target.value });
        }}
      />
      <kbd aria-hidden>/</kbd>
    </span>
  );
}

/** What can be chosen for each word, which is worked out when its menu is opened. */
type OptionsOf = Readonly<Record<'kind' | 'type' | 'vendor' | 'format', () => readonly Option[]>>;

interface SentenceWordsProps {
  readonly filter: Filter;
  readonly setFilter: (change: Partial<Filter>) => void;
  readonly optionsOf: OptionsOf;
}

const SentenceWords = memo(function WordsOfSentence({
  filter,
  setFilter,
  optionsOf,
}: SentenceWordsProps) {
  return (
    <p className="sentence-words">
      {texts.show}{' '}
      <Word
        name={texts.kind}
        value={filter.kind}
        text={kindText(filter.kind)}
        any={texts.allPlugins}
        optionsOf={optionsOf.kind}
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
        optionsOf={optionsOf.type}
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
        optionsOf={optionsOf.vendor}
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
        optionsOf={optionsOf.format}
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
        {filter.unfiled ? texts.inNoFolder : texts.filedOrNot}
      </button>
      <FacetWords filter={filter} setFilter={setFilter} />.
    </p>
  );
});

function kindText(kind: Filter['kind']): string {
  if (kind === null) {
    return texts.allPlugins;
  }
  return kind === 'setting' ? texts.savedSettings : kindWords[kind].many;
}

export interface Option {
  readonly value: string;
  readonly text: string;
  readonly count?: number;
  readonly isGroup?: boolean;
}

const kindOptions = (): Option[] =>
  [...kinds, 'setting' as const].map((kind) => ({ value: kind, text: kindText(kind) }));

const formatOptions = (plugins: readonly Plugin[]): Option[] =>
  formats
    .filter((f) => plugins.some((p) => p.copies.some((c) => c.format === f)))
    .map((f) => ({ value: f, text: f }));

function typeOptions(plugins: readonly Plugin[]): Option[] {
  const counts = new Map<string, number>();
  const count = (id: string): void => {
    counts.set(id, (counts.get(id) ?? 0) + 1);
  };
  for (const plugin of plugins) {
    if (plugin.types.length === 0) {
      count('none');
    }
    for (const id of new Set(plugin.types.flatMap((t) => [t, t.split('/')[0] ?? t]))) {
      count(id);
    }
  }
  const of = (id: string, text: string, isGroup: boolean): Option[] =>
    counts.has(id) ? [{ value: id, text, count: counts.get(id) ?? 0, isGroup }] : [];
  return [
    ...typeGroups.flatMap((g) => [
      ...of(g.id, g.name, true),
      ...g.types.flatMap((t) => of(t.id, t.name, false)),
    ]),
    ...of('none', texts.withoutType, true),
  ];
}

function vendorOptions(plugins: readonly Plugin[]): Option[] {
  const counts = new Map<string, number>();
  for (const plugin of plugins) {
    counts.set(plugin.vendor ?? noVendor, (counts.get(plugin.vendor ?? noVendor) ?? 0) + 1);
  }
  return [...counts]
    .sort(([a], [b]) => compareNames(a, b))
    .map(([value, count]) => ({ value, text: value, count }));
}

interface WordProps {
  readonly name: string;
  readonly value: string | null;
  readonly text: string;
  readonly any: string;
  readonly optionsOf: () => readonly Option[];
  readonly onPick: (value: string | null) => void;
}

/** More options than this get a field to narrow them. */
const manyOptions = 12;

function Word({ name, value, text, any, optionsOf, onPick }: WordProps): ReactNode {
  const [letters, setLetters] = useState('');
  return (
    <Dropdown
      as="span"
      onSelect={(key) => {
        onPick(key === '' ? null : key);
      }}
      onToggle={() => {
        setLetters('');
      }}
    >
      <Dropdown.Toggle
        as="button"
        type="button"
        className={`word ${value === null ? '' : 'set'}`}
        aria-label={`${name}: ${text}`}
      >
        {text}
      </Dropdown.Toggle>
      <Dropdown.Menu>
        <WordOptions
          optionsOf={optionsOf}
          name={name}
          letters={letters}
          setLetters={setLetters}
          value={value}
          any={any}
        />
      </Dropdown.Menu>
    </Dropdown>
  );
}

interface WordOptionsProps {
  readonly optionsOf: () => readonly Option[];
  readonly name: string;
  readonly letters: string;
  readonly setLetters: React.Dispatch<React.SetStateAction<string>>;
  readonly value: string | null;
  readonly any: string;
}

/** Drawn when the menu is opened first. */
function WordOptions({ optionsOf, name, letters, setLetters, value, any }: WordOptionsProps) {
  const options = useMemo(() => optionsOf(), [optionsOf]);
  const shown = options.filter((o) => o.text.toLowerCase().includes(letters.toLowerCase()));
  return (
    <>
      {options.length > manyOptions && (
        <div className="menu-field">
          <input
            className="form-control form-control-sm"
            autoFocus
            placeholder={texts.letters}
            aria-label={texts.lettersOf(name)}
            value={letters}
            onChange={(event) => {
              setLetters(event.target.value);
            }}
          />
        </div>
      )}
      {letters === '' && (
        <MenuItem eventKey="" active={value === null}>
          {any}
        </MenuItem>
      )}
      {shown.map((o) => (
        <MenuItem
          key={o.value}
          eventKey={o.value}
          active={value === o.value}
          className={`option ${o.isGroup === false ? 'lower' : ''} ${o.isGroup ? 'upper' : ''}`}
        >
          <span>{o.text}</span>
          {o.count !== undefined && <span className="option-count">{o.count}</span>}
        </MenuItem>
      ))}
      {shown.length === 0 && (
        <div className="px-3 py-1 text-soft">{texts.nothingHasTheseLetters}</div>
      )}
    </>
  );
}

/** How the list is lined up. */
export function LineUp({ list }: { list: List }) {
  return (
    <span className="line-up">
      {texts.lineUpBy}
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

function typeText(type: string | null): string {
  if (type === null) {
    return texts.anyType;
  }
  return type === 'none' ? texts.withoutType : typeName(type);
}
