/**
 * A catalog prepared so that a line is answered for all plugins at once. What it answers is what
 * `compileLine` answers one by one. Each field is prepared when a line first asks for it.
 */
import { fold, wordsOf } from '../../text/fold.ts';
import {
  addAll,
  allBits,
  dropBit,
  hasBit,
  keepBoth,
  noBits,
  positionsIn,
  setBit,
  takeAway,
  type Bits,
} from './bits.ts';
import type { Candidate, RuleText } from './candidate.ts';
import { Columns, type Span } from './columns.ts';
import { compileLine, isNegative, meetsText, type RuleContext } from './holds.ts';
import {
  fields,
  isOfTime,
  keyOfLine,
  meansSettings,
  type Card,
  type Line,
  type Rule,
} from '../language/rule.ts';
import { Texts } from '../../text/text-index.ts';

type TextField = keyof Candidate['texts'];
type SetField = keyof Candidate['sets'];

/**
 * The values of a field with the plugins that have each; for types, also each type by itself,
 * without its group.
 */
interface Values {
  readonly all: Map<string, Bits>;
  readonly of: (candidate: Candidate) => readonly string[];
}

/** Answers lines and rules for all plugins at once. */
export class CatalogIndex {
  readonly #candidates: Candidate[];
  readonly #at: Map<string, number>;
  readonly #texts = new Map<
    string,
    { readonly texts: Texts; readonly of: Part; readonly field: TextField }
  >();
  readonly #values = new Map<string, Values>();
  readonly #columns: Columns;
  readonly #lines = new Map<string, Bits>();
  readonly size: number;

  constructor(candidates: readonly Candidate[]) {
    this.size = candidates.length;
    this.#candidates = [...candidates];
    this.#at = new Map(candidates.map((candidate, at) => [candidate.id, at]));
    this.#columns = new Columns(this.#candidates);
  }

  positionOf(id: string): number | undefined {
    return this.#at.get(id);
  }
  at(position: number): Candidate {
    return this.#candidates[position] as Candidate;
  }
  idsOf(bits: Bits): string[] {
    return positionsIn(bits).map((at) => this.at(at).id);
  }

  /** Puts another state of a plugin in place of the one that is there. */
  replace(position: number, candidate: Candidate): void {
    const before = this.at(position);
    for (const { texts, of, field } of this.#texts.values()) {
      for (const text of before.texts[field]) {
        parts[of](text, (part) => {
          texts.drop(position, part);
        });
      }
      for (const text of candidate.texts[field]) {
        parts[of](text, (part) => {
          texts.add(position, part);
        });
      }
    }
    for (const values of this.#values.values()) {
      for (const value of values.of(before)) {
        dropBit(values.all.get(value) as Bits, position);
      }
      this.#enter(values, position, candidate);
    }
    this.#candidates[position] = candidate;
    this.#lines.clear();
    this.#columns.replace(position, candidate);
  }

  /** Everything a rule takes in. */
  rule({ cards, never }: Rule, where: RuleContext): Bits {
    const found = noBits(this.size);
    for (const card of cards) {
      addAll(found, this.letIn(card, where));
    }
    for (const card of never) {
      takeAway(found, this.card(card, where));
    }
    return found;
  }

  /** What a card lets in: settings only where it asks for them. */
  letIn(card: Card, where: RuleContext): Bits {
    const found = this.card(card, where);
    const settings = meansSettings(card) ? undefined : this.#valuesOf('thing').all.get('setting');
    return settings ? takeAway(found, settings) : found;
  }

  card({ lines }: Card, where: RuleContext): Bits {
    const [first, ...rest] = lines;
    if (!first) {
      return noBits(this.size);
    }
    return rest.reduce(
      (found, line) => keepBoth(found, this.#shared(line, where)),
      this.line(first, where),
    );
  }

  /** Everything a line lets in. */
  line(line: Line, where: RuleContext): Bits {
    return this.#shared(line, where).slice();
  }

  /**
   * Rules ask many lines again and again; what depends on nothing but the catalog is answered once.
   * Not to be changed.
   */
  #shared(line: Line, where: RuleContext): Bits {
    if (line.field === 'folder' || isOfTime(line)) {
      return this.#answer(line, where);
    }
    const key = keyOfLine(line);
    const bits = this.#lines.get(key) ?? this.#answer(line, where);
    this.#lines.set(key, bits);
    return bits;
  }

