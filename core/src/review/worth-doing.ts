/** What is worth doing now: a ranked list, each with what it would bring. */
import { isPresent } from '../catalog/plugin.ts';
import { day } from '../time.ts';
import { grouped } from '../grouped.ts';
import { plural } from '../text/plural.ts';
import { doublingOf, type Doubling } from './doubles.ts';
import { endingTrials } from './ending.ts';
import { slowOnes, type SlowPlugin } from './keys.ts';
import { retirableOf, type RetirableCopy } from './old-copies.ts';
import { jaccard, orderHealth, type OrderHealth } from './order-health.ts';
import {
  lastLoads,
  loadsOf,
  type PastUse,
  type ReviewMaterial,
  type StudiedPlugin,
} from './studied.ts';
import type { Tie } from './ties.ts';
import { recurringOf } from './together.ts';

/** The kinds of things worth doing. */
export const adviceKinds = [
  'file-used',
  'name-slow',
  'keep-chain',
  'reorder',
  'used-cabinet',
  'hide-unused',
  'retire',
  'try-again',
  'merge',
  'trials',
  'doubles',
] as const;
/** One of them. */
export type AdviceKind = (typeof adviceKinds)[number];

/** What the folder is called into which forgotten plugins go. */
export const toTryAgain = 'To try again';

/** One thing worth doing. */
export interface Advice {
  readonly kind: AdviceKind;
  /** What it is put off by: the kind, and the folders or plugins it is about where there are several. */
  readonly key: string;
  /** What to do, and what it would bring. */
  readonly title: string;
  readonly brings: string;
  /** About how many loads a month it eases; the list is ranked by it. */
  readonly worth: number;
  /** What it is about, in the order in which it would stand. */
  readonly plugins: readonly string[];
  /** Folders it is about: of two to be merged, the one that goes first. */
  readonly folders: readonly string[];
  /** Plugins it is about as well, and what speaks against doing it to them. */
  readonly tied: readonly { readonly plugin: string; readonly ties: readonly Tie[] }[];
  /** Copies to be retired; those with ties only where the user says so. */
  readonly copies: readonly RetirableCopy[];
  readonly slow: readonly SlowPlugin[];
}

const advice = (
  kind: AdviceKind,
  about: Pick<Advice, 'title' | 'brings' | 'worth'> & Partial<Advice>,
): Advice => ({
  kind,
  key: kind,
  plugins: [],
  tied: [],
  folders: [],
  copies: [],
  slow: [],
  ...about,
});

/** What all of it is worked out from. */
interface Known {
  readonly material: ReviewMaterial;
  readonly health: OrderHealth;
  readonly now: number;
  readonly there: readonly StudiedPlugin[];
  readonly names: ReadonlyMap<string, string>;
  readonly loads: ReadonlyMap<string, number>;
  readonly last: ReadonlyMap<string, number>;
  /** Loads of the last month and of the last three. */
  readonly month: readonly PastUse[];
  readonly lately: ReadonlyMap<string, number>;
  readonly filed: ReadonlySet<string>;
}

/** Rules of thumb, no source. Days, loads, and a share of all loads. */
const limits = {
  month: 28,
  weekly: 4,
  lately: 91,
  unused: 365,
  good: 5,
  used: 0.9,
  alike: 0.75,
  shown: 12,
} as const;

/** All of it, the most worth first. */
export function worthDoing(material: ReviewMaterial, now: number): Advice[] {
  const { plugins, uses, folders } = material;
  const since = (days: number): PastUse[] => uses.filter(({ at }) => at >= now - days * day);
  const known: Known = {
    material,
    health: orderHealth(material),
    now,
    there: plugins.filter((plugin) => isPresent(plugin) && !plugin.isHidden),
    names: new Map(plugins.map(({ id, name }) => [id, name])),
    loads: loadsOf(uses),
    last: lastLoads(uses),
    month: since(limits.month),
    lately: loadsOf(since(limits.lately)),
    filed: new Set(folders.flatMap((folder) => folder.plugins)),
  };
  return [
    ...fileUsed(known),
    ...nameSlow(known),
    ...keepChains(known),
    ...reorder(known),
    ...usedCabinet(known),
    ...hideUnused(known),
    ...retire(known),
    ...tryAgain(known),
    ...merge(known),
    ...trials(known),
    ...doubles(known),
  ].sort((a, b) => b.worth - a.worth || adviceKinds.indexOf(a.kind) - adviceKinds.indexOf(b.kind));
}

/** The first names, and how many more there are. */
function named({ names }: Known, ids: readonly string[]): string {
  const first = ids.slice(0, 3).map((id) => names.get(id) ?? '');
  return ids.length > 3 ? `${first.join(', ')} and ${ids.length - 3} more` : first.join(', ');
}

const byCount = (ids: readonly string[], counts: ReadonlyMap<string, number>): string[] =>
  ids.toSorted((a, b) => (counts.get(b) ?? 0) - (counts.get(a) ?? 0));

