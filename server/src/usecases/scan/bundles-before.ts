/** The bundles that earlier scans looked at, and which of them were opened. */
import { basename } from 'node:path';
import type { BundleBefore } from '../../database/catalog-tables.ts';

type Place = Pick<BundleBefore, 'format' | 'path'>;

const keyOf = ({ format, path }: Place): string => `${format}\n${path}`;

const nameKeyOf = ({ format, path }: Place): string => `${format}\n${basename(path)}`;

/** Found by where they lie and by their name. */
export class BundlesBefore {
  readonly #byPlace: ReadonlyMap<string, BundleBefore>;
  /** Format and file name of what was opened: what moves keeps its name. */
  readonly #opened: ReadonlySet<string>;

  constructor(rows: readonly BundleBefore[]) {
    this.#byPlace = new Map(rows.map((row) => [keyOf(row), row]));
    this.#opened = new Set(rows.filter(({ opened }) => opened !== null).map(nameKeyOf));
  }

  at(bundle: Place): BundleBefore | undefined {
    return this.#byPlace.get(keyOf(bundle));
  }

  /** Whether it was opened before, there or, under the same name, elsewhere. */
  wasOpened(bundle: Place): boolean {
    return this.#opened.has(nameKeyOf(bundle));
  }
}
