/** Filling smart folders, again and again: what did not change is not asked again. */
import { lazily } from '../../lazily.ts';
import { dropBit, hasBit, setBit, type Bits } from './bits.ts';
import { changedFields, type Candidate } from './candidate.ts';
import { CatalogIndex } from './catalog-index.ts';
import { momentOf, valueOf, type Span } from './columns.ts';
import { compileRule, type CompiledRule, type RuleContext } from './holds.ts';
import { RuleTable, type ChangedPlugin } from './rule-table.ts';
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

/**
 * A rule as it was answered in one fill; a later fill makes another, so that what a fill gave stays
 * as it was.
 */
interface Answered {
  readonly compiled: CompiledRule;
  readonly folder: SmartFolder;
  /** What it takes in: these, but for those where it has changed since. A few are cheaper than another set. */
  readonly bits: Bits;
  readonly flipped: readonly number[];
  readonly expiresAt: number | null;
  readonly contents: ReadonlyMap<string, ReadonlySet<string>>;
  /** What the folder holds, once somebody asked. */
  members: readonly string[] | null;
}

/** So many changed plugins are asked one by one; with more, the catalog is prepared anew. */
const fewChanged = 400;
const nothingRead: Answered['contents'] = new Map();

/** What was answered of a turn. */
interface Answers {
  readonly turn: Turn;
  /** By the place in it, undefined where it is not yet. */
  readonly all: readonly (Answered | undefined)[];
  /** The time they were given at, and when the first of them says something else. Milliseconds since 1970. */
  readonly now: number;
  readonly expiresAt: number | null;
}

const nothingAnswered = (turn: Turn): Answers => ({ turn, all: [], now: 0, expiresAt: null });

const answerIn = (
  { turn, all }: Pick<Answers, 'turn' | 'all'>,
  folder: string,
): Answered | undefined => all[turn.placeOf.get(folder) ?? -1];

/** Makes a filler, which remembers what it answered last. */
export function createFiller(): (input: ToFill) => Filled {
  const filler = new Filler();
  return (input) => filler.fill(input);
}

class Filler {
  /** Which plugin stands where never changes within one index. */
  #index = new CatalogIndex([]);
  #candidates: readonly Candidate[] = [];
  #answers: Answers = nothingAnswered(noTurn);
  readonly #compiled = new WeakMap<Rule, CompiledRule>();

  fill(input: ToFill): Filled {
    const replaced = this.#takeIn(input.candidates);
    if (input.now < this.#answers.now) {
      // A clock that was set back: what is known is when answers end, not when they began.
      this.#answers = nothingAnswered(this.#answers.turn);
    }
    const before = this.#answers;
    const turn = this.#turnFor(input);
    const index = this.#index;
    const all = turn === before.turn ? before.all.slice() : [];
    const asking = askingFor(input, { turn, all, before, replaced, index });
    answerAll(asking, all, before);
    const answers = { turn, all, now: input.now, expiresAt: earliest(all) };
    this.#answers = answers;
    return {
      membersOf: (folder) => membersOf(answerIn(answers, folder), index),
      expiresAt: answers.expiresAt,
      where: asking.where,
    };
  }

  /** The plugins as they are now; gives those that were replaced, and none where all are other ones. */
  #takeIn(candidates: readonly Candidate[]): readonly Replaced[] {
    const positions = changedPositions(this.#candidates, candidates);
    this.#candidates = candidates;
    if (positions === null) {
      this.#index = new CatalogIndex(candidates);
      this.#answers = nothingAnswered(this.#answers.turn);
      return [];
    }
    return replaceChanged(this.#index, positions, candidates);
  }

  /** Their turn is the same as long as the folders are. */
  #turnFor(input: ToFill): Turn {
    const { turn } = this.#answers;
    const isSame = turn.of.folders === input.folders && turn.of.andBelow === input.andBelow;
    return isSame ? turn : turnOf(input, (rule) => this.#compiledOf(rule), turn);
  }

  #compiledOf(rule: Rule): CompiledRule {
    const compiled = this.#compiled.get(rule) ?? compileRule(rule);
    this.#compiled.set(rule, compiled);
    return compiled;
  }
}

/** What one fill has to work with. */
interface Work extends Pick<Answers, 'turn' | 'all'> {
  readonly before: Answers;
  readonly replaced: readonly Replaced[];
  readonly index: CatalogIndex;
}

