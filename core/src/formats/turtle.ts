/**
 * A small graph over the statements of Turtle files (https://www.w3.org/TR/turtle/), read by the n3
 * package.
 */
import {
  DataFactory,
  Parser,
  type Quad,
  type Quad_Object,
  type Quad_Predicate,
  type Quad_Subject,
  type Term as NodeTerm,
} from 'n3';
import { failed, ok, type Result } from '../problem.ts';
import { compareTexts } from '../text/compare.ts';
import { limits, textOf } from './bundle-files.ts';
import { readPlainTurtle } from './plain-turtle.ts';
import {
  literal,
  resource,
  type Asked,
  type Said,
  type Term,
  type TurtleFile,
} from './statement.ts';

/**
 * Statements by subject and predicate; several files can be read into one graph. It holds what its
 * predicates say, each called by a word of who asks.
 */
export class Graph<K extends string> {
  readonly #subjects = new Map<string, Map<K, Term[]>>();
  readonly #asked: Asked<K>;
  /** Statements read, those of other predicates included. */
  #files = 0;

  constructor(asked: Asked<K>) {
    this.#asked = asked;
  }

  /**
   * Adds the statements of one Turtle file, which has a limit of its own. `base` is the file's own URI. Gives how many it holds; on
   * a Problem nothing is added.
   */
  addTurtle(bytes: Uint8Array, base: string, at: string): Result<number> {
    this.#files += 1;
    const file = {
      base,
      file: this.#files,
      most: limits.statements,
      asked: this.#asked,
    };
    const said = readTurtle(textOf(bytes), file, at);
    if (!said.ok) {
      return said;
    }
    const { statements, count } = said.value;
    for (const [subject, predicate, term] of statements) {
      this.#add(subject, predicate, term);
    }
    return ok(count);
  }

  #add(subject: string, predicate: K, term: Term): void {
    let predicates = this.#subjects.get(subject);
    if (!predicates) {
      this.#subjects.set(subject, (predicates = new Map<K, Term[]>()));
    }
    const terms = predicates.get(predicate);
    if (terms) {
      terms.push(term);
    } else {
      predicates.set(predicate, [term]);
    }
  }

  /** Of which something is said that was asked for. */
  subjects(): Iterable<string> {
    return this.#subjects.keys();
  }

  all(subject: string, predicate: K): readonly Term[] {
    return this.#subjects.get(subject)?.get(predicate) ?? [];
  }

  /** Values of the resources that stand as object, in the file's order, each once. */
  resources(subject: string, predicate: K): string[] {
    return [
      ...new Set(
        this.all(subject, predicate)
          .filter((t) => t.kind === 'resource')
          .map((t) => t.value),
      ),
    ];
  }

  /**
   * Values of the resources that stand as object, in the order in which the sord library keeps
   * them, and so liblilv:
   * URIs by their characters, then nodes without a name by theirs. Each once.
   */
  resourcesInOrder(subject: string, predicate: K): string[] {
    const isBlank = (value: string): number => (value.startsWith('_:') ? 1 : 0);
    return this.resources(subject, predicate).sort(
      (a, b) => isBlank(a) - isBlank(b) || compareTexts(a, b),
    );
  }

  /** The literal without a language, else the English one, else the first. */
  text(subject: string, predicate: K): string | null {
    const texts = this.all(subject, predicate).filter((t) => t.kind === 'literal');
    const best =
      texts.find((t) => t.language === '') ??
      texts.find((t) => t.language.startsWith('en')) ??
      texts[0];
    return best?.value ?? null;
  }
}

/**
 * The plain way first; the library for all that is not plain, and to say what is wrong. `at` is what
 * the file is called in problems.
 */
function readTurtle<K extends string>(
  text: string,
  file: TurtleFile<K>,
  at: string,
): Result<Said<K>> {
  const plain = readPlainTurtle(text, file);
  return plain ? ok(plain) : readAnyTurtle(text, file, at);
}

/** All of Turtle, by the n3 package; the oracle of the plain reader's tests. */
export function readAnyTurtle<K extends string>(
  text: string,
  { base, file, most, asked }: TurtleFile<K>,
  at: string,
): Result<Said<K>> {
  try {
    const parser = new Parser({
      baseIRI: base,
      format: 'Turtle',
      blankNodePrefix: `_:f${file}_`,
      factory: countingFactory(most),
    });
    const quads = parser.parse(text);
    const nameOf = namesOfNodes(quads, file);
    const termOf = (object: Quad_Object): Term =>
      object.termType === 'Literal'
        ? literal(object.value, object.language)
        : resource(nameOf(object));
    const statements = quads.flatMap(({ subject, predicate, object }) => {
      const called = asked.get(predicate.value);
      return called === undefined ? [] : [[nameOf(subject), called, termOf(object)] as const];
    });
    return ok({ statements, count: quads.length });
  } catch (error) {
    if (error instanceof TooManyStatements) {
      const got = limits.statements + 1;
      return failed({ code: 'too-much', at, what: 'statements', got, limit: limits.statements });
    }
    return failed(turtleProblem(error, at));
  }
}

class TooManyStatements extends Error {}

/** Makes the parser's terms, and ends it as soon as there are more statements than may be. */
function countingFactory(most: number): typeof DataFactory {
  let made = 0;
  return {
    ...DataFactory,
    quad: (subject: Quad_Subject, predicate: Quad_Predicate, object: Quad_Object) => {
      made += 1;
      if (made > most) {
        throw new TooManyStatements();
      }
      return DataFactory.quad(subject, predicate, object);
    },
  };
}

function turtleProblem(
  error: unknown,
  at: string,
): { code: 'damaged'; at: string; line: number | null; detail: string } {
  const message = error instanceof Error ? error.message : String(error);
  const line = /on line (\d+)/.exec(message)?.[1];
  return {
    code: 'damaged',
    at,
    line: line === undefined ? null : Number(line),
    detail: `it is not valid Turtle (${message.replace(/ on line \d+\.?/, '').slice(0, 120)}).`,
  };
}

/** n3 counts nodes without a label over all files it ever read. */
const unlabelled = /^n3-(\d+)$/;

/**
 * Names for the nodes of one file. Those without a label are called b1, b2 … in the order of the
 * file, as the serd library calls them, each name with the number of the file before it.
 */
function namesOfNodes(quads: readonly Quad[], file: number): (node: NodeTerm) => string {
  const numberOf = (node: NodeTerm): number =>
    node.termType === 'BlankNode' ? Number(unlabelled.exec(node.value)?.[1] ?? Infinity) : Infinity;
  const first = quads.reduce(
    (least, { subject, object }) => Math.min(least, numberOf(subject), numberOf(object)),
    Infinity,
  );
  return (node) => {
    if (node.termType !== 'BlankNode') {
      return node.value;
    }
    const number = numberOf(node);
    return Number.isFinite(number) ? `_:f${file}_b${number - first + 1}` : `_:${node.value}`;
  };
}
