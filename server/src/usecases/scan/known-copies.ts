/**
 * What was known of a computer's copies when a scan began. A look at twenty thousand copies of which
 * none changed asks for where each lies and stands only; their facts are read where something is to
 * be held against them. What a scan adds is not kept here: each bundle is looked at once.
 */
import type { EntityManager } from 'typeorm';
import { grouped } from '@clever-drawer/core';
import type { CopyRow, CopyStanding } from '../../database/catalog-tables.ts';
import { copiesWithIds, readStandings } from '../../database/catalog.ts';

/** Known copies by key, as saving findings needs and keeps them. */
export interface CopiesByKey {
  readonly has: (key: string) => boolean;
  readonly get: (key: string) => CopyRow | undefined;
  readonly set: (key: string, row: CopyRow) => unknown;
  readonly delete: (key: string) => unknown;
}

/** The copies that were known, by key. */
export class KnownCopies implements CopiesByKey {
  readonly #standings: Map<string, CopyStanding>;
  readonly #byPath: ReadonlyMap<string, readonly CopyStanding[]>;
  /** Those whose facts were read, as they were saved last. */
  readonly #whole = new Map<string, CopyRow>();

  constructor(standings: readonly CopyStanding[]) {
    this.#standings = new Map(standings.map((row) => [row.key, row]));
    this.#byPath = grouped(standings.map((row) => [row.path, row] as const));
  }

  static async of(manager: EntityManager, computer: string): Promise<KnownCopies> {
    return new KnownCopies(await readStandings(manager, computer));
  }

  /** Where each lies and stands by now. */
  all(): CopyStanding[] {
    return [...this.#standings.values()];
  }

  /** Those that lay at one of these paths when the scan began. */
  at(paths: Iterable<string>): CopyStanding[] {
    return [...paths].flatMap((path) => this.#byPath.get(path) ?? []);
  }

  /** The whole rows of these, as they are by now; those that went are left out. */
  async whole(manager: EntityManager, rows: readonly CopyStanding[]): Promise<CopyRow[]> {
    const wanted = rows.filter(({ key }) => this.#standings.has(key));
    const unread = wanted.filter(({ key }) => !this.#whole.has(key)).map(({ id }) => id);
    const read = unread.length === 0 ? [] : await copiesWithIds(manager, unread);
    for (const row of read) {
      this.#whole.set(row.key, row);
    }
    return wanted.flatMap(({ key }) => this.#whole.get(key) ?? []);
  }

  /** Whether a copy of that key is known. */
  has(key: string): boolean {
    return this.#standings.has(key);
  }

  /** The row of a copy whose facts were read. */
  get(key: string): CopyRow | undefined {
    return this.#whole.get(key);
  }

  set(key: string, row: CopyRow): void {
    this.#standings.set(key, row);
    this.#whole.set(key, row);
  }

  delete(key: string): void {
    this.#standings.delete(key);
    this.#whole.delete(key);
  }
}
