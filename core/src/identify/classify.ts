/** The likely types and kind of a plugin, with probabilities that can be taken at their word, and reasons. */
import { kinds, type Kind, kindWords } from '../catalog/kind.ts';
import { groupedBy } from '../grouped.ts';
import { declaredTypes, readDeclared } from '../taxonomy/declared.ts';
import { beforeBrackets, speakingWords } from './name-words.ts';
import { evidenceOf, readPorts, type Piece, type Subject } from './evidence.ts';
import { isFiledNear, leavesOpen } from '../taxonomy/filed-near.ts';
import { groupOf, kindOfType, typeGroups } from '../taxonomy/tree.ts';
import { weights as fitted, type Weights } from './weights.data.ts';

/** One piece of evidence in words, with its weight in log-odds. */
export interface Reason {
  /** In log-odds; negative speaks against. */
  readonly weight: number;
  readonly text: string;
}

/** One type (or group) a plugin may be of. Several may hold at once, so probabilities do not sum to 1. */
export interface Suggestion {
  readonly type: string;
  /** From 0 to 1. Of a type it is that of its group times its share in it. */
  readonly probability: number;
  /** Strongest first. */
  readonly reasons: readonly Reason[];
}

/** What speaks for one kind; for the others it counts against. */
export interface KindReason extends Reason {
  readonly kind: Kind;
}

/** What a plugin probably is: kinds and types with their probabilities, best first. */
export interface Classified {
  /** Likeliest first; probabilities from 0 to 1 that sum to 1. */
  readonly kinds: readonly { readonly kind: Kind; readonly probability: number }[];
  /** Strongest first. */
  readonly kindReasons: readonly KindReason[];
  /** Best first; a type is not below its group only where it is as good as certain within it. */
  readonly suggestions: readonly Suggestion[];
}

/** Suggestions less likely than this are not made. */
const least = 0.03;
/** A group is not named beside a type that is this certain within it. */
const decisive = 0.85;

/** Weighs all that speaks for kinds and types of one plugin. */
export function classify(subject: Subject, w: Weights = fitted): Classified {
  const dispute = disputed(subject);
  const groups = new Set([...dispute.named, ...dispute.declared]);
  // In a dispute what is declared doesn't silence what the name says: both are heard.
  const pieces = evidenceOf(subject, w).filter(
    ({ type, weight, from }) => weight > 0 || from !== 'declared' || !groups.has(groupOf(type)),
  );
  const byGroup = groupedBy(pieces, ({ type }) => groupOf(type));
  const suggested = typeGroups.flatMap(({ id }) => {
    const those = byGroup.get(id) ?? [];
    return speaksFor(id, those) ? suggestionsIn(id, those, w) : [];
  });
  const suggestions = [...behindTool(subject, undecided(dispute, suggested))].sort(
    (a, b) =>
      b.probability - a.probability || b.type.length - a.type.length || (a.type < b.type ? -1 : 1),
  );
  return { ...classifyKind(subject, pieces), suggestions };
}

/**
 * Which instrument something is, its ports do not tell: a group of instruments for which nothing
 * else speaks is no suggestion, for all of them would be alike.
 */
const speaksFor = (group: string, pieces: readonly Piece[]): boolean =>
  kindOfType(group) !== 'instrument' ||
  pieces.some(({ weight, from }) => weight > 0 && from !== 'ports');

/** Where the name and what is declared disagree, nothing is said to be likelier than this. */
const mostInDispute = 0.65;

/** Groups that a name and a declaration stand for where they disagree; none where they don't. */
interface Dispute {
  readonly named: ReadonlySet<string>;
  readonly declared: ReadonlySet<string>;
}

/**
 * Neither side of a dispute is taken at its word, and so it is asked. What the name says goes first
 * unless far less speaks for it: it is what people would say.
 */
function undecided(
  { named, declared }: Dispute,
  suggestions: readonly Suggestion[],
): readonly Suggestion[] {
  const mostOf = (groups: ReadonlySet<string>): number =>
    Math.max(
      0,
      ...suggestions.flatMap((one) => (groups.has(groupOf(one.type)) ? [one.probability] : [])),
    );
  const [byName, byDeclaration] = [mostOf(named), mostOf(declared)];
  const most = Math.min(mostInDispute, Math.max(byName, byDeclaration));
  const isNameFirst = byName * farLess >= byDeclaration;
  const nameTo = isNameFirst ? most : byName;
  const declarationTo = isNameFirst ? Math.min(byName, most) * slightlyLess : most;
  return suggestions.map((one) => {
    if (named.has(groupOf(one.type))) {
      return { ...one, probability: one.probability * (nameTo / byName) };
    }
    return declared.has(groupOf(one.type))
      ? { ...one, probability: one.probability * (declarationTo / byDeclaration) }
      : one;
  });
}

