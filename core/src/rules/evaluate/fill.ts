/** Filling smart folders, again and again: what did not change is not asked again. */
import { lazy } from '../../memoize.ts';
import { dropBit, hasBit, setBit, type Bits } from './bits.ts';
import type { Candidate } from './candidate.ts';
import { CatalogIndex } from './catalog-index.ts';
import { momentOf, valueOf, type Span } from './columns.ts';
import { compileRule, type CompiledRule, type RuleContext } from './holds.ts';
import type { Rule } from '../language/rule.ts';

/** A folder that fills itself, with what the user puts in or keeps out by hand. */
export interface SmartFolder {
  readonly id: string;
  readonly rule: Rule;
  readonly alwaysIn: readonly string[];
  readonly alwaysOut: readonly string[];
}

/** What filling works on. */
export interface ToFill {
  /** The whole catalog, always in the same order of plugins. */
  readonly candidates: readonly Candidate[];
  readonly folders: readonly SmartFolder[];
  /** What was filed by hand, by folder. */
  readonly placed: ReadonlyMap<string, readonly string[]>;
  /** A folder and all below it; for one that stands for another, that one's. */
  readonly andBelow: (folder: string) => readonly string[];
  /** Milliseconds since 1970. */
  readonly now: number;
}

/** What one fill gave. It stays as it was, whatever is filled later. */
export interface Filled {
  /**
   * What a smart folder holds, in the order of the catalog; undefined for other folders. Made when
   * asked for.
   */
  readonly membersOf: (folder: string) => readonly string[] | undefined;
  /** When a rule would say something else though nothing changed but the time; null for never. */
  readonly expiresAt: number | null;
  readonly where: RuleContext;
}

/** What a rule takes in, as it was worked out in one fill; a later fill makes another. */
interface Answer {
  readonly compiled: CompiledRule;
  readonly folder: SmartFolder;
  readonly bits: Bits;
  /** When it says something else though nothing changed but the time; null for never. */
  readonly expiresAt: number | null;
  /** What was in the folders that it asks for. */
  readonly contents: ReadonlyMap<string, ReadonlySet<string>>;
  /** What the folder holds, once somebody asked. */
  members: readonly string[] | null;
}
type Answers = ReadonlyMap<string, Answer>;

/** So many changed plugins are asked one by one; with more, the catalog is prepared anew. */
const fewChanged = 400;

/** Makes a filler, which remembers what it answered last. */
export function createFiller(): (input: ToFill) => Filled {
  const filler = new Filler();
  return (input) => filler.fill(input);
}

class Filler {
  /** Which plugin stands where never changes within one index. */
  #index = new CatalogIndex([]);
  #candidates: readonly Candidate[] = [];
  #answers: Answers = new Map();
  #now = 0;
  readonly #compiled = new WeakMap<Rule, CompiledRule>();

  fill(input: ToFill): Filled {
    const changed = this.#takeIn(input.candidates);
    if (input.now < this.#now) {
      // A clock that was set back: what is known is when answers end, not when they began.
      this.#answers = new Map();
    }
    this.#now = input.now;
    const index = this.#index;
    const before = this.#answers;
    const answers = new Map<string, Answer>();
    // In a circle, what is not filled yet counts as it was filled last.
    const contents = contentsOf(input, (folder) =>
      membersOf(answers.get(folder) ?? before.get(folder), index),
    );
    const where: RuleContext = {
      now: input.now,
      isIn: (folder, plugin) => contents(folder).has(plugin),
      isFiled: filedIn(input.placed),
    };
    for (const { folder, compiled } of inTurn(input, (rule) => this.#compiledOf(rule))) {
      const asked = { compiled, folder, contents: readBy(compiled, contents) };
      answers.set(folder.id, answer(asked, before.get(folder.id), { changed, index, where }));
    }
    this.#answers = answers;
    return {
      membersOf: (folder) => membersOf(answers.get(folder), index),
      expiresAt: earliest(answers),
      where,
    };
  }

  /** The plugins as they are now; gives the positions of those that changed, none where all are other ones. */
  #takeIn(candidates: readonly Candidate[]): readonly number[] {
    const changed = changedPositions(this.#candidates, candidates);
    this.#candidates = candidates;
    if (changed === null) {
      this.#index = new CatalogIndex(candidates);
      this.#answers = new Map();
      return [];
    }
    for (const at of changed) {
      this.#index.replace(at, candidates[at] as Candidate);
    }
    return changed;
  }

  #compiledOf(rule: Rule): CompiledRule {
    const compiled = this.#compiled.get(rule) ?? compileRule(rule);
    this.#compiled.set(rule, compiled);
    return compiled;
  }
}

