/** Finding saved settings by letters: “plate snare” finds the setting *snare* of the plate plugin. */
import type { Plugin } from '../catalog/plugin.ts';
import { compareTexts } from '../text/compare.ts';
import { fold, wordsOf } from '../text/fold.ts';
import { lazy, memoizeIn } from '../memoize.ts';
import { Texts } from '../text/text-index.ts';
import type { Hit } from './finder.ts';

/** What of a setting is looked at. */
export interface FindableSetting {
  /** What it is called; its own words. */
  readonly names: readonly string[];
  readonly bank: string | null;
  /** What its plugin is called, nickname included. */
  readonly pluginNames: readonly string[];
}

/** Settings made ready to be found. */
export interface SettingFinder<S> {
  /** The best first; no more than `limit`, and of these only such as `isAmong` lets through. */
  readonly find: (letters: string, limit: number, isAmong?: (setting: S) => boolean) => S[];
  /** All whose words the letters begin, by name; here a plugin’s name alone is enough. */
  readonly all: (letters: string) => S[];
}

/**
 * Every word of the letters has to begin a word of the setting’s name, its bank or its plugin’s name,
 * and one at least a word of its own name: a plugin’s name alone brings no flood of its settings. Those
 * whose own name meets more words come first, then those whose name begins with the letters.
 */
export function createSettingFinder<S extends FindableSetting>(
  settings: readonly S[],
): SettingFinder<S> {
  const indexed = lazy(() => indexOf(settings));
  return {
    find: (letters, limit, isAmong = () => true) => {
      const asked = [...new Set(foldedWords(letters))];
      if (asked.length === 0) {
        return [];
      }
      const { ready, own, others, counted } = indexed();
      const whole = spaced(letters);
      const best: { setting: S; points: number }[] = [];
      counted.eachMeeting(asked, own, others, (at, words) => {
        const one = words > 0 ? ready[at] : undefined;
        const points =
          2 * words + Number(one?.starts.some((name) => name.startsWith(whole)) ?? false);
        // They come by name: one that is worth no more stands behind those that are there.
        const isBetter = best.length < limit || points > (best.at(-1)?.points ?? 0);
        if (one && isBetter && isAmong(one.setting)) {
          const place = best.findIndex((other) => other.points < points);
          best.splice(place < 0 ? best.length : place, 0, { setting: one.setting, points });
          best.length = Math.min(best.length, limit);
        }
      });
      return best.map(({ setting }) => setting);
    },
    all: (letters) => {
      const { ready, own, others, counted } = indexed();
      const met: S[] = [];
      counted.eachMeeting([...new Set(foldedWords(letters))], own, others, (at) => {
        met.push((ready[at] as Ready<S>).setting);
      });
      return met;
    },
  };
}

/** Of what can be found of a setting: its words, and how its names are written. */
interface Ready<S> {
  readonly setting: S;
  readonly words: readonly (readonly string[])[];
  readonly starts: readonly string[];
}

/** Settings by name, with the words of each. */
function indexOf<S extends FindableSetting>(settings: readonly S[]) {
  const ready = settings
    .map((setting): Ready<S> => {
      const words = setting.names.map(foldedWords);
      return { setting, words, starts: words.map((of) => of.join(' ')) };
    })
    .sort((a, b) => compareTexts(a.starts[0] ?? '', b.starts[0] ?? ''));
  const own = new Texts();
  const others = new Texts();
  // Plugins and banks have many settings.
  const known = new Map<string, readonly string[]>();
  for (const [at, { setting, words }] of ready.entries()) {
    enter(own, at, words);
    const around = [...setting.pluginNames, setting.bank ?? ''];
    enter(
      others,
      at,
      around.map((text) => memoizeIn(known, settings.length, text, () => foldedWords(text))),
    );
  }
  return { ready, own, others, counted: new Counted(ready.length) };
}

const foldedWords = (text: string): string[] => wordsOf(text).map(fold);
const spaced = (text: string): string => foldedWords(text).join(' ');

function enter(texts: Texts, at: number, names: readonly (readonly string[])[]): void {
  for (const words of names) {
    for (const word of words) {
      texts.add(at, word);
    }
  }
}

/** Counts, for a few words, how many of them each setting meets; used again for each search. */
class Counted {
  readonly #own: Uint8Array;
  readonly #matched: Uint8Array;
  /** Up to which word, counted from 1, a setting was looked at. */
  readonly #ownUntil: Uint8Array;
  readonly #matchedUntil: Uint8Array;

  constructor(size: number) {
    this.#own = new Uint8Array(size);
    this.#matched = new Uint8Array(size);
    this.#ownUntil = new Uint8Array(size);
    this.#matchedUntil = new Uint8Array(size);
  }

  /**
   * Gives each setting that meets every word, with how many of them it meets with a word of its own; in
   * the order of their positions.
   */
  eachMeeting(
    asked: readonly string[],
    own: Texts,
    others: Texts,
    act: (at: number, words: number) => void,
  ): void {
    for (const counts of [this.#own, this.#matched, this.#ownUntil, this.#matchedUntil]) {
      counts.fill(0);
    }
    for (const [number, word] of asked.slice(0, mostWords).entries()) {
      own.beginning(word, (positions) => {
        for (const at of positions) {
          this.#count(this.#own, this.#ownUntil, at, number + 1);
          this.#count(this.#matched, this.#matchedUntil, at, number + 1);
        }
      });
      others.beginning(word, (positions) => {
        for (const at of positions) {
          this.#count(this.#matched, this.#matchedUntil, at, number + 1);
        }
      });
    }
    const wanted = Math.min(asked.length, mostWords);
    for (let at = 0; at < this.#matched.length; at += 1) {
      if (this.#matched[at] === wanted) {
        act(at, this.#own[at] ?? 0);
      }
    }
  }

  /** A word counts once, however many words of the setting it begins. */
  #count(counts: Uint8Array, until: Uint8Array, at: number, number: number): void {
    if (until[at] !== number) {
      until[at] = number;
      counts[at] = (counts[at] ?? 0) + 1;
    }
  }
}

/** Words that are looked for; what is typed beyond them says nothing more. */
const mostWords = 20;

/** A setting of the catalog, ready to be found. */
export interface FindableThing extends FindableSetting {
  readonly thing: Plugin;
}

/** A setting with the nickname it was given. */
export const findableSetting = (thing: Plugin, nickname: string | null): FindableThing => ({
  thing,
  bank: thing.setting?.bank ?? null,
  names: nickname === null ? [thing.name] : [nickname, thing.name],
  pluginNames: thing.setting?.pluginNames ?? [],
});

/** Settings shown beside plugins: so few that they flood nothing. */
export const settingsShown = 3;

/** Hits with the settings that were found behind them; of so many in all, they have their places. */
export function withSettings(
  hits: readonly Hit[],
  settings: readonly FindableThing[],
  limit: number,
): Hit[] {
  const found = settingsBeyond(hits, settings).map(
    ({ thing }): Hit => ({ plugin: thing, score: 0, because: '' }),
  );
  return [...hits.slice(0, Math.max(1, limit - found.length)), ...found].slice(0, limit);
}

/** Settings that are not among the hits: of which something was made, these are found like plugins. */
export const settingsBeyond = (
  hits: readonly Hit[],
  settings: readonly FindableThing[],
): FindableThing[] =>
  settings.filter(({ thing }) => hits.every(({ plugin }) => plugin.id !== thing.id));
