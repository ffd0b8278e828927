/** Words that many plugins have in their names, and that therefore tell none from another. */
import { lexicon, wordParts } from './lexicon.data.ts';

/** What stands before and behind the words of the trade (common practice, no published source). */
const describing = new Set(
  'simple fast slow hard soft smooth auto new old classic vintage retro digital analog analogue super ultra mega mini micro multi single double triple dual basic example advanced pro lite free full big small giant tiny high low higher quality mono stereo left right line unit module processor effect plugin suite bundle control bass mid side wave signal sound audio music band true real deluxe studio live'.split(
    ' ',
  ),
);

const inside: ReadonlySet<string> = new Set(wordParts);

/** Whether a folded word says what a plugin does, or how, and not which one it is. */
export const isGenericWord = (word: string): boolean =>
  /^\d+$/.test(word) ||
  describing.has(word) ||
  lexicon.has(word) ||
  (word.endsWith('s') && lexicon.has(word.slice(0, -1))) ||
  inside.has(word);
