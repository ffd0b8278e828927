/** Filling smart folders, again and again: what did not change is not asked again. */
import { dropBit, setBit, type Bits } from './bits.ts';
import { changedFields, type Candidate } from './candidate.ts';
import { CatalogIndex } from './catalog-index.ts';
import { compileRule, type CompiledRule, type Where } from './holds.ts';
import { daysOf, foldersRead, linesOf, type Rule } from './rule.ts';

/** A folder that fills itself, with what the user puts in or keeps out by hand. */
export interface SmartFolder {
  readonly id: string;
  readonly rule: Rule;
  readonly alwaysIn: readonly string[];
  readonly alwaysOut: readonly string[];
}

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

export interface Filled {
  /** By smart folder, in the order of the catalog. */
  readonly members: ReadonlyMap<string, readonly string[]>;
  /** When a rule would say something else though nothing changed but the time; null for never. */
  readonly expiresAt: number | null;
  readonly where: Where;
}

/** A rule as it was answered last. */
interface Answered { readonly compiled: CompiledRule; bits: Bits; expiresAt: number | null; ids: readonly string[] | null; manual: string; contents: ReadonlyMap<string, ReadonlySet<string>> }

/** So many changed plugins are asked one by one; with more, the catalog is prepared anew. */
const fewChanged = 400;

export function createFiller(): (input: ToFill) => Filled {
  let index = new CatalogIndex([]), last: readonly Candidate[] = [];
  const answered = new Map<string, Answered>();
  return (input) => {
    const changed = changedPositions(last, input.candidates);
    if (changed === null) { index = new CatalogIndex(input.candidates); answered.clear(); }
    const fields = (changed ?? []).map((at) => ({ at, fields: changedFields(index.at(at), input.candidates[at] as Candidate) }));
    for (const { at } of fields) index.replace(at, input.candidates[at] as Candidate);
    last = input.candidates;
    const members = new Map<string, readonly string[]>(), contents = contentsOf(input, members), where: Where = { now: input.now, isIn: (folder, plugin) => contents(folder).has(plugin), isFiled: filedIn(input.placed) };
    for (const folder of inTurn(input)) {
      const before = answered.get(folder.id), read = new Map(foldersRead(folder.rule).map((id) => [id, contents(id)] as const));
      const isSame = before?.compiled.rule === folder.rule && (before.expiresAt === null || input.now < before.expiresAt) && sameContents(before.contents, read) && !asksWhetherFiled(folder.rule);
      const now = isSame ? before : { compiled: before?.compiled.rule === folder.rule ? before.compiled : compileRule(folder.rule), bits: index.rule(folder.rule, where), expiresAt: expiryOf(folder.rule, input.candidates, input.now), ids: null, manual: '', contents: read };
      if (isSame) askAgain(now, fields, index, where);
      answered.set(folder.id, now);
      members.set(folder.id, membersOf(now, folder, index));
    }
    for (const id of answered.keys()) if (!members.has(id)) answered.delete(id);
    const ends = [...answered.values()].flatMap((one) => one.expiresAt ?? []);
    return { members, expiresAt: ends.length === 0 ? null : Math.min(...ends), where };
  };
}

/** Positions whose plugin is in another state; null when the catalog is another one, or too much of it. */
function changedPositions(before: readonly Candidate[], now: readonly Candidate[]): number[] | null {
  if (before.length !== now.length) return null;
  const changed: number[] = [];
  for (let at = 0; at < now.length; at += 1) {
    if (before[at] === now[at]) continue;
    if (before[at]?.id !== now[at]?.id || changed.length >= fewChanged) return null;
    changed.push(at);
  }
  return changed;
}

/** Asks a rule about the plugins that changed in something it reads. */
function askAgain(answered: Answered, changed: readonly { at: number; fields: ReadonlySet<string> }[], index: CatalogIndex, where: Where): void {
  const { reads, holds, rule } = answered.compiled;
  for (const { at, fields } of changed) {
    if (![...fields].some((field) => (reads as ReadonlySet<string>).has(field))) continue;
    const candidate = index.at(at), ends = expiryOf(rule, [candidate], where.now);
    if (holds(candidate, where)) setBit(answered.bits, at); else dropBit(answered.bits, at);
    answered.ids = null;
    if (ends !== null) answered.expiresAt = Math.min(ends, answered.expiresAt ?? ends);
  }
}

