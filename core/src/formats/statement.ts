/** Statements of RDF as the readers of this room pass them on. */

/** An object of a statement: a resource (also a blank node, `_:…`) or a literal with its language. */
export interface Term {
  readonly kind: 'resource' | 'literal';
  readonly value: string;
  readonly language: string;
}

/** A resource or a blank node, a resource, and what is said. */
export type Statement = readonly [subject: string, predicate: string, object: Term];

/** A resource as the object of a statement. */
export const resource = (value: string): Term => ({ kind: 'resource', value, language: '' });
/** A literal as the object of a statement; languages are compared without case. */
export const literal = (value: string, language = ''): Term => ({
  kind: 'literal',
  value,
  language: language.toLowerCase(),
});
