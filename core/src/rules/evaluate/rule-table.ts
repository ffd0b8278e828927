/**
 * Many rules as one table of numbers: a line that several of them have is asked once for a plugin,
 * and what is read to answer them all lies close together in memory.
 */
import { isSetting, type Candidate } from './candidate.ts';
import {
  comparedOf,
  type CardSort,
  type Comparing,
  type CompiledLine,
  type CompiledRule,
  type Holds,
  type RuleContext,
} from './holds.ts';

const unasked = 0;
const no = 1;
const yes = 2;
const sorts = { 'keeps out': 0, 'lets in all': 1, 'lets in plugins': 2 } as const satisfies Record<
  CardSort,
  number
>;

/** Rules that are answered together. */
export class RuleTable {
  /** Each line once. */
  readonly #lines: readonly Holds[];
  /** For each rule how many cards; for each of these its sort, how many lines, and which. */
  readonly #program: Int32Array;
  /** Where each rule begins in it. */
  readonly #starts: Int32Array;
  /** What lines say of a plugin that has none of the values they compare; 0 for those that have to be asked. */
  readonly #unless: Uint8Array;
  /** By field and value the lines that compare with it. */
  readonly #comparing = new Map<Comparing['field'], Map<string, number[]>>();

  constructor(rules: readonly CompiledRule[]) {
    const lines: CompiledLine[] = [];
    const known = new Map<string, number>();
    const program: number[] = [];
    const starts: number[] = [];
    for (const { cards } of rules) {
      starts.push(program.length);
      program.push(cards.length);
      for (const card of cards) {
        program.push(sorts[card.sort], card.lines.length);
        for (const line of card.lines) {
          const at = known.get(line.key) ?? lines.push(line) - 1;
          known.set(line.key, at);
          program.push(at);
        }
      }
    }
    this.#lines = lines.map(({ holds }) => holds);
    this.#unless = Uint8Array.from(lines, ({ compares }) => saidUnless(compares));
    for (const [at, { compares }] of lines.entries()) {
      this.#note(at, compares);
    }
    this.#program = Int32Array.from(program);
    this.#starts = Int32Array.from(starts);
  }

  /** Tells of each rule, by its position, whether it takes the plugin in: what the rule says by itself. */
  ask(candidate: Candidate, where: RuleContext): (rule: number) => boolean {
    const program = this.#program;
    const asked = this.#compared(candidate);
    const answer = (line: number): number =>
      this.#lines[line]?.(candidate, where) === true ? yes : no;
    /** Whether all lines at these places hold; a card without any holds for nothing. */
    const hold = (from: number, to: number): boolean => {
      for (let at = from; at < to; at += 1) {
        const line = program[at] as number;
        asked[line] ||= answer(line);
        if (asked[line] === no) {
          return false;
        }
      }
      return to > from;
    };
    const isPlugin = !isSetting(candidate);
    return (rule) => {
      let at = this.#starts[rule] as number;
      let left = program[at] as number;
      at += 1;
      for (; left > 0; left -= 1) {
        const sort = program[at] as number;
        const first = at + 2;
        at = first + (program[at + 1] as number);
        if ((sort !== sorts['lets in plugins'] || isPlugin) && hold(first, at)) {
          return sort !== sorts['keeps out'];
        }
      }
      return false;
    };
  }

  #note(line: number, compares: Comparing | null): void {
    if (!compares) {
      return;
    }
    const byValue = this.#comparing.get(compares.field) ?? new Map<string, number[]>();
    this.#comparing.set(compares.field, byValue);
    for (const value of compares.values) {
      const lines = byValue.get(value);
      if (lines) {
        lines.push(line);
      } else {
        byValue.set(value, [line]);
      }
    }
  }

  /** What is known of each line when the values of the plugin have been looked up. */
  #compared(candidate: Candidate): Uint8Array {
    const known = this.#unless.slice();
    for (const [field, byValue] of this.#comparing) {
      for (const value of comparedOf(candidate, field)) {
        for (const line of byValue.get(value) ?? []) {
          known[line] = this.#unless[line] === yes ? no : yes;
        }
      }
    }
    return known;
  }
}

function saidUnless(compares: Comparing | null): number {
  if (!compares) {
    return unasked;
  }
  return compares.isNegative ? yes : no;
}
