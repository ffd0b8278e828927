/** Numbers with their words, singular and plural right (CLDR's rules for English, as Intl has them). */
const rules = new Intl.PluralRules('en');

/** The words for one or for any other number: "waits", "wait". */
export const oneOrMany = (count: number, one: string, many: string): string =>
  rules.select(count) === 'one' ? one : many;

/** "1 plugin", "2,000 plugins"; the plural takes an s unless it is given. */
export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${count.toLocaleString('en')} ${oneOrMany(count, one, many)}`;
