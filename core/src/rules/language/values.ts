/** The values of lines: from how one writes them to how they are compared, and back. */
import { editDistance } from '../../text/edit-distance.ts';
import { licenceStates } from '../../catalog/answer.ts';
import { kinds } from '../../catalog/kind.ts';
import { formats } from '../../formats/found-copy.ts';
import { memoizeByObject } from '../../memoize.ts';
import { compareNames } from '../../text/compare.ts';
import { isDay } from '../../text/day.ts';
import { fold } from '../../text/fold.ts';
import { typeGroups, typeName } from '../../taxonomy/tree.ts';
import { daysOf, fields, ruleLimits, units, type Field, type Relation } from './rule.ts';

/** A folder that a rule can name: its id and its name, with those it stands in before it. */
export interface NamedFolder {
  readonly id: string;
  readonly path: readonly string[];
}

/** What is known where the rule is written. Without folders, names of folders stand for themselves. */
export interface RuleWords {
  readonly folders: readonly NamedFolder[];
}
/** For rules that name no folder. */
export const noWords: RuleWords = { folders: [] };

/** States that can be asked about. */
export const states = ['present', 'hidden', 'failed', 'out of reach', 'gone'] as const;
/** One of the states of a plugin. */
export type State = (typeof states)[number];
const bits = ['64', '32'] as const;
/** What stands in the catalog beside plugins. */
export const things = ['plugin', 'chain', 'setting'] as const;

/** A value as understood, or what is wrong with it and what would be understood. */
export type Understood =
  | { readonly ok: true; readonly value: string }
  | { readonly ok: false; readonly detail: string; readonly known: readonly string[] };

const fine = (value: string): Understood => ({ ok: true, value });
const wrong = (detail: string, known: readonly string[] = []): Understood => ({
  ok: false,
  detail,
  known,
});

/** Values with the texts they may be written as; the first text is how they are written back. */
type Writings = readonly (readonly [value: string, ...texts: string[]])[];
const plain = (values: readonly string[]): Writings =>
  values.map((value) => [value, value.replaceAll('-', ' '), value] as const);

/** Groups come before their types, so that “delay” is the group, which includes its types. */
const typeWritings: Writings = typeGroups.flatMap((group) => [
  [group.id, group.name.toLowerCase(), group.id] as const,
  ...group.types.map(
    (type) =>
      [type.id, type.name.toLowerCase(), type.id, type.id.slice(group.id.length + 1)] as const,
  ),
]);

/**
 * Values by the folded texts they may be written as, and for each the first of its texts that is
 * understood as it and no other.
 */
interface Table {
  readonly valueOf: ReadonlyMap<string, string>;
  readonly textOf: ReadonlyMap<string, string>;
}

function tableOf(writings: Writings): Table {
  const valueOf = new Map<string, string>();
  for (const [value, ...texts] of writings) {
    for (const text of texts) {
      if (!valueOf.has(fold(text))) {
        valueOf.set(fold(text), value);
      }
    }
  }
  return {
    valueOf,
    textOf: new Map(
      writings.map(([value, ...texts]) => [
        value,
        texts.find((text) => valueOf.get(fold(text)) === value) ?? value,
      ]),
    ),
  };
}

const fixed: Readonly<Partial<Record<Field, Table>>> = {
  type: tableOf(typeWritings),
  kind: tableOf(plain(kinds)),
  thing: tableOf(things.map((one) => [one, one, `a ${one}`] as const)),
  format: tableOf(formats.map((format) => [format, format] as const)),
  bits: tableOf(bits.map((one) => [one, one, `${one} bit`, `${one}-bit`] as const)),
  licence: tableOf(plain([...licenceStates, 'unknown'])),
  state: tableOf(plain(states)),
};
const folderTable = memoizeByObject(
  ({ folders }: RuleWords): Table => tableOf(folderWritings(folders)),
);

function tableFor(field: Field, words: RuleWords): Table | null {
  if (field !== 'folder') {
    return fixed[field] ?? null;
  }
  return folderTable(words);
}

/** Folders by their name, those of which several have it by their whole path. */
function folderWritings(folders: readonly NamedFolder[]): Writings {
  const paths = folders.map(({ path }) => path.join(' / '));
  const counts = new Map<string, number>();
  const countOf = (name: string): number => counts.get(fold(name)) ?? 0;
  for (const { path } of folders) {
    counts.set(fold(path.at(-1) ?? ''), countOf(path.at(-1) ?? '') + 1);
  }
  return folders.map(({ id, path }, i) => {
    const name = path.at(-1) ?? '';
    const full = paths[i] ?? name;
    return countOf(name) === 1 ? ([id, name, full, id] as const) : ([id, full, id] as const);
  });
}

