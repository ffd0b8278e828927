/** Texts as they are compared. Nothing in core imports this file. */
export { isDay } from './day.ts';
export { markedEncoding } from './encoding.ts';
export { editDistance } from './edit-distance.ts';
export { jsonObject } from './json-object.ts';
export { oneOrMany, plural } from './plural.ts';
export { compareNames } from './compare.ts';
export { fold, wordsOf } from './fold.ts';
export {
  cutText,
  isStorable,
  shortKey,
  storable,
  storableValue,
  troubleInValue,
  type ValueLimits,
  type ValueTrouble,
} from './storable.ts';
