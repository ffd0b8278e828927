/** Numbers with their words, singular and plural as CLDR has them for English. */
import { printNumber } from '../print-number.ts';

/** The words for one or for any other number: "waits", "wait". */
export const oneOrMany = (count: number, one: string, many: string): string =>
  count === 1 ? one : many;

/** "1 plugin", "2,000 plugins"; the plural takes an s unless it is given. */
export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${printNumber(count)} ${oneOrMany(count, one, many)}`;
