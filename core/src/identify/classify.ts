/** The likely types and kind of a plugin, with probabilities that can be taken at their word, and reasons. */
import { kinds, type Kind, kindWords } from '../catalog/kind.ts';
import { readDeclared } from '../taxonomy/declared.ts';
import { evidenceOf, readPorts, type Piece, type Subject } from './evidence.ts';
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
  const pieces = evidenceOf(subject, w);
  const byGroup = new Map<string, Piece[]>(typeGroups.map(({ id }) => [id, []]));
  for (const piece of pieces) {
    byGroup.get(groupOf(piece.type))?.push(piece);
  }
  const suggestions = [...byGroup].flatMap(([group, those]) => suggestionsIn(group, those, w));
  suggestions.sort(
    (a, b) =>
      b.probability - a.probability || b.type.length - a.type.length || (a.type < b.type ? -1 : 1),
  );
  return { ...classifyKind(subject, pieces), suggestions };
}

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));

/** The probability of a group alone: base plus all that speaks for or against it. */
export const groupProbability = (group: string, pieces: readonly Piece[], w: Weights): number =>
  logistic(pieces.reduce((sum, piece) => sum + piece.weight, w.base + (w.common[group] ?? 0)));

function suggestionsIn(group: string, pieces: readonly Piece[], w: Weights): Suggestion[] {
  const probability = groupProbability(group, pieces, w);
  if (probability < least) {
    return [];
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

/**
 * How strongly a declared kind counts (kept: it is wrong now and then), and how a type's evidence
 * carries over to its kind.
 */
const mostAre = 'most plugins are effects';
const declaredKind = 3;
const carriedOver = 0.7;

function classifyKind(
  subject: Subject,
  pieces: readonly Piece[],
): Pick<Classified, 'kinds' | 'kindReasons'> {
  const evidence: KindReason[] = [{ kind: 'effect', weight: 1.2, text: mostAre }];
  for (const { format, values } of subject.declared) {
    const { kind } = readDeclared(format, values);
    if (kind !== 'unknown' && !evidence.some((e) => e.kind === kind && e.weight === declaredKind)) {
      evidence.push({
        kind,
        weight: declaredKind,
        text: `its ${format} copy declares ${kindWords[kind].one}`,
      });
    }
  }
  const ports = readPorts(subject);
  for (const [kind, weight] of Object.entries(ports?.kinds ?? {})) {
    evidence.push({ kind: kind as Kind, weight, text: ports?.says ?? '' });
  }
  for (const kind of kinds) {
    const best = pieces
      .filter(
        (piece) =>
          piece.weight > 0 && kindOfType(piece.type) === kind && piece.reason.includes('name'),
      )
      .sort((a, b) => b.weight - a.weight)[0];
    if (best) {
      evidence.push({ kind, weight: best.weight * carriedOver, text: best.reason });
    }
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