function fileUsed(known: Known): Advice[] {
  const loads = loadsOf(known.month);
  const unfiled = known.there
    .map(({ id }) => id)
    .filter((id) => (loads.get(id) ?? 0) >= limits.weekly && !known.filed.has(id));
  const ids = byCount(unfiled, loads);
  const times = ids.reduce((sum, id) => sum + (loads.get(id) ?? 0), 0);
  return ids.length === 0
    ? []
    : [
        advice('file-used', {
          title: `File ${plural(ids.length, 'plugin')} that you load every week`,
          brings: `${named(known, ids)}: ${plural(times, 'load')} a month, and in no folder.`,
          worth: times,
          plugins: ids,
        }),
      ];
}

function nameSlow(known: Known): Advice[] {
  const slow = slowOnes(known.there, known.month).slice(0, limits.shown);
  const loads = slow.reduce((sum, one) => sum + one.loads, 0);
  // Two letters and Enter are what a name of one's own takes.
  const saved = slow.reduce((sum, one) => sum + one.loads * (one.keys - 3), 0);
  return slow.length === 0
    ? []
    : [
        advice('name-slow', {
          title: `Name ${plural(slow.length, 'plugin')} that ${slow.length === 1 ? 'takes' : 'take'} long to find`,
          brings: `With a two-letter nickname, about ${plural(Math.round(saved), 'key')} fewer a month.`,
          worth: loads / 2,
          plugins: slow.map(({ plugin }) => plugin),
          slow,
        }),
      ];
}

function keepChains(known: Known): Advice[] {
  const there = new Set(known.there.map(({ id }) => id));
  const kept = new Set(known.material.chains.map((chain) => chain.join(' ')));
  const uses = known.material.uses.filter(({ at }) => at >= known.now - limits.lately * day);
  return recurringOf(uses, limits.weekly)
    .filter(
      ({ plugins }) =>
        plugins.length > 2 && plugins.every((id) => there.has(id)) && !kept.has(plugins.join(' ')),
    )
    .slice(0, 2)
    .map(({ plugins, times }) =>
      advice('keep-chain', {
        key: `keep-chain ${plugins.join(' ')}`,
        title: `Keep ${plugins.map((id) => known.names.get(id) ?? '').join(' → ')} as a chain`,
        brings: `Loaded this way ${times} times in three months; a chain would save ${plural(times * (plugins.length - 1), 'load')}.`,
        worth: (times * (plugins.length - 1)) / 3,
        plugins,
      }),
    );
}

function reorder({ material, health, lately }: Known): Advice[] {
  const names = new Map(material.folders.map(({ id, name }) => [id, name]));
  return health.outOfOrder.slice(0, 3).map(({ folder, plugins }) => {
    const loads = plugins.reduce((sum, id) => sum + (lately.get(id) ?? 0), 0);
    return advice('reorder', {
      key: `reorder ${folder}`,
      title: `Sort the folder ${names.get(folder) ?? ''} by use`,
      brings: 'What you load most is at its end.',
      worth: loads / 6,
      plugins: byCount(plugins, lately),
      folders: [folder],
    });
  });
}

/** The fewest plugins that make up most loads of the last three months. */
function usedCabinet({ lately, there, material }: Known): Advice[] {
  const here = new Set(there.map(({ id }) => id));
  const ids = byCount([...lately.keys()], lately).filter((id) => here.has(id));
  const all = ids.reduce((sum, id) => sum + (lately.get(id) ?? 0), 0);
  let covered = 0;
  const enough = ids.filter((id) => {
    const isWanted = covered < all * limits.used;
    covered += isWanted ? (lately.get(id) ?? 0) : 0;
    return isWanted;
  });
  const isMade = [
    ...grouped(material.folders.map((folder) => [folder.cabinet, folder.plugins])),
  ].some(([, plugins]) => jaccard(new Set(plugins.flat()), new Set(enough)) > limits.alike);
  return isMade || enough.length < limits.good || enough.length > there.length / 2
    ? []
    : [
        advice('used-cabinet', {
          title: 'Create a cabinet of what you really use',
          brings: `${plural(enough.length, 'plugin')} of ${there.length} make ${Math.round((100 * covered) / all)} % of your loads in three months.`,
          worth: all / 12,
          plugins: enough,
        }),
      ];
}

/** Which of some plugins have no ties, and which have some: those are hidden only where the user says so. */
function partedByTies(
  { material, there, loads }: Known,
  ids: readonly string[],
): { readonly free: string[]; readonly tied: Advice['tied'] } {
  const byId = new Map(there.map((plugin) => [plugin.id, plugin]));
  const inSessions = new Set(material.sessions.flatMap(({ copies }) => copies));
  const tiesOf = (id: string): Tie[] => [
    ...(byId.get(id)?.ties ?? []),
    ...((loads.get(id) ?? 0) > 0 ? (['loaded'] as const) : []),
    ...(byId.get(id)?.copies.some((copy) => inSessions.has(copy.id)) ? (['session'] as const) : []),
  ];
  const all = ids.map((plugin) => ({ plugin, ties: tiesOf(plugin) }));
  return {
    free: all.filter(({ ties }) => ties.length === 0).map(({ plugin }) => plugin),
    tied: all.filter(({ ties }) => ties.length > 0),
  };
}

