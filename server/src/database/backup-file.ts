/**
 * The file of a backup: data and nothing else. In gzip, a line of JSON that says what is in it, then each
 * row of each table as PostgreSQL writes it for COPY (its documentation, COPY, "Text Format"), then `end`.
 * Backups of before, which held the text of pg_dump, are read as data as well: of those only rows are
 * taken. Each line is checked, and nothing in a file is ever run.
 */
import { pipeline } from 'node:stream/promises';
import { createGunzip } from 'node:zlib';
import { piecesOf } from '../files/index.ts';
import { SetupError } from './setup-error.ts';

/** How the first line says what it is. */
export const magic = 'clever-drawer studio';

/** A table and how many rows of it there are. */
export interface TableInBackup {
  readonly name: string;
  readonly columns: readonly string[];
  readonly rows: number;
}

/** What a backup holds. */
export interface Contents {
  /** When it was made, ISO 8601. */
  readonly at: string;
  /** Migrations that its tables had gone through, oldest first. */
  readonly migrations: readonly string[];
  readonly tables: readonly TableInBackup[];
  /** The latest number of each sequence. */
  readonly sequences: Readonly<Record<string, string>>;
}

/** The first line of a file. */
export interface Header extends Contents {
  readonly backup: typeof magic;
  readonly version: 2;
}

/** The line behind all rows. */
export const lastLine = 'end';

/** A row as COPY takes it, without its line end. */
export interface Row {
  readonly table: string;
  readonly columns: readonly string[];
  readonly bytes: Buffer;
}

/** Tables that are nothing of the studio: notes for the server that runs, and what migrations did. */
export const withoutBackup: ReadonlySet<string> = new Set([
  'touched',
  'changed_plugin',
  'migrations',
]);

/** Bytes unpacked, of one line, and times the packed size once there is much: a file that says more is no backup. */
const limits = { total: 32 * 2 ** 30, line: 256 * 2 ** 20, ratio: 300, small: 64 * 2 ** 20 };

const name = /^[a-z_][a-z0-9_]{0,62}$/;
/** The escapes that COPY writes; whatever backslash is left without them is not from it. */
const escapes = /\\[\\bfnrtvN]/g;

/** What a file says of itself, line by line. */
interface Form {
  /** A row, where the line is one. Throws a SetupError where it may not be there. */
  take(line: Buffer): Row | null;
  /** What was in it. Throws a SetupError where it is not whole. */
  end(): Contents;
}

type Refuse = (detail: string) => SetupError;

/** Reads through a file and gives its rows, then what it holds. Throws a SetupError in words. */
export async function* rowsIn(file: number, path: string): AsyncGenerator<Row, Contents> {
  let number = 0;
  const refuse: Refuse = (detail) =>
    new SetupError(`${path} cannot be restored: line ${number} ${detail}. Nothing was changed.`);
  let form: Form | null = null;
  for await (const line of linesIn(file, path)) {
    number += 1;
    if (form === null) {
      form = formOf(line.toString('utf8'), path, refuse);
    } else {
      const row = form.take(line);
      if (row) {
        yield row;
      }
    }
  }
  if (form === null) {
    throw new SetupError(`${path} is no backup of a studio.`);
  }
  return form.end();
}

/** Reads through a file, counting. Throws a SetupError where it is not whole, or no backup. */
export async function survey(file: number, path: string): Promise<Contents> {
  const rows = rowsIn(file, path);
  for (;;) {
    const { done, value } = await rows.next();
    if (done) {
      return value;
    }
  }
}

