/** Finding in core among 20,000 plugins, a keystroke at a time, against MiniSearch with prefixes. */
import MiniSearch from 'minisearch';
import { asId, entryOf, find, typeName, type Habits, type Plugin } from '@clever-drawer/core';
import { makePlugins } from '@clever-drawer/demo';
import { measured, type Measured } from './measure.ts';

const size = 20_000;

export function benchFind(): Promise<Measured[]> {
  const plugins = makePlugins(7, size).map((p): Plugin => ({ id: asId(String(p.number)), name: p.name, vendor: p.vendor.name, kind: 'effect', types: [p.type], arrived: '', copies: [] }));
  const entries = plugins.map((p) => entryOf(p, null, null));
  const habits: Habits = { warmth: new Map(plugins.slice(0, 300).map((p, i) => [p.id, 30 / (i + 1)])), favourites: new Set() };
  const mini = new MiniSearch({ fields: ['name', 'vendor', 'type'], searchOptions: { prefix: true, boost: { name: 2 } } });
  mini.addAll(plugins.map((p) => ({ id: p.id, name: p.name, vendor: p.vendor, type: typeName(p.types[0] ?? '') })));
  const queries = plugins.filter((_, i) => i % 400 === 0).flatMap((p) => [1, 2, 3, 5].map((n) => p.name.slice(0, n)));
  const ours: number[] = [], theirs: number[] = [];
  for (const query of [...queries.slice(0, 20), ...queries]) {
    const a = performance.now();
    find(entries, query, habits, 9);
    const b = performance.now();
    mini.search(query).slice(0, 9);
    const c = performance.now();
    ours.push(b - a);
    theirs.push(c - b);
  }
  return Promise.resolve([measured(`find, ${size.toLocaleString('en')} plugins, a keystroke`, ours.slice(20), { name: 'MiniSearch, prefix', samples: theirs.slice(20) })]);
}