/** All values a field knows, with the text they are written as; null where any text will do. */
export function knownValues(
  field: Field,
  words: RuleWords,
): { readonly value: string; readonly text: string }[] | null {
  const table = tableFor(field, words);
  return table && [...table.textOf].map(([value, text]) => ({ value, text }));
}

/** A value as one writes it, for a line of that field and relation. */
export function understand(
  field: Field,
  relation: Relation,
  text: string,
  words: RuleWords,
): Understood {
  const typed = text.trim().replace(/\s+/g, ' ');
  if (typed === '') {
    return wrong('Something should stand here.');
  }
  if (typed.length > ruleLimits.value) {
    return wrong(`A value has at most ${ruleLimits.value} letters.`);
  }
  switch (fields[field]) {
    case 'text':
      return /[\p{L}\p{N}]/u.test(typed) ||
        relation === 'is' ||
        relation === 'is not' ||
        relation === 'has letters'
        ? fine(typed)
        : wrong('A word needs at least one letter or figure.');
    case 'version':
      return /\d/.test(typed) ? fine(typed) : wrong('A version has figures, such as 2.1.');
    case 'number':
      return /^\d{1,9}$/.test(typed)
        ? fine(String(Number(typed)))
        : wrong('A whole number should stand here, such as 10.');
    case 'time':
      return relation.startsWith('within') || relation.startsWith('not within')
        ? span(typed)
        : day(typed);
    case 'set':
      return oneOf(field, typed, words);
    default:
      return fields[field] satisfies never;
  }
}

function oneOf(field: Field, typed: string, words: RuleWords): Understood {
  if (field === 'folder' && words.folders.length === 0) {
    return fine(typed);
  }
  const table = tableFor(field, words);
  const found = table?.valueOf.get(fold(typed));
  if (found !== undefined) {
    return fine(found);
  }
  const twins =
    field === 'folder'
      ? words.folders.filter(({ path }) => fold(path.at(-1) ?? '') === fold(typed))
      : [];
  return twins.length > 1
    ? wrong(
        `Several folders are called “${typed}”.`,
        twins.map(({ path }) => path.join(' / ')),
      )
    : wrong(
        `“${typed}” is no ${field} that is known here.`,
        nearest(typed, [...(table?.textOf.values() ?? [])]),
      );
}

function span(typed: string): Understood {
  const match = /^(\d{1,5})\s*([a-z]+)$/i.exec(typed);
  const unit = Object.keys(units).find(
    (one) => one === match?.[2]?.toLowerCase().replace(/s$/, ''),
  );
  if (!match || unit === undefined) {
    return wrong(
      'A span of time should stand here, such as 30 days, 2 weeks, 6 months or 1 year.',
      ['7 days', '30 days', '6 months'],
    );
  }
  const value = `${Number(match[1])} ${unit}${Number(match[1]) === 1 ? '' : 's'}`;
  return daysOf(value) === null
    ? wrong('A span of time has a number of days, weeks, months or years.')
    : fine(value);
}

function day(typed: string): Understood {
  return isDay(typed)
    ? fine(typed)
    : wrong('A day should stand here as year-month-day, such as 2026-01-31.');
}

/** A value as one would write it, so that it is understood as the same again. */
export const writeValue = (field: Field, value: string, words: RuleWords): string =>
  tableFor(field, words)?.textOf.get(value) ?? value;

/** A value as it is said in a sentence. */
export const sayValue = (field: Field, value: string, words: RuleWords): string => {
  if (field === 'type') {
    return typeName(value);
  }
  if (field === 'bits') {
    return `${value} bit`;
  }
  return writeValue(field, value, words);
};

/**
 * Of the known texts those most like what was typed, at most five: those that begin alike, then
 * those with few other letters.
 */
export function nearest(typed: string, known: readonly string[]): string[] {
  const letters = fold(typed);
  const farthest = letters.length < 5 ? 1 : 2;
  const distance = (text: string): number => {
    const other = fold(text);
    if (other.startsWith(letters) || letters.startsWith(other)) {
      return 0;
    }
    if (other.includes(letters)) {
      return 1;
    }
    if (Math.abs(other.length - letters.length) > farthest) {
      return Infinity;
    }
    return editDistance(letters, other);
  };
  return [...new Set(known)]
    .map((text) => ({ text, away: distance(text) }))
    .filter(({ away }) => away <= farthest)
    .sort((a, b) => a.away - b.away || compareNames(a.text, b.text))
    .slice(0, 5)
    .map(({ text }) => text);
}