async function* linesIn(file: number, path: string): AsyncGenerator<Buffer> {
  let packed = 0;
  const unzipped = createGunzip();
  const fed = pipeline(async function* () {
    for await (const piece of piecesOf(file)) {
      packed += piece.length;
      yield piece;
    }
  }, unzipped);
  // What it breaks off with is told by what is read from it.
  fed.catch(() => undefined);
  let total = 0;
  let rest: Buffer[] = [];
  let waiting = 0;
  try {
    for await (const piece of unzipped as AsyncIterable<Buffer>) {
      total += piece.length;
      const isTooMuch = total > limits.small && total > limits.ratio * packed;
      if (total > limits.total || isTooMuch) {
        throw new SetupError(`${path} unpacks to more than any studio holds: it is no backup.`);
      }
      let from = 0;
      for (let end = piece.indexOf(10); end >= 0; end = piece.indexOf(10, from)) {
        yield rest.length === 0
          ? piece.subarray(from, end)
          : Buffer.concat([...rest, piece.subarray(from, end)]);
        rest = [];
        waiting = 0;
        from = end + 1;
      }
      rest.push(piece.subarray(from));
      waiting += piece.length - from;
      if (waiting > limits.line) {
        throw new SetupError(`${path} has a line that is longer than any: it is no backup.`);
      }
    }
  } catch (error) {
    throw isOfZip(error)
      ? new SetupError(`${path} is no whole backup: it is cut off, or no backup at all.`)
      : error;
  } finally {
    unzipped.destroy();
  }
  if (waiting > 0) {
    throw new SetupError(`${path} is no whole backup: its last line is cut off.`);
  }
}

const isOfZip = (error: unknown): boolean =>
  /^(?:Z_|ERR_STREAM_PREMATURE_CLOSE)/.test((error as NodeJS.ErrnoException).code ?? '');

function formOf(line: string, path: string, refuse: Refuse): Form {
  let header: Partial<Header> | { readonly version: unknown } | null;
  try {
    header = JSON.parse(line) as Partial<Header> | null;
  } catch {
    header = null;
  }
  if (header === null || !('backup' in header) || header.backup !== magic) {
    throw new SetupError(`${path} is no backup of a studio.`);
  }
  switch (header.version as unknown) {
    case 1:
      return new DumpForm(String(header.at), (header as { rows?: unknown }).rows, refuse);
    case 2:
      return new RowForm(checkedHeader(header, refuse), path, refuse);
    default:
      throw new SetupError(`${path} was written by a newer Clever Drawer. Install that one first.`);
  }
}

function checkedHeader(header: Partial<Header>, refuse: Refuse): Header {
  const { at, migrations, tables, sequences } = header;
  const isWhole =
    typeof at === 'string' &&
    !Number.isNaN(Date.parse(at)) &&
    Array.isArray(migrations) &&
    migrations.every((one) => typeof one === 'string') &&
    Array.isArray(tables) &&
    tables.every(isTable) &&
    typeof sequences === 'object' &&
    Object.entries(sequences).every(([of, last]) => name.test(of) && isCount(last));
  if (!isWhole) {
    throw refuse('does not say what the file holds');
  }
  return header as Header;
}

const isCount = (text: unknown): boolean => typeof text === 'string' && /^\d{1,19}$/.test(text);

const isTable = (table: Partial<TableInBackup> | null): boolean =>
  typeof table?.name === 'string' &&
  name.test(table.name) &&
  Array.isArray(table.columns) &&
  table.columns.length > 0 &&
  table.columns.every((column) => typeof column === 'string' && name.test(column)) &&
  Number.isSafeInteger(table.rows) &&
  (table.rows ?? -1) >= 0;

/** Checks that a line is one row of so many columns. */
function rowOf(line: Buffer, table: string, columns: readonly string[], refuse: Refuse): Row {
  const text = line.toString('latin1');
  const isEscaped = !text.replace(escapes, '').includes('\\');
  if (!isEscaped || text.split('\t').length !== columns.length) {
    throw refuse(`is no row of ${table}`);
  }
  return { table, columns, bytes: line };
}

/** As we write it: so many rows of each table in the order of the first line, then `end`. */
class RowForm implements Form {
  readonly #header: Header;
  readonly #path: string;
  readonly #refuse: Refuse;
  #table = 0;
  #taken = 0;
  #isOver = false;

  constructor(header: Header, path: string, refuse: Refuse) {
    this.#header = header;
    this.#path = path;
    this.#refuse = refuse;
  }