/** What a folder holds, found when somebody asks. */
const membersOf = (one: Answer | undefined, index: CatalogIndex): readonly string[] | undefined =>
  one && (one.members ??= membersIn(one, index));

/** The folders a rule asks for, with what is in them. */
const readBy = (
  { folders }: CompiledRule,
  contents: (folder: string) => ReadonlySet<string>,
): Answer['contents'] => new Map(folders.map((id) => [id, contents(id)] as const));

type Asked = Pick<Answer, 'compiled' | 'folder' | 'contents'>;

/** What all rules of one fill are asked with. */
interface Asking {
  /** Positions of plugins that changed since the fill before. */
  readonly changed: readonly number[];
  readonly index: CatalogIndex;
  readonly where: RuleContext;
}

/** The answer of a rule; `before` is what it said last. */
const answer = (asked: Asked, before: Answer | undefined, asking: Asking): Answer =>
  before && stillHolds(before, asked, asking.where.now)
    ? answerAgain(before, asked.folder, asking)
    : answerAnew(asked, asking);

/** Whether an answer of before can be kept but for the plugins that changed. */
const stillHolds = (before: Answer, { compiled, contents }: Asked, now: number): boolean =>
  before.compiled === compiled &&
  (before.expiresAt === null || now < before.expiresAt) &&
  sameContents(before.contents, contents) &&
  !compiled.asksWhetherFiled;

const answerAnew = (asked: Asked, { index, where }: Asking): Answer => ({
  ...asked,
  bits: index.rule(asked.folder.rule, where),
  expiresAt: firstMoment(asked.compiled, (span) => index.nextMoment(span, where.now)),
  members: null,
});

/** Asks again only about plugins that changed. */
function answerAgain(before: Answer, folder: SmartFolder, asking: Asking): Answer {
  const { changed, index, where } = asking;
  const { compiled } = before;
  const flipped = changed.filter(
    (at) => compiled.holds(index.at(at), where) !== hasBit(before.bits, at),
  );
  const expiresAt = changed.reduce(
    (first, at) => earlier(first, momentAt(compiled, index, at, where.now)),
    before.expiresAt,
  );
  const isSame = flipped.length === 0 && sameByHand(before.folder, folder);
  return {
    ...before,
    folder,
    bits: flipped.length === 0 ? before.bits : withFlipped(before.bits, flipped),
    expiresAt,
    members: isSame ? before.members : null,
  };
}

function withFlipped(before: Bits, positions: readonly number[]): Bits {
  const bits = before.slice();
  for (const at of positions) {
    (hasBit(bits, at) ? dropBit : setBit)(bits, at);
  }
  return bits;
}

/** When the rule says something else of the plugin at a position though nothing changed but the time. */
function momentAt(
  compiled: CompiledRule,
  index: CatalogIndex,
  at: number,
  now: number,
): number | null {
  return firstMoment(compiled, (span) => momentOf(span, valueOf(index.at(at), span.field), now));
}

function earlier(a: number | null, b: number | null): number | null {
  return a === null || b === null ? (a ?? b) : Math.min(a, b);
}

const earliest = (answers: Answers): number | null =>
  [...answers.values()].reduce<number | null>(
    (first, { expiresAt }) => earlier(first, expiresAt),
    null,
  );

const sameByHand = (a: SmartFolder, b: SmartFolder): boolean =>
  a === b || (a.alwaysIn.join() === b.alwaysIn.join() && a.alwaysOut.join() === b.alwaysOut.join());