/** This many times less. */
const farLess = 2;

/** What is to stand behind something is said to be a little less likely. */
const slightlyLess = 0.99;

/**
 * Where all that is declared is a tool, which leaves open what it does, that stays first, for it is
 * said on purpose: an oscilloscope that declares a tool is one, and a scope as well.
 */
function behindTool(
  { declared }: Subject,
  suggestions: readonly Suggestion[],
): readonly Suggestion[] {
  if (!leavesOpen(declaredTypes(declared))) {
    return suggestions;
  }
  const isOfTool = ({ type }: Suggestion): boolean => groupOf(type) === 'utility';
  const most = Math.max(0, ...suggestions.filter(isOfTool).map((one) => one.probability));
  return suggestions.map((one) =>
    isOfTool(one) ? one : { ...one, probability: Math.min(one.probability, most * slightlyLess) },
  );
}

/**
 * Groups that a clear word of the name, naming and not describing, and a declaration stand for
 * without having one in common or lying near each other. Declaring a tool is how formats leave it
 * open, and what works on notes is named after what it does to them (“MIDI Delay”): neither is a
 * dispute.
 */
function disputed({ name, declared }: Subject): Dispute {
  const said = new Set(declaredTypes(declared).map(groupOf));
  // Most declare nothing, or leave it open: their names need no taking apart again.
  if (said.size === 0 || said.has('utility') || said.has('notes')) {
    return noDispute;
  }
  const named = speakingWords(beforeBrackets(name))
    .filter(({ isHead, isPart }) => isHead && !isPart)
    .flatMap(({ meanings }) => meanings.filter(({ clearness }) => clearness === 'clear'))
    .map(({ type }) => type);
  const agrees = named.some((type) => said.has(groupOf(type)) || isFiledNear(type, said));
  return named.length === 0 || agrees
    ? noDispute
    : { named: new Set(named.map(groupOf)), declared: said };
}

const noDispute: Dispute = { named: new Set(), declared: new Set() };

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));

/** The log-odds of a group alone: base plus all that speaks for or against it. */
export const groupLogOdds = (group: string, pieces: readonly Piece[], w: Weights): number =>
  pieces.reduce((sum, piece) => sum + piece.weight, w.base + (w.common[group] ?? 0));

/** Up to here nothing speaks for a group to speak of, and its log-odds stand as they are. */
const nothingSpeaks = -2;

/**
 * Log-odds such as come true: scaled from even odds on, in a straight line between that and where
 * nothing speaks. Keeps the order.
 */
export function scaledLogOdds(
  x: number,
  { shift, slope }: Pick<Weights, 'shift' | 'slope'>,
): number {
  if (x >= 0) {
    return shift + slope * x;
  }
  return x <= nothingSpeaks
    ? x
    : nothingSpeaks + ((shift - nothingSpeaks) * (x - nothingSpeaks)) / -nothingSpeaks;
}

/** The probability of a group, such as comes true. */
const groupProbability = (group: string, pieces: readonly Piece[], w: Weights): number =>
  logistic(scaledLogOdds(groupLogOdds(group, pieces, w), w));

function suggestionsIn(group: string, pieces: readonly Piece[], w: Weights): Suggestion[] {
  const probability = groupProbability(group, pieces, w);
  if (probability < least) {
    return [];
  }
  if (pieces.every(({ type }) => type === group)) {
    return [{ type: group, probability, reasons: reasonsOf(pieces) }];
  }
  const scores = new Map<string, number>();
  for (const { type, weight } of pieces) {
    if (type !== group) {
      scores.set(type, (scores.get(type) ?? 0) + weight);
    }
  }
  const general = pieces
    .filter((piece) => piece.type === group && piece.weight > 0)
    .reduce((sum, piece) => sum + piece.weight * 0.2, w.unspecific);
  const total = [...scores.values()].reduce(
    (sum, score) => sum + Math.exp(score),
    Math.exp(general),
  );
  const types = [...scores]
    .map(([type, score]) => ({ type, share: Math.exp(score) / total }))
    .filter(({ share }) => share * probability >= least);
  const isDecided = types.some(({ share }) => share >= decisive);
  return [
    ...(isDecided ? [] : [{ type: group, probability, reasons: reasonsOf(pieces) }]),
    ...types.map(({ type, share }) => ({
      type,
      probability: probability * share,
      reasons: reasonsOf(pieces.filter((p) => p.type === type || p.type === group)),
    })),
  ];
}

