/**
 * What Sort makes its questions of, of each computer, as it is sent: every window asks for it, so it is
 * worked out once until the catalog changes (answers about copies and spellings change it, too), and a
 * window that has it is sent only what changed since. What is known of a plugin is read again where its
 * row has another version (`xmin`).
 */
import type { DataSource, EntityManager } from 'typeorm';
import {
  gatherVendors,
  isKindUncertain,
  isTypeUncertain,
  nearMisses,
  type PluginEvidence,
} from '@clever-drawer/core';
import { countSpellings, groundVersions, readGrounds } from '../database/catalog.ts';
import { readDoubts } from '../database/computers.ts';
import { readSpellings } from '../database/order.ts';
import type { EventHub } from './event-hub.ts';
import { hasNewCatalog, Kept } from './kept.ts';
import { Latest } from './latest.ts';
import { Revisions, sayChange } from './revisions.ts';

/** What is sent whole when it changes, by the field of a `SortView`. */
const wholes = ['doubts', 'vendors', 'near'] as const;
type Wholes = Readonly<Record<(typeof wholes)[number], string>>;

interface Held {
  readonly revisions: Revisions;
  /** The version of each plugin's row, as it was read last. */
  readonly versions: ReadonlyMap<string, string>;
  /** Of plugins whose type or kind is uncertain, what is sent, as JSON. */
  readonly grounds: ReadonlyMap<string, string>;
  /** As JSON. */
  readonly wholes: Wholes;
}

const nothing = (): Held => ({
  revisions: new Revisions(),
  versions: new Map(),
  grounds: new Map(),
  wholes: { doubts: '[]', vendors: '[]', near: '[]' },
});

/** What is uncertain about catalogs, in memory, by computer. */
export class HeldSortings {
  readonly #latest: Latest<Held>;
  readonly #kept: Kept<Held>;

  constructor(database: DataSource, events: EventHub) {
    this.#latest = new Latest(database, nothing, refreshed);
    this.#kept = new Kept(events, hasNewCatalog);
  }

  /** As JSON: a `SortChange` where what changed since that revision is known, else a `SortView`. */
  async since(computer: string, revision: string | undefined): Promise<string> {
    const held = await this.#kept.of(computer, () => this.#latest.of(computer));
    const touched = held.revisions.since(revision);
    if (touched === null) {
      const grounds = [...held.grounds.values()].join(',');
      return `{"revision":${JSON.stringify(held.revisions.name)},"grounds":[${grounds}]${wholesOf(held, wholes)}}`;
    }
    const plugins = touched.filter((thing) => !isWhole(thing));
    const change = sayChange(held.revisions, revision, plugins, (id) => held.grounds.get(id));
    return `{${change}${wholesOf(held, touched.filter(isWhole))}}`;
  }
}

const isWhole = (thing: string): thing is keyof Wholes => wholes.some((one) => one === thing);

const wholesOf = ({ wholes: texts }: Held, fields: readonly (keyof Wholes)[]): string =>
  fields.map((field) => `,"${field}":${texts[field]}`).join('');

async function refreshed(manager: EntityManager, computer: string, held: Held): Promise<Held> {
  const versions = await groundVersions(manager, computer);
  const others = [...versions].flatMap(([id, version]) =>
    held.versions.get(id) === version ? [] : [id],
  );
  const read = await readGrounds(manager, others);
  const latest = await readWholes(manager, computer);
  const grounds = new Map(held.grounds);
  for (const { id, grounds: known } of read) {
    const text = textOf(id, known);
    if (text === null) {
      grounds.delete(id);
    } else {
      grounds.set(id, text);
    }
  }
  for (const id of held.grounds.keys()) {
    if (!versions.has(id)) {
      grounds.delete(id);
    }
  }
  const touched = [
    ...[...held.grounds.keys()].filter((id) => !grounds.has(id)),
    ...[...grounds].flatMap(([id, text]) => (held.grounds.get(id) === text ? [] : [id])),
    ...wholes.filter((field) => held.wholes[field] !== latest[field]),
  ];
  const revisions = touched.length === 0 ? held.revisions : held.revisions.with(touched);
  return { revisions, versions, grounds, wholes: latest };
}

/** What is sent of a plugin; null where it is certain what it is. */
function textOf(plugin: string, grounds: PluginEvidence): string | null {
  if (!isTypeUncertain(grounds) && !isKindUncertain(grounds)) {
    return null;
  }
  const { kinds, kindReasons, suggestions } = grounds;
  return JSON.stringify({ plugin, kinds, kindReasons, suggestions });
}

async function readWholes(manager: EntityManager, computer: string): Promise<Wholes> {
  const doubts = await readDoubts(manager, computer);
  const spellings = await readSpellings(manager, computer);
  const counts = await countSpellings(manager, computer);
  const vendors = gatherVendors(counts, new Map(spellings.map((s) => [s.spelling, s.vendor])));
  const near = nearMisses(vendors).map(({ a, b, reason }) => ({ a: a.name, b: b.name, reason }));
  return {
    doubts: JSON.stringify(doubts),
    vendors: JSON.stringify(vendors),
    near: JSON.stringify(near),
  };
}
