/** What a search writes into: points of many, and the best few of them. */

/**
 * Points by position; 0 where nothing is met. The first `met` of `touched` are the positions of
 * those that are not 0.
 */
export interface Scores {
  readonly points: Float64Array;
  readonly touched: Int32Array;
  count: number;
}
/** Scores to write into, used again with each finding: clearing what was met is less than making new ones. */
export class Sheets {
  readonly #size: number;
  readonly #sheets: Scores[] = [];
  #used = 0;

  constructor(size: number) {
    this.#size = size;
  }

  next(): Scores {
    const sheet = this.#sheets[this.#used] ?? {
      points: new Float64Array(this.#size),
      touched: new Int32Array(this.#size),
      count: 0,
    };
    this.#sheets[this.#used] = sheet;
    this.#used += 1;
    for (let i = 0; i < sheet.count; i += 1) {
      sheet.points[sheet.touched[i] as number] = 0;
    }
    sheet.count = 0;
    return sheet;
  }

  back(): void {
    this.#used = 0;
  }
}

/** Notes what a hit is worth, where that is more than was noted. */
export function put(scores: Scores, at: number, worth: number): void {
  const before = scores.points[at] as number;
  if (before === 0) {
    scores.touched[scores.count] = at;
    scores.count += 1;
  }
  if (worth > before) {
    scores.points[at] = worth;
  }
}

/** Up to so many are kept in order as they come; more are sorted at the end. */
const fewWanted = 64;

/** The best so many of what is offered, by score; of those that score alike the first ones. */
export class Best {
  readonly #limit: number;
  readonly #comesFirst: (at: number, other: number) => boolean;
  readonly #best: { at: number; score: number }[] = [];
  /** What scores less is not among the best. */
  #floor = -Infinity;

  constructor(limit: number, comesFirst: (at: number, other: number) => boolean) {
    this.#limit = limit;
    this.#comesFirst = comesFirst;
  }

  offer(at: number, score: number): void {
    if (score < this.#floor) {
      return;
    }
    if (this.#limit > fewWanted) {
      this.#best.push({ at, score });
      return;
    }
    let place = this.#best.length;
    while (
      place > 0 &&
      this.#isBefore(at, score, this.#best[place - 1] as { at: number; score: number })
    ) {
      place -= 1;
    }
    if (place >= this.#limit) {
      return;
    }
    this.#best.splice(place, 0, { at, score });
    if (this.#best.length > this.#limit) {
      this.#best.pop();
    }
    if (this.#best.length === this.#limit) {
      this.#floor = this.#best.at(-1)?.score ?? 0;
    }
  }

  #isBefore(at: number, score: number, other: { at: number; score: number }): boolean {
    return score > other.score || (score === other.score && this.#comesFirst(at, other.at));
  }

  sorted(): readonly { at: number; score: number }[] {
    return this.#limit > fewWanted
      ? this.#best.sort((a, b) => (this.#isBefore(a.at, a.score, b) ? -1 : 1)).slice(0, this.#limit)
      : this.#best;
  }
}
