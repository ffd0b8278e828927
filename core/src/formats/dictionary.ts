/** Values by key, as parsers of JSON, XML and property lists give them. */

/** Values by key. */
export type Dictionary = Readonly<Record<string, unknown>>;

/** Whether a value is a dictionary. */
export const isDictionary = (value: unknown): value is Dictionary =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
