/**
 * Reads the Turtle (https://www.w3.org/TR/turtle/) that LV2 bundles are written in, in one pass over
 * the text: prefixes, names, URIs, nodes in brackets, texts and figures. Whatever else it meets,
 * faults included, it gives up, and the file is left to the library that knows all of Turtle.
 */
import {
  literal,
  resource,
  type Asked,
  type Said,
  type Statement,
  type Term,
  type TurtleFile,
} from './statement.ts';

/** Thrown and caught in this file only. */
class NotPlain extends Error {}

const rdfType = 'http://www.w3.org/1999/02/22-rdf-syntax-ns#type';
/** Nodes deeper in nodes are left to the library. */
const deepest = 32;

const prefix = /@prefix[ \t\r\n]+([A-Za-z][A-Za-z0-9_-]*)?:[ \t\r\n]*/y;
const truth = /true|false/y;
const figure = /[+-]?\d+(?:\.\d+)?(?:[eE][+-]?\d+)?/y;
const shortText = /"([^"\\\r\n]*(?:\\[tbnrf"'\\][^"\\\r\n]*)*)"(?!")/y;
const longText = /"""([^"\\]*(?:(?:"(?!"")|\\[tbnrf"'\\])[^"\\]*)*)"""(?!")/y;
const language = /@([A-Za-z]+(?:-[A-Za-z0-9]+)*)/y;

const isAbsolute = /^[A-Za-z][A-Za-z0-9+.-]*:/;
/** Below the directory of the file: no way up, no query, no scheme. */
const isBelow = /^[^:?#/.][^:?#/]*(?:\/[^:?#/.][^:?#/]*)*$/;
const hasDotSegments = /\/\.{1,2}(?:\/|$)/;

/** The letters' codes, as far as ASCII goes. */
function codesOf(letters: string): Uint8Array {
  const codes = new Uint8Array(128);
  for (const letter of letters) {
    codes[letter.charCodeAt(0)] = 1;
  }
  return codes;
}
const inName = codesOf('ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789_-:');
/** Figures and the words true and false begin so. */
const inWord = codesOf('+-0123456789tf');
/** These and control characters may not stand in a URI. */
const notInUri = codesOf(' <>"{}|^`\\');
/** What may stand right behind a thing. */
const afterThing = codesOf(' \t\r\n,;]');
const spaces = codesOf(' \t\r\n');
const codeOf = { hash: 35, stop: 46, line: 10, carriage: 13, lastControl: 31 } as const;

const escapes: Readonly<Record<string, string>> = {
  t: '\t',
  b: '\b',
  n: '\n',
  r: '\r',
  f: '\f',
};
const unescaped = (text: string): string =>
  text.includes('\\')
    ? text.replace(/\\(.)/g, (_, letter: string) => escapes[letter] ?? letter)
    : text;

/** The place of the end of a line. */
function endOfLine(text: string, from: number): number {
  let at = from;
  while (at < text.length) {
    const code = text.charCodeAt(at);
    if (code === codeOf.line || code === codeOf.carriage) {
      return at;
    }
    at += 1;
  }
  return at;
}

class PlainReader<K extends string> {
  readonly #text: string;
  readonly #base: string;
  readonly #directory: string;
  readonly #nodePrefix: string;
  readonly #most: number;
  readonly #asked: Asked<K>;
  readonly #prefixes = new Map<string, string>();
  readonly #names = new Map<string, Term>();
  readonly #statements: Statement<K>[] = [];
  #at = 0;
  #nodes = 0;
  #count = 0;

  constructor(text: string, { base, file, most, asked }: TurtleFile<K>) {
    this.#text = text;
    this.#base = base;
    this.#directory = base.slice(0, base.lastIndexOf('/') + 1);
    this.#nodePrefix = `_:f${file}_b`;
    this.#most = most;
    this.#asked = asked;
  }

  read(): Said<K> {
    this.#skip();
    while (this.#at < this.#text.length) {
      if (this.#isAt('@')) {
        this.#readPrefix();
      } else {
        this.#readPredicates(this.#readResource().value, '.', 0);
      }
      this.#take('.');
      this.#skip();
    }
    return { statements: this.#statements, count: this.#count };
  }

  #readPrefix(): void {
    const [, called = ''] = this.#must(prefix);
    this.#prefixes.set(called, this.#readUri());
    this.#names.clear();
    this.#skip();
  }

  /** At least one predicate, up to what ends them. */
  #readPredicates(subject: string, last: '.' | ']', depth: number): void {
    let isMore = true;
    while (isMore) {
      this.#skip();
      const predicate = this.#takeTypeWord() ? rdfType : this.#readResource().value;
      this.#readObjects(subject, predicate, depth);
      isMore = false;
      while (this.#isAt(';')) {
        this.#at += 1;
        this.#skip();
        isMore = !this.#isAt(last);
      }
    }
  }

  /** At least one object; nodes say what they are before they are said of the subject. */
  #readObjects(subject: string, predicate: string, depth: number): void {
    const asked = this.#asked.get(predicate);
    for (;;) {
      this.#skip();
      const object = this.#readObject(depth);
      this.#count += 1;
      if (this.#count > this.#most) {
        throw new NotPlain();
      }
      if (asked !== undefined) {
        this.#statements.push([subject, asked, object]);
      }
      this.#skip();
      if (!this.#isAt(',')) {
        return;
      }
      this.#at += 1;
    }
  }

  #readObject(depth: number): Term {
    switch (this.#text.charAt(this.#at)) {
      case '[':
        return this.#readNode(depth + 1);
      case '"':
        return this.#readText();
      default: {
        const word = this.#matchWord();
        if (!word) {
          return this.#readResource();
        }
        this.#mustEnd();
        return literal(word[0]);
      }
    }
  }

  /** A figure, or whether something is true. */
  #matchWord(): RegExpExecArray | null {
    const mayBe = inWord[this.#text.charCodeAt(this.#at)] === 1;
    return mayBe ? (this.#match(figure) ?? this.#match(truth)) : null;
  }

  #readNode(depth: number): Term {
    if (depth > deepest) {
      throw new NotPlain();
    }
    this.#nodes += 1;
    const node = `${this.#nodePrefix}${this.#nodes}`;
    this.#take('[');
    this.#skip();
    if (!this.#isAt(']')) {
      this.#readPredicates(node, ']', depth);
    }
    this.#take(']');
    return resource(node);
  }

  #readText(): Term {
    const [, written = ''] = this.#match(shortText) ?? this.#must(longText);
    const spoken = this.#match(language);
    if (!spoken && this.#text.startsWith('^^', this.#at)) {
      this.#at += 2;
      this.#readResource();
    }
    this.#mustEnd();
    return literal(unescaped(written), spoken?.[1]);
  }

  /** The word "a" where a predicate stands. */
  #takeTypeWord(): boolean {
    const isIt = this.#isAt('a') && spaces[this.#text.charCodeAt(this.#at + 1)] === 1;
    this.#at += isIt ? 1 : 0;
    return isIt;
  }

  #readResource(): Term {
    return this.#isAt('<') ? resource(this.#readUri()) : this.#readName();
  }

  /** The same names come again and again: each is put together once. */
  #readName(): Term {
    const from = this.#at;
    while (inName[this.#text.charCodeAt(this.#at)] === 1) {
      this.#at += 1;
    }
    this.#mustEnd();
    const written = this.#text.slice(from, this.#at);
    const known = this.#names.get(written);
    if (known) {
      return known;
    }
    const made = resource(this.#resolveName(written));
    this.#names.set(written, made);
    return made;
  }

  #resolveName(written: string): string {
    const end = written.indexOf(':');
    const stem = end < 0 ? undefined : this.#prefixes.get(written.slice(0, end));
    const local = written.slice(end + 1);
    if (stem === undefined || local.startsWith('-')) {
      throw new NotPlain();
    }
    return stem + local;
  }

  #readUri(): string {
    this.#take('<');
    const from = this.#at;
    for (
      let code = this.#text.charCodeAt(this.#at);
      code > codeOf.lastControl && notInUri[code] !== 1;
      code = this.#text.charCodeAt(this.#at)
    ) {
      this.#at += 1;
    }
    const written = this.#text.slice(from, this.#at);
    this.#take('>');
    this.#mustEnd();
    return this.#resolveUri(written);
  }

  #resolveUri(written: string): string {
    if (isAbsolute.test(written)) {
      return written;
    }
    if (written === '' || written.startsWith('#')) {
      return this.#base + written;
    }
    if (!isBelow.test(written) || hasDotSegments.test(this.#directory)) {
      throw new NotPlain();
    }
    return this.#directory + written;
  }

  /** Past spaces and comments. */
  #skip(): void {
    for (;;) {
      const code = this.#text.charCodeAt(this.#at);
      if (spaces[code] === 1) {
        this.#at += 1;
      } else if (code === codeOf.hash) {
        this.#at = endOfLine(this.#text, this.#at);
      } else {
        return;
      }
    }
  }

  /** Behind a name, a URI, a text or a figure; a full stop ends it only where it can be nothing else. */
  #mustEnd(): void {
    const end = this.#at;
    const isStop = this.#text.charCodeAt(end) === codeOf.stop;
    const code = this.#text.charCodeAt(isStop ? end + 1 : end);
    const isEnd = isStop ? spaces[code] === 1 : afterThing[code] === 1;
    if (!isEnd && !Number.isNaN(code)) {
      throw new NotPlain();
    }
  }

  #isAt(mark: string): boolean {
    return this.#text.charCodeAt(this.#at) === mark.charCodeAt(0);
  }

  #take(mark: string): void {
    if (!this.#isAt(mark)) {
      throw new NotPlain();
    }
    this.#at += 1;
  }

  #match(pattern: RegExp): RegExpExecArray | null {
    pattern.lastIndex = this.#at;
    const found = pattern.exec(this.#text);
    if (found) {
      this.#at = pattern.lastIndex;
    }
    return found;
  }

  #must(pattern: RegExp): RegExpExecArray {
    const found = this.#match(pattern);
    if (!found) {
      throw new NotPlain();
    }
    return found;
  }
}

/**
 * What a file says, in the order in which n3 gives it, or null where it is not plain or has more
 * statements than it may. Nodes are numbered in the order in which they begin.
 */
export function readPlainTurtle<K extends string>(
  text: string,
  file: TurtleFile<K>,
): Said<K> | null {
  try {
    return new PlainReader(text, file).read();
  } catch (error) {
    if (error instanceof NotPlain) {
      return null;
    }
    throw error;
  }
}
