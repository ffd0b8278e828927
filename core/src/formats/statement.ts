/** Statements of RDF as the readers of this room pass them on. */

/** An object of a statement: a resource (also a blank node, `_:…`) or a literal with its language. */
export interface Term {
  readonly kind: 'resource' | 'literal';
  readonly value: string;
  readonly language: string;
}

/** A resource or a blank node, what its predicate is called by who asks, and what is said. */
export type Statement<K extends string> = readonly [subject: string, predicate: K, object: Term];

/** What the predicates that are asked for are called, by their URIs; others are passed over. */
export type Asked<K extends string> = Pick<ReadonlyMap<string, K>, 'get'>;

/** The words of who asks. */
export type CalledIn<A extends Asked<string>> = A extends Asked<infer K> ? K : never;

/** What is said in a file, as far as it is asked for. */
export interface Said<K extends string> {
  readonly statements: readonly Statement<K>[];
  /** How many statements there are, those that are not asked for included. */
  readonly count: number;
}

/** A file to be read. */
export interface TurtleFile<K extends string> {
  /** Its own URI. */
  readonly base: string;
  /** Its number in the graph, from 1: nodes without a name are called `_:f`, this, `_b` and 1, 2 … */
  readonly file: number;
  /** As many statements may it hold. */
  readonly most: number;
  readonly asked: Asked<K>;
}

/** A resource as the object of a statement. */
export const resource = (value: string): Term => ({ kind: 'resource', value, language: '' });
/** A literal as the object of a statement; languages are compared without case. */
export const literal = (value: string, language = ''): Term => ({
  kind: 'literal',
  value,
  language: language === '' ? '' : language.toLowerCase(),
});