/** Strongest first, each text once; what hardly matters is left out. */
function reasonsOf(pieces: readonly Piece[]): Reason[] {
  const byText = new Map<string, number>();
  for (const { reason, weight } of pieces) {
    byText.set(
      reason,
      Math.abs(byText.get(reason) ?? 0) > Math.abs(weight) ? (byText.get(reason) ?? 0) : weight,
    );
  }
  return [...byText]
    .map(([text, weight]) => ({ text, weight }))
    .filter(({ weight }) => Math.abs(weight) >= 0.3)
    .sort((a, b) => Math.abs(b.weight) - Math.abs(a.weight));
}

const mostAre = 'most plugins are effects';
/** How strongly a declared kind counts (kept: it is wrong now and then). */
const declaredKind = 4;
/** VST 2 has but a flag for what takes notes, which effects set as well. */
const declaredByFlag = 3;
/** How a type's evidence carries over to its kind. */
const carriedOver = 0.7;

function classifyKind(
  subject: Subject,
  pieces: readonly Piece[],
): Pick<Classified, 'kinds' | 'kindReasons'> {
  const evidence: KindReason[] = [
    { kind: 'effect', weight: 1.2, text: mostAre },
    ...declaredKinds(subject),
  ];
  const ports = readPorts(subject);
  for (const [kind, weight] of Object.entries(ports?.kinds ?? {})) {
    evidence.push({ kind: kind as Kind, weight, text: ports?.says ?? '' });
  }
  for (const [kind, { weight, reason }] of bestNamed(pieces)) {
    evidence.push({ kind, weight: weight * carriedOver, text: reason });
  }
  const score = (kind: Kind): number =>
    evidence.filter((e) => e.kind === kind).reduce((sum, e) => sum + e.weight, 0);
  const ranked = kinds
    .filter((kind) => kind !== 'unknown')
    .map((kind) => ({ kind, score: score(kind) }))
    .sort((a, b) => b.score - a.score);
  const total = ranked.reduce((sum, r) => sum + Math.exp(r.score), 0);
  return {
    kinds: ranked.map((r) => ({ kind: r.kind, probability: Math.exp(r.score) / total })),
    kindReasons: evidence.filter((e) => e.text !== mostAre).sort((a, b) => b.weight - a.weight),
  };
}

/** Of each kind its strongest declaration, once. */
function declaredKinds({ declared }: Subject): KindReason[] {
  const best = new Map<Kind, KindReason>();
  for (const { format, values } of declared) {
    const { kind } = readDeclared(format, values);
    const weight = format === 'VST2' ? declaredByFlag : declaredKind;
    if (kind !== 'unknown' && weight > (best.get(kind)?.weight ?? 0)) {
      best.set(kind, {
        kind,
        weight,
        text: `its ${format} copy declares ${kindWords[kind].one}`,
      });
    }
  }
  return [...best.values()];
}

/** Of each kind what the name says most clearly. */
function bestNamed(pieces: readonly Piece[]): Map<Kind, Piece> {
  const best = new Map<Kind, Piece>();
  for (const piece of pieces) {
    if (piece.from === 'name' && piece.weight > 0) {
      const kind = kindOfType(piece.type);
      if (piece.weight > (best.get(kind)?.weight ?? 0)) {
        best.set(kind, piece);
      }
    }
  }
  return best;
}

/** What a plugin may be for: something that audio goes through, whether effect or tool, or another kind. */
type Use = 'through' | 'instrument' | 'note-effect';

/** Effects and tools stand in the same slots. */
const useOf = (kind: Kind): Use =>
  kind === 'instrument' || kind === 'note-effect' ? kind : 'through';

/** How likely the use of the likeliest kind is, and of the likeliest use; 0 where no kind is known. */
export function likelyUse(likeliestFirst: Classified['kinds']): { ofFirst: number; most: number } {
  const likely: Record<Use, number> = { through: 0, instrument: 0, 'note-effect': 0 };
  for (const { kind, probability } of likeliestFirst) {
    likely[useOf(kind)] += probability;
  }
  const [first] = likeliestFirst;
  return {
    ofFirst: first ? likely[useOf(first.kind)] : 0,
    most: Math.max(...Object.values(likely)),
  };
}

/** The types to take as they are: in each group that is likely enough, the narrowest that is. */
export function clearTypes(
  { suggestions }: Pick<Classified, 'suggestions'>,
  atLeast: number,
): string[] {
  const clear = suggestions.filter((s) => s.probability >= atLeast);
  return clear
    .filter(
      (s) =>
        !clear.some(
          (other) =>
            other.type !== s.type && groupOf(other.type) === groupOf(s.type) && narrower(other, s),
        ),
    )
    .map((s) => s.type);
}

/** A type goes before its group; of two types in one group the likelier. */
const narrower = (a: Suggestion, b: Suggestion): boolean =>
  a.type.includes('/') === b.type.includes('/')
    ? a.probability > b.probability
    : a.type.includes('/');
