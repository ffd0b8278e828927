/**
 * Many rules as one table of numbers: a line that several of them have is asked once for a plugin,
 * and what is read to answer them all lies close together in memory.
 */
import { groupedBy } from '../../grouped.ts';
import { isSetting, type Candidate } from './candidate.ts';
import type { CardSort, CompiledRule, Holds, RuleContext } from './holds.ts';
import type { Field } from '../language/rule.ts';

const no = 1;
const yes = 2;
const sorts = { 'keeps out': 0, 'lets in all': 1, 'lets in plugins': 2 } as const satisfies Record<
  CardSort,
  number
>;

/** A plugin as it was and as it is, and the fields in which these differ. */
export interface ChangedPlugin {
  readonly was: Candidate;
  readonly now: Candidate;
  readonly fields: ReadonlySet<Field>;
}

/** A line that some rules have. */
interface SharedLine {
  readonly field: Field;
  readonly isOfTime: boolean;
  readonly holds: Holds;
  /** The places of these rules; one that has it twice may stand there twice. */
  readonly rules: number[];
}

/** Rules that are answered together. */
export class RuleTable {
  /** Each line once. */
  readonly #lines: readonly SharedLine[];
  /** For each rule how many cards; for each of these its sort, how many lines, and which. */
  readonly #program: Int32Array;
  /** Where each rule begins in it. */
  readonly #starts: Int32Array;
  readonly #byField: ReadonlyMap<string, readonly SharedLine[]>;
  /** The places of rules that ask what is in folders, or filed at all. */
  readonly askingFolders: readonly number[];

  constructor(rules: readonly CompiledRule[]) {
    const lines: SharedLine[] = [];
    const known = new Map<string, number>();
    const program: number[] = [];
    const starts: number[] = [];
    for (const [rule, { cards }] of rules.entries()) {
      starts.push(program.length);
      program.push(cards.length);
      for (const card of cards) {
        program.push(sorts[card.sort], card.lines.length);
        for (const { key, field, isOfTime, holds } of card.lines) {
          const at = known.get(key) ?? lines.push({ field, isOfTime, holds, rules: [] }) - 1;
          known.set(key, at);
          lines[at]?.rules.push(rule);
          program.push(at);
        }
      }
    }
    this.#lines = lines;
    this.#program = Int32Array.from(program);
    this.#starts = Int32Array.from(starts);
    this.#byField = groupedBy(lines, ({ field }) => field);
    this.askingFolders = rules.flatMap(({ folders, asksWhetherFiled }, rule) =>
      folders.length > 0 || asksWhetherFiled ? [rule] : [],
    );
  }

  /**
   * The places of the rules which have a line that says another thing of a plugin since these fields of
   * it changed, or says it until another time: no other rule says another thing of it.
   */
  *touchedBy(
    { was, now, fields }: ChangedPlugin,
    where: RuleContext,
  ): Generator<number, undefined, undefined> {
    if (isSetting(was) !== isSetting(now)) {
      yield* this.#starts.keys();
    }
    for (const field of fields) {
      for (const { isOfTime, holds, rules } of this.#byField.get(field) ?? []) {
        if (isOfTime || holds(was, where) !== holds(now, where)) {
          yield* rules;
        }
      }
    }
  }

  /** Tells of each rule, by its position, whether it takes the plugin in: what the rule says by itself. */
  ask(candidate: Candidate, where: RuleContext): (rule: number) => boolean {
    const program = this.#program;
    const asked = new Uint8Array(this.#lines.length);
    const answer = (line: number): number =>
      this.#lines[line]?.holds(candidate, where) === true ? yes : no;
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
