/** The bundles that earlier scans looked at, and which of them were opened. */
import { basename } from 'node:path';
import type { EntityManager } from 'typeorm';
import { grouped } from '@clever-drawer/core/grouped';
import { readBundles } from '../../database/catalog.ts';
import type { BundleBefore } from '../../database/catalog-tables.ts';

type Place = Pick<BundleBefore, 'format' | 'path'>;

const nameKeyOf = ({ format, path }: Place): string => `${format}\n${basename(path)}`;

/** Found by where they lie and by their name. */
export class BundlesBefore {
  /** A path may have been of several formats, one after the other. */
  readonly #byPath: ReadonlyMap<string, readonly BundleBefore[]>;
  /** Format and file name of what was opened: what moves keeps its name. */
  readonly #opened: ReadonlySet<string>;

  constructor(rows: readonly BundleBefore[]) {
    this.#byPath = grouped(rows.map((row) => [row.path, row] as const));
    this.#opened = new Set(rows.filter(({ opened }) => opened !== null).map(nameKeyOf));
  }

  static async of(manager: EntityManager, computer: string): Promise<BundlesBefore> {
    return new BundlesBefore(await readBundles(manager, computer));
  }

  at({ format, path }: Place): BundleBefore | undefined {
    return this.#byPath.get(path)?.find((row) => row.format === format);
  }

  /** The disk on which what lay at the path was found last; null where that is not known. */
  deviceAt(path: string): string | null {
    return this.#byPath.get(path)?.at(-1)?.device ?? null;
  }

  /** Whether it was opened before, there or, under the same name, elsewhere. */
  wasOpened(bundle: Place): boolean {
    return this.#opened.has(nameKeyOf(bundle));
  }
}
