/** What can be chosen for a word of the sentence. */
import { useMemo } from 'react';
import { kinds, type Plugin } from '@clever-drawer/core/catalog';
import { formats } from '@clever-drawer/core/formats';
import { noVendor } from '@clever-drawer/core/search';
import { typeGroups } from '@clever-drawer/core/taxonomy';
import { compareNames } from '@clever-drawer/core/text';
import { MenuItem } from '../../ui/menu-item.tsx';
import { kindText } from '../model/filter-words.ts';
import * as formTexts from '../forms/texts.ts';
import * as texts from '../texts.ts';

interface Option {
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

const optionsOf = {
  kind: kindOptions,
  type: typeOptions,
  vendor: vendorOptions,
  format: formatOptions,
} as const satisfies Record<string, (plugins: readonly Plugin[]) => Option[]>;
/** A word of the sentence for which something can be chosen. */
export type WordOf = keyof typeof optionsOf;

/** More options than this get a field to narrow them. */
const manyOptions = 12;

interface WordOptionsProps {
  readonly what: WordOf;
  readonly plugins: readonly Plugin[];
  readonly name: string;
  readonly letters: string;
  readonly setLetters: React.Dispatch<React.SetStateAction<string>>;
  readonly value: string | null;
  readonly any: string;
}

/** Drawn when the menu is opened first. */
export function WordOptions({
  what,
  plugins,
  name,
  letters,
  setLetters,
  value,
  any,
}: WordOptionsProps) {
  const options = useMemo(() => optionsOf[what](plugins), [what, plugins]);
  const shown = options.filter((o) => o.text.toLowerCase().includes(letters.toLowerCase()));
  return (
    <>
      {options.length > manyOptions && (
        <div className="menu-field">
          <input
            className="form-control form-control-sm"
            autoFocus
            placeholder={formTexts.search}
            aria-label={formTexts.lettersOf(name)}
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
      {shown.length === 0 && <div className="px-3 py-1 text-soft">{formTexts.noMatches}</div>}
    </>
  );
}
