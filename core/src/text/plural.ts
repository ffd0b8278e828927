/** Numbers with their words, singular and plural right (CLDR's rules for English, as Intl has them). */
const rules = new Intl.PluralRules('en');

/** "1 plugin", "2,000 plugins"; the plural takes an s unless it is given. */
export const plural = (count: number, one: string, many = `${one}s`): string =>
  `${count.toLocaleString('en')} ${rules.select(count) === 'one' ? one : many}`;
