/**
 * Times and numbers of a catalog as columns: a line about one of them is answered in one pass. NaN
 * stands for never.
 */
import { day } from '../../time.ts';
import { allBits, noBits, setBit, takeAway, type Bits } from './bits.ts';
import type { Candidate } from './candidate.ts';
import { daysOf, type Line } from '../language/rule.ts';

type TimeField = keyof Candidate['times'];
type ColumnField = TimeField | 'times loaded';

/**
 * A line about a span of time: how long after something happens each of its values begins to hold,
 * and how long until it ends. Milliseconds.
 */
export interface Span {
  readonly field: TimeField;
  readonly edges: readonly (readonly [begins: number, ends: number])[];
}

/** Numbers and times of all plugins, sorted, so that a comparison is a search. */
export class Columns {
  readonly #candidates: readonly Candidate[];
  readonly #known = new Map<ColumnField, Float64Array>();

  constructor(candidates: readonly Candidate[]) {
    this.#candidates = candidates;
  }

  replace(position: number, candidate: Candidate): void {
    for (const [field, column] of this.#known) {
      column[position] = valueOf(candidate, field);
    }
  }

  /** Null for what is no column: numbers of which a plugin may have several. */
  line({ field, relation, values }: Line, now: number): Bits | null {
    if (field === 'inputs' || field === 'outputs') {
      return null;
    }
    const column = this.#column(field as ColumnField);
    const found = noBits(column.length);
    if (relation === 'never') {
      return takeAway(allBits(column.length), between(column, found, -Infinity, Infinity));
    }
    for (const value of values) {
      between(column, found, ...rangeOf(relation, value, now));
    }
    return relation === 'not within the last' ? takeAway(allBits(column.length), found) : found;
  }

  /** The first moment after now at which the line says something else of some plugin; infinity for never. */
  nextMoment({ field, edges }: Span, now: number): number {
    const column = this.#column(field);
    let first = Infinity;
    for (const [begins, ends] of edges) {
      for (let i = 0; i < column.length; i += 1) {
        const at = column[i] as number;
        const begin = at + begins;
        const moment = begin > now ? begin : at + ends;
        if (moment > now && moment < first) {
          first = moment;
        }
      }
    }
    return first;
  }

  #column(field: ColumnField): Float64Array {
    const known =
      this.#known.get(field) ??
      Float64Array.from(this.#candidates, (candidate) => valueOf(candidate, field));
    this.#known.set(field, known);
    return known;
  }
}

/** The number of a plugin in a field; times in milliseconds since 1970. */
export const valueOf = (candidate: Candidate, field: ColumnField): number =>
  field === 'times loaded' ? (candidate.numbers[field][0] ?? NaN) : (candidate.times[field] ?? NaN);

/** Every comparison with NaN is false. */
function between(column: Float64Array, found: Bits, from: number, to: number): Bits {
  for (let i = 0; i < column.length; i += 1) {
    const value = column[i] as number;
    if (value >= from && value <= to) {
      setBit(found, i);
    }
  }
  return found;
}

/**
 * The first and last value, in milliseconds since 1970 or as a number, for which one value of the
 * line holds. Times are whole milliseconds.
 */
function rangeOf(
  relation: Line['relation'],
  value: string,
  now: number,
): readonly [from: number, to: number] {
  const span = (daysOf(value) ?? 0) * day;
  const midnight = Date.parse(`${value}T00:00:00Z`);
  const number = Number(value);
  switch (relation) {
    case 'within the last':
    case 'not within the last':
      return [now - span, now];
    case 'within the next':
      return [now, now + span];
    case 'after':
      return [midnight + day, Infinity];
    case 'before':
      return [-Infinity, midnight - 1];
    case 'at least':
      return [number, Infinity];
    case 'at most':
      return [-Infinity, number];
    default:
      return [number, number];
  }
}

/** A line whose relation asks how long ago, or how soon, something is. */
export const spanOf = ({ field, relation, values }: Line): Span => ({
  field: field as TimeField,
  edges: values.map((value) => {
    const span = (daysOf(value) ?? 0) * day;
    return relation === 'within the next' ? [-span, 1] : [0, span + 1];
  }),
});

/**
 * When after now a line with a span of time says something else of something that happened (or
 * happens) `at`; infinity for never.
 */
export function momentOf({ edges }: Span, at: number, now: number): number {
  let first = Infinity;
  for (const [begins, ends] of edges) {
    const moment = at + begins > now ? at + begins : at + ends;
    if (moment > now && moment < first) {
      first = moment;
    }
  }
  return first;
}
