/**
 * Finding in core among 20,000 plugins, a keystroke at a time, and how few letters lead to real
 * plugins: against MiniSearch, Fuse.js and uFuzzy in the same run.
 */
import uFuzzy from '@leeoniya/ufuzzy';
import Fuse from 'fuse.js';
import MiniSearch from 'minisearch';
import type { Plugin } from '@clever-drawer/core/catalog';
import { asId } from '@clever-drawer/core/id';
import { entryOf, Finder, habitsOf, noUse, type Habits } from '@clever-drawer/core/search';
import { readDeclared, typeName } from '@clever-drawer/core/taxonomy';
import { wordsOf } from '@clever-drawer/core/text';
import { makePlugins } from '@clever-drawer/demo';
import { descriptionsFor, readBundle, walk } from '@clever-drawer/server/scanner';
import { readLadspaTitles } from './lv2-truth.ts';
import { growing, writeStored, shuffle, zipfDraws, type Remembered } from './habit.ts';
import { afterAWeek, weekTable } from './week.ts';
import { measured, percentile, type Measured, type Outcome } from './measure.ts';

const size = 20_000;
const shown = 9;

/** Names for a query, best first, at most `shown`. */
type Search = (query: string) => string[];
interface Searches {
  readonly ours: Search;
  readonly others: readonly (readonly [name: string, search: Search])[];
}

/**
 * Each with the settings its documents advise for finding as one types, over name, vendor and type;
 * the name counts most.
 */
export function searchesOver(plugins: readonly Plugin[], habits: Habits): Searches {
  const finder = new Finder(plugins.map((plugin) => entryOf(plugin)));
  const docs = plugins.map((p) => ({
    id: p.id,
    name: p.name,
    vendor: p.vendor ?? '',
    type: p.types.map(typeName).join(' '),
  }));
  const mini = new MiniSearch({
    fields: ['name', 'vendor', 'type'],
    searchOptions: {
      prefix: true,
      fuzzy: (term) => (term.length > 3 ? 0.2 : false),
      boost: { name: 3 },
      combineWith: 'AND',
    },
  });
  mini.addAll(docs);
  const fuse = new Fuse(docs, {
    keys: [
      { name: 'name', weight: 3 },
      { name: 'vendor', weight: 1 },
      { name: 'type', weight: 1 },
    ],
    threshold: 0.4,
    ignoreLocation: true,
    includeScore: true,
  });
  // eslint-disable-next-line @typescript-eslint/no-unsafe-enum-assignment -- its const enum is not there at run time
  const fuzzy = new uFuzzy({ intraMode: 1, intraIns: 1, intraSub: 1, intraTrn: 1, intraDel: 1 });
  const haystack = docs.map((doc) => `${doc.name} ${doc.vendor} ${doc.type}`);
  return {
    ours: (query) => finder.find(query, habits, shown).hits.map((hit) => hit.plugin.id),
    others: [
      [
        'MiniSearch',
        (query) =>
          mini
            .search(query)
            .slice(0, shown)
            .map((hit) => String(hit.id)),
      ],
      ['Fuse.js', (query) => fuse.search(query, { limit: shown }).map((hit) => hit.item.id)],
      [
        'uFuzzy',
        (query) => {
          const [indexes, , order] = fuzzy.search(haystack, query, 1);
          return (order ? order.map((i) => indexes[i] ?? 0) : (indexes ?? []))
            .slice(0, shown)
            .map((i) => docs[i]?.id ?? '');
        },
      ],
    ],
  };
}

/** Milliseconds that some work takes. */
function lastingOf(work: () => unknown): number {
  const from = performance.now();
  work();
  return performance.now() - from;
}

/** The first so many letters of each word, with something between. */
const beginningsOf = (name: string, letters: number, between: string): string =>
  wordsOf(name)
    .map((word) => word.slice(0, letters))
    .join(between);

/** What is typed towards a name: beginnings of one to five letters, word parts, initials, a slip. */
const queriesTowards = (name: string): string[] => [
  ...[1, 2, 3, 4, 5].map((n) => name.slice(0, n)),
  beginningsOf(name, 2, ' '),
  beginningsOf(name, 1, ''),
  `${name.charAt(1)}${name.charAt(0)}${name.slice(2, 7)}`.toLowerCase(),
];

