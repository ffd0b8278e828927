/** Finding one plugin by a few letters, best first, each hit with its reason. */
import type { Plugin } from '../catalog/plugin.ts';
import { compareNames, wordsOf } from '../fold.ts';
import { typeName } from '../types/tree.ts';

/** A plugin prepared for finding. */
export interface Entry {
  readonly plugin: Plugin;
  readonly names: readonly Named[];
}
interface Named {
  readonly what: 'name' | 'nickname' | 'slot label' | 'vendor' | 'type';
  readonly words: readonly string[];
  readonly initials: string;
  readonly joined: string;
}

const named = (what: Named['what'], text: string): Named => {
  const words = wordsOf(text);
  return { what, words, initials: words.map((w) => w.charAt(0)).join(''), joined: words.join('') };
};

export function entryOf(plugin: Plugin, nickname: string | null, slotLabel: string | null): Entry {
  return {
    plugin,
    names: [
      ...(nickname === null ? [] : [named('nickname', nickname)]),
      ...(slotLabel === null ? [] : [named('slot label', slotLabel)]),
      named('name', plugin.name),
      ...(plugin.vendor === null ? [] : [named('vendor', plugin.vendor)]),
      ...plugin.types.map((type) => named('type', typeName(type))),
    ],
  };
}

export interface Hit {
  readonly plugin: Plugin;
  readonly score: number;
  /** "name starts with “sl”", or for an empty query "loaded lately". */
  readonly because: string;
}

/** What habits add: warmth by plugin id, and the favourites. */
export interface Habits {
  readonly warmth: ReadonlyMap<string, number>;
  readonly favourites: ReadonlySet<string>;
}

/** Qualities of a match, best first. Points are set so that habit decides within one quality and not across three. */
const quality = { whole: 100, start: 80, initials: 66, word: 62, parts: 56, inside: 30 } as const;
const fieldFactor: Record<Named['what'], number> = { name: 1, nickname: 1.05, 'slot label': 1.02, vendor: 0.55, type: 0.6 };

/**
 * Ranks the entries for what was typed; nothing typed ranks by habit alone. Every typed word has to be found,
 * in any order. The order is total: equal scores go by name, then id.
 */
export function find(entries: readonly Entry[], query: string, habits: Habits, limit: number): Hit[] {
  const parts = wordsOf(query);
  const hits: Hit[] = [];
  for (const entry of entries) {
    const hit = parts.length === 0 ? habitHit(entry, habits) : match(entry, parts, habits);
    if (hit) hits.push(hit);
  }
  const order = (a: Hit, b: Hit): number => b.score - a.score || compareNames(a.plugin.name, b.plugin.name) || (a.plugin.id < b.plugin.id ? -1 : 1);
  return best(hits, order, limit);
}

/** The first `limit` of the sorted hits; sorts only what can be among them. */
function best(hits: Hit[], order: (a: Hit, b: Hit) => number, limit: number): Hit[] {
  if (hits.length <= limit * 4) return hits.sort(order).slice(0, limit);
  const floor = hits.map((h) => h.score).sort((a, b) => b - a)[limit - 1] ?? 0;
  return hits.filter((h) => h.score >= floor).sort(order).slice(0, limit);
}

/** 0 to 14 points: doubling the warmth adds a bit less than three; favourites get three more. */
function habitPoints(id: string, habits: Habits): number {
  return Math.min(14, 2.8 * Math.log2(1 + (habits.warmth.get(id) ?? 0))) + (habits.favourites.has(id) ? 3 : 0);
}

function habitHit(entry: Entry, habits: Habits): Hit {
  const score = habitPoints(entry.plugin.id, habits);
  const because = habits.favourites.has(entry.plugin.id) ? 'a favourite' : score > 0 ? 'loaded lately' : '';
  return { plugin: entry.plugin, score, because };
}

/** The better of two readings: all letters as one, or each word found by itself (a little less sure). */
function match(entry: Entry, parts: readonly string[], habits: Habits): Hit | null {
  const whole = bestMatch(entry, parts.join(''), parts.join(' '));
  const each = parts.length > 1 ? matchEach(entry, parts) : null;
  const best = whole && each ? (each.points > whole.points ? each : whole) : (whole ?? each);
  return best && { plugin: entry.plugin, score: best.points + habitPoints(entry.plugin.id, habits), because: best.because };
}

function matchEach(entry: Entry, parts: readonly string[]): { points: number; because: string } | null {
  const found = parts.map((part) => bestMatch(entry, part, part)).filter((one) => one !== null);
  if (found.length < parts.length) return null;
  return { points: (found.reduce((sum, one) => sum + one.points, 0) / parts.length) * 0.9, because: found.map((one) => one.because).join(', ') };
}

function bestMatch(entry: Entry, joined: string, shown: string): { points: number; because: string } | null {
  let best: { points: number; because: string } | null = null;
  for (const text of entry.names) {
    const found = matchText(text, joined);
    if (!found) continue;
    const points = quality[found] * fieldFactor[text.what];
    if (!best || points > best.points) best = { points, because: reason(text.what, found, shown) };
  }
  return best;
}

function matchText(text: Named, typed: string): keyof typeof quality | null {
  if (text.joined === typed) return 'whole';
  if (text.joined.startsWith(typed)) return 'start';
  if (typed.length > 1 && text.initials.startsWith(typed)) return 'initials';
  if (text.words.some((word) => word.startsWith(typed))) return 'word';
  if (typed.length > 1 && acrossWords(text.words, typed)) return 'parts';
  return typed.length > 2 && text.joined.includes(typed) ? 'inside' : null;
}

/** Whether the letters are beginnings of words in order: "sladel" in "slackwater delay". Words × letters² steps at most. */
function acrossWords(words: readonly string[], typed: string): boolean {
  const reached = new Set([0]);
  for (const word of words) {
    for (const from of [...reached]) {
      for (let length = 1; length <= word.length && typed[from + length - 1] === word[length - 1]; length += 1) {
        if (from + length === typed.length) return true;
        reached.add(from + length);
      }
    }
  }
  return false;
}

const says: Record<keyof typeof quality, string> = {
  whole: 'is', start: 'starts with', initials: 'has the initials', word: 'has a word starting with', parts: 'has words starting with the letters of', inside: 'has the letters',
};
const reason = (what: Named['what'], how: keyof typeof quality, shown: string): string => `${what} ${says[how]} “${shown}”`;