  take(line: Buffer): Row | null {
    const { tables } = this.#header;
    while (this.#taken === tables[this.#table]?.rows) {
      this.#table += 1;
      this.#taken = 0;
    }
    const table = tables[this.#table];
    if (table) {
      this.#taken += 1;
      return rowOf(line, table.name, table.columns, this.#refuse);
    }
    if (this.#isOver || line.toString('utf8') !== lastLine) {
      throw this.#refuse('is more than the file says it holds');
    }
    this.#isOver = true;
    return null;
  }

  end(): Contents {
    if (!this.#isOver) {
      throw new SetupError(`${this.#path} does not hold what it says it does: it is cut off.`);
    }
    return this.#header;
  }
}

const copyLine = /^COPY public\.("?)(\w+)\1 \(([\w", ]+)\) FROM stdin;$/;
const setLine = /^SELECT pg_catalog\.setval\('public\.(\w+)', (\d{1,19}), (true|false)\);$/;
/** What psql would take for a command of its own; pg_dump writes these two, with a word made at random. */
const restriction = /^\\(?:un)?restrict \w+$/;

/** As pg_dump writes it. All but rows and sequences is passed over, and never run. */
class DumpForm implements Form {
  readonly #at: string;
  readonly #wanted: unknown;
  readonly #refuse: Refuse;
  readonly #counts = new Map<string, { columns: readonly string[]; rows: number }>();
  readonly #sequences: Record<string, string> = {};
  readonly #migrations: { timestamp: number; name: string }[] = [];
  #table: string | null = null;

  constructor(at: string, wanted: unknown, refuse: Refuse) {
    this.#at = at;
    this.#wanted = wanted;
    this.#refuse = refuse;
  }

  take(line: Buffer): Row | null {
    if (this.#table === null) {
      this.#outside(line.toString('utf8'));
      return null;
    }
    if (line.equals(endOfCopy)) {
      this.#table = null;
      return null;
    }
    const table = this.#table;
    const about = this.#counts.get(table);
    if (!about) {
      throw this.#refuse('belongs to no table');
    }
    about.rows += 1;
    const row = rowOf(line, table, about.columns, this.#refuse);
    if (table === 'migrations') {
      this.#noteMigration(about.columns, line.toString('utf8').split('\t'));
    }
    return withoutBackup.has(table) ? null : row;
  }

  #outside(text: string): void {
    const copy = copyLine.exec(text);
    const set = setLine.exec(text);
    if (copy) {
      const columns = (copy[3] ?? '').split(', ').map((column) => column.replaceAll('"', ''));
      this.#table = copy[2] ?? '';
      if (this.#counts.has(this.#table) || !columns.every((column) => name.test(column))) {
        throw this.#refuse('begins a table that cannot be there');
      }
      this.#counts.set(this.#table, { columns, rows: 0 });
    } else if (set) {
      this.#sequences[set[1] ?? ''] = set[2] ?? '';
    } else if (/^\s*COPY\b/i.test(text) || (text.startsWith('\\') && !restriction.test(text))) {
      throw this.#refuse('is a command, which no backup holds');
    }
  }

  #noteMigration(columns: readonly string[], values: readonly string[]): void {
    const valueOf = (column: string): string => values[columns.indexOf(column)] ?? '';
    this.#migrations.push({ timestamp: Number(valueOf('timestamp')), name: valueOf('name') });
  }

  end(): Contents {
    const tables = [...this.#counts]
      .filter(([table]) => !withoutBackup.has(table))
      .map(([table, { columns, rows }]) => ({ name: table, columns, rows }));
    const wanted = Object.entries((this.#wanted ?? {}) as Record<string, unknown>);
    const wrong = wanted.filter(([table, rows]) => this.#counts.get(table)?.rows !== rows);
    if (this.#table !== null || wanted.length === 0 || wrong.length > 0) {
      throw this.#refuse(`ends a file that does not hold what it says it does`);
    }
    return {
      at: this.#at,
      migrations: this.#migrations.sort((a, b) => a.timestamp - b.timestamp).map((one) => one.name),
      tables,
      sequences: this.#sequences,
    };
  }
}

const endOfCopy = Buffer.from('\\.');
