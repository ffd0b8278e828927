/**
 * What was known of a computer's copies when a scan began. A look at twenty thousand copies of which
 * none changed asks for where each lies and stands only; their facts are read where something is to
 * be held against them. What a scan adds is not kept here: each bundle is looked at once.
 */
import type { EntityManager } from 'typeorm';
import { grouped } from '@clever-drawer/core/grouped';
import type { CopyRow, CopySummary } from '../../database/catalog-tables.ts';
import { copiesWithIds, readCopySummaries } from '../../database/catalog.ts';

/** Known copies by key, as saving findings needs and keeps them. */
export interface CopiesByKey {
  readonly has: (key: string) => boolean;
  readonly get: (key: string) => CopyRow | undefined;
  readonly set: (key: string, row: CopyRow) => unknown;
  readonly delete: (key: string) => unknown;
}

/** The copies that were known; by key those whose facts were read. */
export class KnownCopies implements CopiesByKey {
  /** By id. */
  readonly #summaries: Map<string, CopySummary>;
  readonly #byPath: ReadonlyMap<string, readonly CopySummary[]>;
  /** Those whose facts were read, as they were saved last, by id and by key. */
  readonly #whole = new Map<string, CopyRow>();
  readonly #byKey = new Map<string, CopyRow>();

  constructor(summaries: readonly CopySummary[]) {
    this.#summaries = new Map(summaries.map((row) => [row.id, row]));
    this.#byPath = grouped(summaries.map((row) => [row.path, row] as const));
  }

  static async of(manager: EntityManager, computer: string): Promise<KnownCopies> {
    return new KnownCopies(await readCopySummaries(manager, computer));
  }

  /** Where each lies and stands by now. */
  all(): CopySummary[] {
    return [...this.#summaries.values()];
  }

  /** Those that lay at one of these paths when the scan began. */
  at(paths: Iterable<string>): CopySummary[] {
    return [...paths].flatMap((path) => this.#byPath.get(path) ?? []);
  }

  /** The whole rows of these, as they are by now; those that went are left out. */
  async whole(manager: EntityManager, rows: readonly CopySummary[]): Promise<CopyRow[]> {
    const wanted = rows.map(({ id }) => id).filter((id) => this.#summaries.has(id));
    const unread = wanted.filter((id) => !this.#whole.has(id));
    const read = unread.length === 0 ? [] : await copiesWithIds(manager, unread);
    for (const row of read) {
      this.set(row.key, row);
    }
    return wanted.flatMap((id) => this.#whole.get(id) ?? []);
  }

  has(key: string): boolean {
    return this.#byKey.has(key);
  }

  get(key: string): CopyRow | undefined {
    return this.#byKey.get(key);
  }

  set(key: string, row: CopyRow): void {
    this.#byKey.set(key, row);
    this.#whole.set(row.id, row);
    this.#summaries.set(row.id, row);
  }

  delete(key: string): void {
    const row = this.#byKey.get(key);
    this.#byKey.delete(key);
    if (row) {
      this.#whole.delete(row.id);
      this.#summaries.delete(row.id);
    }
  }
}