/** How many more there are that only the user can choose. */
const moreChosen = (count: number): string =>
  count === 0
    ? ''
    : ` ${count} more ${count === 1 ? 'is' : 'are'} filed, named or used: choose them if you want.`;

/** Nothing is told before a year of loads is known, and nothing of what came since. */
function hideUnused(known: Known): Advice[] {
  const { material, there, last, now } = known;
  const before = now - limits.unused * day;
  const first = material.uses.reduce((least, { at }) => Math.min(least, at), now);
  const young = new Set(
    material.comings
      .filter(({ what, at }) => what === 'came' && at > before)
      .map((one) => one.plugin),
  );
  const { free, tied } = partedByTies(
    known,
    there.map(({ id }) => id).filter((id) => (last.get(id) ?? 0) < before && !young.has(id)),
  );
  const share = Math.round((100 * free.length) / Math.max(1, there.length));
  return free.length === 0 || first > before + 7 * day
    ? []
    : [
        advice('hide-unused', {
          title: `Hide ${plural(free.length, 'plugin')} not loaded for a year`,
          brings: `${share} % fewer to search in Load. They stay in the catalog.${moreChosen(tied.length)}`,
          worth: share / 4,
          plugins: free,
          tied,
        }),
      ];
}

function retire({ material }: Known): Advice[] {
  const copies = retirableOf(material, material.sessions);
  const free = copies.filter(({ ties }) => ties.length === 0);
  const tied = copies.length - free.length;
  return free.length === 0
    ? []
    : [
        advice('retire', {
          title: `Retire ${plural(free.length, 'old copy', 'old copies')}`,
          brings: `The same format, or one that declares to replace it, is installed in a newer version.${tied > 0 ? ` ${tied} more ${tied === 1 ? 'is' : 'are'} still needed by a session, a setting or a folder.` : ''}`,
          worth: Math.min(6, free.length / 10),
          plugins: [...new Set(free.map(({ plugin }) => plugin))],
          copies,
        }),
      ];
}

function tryAgain(known: Known): Advice[] {
  const { there, loads, last, now, material } = known;
  const already = new Set(
    material.folders.filter(({ name }) => name === toTryAgain).flatMap(({ plugins }) => plugins),
  );
  const before = now - limits.lately * day;
  const good = there
    .map(({ id }) => id)
    .filter(
      (id) =>
        (loads.get(id) ?? 0) >= limits.good && (last.get(id) ?? 0) < before && !already.has(id),
    );
  const ids = byCount(good, loads).slice(0, limits.shown);
  return ids.length === 0
    ? []
    : [
        advice('try-again', {
          title: `Collect ${plural(ids.length, 'good plugin')} you haven’t used lately in a folder “${toTryAgain}”`,
          brings: `${named(known, ids)}: loaded ${limits.good} times or more, and not for three months.`,
          worth: 3 + ids.length / 10,
          plugins: ids,
        }),
      ];
}

function merge({ material, health }: Known): Advice[] {
  const byId = new Map(material.folders.map((folder) => [folder.id, folder]));
  return health.near.slice(0, 3).map(({ a, b, both }) => {
    const pair = [byId.get(a), byId.get(b)].flatMap((folder) => folder ?? []);
    const [from, into] = pair.toSorted((x, y) => x.plugins.length - y.plugins.length);
    const all = new Set(pair.flatMap(({ plugins }) => plugins)).size;
    return advice('merge', {
      key: `merge ${a} ${b}`,
      title: `Merge the folders ${from?.name ?? ''} and ${into?.name ?? ''}`,
      brings: `${both.length} of their ${all} plugins are in both.`,
      worth: 2,
      plugins: from?.plugins ?? [],
      folders: [from?.id ?? a, into?.id ?? b],
    });
  });
}

function trials({ material, now }: Known): Advice[] {
  const soon = endingTrials(material.plugins, now).filter(({ daysLeft }) => daysLeft <= 14);
  return soon.length === 0
    ? []
    : [
        advice('trials', {
          title: `Check ${plural(soon.length, 'trial')} that ${soon.length === 1 ? 'ends' : 'end'}`,
          brings: 'An ended trial fails when it is loaded.',
          worth: 5,
          plugins: soon.map(({ plugin }) => plugin),
        }),
      ];
}

function doubles(known: Known): Advice[] {
  const { material } = known;
  const half = doublingOf(material).filter(({ used }) => used !== null);
  const { free, tied } = partedByTies(
    known,
    half.flatMap(({ plugins, used }: Doubling) => plugins.filter((id) => id !== used)),
  );
  return free.length === 0
    ? []
    : [
        advice('doubles', {
          title: `Hide ${plural(free.length, 'plugin')} of which you use the sibling`,
          brings: `They are of the same series, type and ports as one that you load.${moreChosen(tied.length)}`,
          worth: Math.min(3, free.length / 10),
          plugins: free,
          tied,
        }),
      ];
}