export function benchSpeed(): Measured[] {
  const plugins = makePlugins(7, size).map(
    (p): Plugin => ({
      id: asId(String(p.number)),
      name: p.name,
      vendor: p.vendor.name,
      kind: 'effect',
      types: [p.type],
      arrived: '',
      copies: [],
    }),
  );
  const habits = habitsOf({
    ...noUse,
    warmth: new Map(plugins.slice(0, 300).map((p, i) => [p.id, 30 / (i + 1)])),
  });
  const { ours, others } = searchesOver(plugins, habits);
  const queriesFor = (from: number): string[] =>
    plugins.filter((_, i) => i % 400 === from).flatMap((p) => queriesTowards(p.name));
  const queries = queriesFor(0);
  const before = queriesFor(200).slice(0, 200);
  // One after the other, so that what one leaves to be collected is not counted against the next;
  // each after half as many letters for other plugins, as in a session that goes on.
  const times = new Map<string, number[]>(
    [['ours', ours] as const, ...others].map(([name, search]) => {
      for (const query of before) {
        search(query);
      }
      return [name, queries.map((query) => lastingOf(() => search(query)))];
    }),
  );
  const of = (name: string): number[] => times.get(name) ?? [];
  const mine = of('ours');
  return others.map(([name]) => ({
    ...measured(
      `find, ${size.toLocaleString('en')} plugins, a keystroke (99th: ${percentile(mine, 0.99).toFixed(1)} ms)`,
      mine,
      { name, samples: of(name) },
    ),
  }));
}

/** Real plugins: Debian's LV2 packages and the titles of swh-plugins; one of each name. */
export function realPlugins(): Plugin[] {
  const place = '/usr/lib/lv2';
  const descriptions = descriptionsFor(place, process.env);
  const lv2 = walk(place, ['LV2'], () => false)
    .bundles.flatMap((bundle) => readBundle(bundle, place, descriptions))
    .map((copy) => ({
      name: copy.name ?? '',
      vendor: copy.vendor,
      types: readDeclared(copy.format, copy.declared).types,
    }));
  const all = [
    ...lv2,
    ...readLadspaTitles().map((name) => ({ name, vendor: null, types: [] as readonly string[] })),
  ].filter(({ name }) => name.trim() !== '');
  const names = new Map(all.map((one) => [one.name.toLowerCase(), one]));
  if (names.size < 130) {
    throw new Error(
      'too few real plugins: install swh-lv2, invada-studio-plugins-lv2, lv2-examples and swh-plugins',
    );
  }
  return [...names.values()].map(
    ({ name, vendor, types }, i): Plugin => ({
      id: asId(`r${i}`),
      name,
      vendor,
      kind: 'effect',
      types,
      arrived: '',
      copies: [],
    }),
  );
}

/**
 * How a person goes on typing towards a name: each text is one key more. Null where the name does
 * not lend itself to it.
 */
export const ways: Readonly<Record<string, (name: string) => string[] | null>> = {
  prefix: (name) => growing(name.toLowerCase()),
  initials: (name) => {
    const words = wordsOf(name);
    return words.length < 2 ? null : growing(words.map((word) => word.charAt(0)).join(''));
  },
  'word parts': (name) => {
    const words = wordsOf(name).slice(0, 3);
    return words.length < 2
      ? null
      : Array.from({ length: Math.max(...words.map((word) => word.length)) }, (_, n) =>
          words.map((word) => word.slice(0, n + 1)).join(' '),
        );
  },
  'one typo': (name) => {
    const letters = name.toLowerCase();
    return letters.length < 5
      ? null
      : growing(
          `${letters.slice(0, 2)}${letters.charAt(3)}${letters.charAt(2)}${letters.slice(4)}`,
        ).slice(3);
  },
};

interface Letters {
  readonly first: number;
  readonly five: number;
  readonly never: number;
}
/**
 * Letters typed until the target is first, and among the first five; what is never found counts as
 * the whole text and three more.
 */
function lettersFor(
  search: Search,
  plugins: readonly Plugin[],
  way: (name: string) => string[] | null,
): Letters {
  const first: number[] = [];
  const five: number[] = [];
  let never = 0;
  for (const { id, name } of plugins) {
    const steps = way(name);
    if (!steps) {
      continue;
    }
    const ranks = steps.map((query) => search(query).indexOf(id));
    const at = (isGood: (rank: number) => boolean): number => {
      const found = ranks.findIndex(isGood);
      return found < 0 ? (steps.at(-1)?.length ?? 0) + 3 : (steps[found]?.length ?? 0);
    };
    if (!ranks.some((rank) => rank === 0)) {
      never += 1;
    }
    first.push(at((rank) => rank === 0));
    five.push(at((rank) => rank >= 0 && rank < 5));
  }
  const mean = (list: readonly number[]): number =>
    list.reduce((sum, n) => sum + n, 0) / Math.max(1, list.length);
  return { first: mean(first), five: mean(five), never: never / Math.max(1, first.length) };
}

/** Loads by Zipf's law: the n-th plugin is loaded 1/n as often as the first. */
const historyLoads = 1500;
const measuredLoads = 1000;
const typings = {
  beginnings: ['prefix'],
  initials: ['initials'],
  'whichever of both is shorter': ['prefix', 'initials'],
} as const;
interface Grown {
  readonly typing: string;
  readonly first: number;
  readonly five: number;
  readonly firstWithoutLetters: number;
  readonly atBest: number;
}

