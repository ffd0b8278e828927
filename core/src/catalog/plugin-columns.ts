/**
 * Plugins by column, as a whole catalog is sent: what many of them have stands there once. It is a third
 * as long as JSON of each, and a window reads it in half the time (docs/benchmarks.md).
 */
import { fileNameOf } from '../formats/file-name.ts';
import type { Format } from '../formats/found-copy.ts';
import type { CopyId, PluginId } from '../id.ts';
import type { Kind } from './kind.ts';
import type { CopyCard, Plugin } from './plugin.ts';

/** A column of which many lines have the same: each value once, and for each line the place of its own. */
export interface SharedColumn<T> {
  readonly values: readonly T[];
  readonly at: readonly number[];
}

/** What is known of a copy's state. */
type Standing = Pick<CopyCard, 'state' | 'hasPicture' | 'is32Bit' | 'isFailed' | 'lacksProgram'>;

/** Copies, a line each, in the order of their plugins. */
interface CopyColumns {
  readonly id: readonly CopyId[];
  readonly format: SharedColumn<Format>;
  /** What of the path stands in front of the last name in it, with what parts both. */
  readonly directory: SharedColumn<string>;
  readonly file: readonly string[];
  readonly version: SharedColumn<string | null>;
  readonly standing: SharedColumn<Standing>;
  readonly audioIn: readonly (number | null)[];
  readonly audioOut: readonly (number | null)[];
}

/** Plugins, a line each. */
export interface PluginColumns {
  readonly id: readonly PluginId[];
  readonly name: readonly string[];
  readonly vendor: SharedColumn<string | null>;
  readonly kind: SharedColumn<Kind>;
  readonly types: SharedColumn<readonly string[]>;
  readonly arrived: SharedColumn<string>;
  /** How many copies each has. */
  readonly copyCount: readonly number[];
  readonly copies: CopyColumns;
}

/** A plugin that a computer's disks hold: no chain, and no setting. */
export type PluginOnDisk = Omit<Plugin, 'chain' | 'setting'>;

/** Plugins as columns, in their order. */
export function toColumns(plugins: readonly PluginOnDisk[]): PluginColumns {
  return {
    id: plugins.map(({ id }) => id),
    name: plugins.map(({ name }) => name),
    vendor: shared(plugins.map(({ vendor }) => vendor)),
    kind: shared(plugins.map(({ kind }) => kind)),
    types: shared(
      plugins.map(({ types }) => types),
      (types) => JSON.stringify(types),
    ),
    arrived: shared(plugins.map(({ arrived }) => arrived)),
    copyCount: plugins.map(({ copies }) => copies.length),
    copies: copyColumns(plugins.flatMap(({ copies }) => copies)),
  };
}

function copyColumns(copies: readonly CopyCard[]): CopyColumns {
  return {
    id: copies.map(({ id }) => id),
    format: shared(copies.map(({ format }) => format)),
    directory: shared(copies.map(({ path }) => directoryOf(path))),
    file: copies.map(({ path }) => fileNameOf(path)),
    version: shared(copies.map(({ version }) => version)),
    standing: shared(copies.map(standingOf), (standing) => JSON.stringify(standing)),
    audioIn: copies.map(({ audioIn }) => audioIn),
    audioOut: copies.map(({ audioOut }) => audioOut),
  };
}

const directoryOf = (path: string): string => path.slice(0, path.length - fileNameOf(path).length);

const standingOf = ({
  state,
  hasPicture,
  is32Bit,
  isFailed,
  lacksProgram,
}: CopyCard): Standing => ({
  state,
  hasPicture,
  is32Bit,
  isFailed,
  ...(lacksProgram === undefined ? {} : { lacksProgram }),
});

/** Values are the same where their keys are. */
function shared<T>(column: readonly T[], keyOf: (value: T) => unknown = (x) => x): SharedColumn<T> {
  const values: T[] = [];
  const places = new Map<unknown, number>();
  const at = column.map((value) => {
    const key = keyOf(value);
    const known = places.get(key) ?? values.push(value) - 1;
    places.set(key, known);
    return known;
  });
  return { values, at };
}

/** The plugins of columns, in their order. What several have alike is one object, or one text. */
export function fromColumns(columns: PluginColumns): Plugin[] {
  const { id, vendor, kind, types, arrived, copyCount, copies } = columns;
  let copy = 0;
  return columns.name.map((name, line) => {
    const first = copy;
    copy += copyCount[line] as number;
    return {
      id: id[line] as PluginId,
      name,
      vendor: valueIn(vendor, line),
      kind: valueIn(kind, line),
      types: valueIn(types, line),
      arrived: valueIn(arrived, line),
      copies: cardsOf(copies, first, copy),
    };
  });
}

/** The copies in the lines from one to before another. */
function cardsOf(columns: CopyColumns, from: number, to: number): CopyCard[] {
  const cards: CopyCard[] = [];
  for (let line = from; line < to; line += 1) {
    const standing = valueIn(columns.standing, line);
    cards.push({
      id: columns.id[line] as CopyId,
      format: valueIn(columns.format, line),
      path: `${valueIn(columns.directory, line)}${columns.file[line] as string}`,
      version: valueIn(columns.version, line),
      ...standing,
      audioIn: columns.audioIn[line] as number | null,
      audioOut: columns.audioOut[line] as number | null,
    });
  }
  return cards;
}

const valueIn = <T>({ values, at }: SharedColumn<T>, line: number): T =>
  values[at[line] as number] as T;
