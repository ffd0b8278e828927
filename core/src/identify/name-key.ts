/** The part of a copy's name that says which product it is, and what else the name says. */
import { fold, wordsOf } from '../text/fold.ts';

/** A version for one channel or for two. */
export type Width = 'mono' | 'stereo';

/** A name taken apart so that it can be compared. */
export interface NameKey {
  /** Folded, without spaces: "tapeecho". */
  readonly key: string;
  /** The same without the vendor's name in front of it; equal to `key` when it does not stand there. */
  readonly bare: string;
  readonly width: Width | null;
  /**
   * Whether the name is hardly there twice by chance: it has a word that is no word of the trade,
   * or many words.
   */
  readonly isTelling: boolean;
}

const formatWord = '(?:lv2|vst ?[23]?|au|clap|ladspa|audio unit)';
const bitsWord =
  '(?:x ?86[ _-]64|x64|x86|x32|64 ?-?bits?|32 ?-?bits?|win ?64|win ?32|amd64|arm64|universal)';
/** In brackets anywhere, or as the last word. */
const inBrackets = (word: string): RegExp => new RegExp(`[([{]\\s*${word}\\s*[)\\]}]`, 'g');
const atEnd = (word: string): RegExp => new RegExp(`[\\s,_-]+${word}\\s*$`);
const ofNoMatter = [
  inBrackets(`(?:${formatWord}|${bitsWord}|64|32)`),
  inBrackets(`${formatWord}[ ,/]+(?:${bitsWord}|64|32)`),
  atEnd(formatWord),
  atEnd(bitsWord),
  atEnd(formatWord),
];
/** "2.1", "v1.0.3", "version 2.1": a version. "2", "II", "Mk 3", "v2": another product. */
const version =
  /(?:[\s,_-]+|\()v(?:er(?:sion|\.)?)?\s*\d+(?:\.\d+)+\s*\)?(?=\s|$)|(?:[\s,_-]+|\()\d+(?:\.\d+)+\s*\)?\s*$/g;
const widthInBrackets =
  /[([{]\s*(?:(m|mono)|(s|st|stereo|sum l\+r in)|(mono|m)(?: in| out|\s*(?:->|>|to|\/)\s*(?:s|st|stereo|mono|m))|(?:s|st|stereo)(?: in| out|\s*(?:->|>|to|\/)\s*(?:s|st|stereo)))\s*[)\]}]/;
const widthAtEnd = /[\s,_-]+(mono|stereo)\s*$/;
/** Editions for the sum and the difference of two channels, and for both apart: how they are spelled. */
const midSide = /\bmid[\s,/_-]*side\b|\bm[/_-]s\b/g;
const leftRight = /\bleft[\s,/_-]*right\b|\bl[/_-]r\b/g;
const roman: Readonly<Record<string, string>> = {
  ii: '2',
  iii: '3',
  iv: '4',
  v: '5',
  vi: '6',
  vii: '7',
  viii: '8',
  ix: '9',
};

/** Whether audio comes out of it and none goes in, as with an instrument. */
export const makesSound = (copy: {
  readonly audioIn: number | null;
  readonly audioOut: number | null;
}): boolean => copy.audioIn === 0 && (copy.audioOut ?? 0) > 0;

/** Whether a word is one of the trade, as "delay" and "simple" are (types/generic.ts). */
export type IsGeneric = (word: string) => boolean;
const lettersThatTell = 4;
const wordsThatTell = 4;

/**
 * Takes a name apart. "Salt  Verb_(VST3) stereo" and "SaltVerb x64" have one key, "Salt Verb II" another.
 * Width words count as width for effects only: a "Mono" among instruments is a product.
 */