function membersOf(answered: Answered, { alwaysIn, alwaysOut }: SmartFolder, index: CatalogIndex): readonly string[] {
  const manual = `${alwaysIn.join()}/${alwaysOut.join()}`;
  if (answered.ids && answered.manual === manual) return answered.ids;
  const bits = answered.bits.slice(), put = (ids: readonly string[], change: (bits: Bits, at: number) => void): void => { for (const id of ids) { const at = index.positionOf(id); if (at !== undefined) change(bits, at); } };
  put(alwaysIn, setBit);
  put(alwaysOut, dropBit);
  answered.ids = index.idsOf(bits);
  answered.manual = manual;
  return answered.ids;
}

/** What is in a folder or below it, as far as it is filled by now. */
function contentsOf({ placed, andBelow }: ToFill, members: ReadonlyMap<string, readonly string[]>): (folder: string) => ReadonlySet<string> {
  const known = new Map<string, ReadonlySet<string>>();
  return (folder) => {
    const before = known.get(folder);
    if (before) return before;
    const held = new Set(andBelow(folder).flatMap((id) => members.get(id) ?? placed.get(id) ?? []));
    known.set(folder, held);
    return held;
  };
}

function filedIn(placed: ReadonlyMap<string, readonly string[]>): (plugin: string) => boolean {
  let filed: Set<string> | null = null;
  return (plugin) => (filed ??= new Set([...placed.values()].flat())).has(plugin);
}

const asksWhetherFiled = (rule: Rule): boolean => linesOf(rule).some((line) => line.field === 'folder' && line.relation === 'is missing');

const sameContents = (a: ReadonlyMap<string, ReadonlySet<string>>, b: ReadonlyMap<string, ReadonlySet<string>>): boolean =>
  a.size === b.size && [...a].every(([id, held]) => { const other = b.get(id); return other !== undefined && other.size === held.size && [...held].every((plugin) => other.has(plugin)); });

/** Each folder behind those it asks for. Where they ask in a circle, what is not filled yet counts as empty. */
function inTurn({ folders, andBelow }: ToFill): SmartFolder[] {
  const byId = new Map(folders.map((folder) => [folder.id, folder])), done = new Set<string>(), turn: SmartFolder[] = [];
  const visit = (folder: SmartFolder): void => {
    if (done.has(folder.id)) return;
    done.add(folder.id);
    for (const id of foldersRead(folder.rule).flatMap(andBelow)) { const other = byId.get(id); if (other) visit(other); }
    turn.push(folder);
  };
  for (const folder of folders) visit(folder);
  return turn;
}

/** The folders that ask for one another in a circle, beginning and ending with this one; null when there is none. `asks` gives the folders that one waits for. */
export function circleFrom(start: string, asks: (folder: string) => readonly string[]): string[] | null {
  const seen = new Set<string>();
  const walk = (folder: string, path: readonly string[]): string[] | null => {
    for (const next of asks(folder)) {
      if (next === start) return [...path, start];
      if (seen.has(next)) continue;
      seen.add(next);
      const found = walk(next, [...path, next]);
      if (found) return found;
    }
    return null;
  };
  return walk(start, [start]);
}

const day = 86_400_000;

/** The first moment after now at which a line with a span of time says something else of one of the plugins. */
export function expiryOf(rule: Rule, candidates: readonly Candidate[], now: number): number | null {
  let first = Infinity;
  for (const { field, relation, values } of linesOf(rule)) {
    if (!relation.includes('within')) continue;
    const spans = values.map((value) => (daysOf(value) ?? 0) * day);
    for (const { times } of candidates) {
      const at = times[field as keyof Candidate['times']];
      if (at !== null) for (const span of spans) for (const moment of relation === 'within the next' ? [at - span, at + 1] : [at, at + span + 1]) if (moment > now && moment < first) first = moment;
    }
  }
  return Number.isFinite(first) ? first : null;
}