  #answer(line: Line, where: RuleContext): Bits {
    if (isNegative(line.relation)) {
      return takeAway(
        allBits(this.size),
        this.#shared({ ...line, relation: line.relation === 'has no' ? 'has' : 'is' }, where),
      );
    }
    switch (fields[line.field]) {
      case 'text':
        return line.relation === 'is missing' ? this.#each(line, where) : this.#text(line);
      case 'set':
        return line.field === 'folder' ? this.#each(line, where) : this.#set(line);
      case 'time':
      case 'number':
        return this.#columns.line(line, where.now) ?? this.#each(line, where);
      default:
        return this.#each(line, where);
    }
  }

  /**
   * The first moment after now at which a line with a span of time says something else of some
   * plugin; infinity for never.
   */
  nextMoment(span: Span, now: number): number {
    return this.#columns.nextMoment(span, now);
  }

  /** Asks one by one. */
  #each(line: Line, where: RuleContext): Bits {
    const found = noBits(this.size);
    const holds = compileLine(line);
    for (let at = 0; at < this.size; at += 1) {
      if (holds(this.at(at), where)) {
        setBit(found, at);
      }
    }
    return found;
  }

  #set({ field, relation, values }: Line): Bits {
    const name = field as SetField;
    const union = (of: Values, wanted: Iterable<string>): Bits => {
      const found = noBits(this.size);
      for (const value of wanted) {
        const bits = of.all.get(value);
        if (bits) {
          addAll(found, bits);
        }
      }
      return found;
    };
    const all = this.#valuesOf(name);
    if (relation === 'is missing') {
      return takeAway(allBits(this.size), union(all, all.all.keys()));
    }
    if (relation !== 'is only') {
      return union(all, values);
    }
    // Those that have one of the values and nothing else; of types, what lies in a group is one with it.
    const single = field === 'type' ? this.#valuesOf('types') : all;
    const isWanted = (value: string): boolean =>
      values.includes(value) || (field === 'type' && values.includes(value.split('/')[0] ?? ''));
    const known = [...single.all.keys()];
    return takeAway(
      union(single, known.filter(isWanted)),
      union(
        single,
        known.filter((value) => !isWanted(value)),
      ),
    );
  }

  #valuesOf(field: SetField | 'types'): Values {
    const known = this.#values.get(field);
    if (known) {
      return known;
    }
    const values: Values = {
      all: new Map(),
      of: field === 'types' ? ({ types }) => types : ({ sets }) => sets[field],
    };
    for (let at = 0; at < this.size; at += 1) {
      this.#enter(values, at, this.at(at));
    }
    this.#values.set(field, values);
    return values;
  }

  #enter(values: Values, at: number, candidate: Candidate): void {
    for (const value of values.of(candidate)) {
      let bits = values.all.get(value);
      if (!bits) {
        values.all.set(value, (bits = noBits(this.size)));
      }
      setBit(bits, at);
    }
  }

  #text({ field, relation, values }: Line): Bits {
    const found = noBits(this.size);
    const name = field as TextField;
    const add = (positions: readonly number[]): void => {
      for (const at of positions) {
        setBit(found, at);
      }
    };
    for (const value of values) {
      const valueWords = wordsOf(value);
      const [first = ''] = valueWords;
      if (relation === 'is') {
        add(this.#textsOf('folded', name).whole(fold(value)));
      } else if (relation === 'starts with') {
        this.#textsOf('joined', name).beginning(valueWords.join(''), add);
      } else if (relation === 'has letters' || valueWords.length === 0) {
        this.#check(found, this.#candidates.keys(), name, relation, value);
      } else if (valueWords.length > 1) {
        this.#check(found, this.#textsOf('words', name).whole(first), name, relation, value);
      } else if (relation === 'has word') {
        add(this.#textsOf('words', name).whole(first));
      } else {
        this.#textsOf('words', name).beginning(first, add);
      }
    }
    return found;
  }

  /** Of several words the first is found by the index, and the others are looked for behind it. */
  #check(
    found: Bits,
    positions: Iterable<number>,
    field: TextField,
    relation: Line['relation'],
    value: string,
  ): void {
    const meets = meetsText(relation, value);
    for (const at of positions) {
      if (!hasBit(found, at) && this.at(at).texts[field].some(meets)) {
        setBit(found, at);
      }
    }
  }

  #textsOf(of: Part, field: TextField): Texts {
    const key = `${of} ${field}` as const;
    const known = this.#texts.get(key);
    if (known) {
      return known.texts;
    }
    const texts = new Texts();
    for (let at = 0; at < this.size; at += 1) {
      for (const text of this.at(at).texts[field]) {
        parts[of](text, (part) => {
          texts.add(at, part);
        });
      }
    }
    this.#texts.set(key, { texts, of, field });
    return texts;
  }
}

/** What of a text is prepared: its words, the whole folded text, or its letters and figures. */
const parts = {
  words: (text: RuleText, act: (part: string) => void): void => {
    for (const word of text.words) {
      act(word);
    }
  },
  joined: (text: RuleText, act: (part: string) => void): void => {
    act(text.joined);
  },
  folded: (text: RuleText, act: (part: string) => void): void => {
    act(text.folded);
  },
} as const;
type Part = keyof typeof parts;
