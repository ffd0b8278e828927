/** A catalog prepared so that a line is answered for all plugins at once. What it answers is what `compileLine` answers one by one. */
import { fold, wordsOf } from '../fold.ts';
import { addAll, allBits, dropBit, hasBit, keepBoth, noBits, positionsIn, setBit, takeAway, type Bits } from './bits.ts';
import type { Candidate } from './candidate.ts';
import { compileLine, isNegative, meetsText, type Where } from './holds.ts';
import { fields, type Card, type Line, type Rule } from './rule.ts';

const textFields = ['name', 'anything', 'vendor', 'tag', 'notes'] as const;
const setFields = ['type', 'kind', 'format', 'bits', 'licence', 'state'] as const;
type TextField = (typeof textFields)[number];
type SetField = (typeof setFields)[number];

/** Positions by a text, and the texts in order, so that those with one beginning stand side by side. */
class Texts {
  readonly #at = new Map<string, Set<number>>();
  #sorted: string[] | null = null;

  add(at: number, text: string): void {
    const known = this.#at.get(text);
    if (known) { known.add(at); return; }
    this.#at.set(text, new Set([at]));
    if (this.#sorted) this.#sorted.splice(lowest(this.#sorted, text), 0, text);
  }

  drop(at: number, text: string): void { this.#at.get(text)?.delete(at); }

  whole(text: string): Iterable<number> { return this.#at.get(text) ?? []; }

  /** Positions of texts that begin so; each may come several times. */
  * beginning(letters: string): Iterable<number> {
    const sorted = (this.#sorted ??= [...this.#at.keys()].sort());
    for (let at = lowest(sorted, letters); at < sorted.length && sorted[at]?.startsWith(letters); at += 1) yield* this.#at.get(sorted[at] ?? '') ?? [];
  }
}

/** The first position whose text is not below. */
function lowest(sorted: readonly string[], text: string): number {
  let from = 0, to = sorted.length;
  while (from < to) { const middle = (from + to) >>> 1; if ((sorted[middle] ?? '') < text) from = middle + 1; else to = middle; }
  return from;
}

export class CatalogIndex {
  readonly #candidates: Candidate[];
  readonly #at: Map<string, number>;
  readonly #words: Readonly<Record<TextField, Texts>>;
  readonly #wholes: Readonly<Record<TextField, Texts>>;
  readonly #sets: Readonly<Record<SetField, Map<string, Bits>>>;
  readonly size: number;

  constructor(candidates: readonly Candidate[]) {
    this.size = candidates.length;
    this.#candidates = [...candidates];
    this.#at = new Map(candidates.map((candidate, at) => [candidate.id, at]));
    const texts = (): Record<TextField, Texts> => Object.fromEntries(textFields.map((field) => [field, new Texts()])) as Record<TextField, Texts>;
    this.#words = texts();
    this.#wholes = texts();
    this.#sets = Object.fromEntries(setFields.map((field) => [field, new Map<string, Bits>()])) as Record<SetField, Map<string, Bits>>;
    for (const [at, candidate] of candidates.entries()) this.#enter(at, candidate);
  }

  positionOf(id: string): number | undefined { return this.#at.get(id); }
  at(position: number): Candidate { return this.#candidates[position] as Candidate; }
  idsOf(bits: Bits): string[] { return positionsIn(bits).map((at) => this.at(at).id); }

  /** Puts another state of a plugin in place of the one that is there. */
  replace(position: number, candidate: Candidate): void {
    const before = this.at(position);
    for (const field of textFields) for (const text of before.texts[field]) { this.#wholes[field].drop(position, text.folded); for (const word of text.words) this.#words[field].drop(position, word); }
    for (const field of setFields) for (const value of before.sets[field]) dropBit(this.#sets[field].get(value) as Bits, position);
    this.#candidates[position] = candidate;
    this.#enter(position, candidate);
  }

  #enter(at: number, { texts, sets }: Candidate): void {
    for (const field of textFields) for (const text of texts[field]) { this.#wholes[field].add(at, text.folded); for (const word of text.words) this.#words[field].add(at, word); }
    for (const field of setFields) for (const value of sets[field]) {
      const bits = this.#sets[field].get(value) ?? noBits(this.size);
      setBit(bits, at);
      this.#sets[field].set(value, bits);
    }
  }

  /** Everything a rule takes in. */
  rule({ cards, never }: Rule, where: Where): Bits {
    const found = noBits(this.size);
    for (const card of cards) addAll(found, this.card(card, where));
    for (const card of never) takeAway(found, this.card(card, where));
    return found;
  }

  card({ lines }: Card, where: Where): Bits {
    const [first, ...rest] = lines;
    if (!first) return noBits(this.size);
    return rest.reduce((found, line) => keepBoth(found, this.line(line, where)), this.line(first, where));
  }

  line(line: Line, where: Where): Bits {
    if (isNegative(line.relation)) return takeAway(allBits(this.size), this.line({ ...line, relation: line.relation === 'has no' ? 'has' : 'is' }, where));
    const sort = fields[line.field];
    if (sort === 'text' && line.relation !== 'is missing') return this.#text(line);
    if (sort === 'set' && line.relation === 'is' && line.field !== 'folder') return line.values.reduce((found, value) => addAll(found, this.#sets[line.field as SetField].get(value) ?? noBits(0)), noBits(this.size));
    return this.#each(compileLine(line), where);
  }

  /** Asks one by one: for lines whose answer is quick and needs no words. */
  #each(holds: ReturnType<typeof compileLine>, where: Where): Bits {
    const found = noBits(this.size);
    for (const [at, candidate] of this.#candidates.entries()) if (holds(candidate, where)) setBit(found, at);
    return found;
  }

  #text({ field, relation, values }: Line): Bits {
    const found = noBits(this.size), name = field as TextField;
    for (const value of values) {
      const meets = meetsText(relation, value), isSure = wordsOf(value).length === 1 && (relation === 'has' || relation === 'has word');
      for (const at of this.#likely(name, relation, value)) if (!hasBit(found, at) && (isSure || this.at(at).texts[name].some(meets))) setBit(found, at);
    }
    return found;
  }

  /** Positions among which are all that can meet the value; some may come several times. */
  #likely(field: TextField, relation: Line['relation'], value: string): Iterable<number> {
    const valueWords = wordsOf(value), [first = ''] = valueWords, words = this.#words[field], wholes = this.#wholes[field], folded = fold(value);
    if (valueWords.length === 0 || relation === 'has letters') return this.#candidates.keys();
    // The last word of what is looked for may be the beginning of a longer one; those before it are whole.
    const byWords = relation !== 'has word' && valueWords.length === 1 ? words.beginning(first) : words.whole(first);
    if (relation === 'is') return wholes.whole(folded);
    return relation === 'starts with' ? both(wholes.beginning(folded), byWords) : byWords;
  }
}

function* both(one: Iterable<number>, other: Iterable<number>): Iterable<number> { yield* one; yield* other; }
