/**
 * Many rules as one table of numbers: a line that several of them have is asked once for a plugin,
 * and what is read to answer them all lies close together in memory.
 */
import { isSetting, type Candidate } from './candidate.ts';
import type { CardSort, CompiledRule, Holds, RuleContext } from './holds.ts';

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

  constructor(rules: readonly CompiledRule[]) {
    const lines: Holds[] = [];
    const known = new Map<string, number>();
    const program: number[] = [];
    const starts: number[] = [];
    for (const { cards } of rules) {
      starts.push(program.length);
      program.push(cards.length);
      for (const card of cards) {
        program.push(sorts[card.sort], card.lines.length);
        for (const { key, holds } of card.lines) {
          const at = known.get(key) ?? lines.push(holds) - 1;
          known.set(key, at);
          program.push(at);
        }
      }
    }
    this.#lines = lines;
    this.#program = Int32Array.from(program);
    this.#starts = Int32Array.from(starts);
  }

  /** Tells of each rule, by its position, whether it takes the plugin in: what the rule says by itself. */
  ask(candidate: Candidate, where: RuleContext): (rule: number) => boolean {
    const program = this.#program;
    const asked = new Uint8Array(this.#lines.length);
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
}