export function nameKeyOf(
  name: string,
  vendor: string | null,
  isInstrument: boolean,
  isGeneric: IsGeneric,
): NameKey {
  const text = productText(name);
  const { rest, width } = isInstrument ? { rest: text, width: null } : takeWidth(text);
  const words = (
    rest
      .replace(midSide, ' ms ')
      .replace(leftRight, ' lr ')
      .match(/[\p{L}\p{N}+#]+/gu) ?? []
  )
    .map((word, i, all) => (i > 0 && i === all.length - 1 ? (roman[word] ?? word) : word))
    .filter((word, i) => i === 0 || word !== 'mk')
    .map((word) => word.replace(/^mk(?=\d)/, ''));
  const maker = vendor === null ? [] : (fold(vendor).match(/[\p{L}\p{N}]+/gu) ?? []);
  const bare = withoutMaker(words, maker);
  const key = words.join('');
  return {
    key: key === '' ? fold(name) : key,
    bare: bare.length === 0 ? key : bare.join(''),
    width,
    isTelling: isTellingName(name, bare, isGeneric),
  };
}

/** A folded name without format, bits and version. */
function productText(name: string): string {
  let text = fold(name.replace(/_/g, ' '));
  for (const word of ofNoMatter) {
    text = text.replace(word, ' ').trim() || text;
  }
  return text.replace(version, ' ').trim() || text;
}

/** The version for one channel or for two that the name of an effect says it is; null where it says none. */
export const widthOf = (name: string): Width | null => takeWidth(productText(name)).width;

/**
 * Told from the words as they are, joined or apart: "3BandEQ" is "3 Band EQ". A figure among three
 * words makes a name as telling as a fourth one.
 */
function isTellingName(name: string, bare: readonly string[], isGeneric: IsGeneric): boolean {
  const words = wordsOf(withoutWidth(withoutBits(name.replace(/_/g, ' '))));
  const hasFigure = words.some((word) => /^\p{N}+$/u.test(word));
  return (
    Math.max(bare.length, words.length) + (hasFigure ? 1 : 0) >= wordsThatTell ||
    bare.some((word) => word.length >= lettersThatTell && !isGeneric(word))
  );
}

function takeWidth(text: string): { rest: string; width: Width | null } {
  const inside = widthInBrackets.exec(text);
  if (inside) {
    return {
      rest: text.replace(inside[0], ' '),
      width: inside[1] !== undefined || inside[3] !== undefined ? 'mono' : 'stereo',
    };
  }
  const end = widthAtEnd.exec(text);
  const rest = end ? text.slice(0, end.index) : '';
  return end && rest.length > 2 ? { rest, width: end[1] as Width } : { rest: text, width: null };
}

/** Words of the name behind those of the vendor: "Invented Compressor" by "Invented Ltd" → compressor. */
function withoutMaker(words: readonly string[], maker: readonly string[]): readonly string[] {
  let same = 0;
  while (same < words.length && same < maker.length && words[same] === maker[same]) {
    same += 1;
  }
  while (same > 0 && same < words.length && besideMaker.has(words[same] ?? '')) {
    same += 1;
  }
  return same > 0 && same < words.length ? words.slice(same) : words;
}

/** Words that stand between a maker's name and a plugin's in files: "gorse-plugins-vst-gate". */
const besideMaker = new Set('plugin plugins vst vst2 vst3 lv2 clap ladspa'.split(' '));

const shownWidthInBrackets = new RegExp(widthInBrackets.source, 'i');
const shownWidthAtEnd = new RegExp(widthAtEnd.source, 'i');

/** A name as it is shown without "(mono)" and the like. */
export const withoutWidth = (name: string): string =>
  name.replace(shownWidthInBrackets, '').replace(shownWidthAtEnd, '').replace(/\s+/g, ' ').trim() ||
  name;

const bitsOrFormatAtEnd = new RegExp(atEnd(`(?:${bitsWord}|64|${formatWord})`).source, 'i');

/** A file's name as it is shown: without bits and format at its end. */
export const withoutBits = (name: string): string =>
  name.replace(bitsOrFormatAtEnd, '').trim() || name;