function askingFor(input: ToFill, { turn, all, before, replaced, index }: Work): Asking {
  // In a circle, what is not filled yet counts as it was filled last.
  const contents = contentsOf(input, (folder) =>
    membersOf(answerIn({ turn, all }, folder) ?? answerIn(before, folder), index),
  );
  const where: RuleContext = {
    now: input.now,
    isIn: (folder, plugin) => contents(folder).has(plugin),
    isFiled: filedIn(input.placed),
  };
  const changed = replaced.map((one) => ({ ...one, holds: turn.table.ask(one.now, where) }));
  return { turn, changed, index, contents, where };
}

/** Fills in the answers of a turn; they hold those of before, where it is the same. */
function answerAll(asking: Asking, all: (Answered | undefined)[], before: Answers): void {
  const { turn, where } = asking;
  const isSame = turn === before.turn && before.all.length > 0;
  const isAsked = isSame && isInTime(before, where.now) ? rulesToAsk(asking) : null;
  for (let rule = 0; rule < turn.all.length; rule += 1) {
    if (isAsked === null || isAsked[rule] === 1) {
      const known = all[rule] ?? answerIn(before, turn.all[rule]?.folder.id ?? '');
      all[rule] = answer(asking, rule, known);
    }
  }
}

/** Whether all answers still say of plugins that did not change what they said. */
const isInTime = ({ expiresAt }: Answers, now: number): boolean =>
  expiresAt === null || now < expiresAt;

/**
 * The rules, by a 1 at their place in the turn, that plugins which changed may make say something else,
 * where no time has run out: no other is looked at, for they lie all over the memory.
 */
function rulesToAsk({ turn, changed, where }: Asking): Uint8Array {
  const isAsked = new Uint8Array(turn.all.length);
  for (const rule of turn.table.askingFolders) {
    isAsked[rule] = 1;
  }
  for (const plugin of changed) {
    for (const rule of turn.table.touchedBy(plugin, where)) {
      isAsked[rule] = 1;
    }
  }
  return isAsked;
}

/** What a folder holds, found when somebody asks. */
const membersOf = (one: Answered | undefined, index: CatalogIndex): readonly string[] | undefined =>
  one && (one.members ??= membersIn(one, index));

/** What changed in a plugin at a position of the catalog. */
interface Replaced extends ChangedPlugin {
  readonly at: number;
}
interface Changed extends Replaced {
  /** Whether the rule whose turn it is takes the plugin in as it is now. */
  readonly holds: (rule: number) => boolean;
}

/** Puts plugins that changed into the index, and says in which fields they did. */
function replaceChanged(
  index: CatalogIndex,
  positions: readonly number[],
  candidates: readonly Candidate[],
): Replaced[] {
  return positions.flatMap((at) => {
    const candidate = candidates[at];
    if (!candidate) {
      return [];
    }
    const was = index.at(at);
    index.replace(at, candidate);
    return [{ at, was, now: candidate, fields: changedFields(was, candidate) }];
  });
}

/** The folders a rule asks for, with what is in them. */
function readBy(
  compiled: CompiledRule,
  contents: (folder: string) => ReadonlySet<string>,
): Answered['contents'] {
  return compiled.folders.length === 0
    ? nothingRead
    : new Map(compiled.folders.map((id) => [id, contents(id)] as const));
}

/** What the rules of one fill are asked with. */
interface Asking {
  readonly turn: Turn;
  readonly changed: readonly Changed[];
  readonly index: CatalogIndex;
  readonly contents: (folder: string) => ReadonlySet<string>;
  readonly where: RuleContext;
}

/** The answer of the rule at a place of the turn; `before` is what it said last. */
function answer(asking: Asking, rule: number, before: Answered | undefined): Answered {
  const { folder, compiled } = asking.turn.all[rule] as InTurn;
  const read = readBy(compiled, asking.contents);
  return before && stillHolds(before, compiled, read, asking.where.now)
    ? answerAgain(before, folder, rule, asking)
    : answerAnew(folder, compiled, read, asking);
}

/** Whether an answer of before can be kept but for the plugins that changed. */
function stillHolds(
  before: Answered,
  compiled: CompiledRule,
  read: Answered['contents'],
  now: number,
): boolean {
  return (
    before.compiled === compiled &&
    (before.expiresAt === null || now < before.expiresAt) &&
    sameContents(before.contents, read) &&
    !compiled.asksWhetherFiled
  );
}

function answerAnew(
  folder: SmartFolder,
  compiled: CompiledRule,
  contents: Answered['contents'],
  { index, where }: Asking,
): Answered {
  return {
    compiled,
    folder,
    bits: index.rule(folder.rule, where),
    flipped: [],
    expiresAt: firstMoment(compiled, (span) => index.nextMoment(span, where.now)),
    members: null,
    contents,
  };
}

