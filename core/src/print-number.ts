/** Numbers as they are read. */

/**
 * A whole number with its thousands set apart, as CLDR has it for English: "12,345". Intl would take
 * a fresh window 10 ms to begin.
 */
export const printNumber = (count: number): string =>
  String(count).replace(/\B(?=(?:\d{3})+$)/g, ',');