/** What may be typed towards a name, key by key; its beginnings where nothing else lends itself. */
function typedTowards(name: string, mayType: readonly string[]): string[][] {
  const texts = mayType.flatMap((way) => {
    const steps = ways[way]?.(name);
    return steps ? [steps] : [];
  });
  return texts.length > 0 ? texts : [ways.prefix?.(name) ?? []];
}

/** The shortest text that leads there; what never does counts as three letters more. */
const shortestOf = (
  texts: readonly (readonly string[])[],
  leadsThere: (query: string) => boolean,
): string =>
  texts
    .map((steps) => steps.find(leadsThere) ?? `${steps.at(-1) ?? ''}...`)
    .sort((a, b) => a.length - b.length)[0] ?? '';

/** Letters until no plugin that is used more begins alike. */
function lettersAtBest(texts: readonly (readonly string[])[], usedMore: readonly Plugin[]): number {
  const names = usedMore.map(({ name }) => name.toLowerCase());
  const lettersOf = (steps: readonly string[]): number => {
    const at = steps.findIndex((query) => !names.some((name) => name.startsWith(query)));
    return at < 0 ? steps.length : at + 1;
  };
  return Math.min(...texts.map(lettersOf));
}

/**
 * One types until the plugin is among the first five and takes it: that is learnt. Then, going on
 * so, the letters until it is first. `firstWithoutLetters` leaves out what was learnt of letters;
 * `atBest` is what any ranking by use alone could reach with beginnings.
 */
export function withHistory(plugins: readonly Plugin[]): Grown[] {
  const shuffled = shuffle(plugins);
  const finder = new Finder(plugins.map((plugin) => entryOf(plugin)));
  return Object.entries(typings).map(([typing, mayType]) => {
    const known: Remembered = { warmth: new Map(), chosen: new Map() };
    const sums = { first: 0, five: 0, without: 0, best: 0 };
    const draw = zipfDraws(shuffled.length);
    for (let load = 0; load < historyLoads + measuredLoads; load += 1) {
      const n = draw();
      const plugin = shuffled[n] as Plugin;
      const use = { ...noUse, ...known };
      const texts = typedTowards(plugin.name, mayType);
      const isAmong = (query: string, habits: Habits, last: number): boolean => {
        const { hits } = finder.find(query, habits, 5);
        const rank = hits.findIndex((hit) => hit.plugin.id === plugin.id);
        return rank >= 0 && rank <= last;
      };
      const shortest = (habits: Habits, last: number): string =>
        shortestOf(texts, (query) => isAmong(query, habits, last));
      const all = habitsOf(use);
      const typed = shortest(all, 4);
      if (load >= historyLoads) {
        sums.first += shortest(all, 0).length;
        sums.five += typed.length;
        sums.without += shortest(habitsOf({ ...use, chosen: noUse.chosen }), 0).length;
        sums.best += lettersAtBest(texts, shuffled.slice(0, n));
      }
      writeStored(known, typed, plugin.id);
    }
    return {
      typing,
      first: sums.first / measuredLoads,
      five: sums.five / measuredLoads,
      firstWithoutLetters: sums.without / measuredLoads,
      atBest: sums.best / measuredLoads,
    };
  });
}

export function benchFind(): Promise<Outcome> {
  const rows = benchSpeed();
  const plugins = realPlugins();
  const { ours, others } = searchesOver(plugins, habitsOf(noUse));
  const quality = Object.entries(ways).map(([name, way]) => ({
    way: name,
    letters: [['ours', ours], ...others].map(([of, search]) => ({
      of: of as string,
      ...lettersFor(search as Search, plugins, way),
    })),
  }));
  const history = withHistory(plugins);
  const week = afterAWeek(plugins);
  const show = ({ first, five, never }: Letters): string =>
    `${first.toFixed(2)} / ${five.toFixed(2)}${never > 0 ? ` (${(100 * never).toFixed(0)} % never first)` : ''}`;
  const table = [
    `| typed | ${['ours', ...others.map(([name]) => name)].join(' | ')} |`,
    `| --- | ${['ours', ...others].map(() => '---:').join(' | ')} |`,
    ...quality.map(({ way, letters }) => `| ${way} | ${letters.map(show).join(' | ')} |`),
  ].join('\n');
  const grown = [
    '| typed, after a history | first, all learnt | first five | first, no letters learnt | by use alone at best |',
    '| --- | ---: | ---: | ---: | ---: |',
    ...history.map(
      (one) =>
        `| ${one.typing} | ${one.first.toFixed(2)} | ${one.five.toFixed(2)} | ${one.firstWithoutLetters.toFixed(2)} | ${one.typing === 'initials' ? '' : one.atBest.toFixed(2)} |`,
    ),
  ].join('\n');
  return Promise.resolve({
    rows,
    tables: [
      table,
      `Letters until it is first / among the first five, over ${plugins.length} plugins. After ${historyLoads} loads by Zipf's law, over ${measuredLoads} more:`,
      grown,
      weekTable(week),
    ],
    facts: { plugins: plugins.length, quality, history, week },
  });
}