/** Asks again only about plugins that changed. */
function answerAgain(
  before: Answered,
  folder: SmartFolder,
  rule: number,
  { changed, index, where }: Asking,
): Answered {
  let { flipped, expiresAt } = before;
  for (const { at, fields, holds } of changed) {
    if ((holds(rule) !== hasBit(before.bits, at)) !== flipped.includes(at)) {
      flipped = flip(flipped, at);
    }
    if (before.compiled.spans.some(({ field }) => fields.has(field))) {
      expiresAt = earlier(expiresAt, momentAt(before.compiled, index, at, where.now));
    }
  }
  const isSame = flipped === before.flipped && sameByHand(before.folder, folder);
  if (isSame && folder === before.folder && expiresAt === before.expiresAt) {
    return before;
  }
  const now = { ...before, folder, flipped, expiresAt, members: isSame ? before.members : null };
  return flipped.length > mostFlipped ? { ...now, bits: takenIn(now), flipped: [] } : now;
}

/** With so many, another set is cheaper. */
const mostFlipped = 100;

const flip = (flipped: readonly number[], at: number): readonly number[] =>
  flipped.includes(at) ? flipped.filter((other) => other !== at) : [...flipped, at];

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

function earliest(all: Answers['all']): number | null {
  let first: number | null = null;
  for (const one of all) {
    first = earlier(first, one?.expiresAt ?? null);
  }
  return first;
}

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

/** All that a rule takes in. */
function takenIn({ bits: before, flipped }: Answered): Bits {
  const bits = before.slice();
  for (const at of flipped) {
    (hasBit(bits, at) ? dropBit : setBit)(bits, at);
  }
  return bits;
}

function membersIn(one: Answered, index: CatalogIndex): readonly string[] {
  const { folder } = one;
  const bits = takenIn(one);
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
  heldBy: Filled['membersOf'],
): (folder: string) => ReadonlySet<string> {
  const known = new Map<string, ReadonlySet<string>>();
  const smart = lazily(() => new Set(folders.map(({ id }) => id)));
  return (folder) => {
    const before = known.get(folder);
    if (before) {
      return before;
    }
    const held = new Set(
      andBelow(folder).flatMap((id) =>
        smart().has(id) ? (heldBy(id) ?? []) : (placed.get(id) ?? []),
      ),
    );
    known.set(folder, held);
    return held;
  };
}

function filedIn(placed: ReadonlyMap<string, readonly string[]>): (plugin: string) => boolean {
  const filed = lazily(() => new Set([...placed.values()].flat()));
  return (plugin) => filed().has(plugin);
}

const sameContents = (
  a: ReadonlyMap<string, ReadonlySet<string>>,
  b: ReadonlyMap<string, ReadonlySet<string>>,
): boolean =>
  a === b ||
  (a.size === b.size &&
    [...a].every(([id, held]) => {
      const other = b.get(id);
      return (
        other !== undefined &&
        other.size === held.size &&
        [...held].every((plugin) => other.has(plugin))
      );
    }));

interface InTurn {
  readonly folder: SmartFolder;
  readonly compiled: CompiledRule;
}

/** Folders in the turn in which they are filled, and their rules in the same turn. */
interface Turn {
  readonly of: Pick<ToFill, 'folders' | 'andBelow'>;
  readonly all: readonly InTurn[];
  /** Where each folder stands in it. */
  readonly placeOf: ReadonlyMap<string, number>;
  readonly table: RuleTable;
}

const noTurn: Turn = {
  of: { folders: [], andBelow: () => [] },
  all: [],
  placeOf: new Map(),
  table: new RuleTable([]),
};

function turnOf(input: ToFill, compiledOf: (rule: Rule) => CompiledRule, before: Turn): Turn {
  const all = inTurn(input, compiledOf);
  const hasSameRules =
    all.length === before.all.length &&
    all.every(({ compiled }, rule) => compiled === before.all[rule]?.compiled);
  return {
    of: { folders: input.folders, andBelow: input.andBelow },
    all,
    placeOf: new Map(all.map(({ folder }, rule) => [folder.id, rule])),
    table: hasSameRules ? before.table : new RuleTable(all.map(({ compiled }) => compiled)),
  };
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
  const turn: typeof all = [];
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
    turn.push(one);
  };
  for (const one of all) {
    visit(one);
  }
  return turn;
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