/** Positions whose plugin is in another state; null when the catalog is another one, or too much of it. */
function changedPositions(
  before: readonly Candidate[],
  now: readonly Candidate[],
): number[] | null {
  if (before.length !== now.length) {
    return null;
  }
  const changed: number[] = [];
  for (let at = 0; at < now.length; at += 1) {
    // `===` looks into both, which are all over the memory; this compares where they are.
    if (Object.is(before[at], now[at])) {
      continue;
    }
    if (before[at]?.id !== now[at]?.id || changed.length >= fewChanged) {
      return null;
    }
    changed.push(at);
  }
  return changed;
}

function membersIn({ folder, bits: taken }: Answer, index: CatalogIndex): readonly string[] {
  const bits = taken.slice();
  const put = (ids: readonly string[], change: (bits: Bits, at: number) => void): void => {
    for (const id of ids) {
      const at = index.positionOf(id);
      if (at !== undefined) {
        change(bits, at);
      }
    }
  };
  put(folder.alwaysIn, setBit);
  put(folder.alwaysOut, dropBit);
  return index.idsOf(bits);
}

/** What is in a folder or below it, as far as it is filled by now. */
function contentsOf(
  { placed, andBelow, folders }: ToFill,
  smartMembers: Filled['membersOf'],
): (folder: string) => ReadonlySet<string> {
  const known = new Map<string, ReadonlySet<string>>();
  const smart = lazy(() => new Set(folders.map(({ id }) => id)));
  return (folder) => {
    const before = known.get(folder);
    if (before) {
      return before;
    }
    const members = new Set(
      andBelow(folder).flatMap((id) =>
        smart().has(id) ? (smartMembers(id) ?? []) : (placed.get(id) ?? []),
      ),
    );
    known.set(folder, members);
    return members;
  };
}

function filedIn(placed: ReadonlyMap<string, readonly string[]>): (plugin: string) => boolean {
  const filed = lazy(() => new Set([...placed.values()].flat()));
  return (plugin) => filed().has(plugin);
}

const sameContents = (
  a: ReadonlyMap<string, ReadonlySet<string>>,
  b: ReadonlyMap<string, ReadonlySet<string>>,
): boolean =>
  a === b ||
  (a.size === b.size &&
    [...a].every(([id, members]) => {
      const other = b.get(id);
      return (
        other !== undefined &&
        other.size === members.size &&
        [...members].every((plugin) => other.has(plugin))
      );
    }));

interface InTurn {
  readonly folder: SmartFolder;
  readonly compiled: CompiledRule;
}

/**
 * Each folder behind those it asks for. Where they ask in a circle, what is not filled yet counts
 * as it was filled last.
 */
function inTurn({ folders, andBelow }: ToFill, compiledOf: (rule: Rule) => CompiledRule): InTurn[] {
  const all = folders.map((folder) => ({ folder, compiled: compiledOf(folder.rule) }));
  if (all.every(({ compiled }) => compiled.folders.length === 0)) {
    return all;
  }
  const byId = new Map(all.map((one) => [one.folder.id, one]));
  const done = new Set<string>();
  const sorted: typeof all = [];
  const visit = (one: (typeof all)[number]): void => {
    if (done.has(one.folder.id)) {
      return;
    }
    done.add(one.folder.id);
    for (const id of one.compiled.folders.flatMap(andBelow)) {
      const other = byId.get(id);
      if (other) {
        visit(other);
      }
    }
    sorted.push(one);
  };
  for (const one of all) {
    visit(one);
  }
  return sorted;
}

/**
 * The folders that ask for one another in a circle, beginning and ending with this one; null when
 * there is none. `asks` gives the folders that one waits for.
 */
export function circleFrom(
  start: string,
  asks: (folder: string) => readonly string[],
): string[] | null {
  const seen = new Set<string>();
  const walk = (folder: string, path: readonly string[]): string[] | null => {
    for (const next of asks(folder)) {
      if (next === start) {
        return [...path, start];
      }
      if (seen.has(next)) {
        continue;
      }
      seen.add(next);
      const found = walk(next, [...path, next]);
      if (found) {
        return found;
      }
    }
    return null;
  };
  return walk(start, [start]);
}

function firstMoment({ spans }: CompiledRule, momentFor: (span: Span) => number): number | null {
  let first = Infinity;
  for (const span of spans) {
    first = Math.min(first, momentFor(span));
  }
  return Number.isFinite(first) ? first : null;
}
