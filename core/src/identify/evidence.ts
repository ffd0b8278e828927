/**
 * What speaks for and against each group of types, each piece with its weight and a reason in plain
 * words.
 */
import { kindWords } from '../catalog/kind.ts';
import type { Kind } from '../catalog/kind.ts';
import type { Format } from '../formats/found-copy.ts';
import { declaredTypes, readDeclared, type Declaration } from '../taxonomy/declared.ts';
import type { Clearness } from './lexicon.data.ts';
import { memoizeIn } from '../memoize.ts';
import { readControls } from './read-controls.ts';
import { speakingWords, type SpeakingWord } from './name-words.ts';
import { isFiledNear, leavesOpen } from '../taxonomy/filed-near.ts';
import { groupOf, kindOfType, typeGroups, typeName } from '../taxonomy/tree.ts';
import type { Weights } from './weights.data.ts';

/** What is known of a plugin before its types are. Null: not known. */
export interface Subject {
  readonly name: string;
  /** What each copy declares. */
  readonly declared: readonly Declaration[];
  readonly audioIn: number | null;
  readonly audioOut: number | null;
  readonly notesIn: boolean | null;
  readonly notesOut: boolean | null;
  /** Names of what can be set on it; absent where no copy tells. */
  readonly controls?: readonly string[];
  /** What it says of itself; absent where no copy tells. */
  readonly description?: string;
  /** What the vendor's other plugins of the same series are. */
  readonly series: readonly SeriesShare[];
}

/**
 * Of the other plugins called by a series' word, how many are of a type; `taught` of them by the
 * user's answers.
 */
export interface SeriesShare {
  readonly word: string;
  readonly type: string;
  readonly count: number;
  readonly of: number;
  readonly taught: number;
}

/** One piece of evidence for a type (or group), in log-odds; negative counts against. */
export interface Piece {
  readonly type: string;
  readonly weight: number;
  readonly reason: string;
  readonly from: 'name' | 'description' | 'declared' | 'ports' | 'controls' | 'series';
}

/** All that speaks for or against kinds and groups of types. */
export function evidenceOf(subject: Subject, w: Weights): Piece[] {
  const words = wordPieces(subject.name, w);
  const heard = hearing(subject, words, w);
  return [
    ...words,
    ...rivals(words, w),
    ...descriptionPieces(subject, heard, w),
    ...declaredPieces(subject, words, w),
    ...portPieces(subject, w),
    ...controlPieces(subject, heard, w),
    ...seriesPieces(subject, w),
  ];
}

/** The strongest word for each type; a second one for the same group adds half. */
function wordPieces(name: string, w: Weights): Piece[] {
  const pieces: Piece[] = [];
  for (const { word, meanings, isPart, isHead } of speakingWords(name)) {
    for (const { type, clearness } of meanings) {
      pieces.push({
        type,
        weight: weigh(clearness, { isPart, isHead }, w),
        from: 'name',
        reason: `“${word}” ${isPart ? 'inside a word of' : 'in'} the name ${clearness === 'clear' ? 'says' : 'hints at'} ${typeName(type)}${isHead ? '' : ', but describes'}`,
      });
    }
  }
  return strongest(pieces);
}

/** A word by how clearly it speaks, where it stands, and whether it names or describes. */
const weigh = (
  clearness: Clearness,
  { isPart, isHead }: Pick<SpeakingWord, 'isPart' | 'isHead'>,
  w: Weights,
): number => w[clearness] * (isPart ? w.part : 1) * (isHead ? 1 : w.describing);

/** What comes after these tells what it can do or how, and no longer what it is. */
const goesOn = [
  'which',
  'that',
  'based on',
  'inspired by',
  'implement(?:ed|ing)',
  'using',
  'used (?:to|for|as)',
  'can be',
  'you can',
  'allows?',
  'lets',
];
const sentenceEnds = new RegExp(`[.!?;](?:\\s|$)|\\s(?:${goesOn.join('|')})\\s`, 'i');
/** Longer sentences tell stories. */
const sentenceLength = 160;

/** The first sentence of its description, read like a name that is less to be trusted. */
function descriptionPieces(
  { description }: Subject,
  { isOpen, share }: Heard,
  w: Weights,
): Piece[] {
  if (description === undefined) {
    return [];
  }
  const end = description.search(sentenceEnds);
  const sentence = description.slice(0, Math.min(end < 0 ? sentenceLength : end, sentenceLength));
  const pieces = speakingWords(sentence).flatMap(({ word, meanings, isPart, isHead }) =>
    meanings
      .filter(({ clearness }) => clearness !== 'faint')
      .filter(({ type }) => isOpen(type))
      .map(
        ({ type, clearness }): Piece => ({
          type,
          weight: share * w.description * weigh(clearness, { isPart, isHead }, w),
          from: 'description',
          reason: `“${word}” in its description ${clearness === 'clear' ? 'says' : 'hints at'} ${typeName(type)}`,
        }),
      ),
  );
  return strongest(pieces);
}

/** How far a plugin's description and controls are heard. */
interface Heard {
  /** Whether they may speak for a type. */
  readonly isOpen: (type: string) => boolean;
  /** What they say counts for so much of its weight. */
  readonly share: number;
}

/** Log-odds by which ports rule a group out. */
const ruledOut = -4;

/**
 * Heard is what ports don't rule out, and where something is declared, for a declaration is said on
 * purpose, only what is of its groups; it counts less beside a name that says what the plugin is.
 */
function hearing(subject: Subject, words: readonly Piece[], w: Weights): Heard {
  const ports = readPorts(subject)?.groups ?? {};
  const isPossible = (group: string): boolean => (ports[group] ?? 0) > ruledOut;
  const declared = declaredTypes(subject.declared).map(groupOf);
  const isNamed = words.some(({ type, weight }) => weight >= w.hint && isPossible(groupOf(type)));
  return {
    isOpen: (type) => {
      const group = groupOf(type);
      return isPossible(group) && (declared.length === 0 || declared.includes(group));
    },
    share: isNamed ? w.besideName : 1,
  };
}

function strongest(pieces: readonly Piece[]): Piece[] {
  const sorted = [...pieces].sort((a, b) => b.weight - a.weight);
  const seen = new Map<string, number>();
  return sorted.flatMap((piece) => {
    const nth = seen.get(groupOf(piece.type)) ?? 0;
    seen.set(groupOf(piece.type), nth + 1);
    return nth > 2 ? [] : [{ ...piece, weight: piece.weight * 0.5 ** nth }];
  });
}

/** Where another group is spoken for more clearly, this counts against each that is less so. */
function rivals(words: readonly Piece[], w: Weights): Piece[] {
  const best = words[0];
  if (!best) {
    return [];
  }
  const own = new Map<string, number>();
  for (const piece of words) {
    own.set(groupOf(piece.type), Math.max(own.get(groupOf(piece.type)) ?? 0, piece.weight));
  }
  const reason = `the name speaks more clearly for ${typeName(best.type)}`;
  const against: Piece[] = [];
  for (const { id } of typeGroups) {
    const lead = best.weight - (own.get(id) ?? 0);
    if (lead > 0.01) {
      against.push({ type: id, weight: -w.rival * lead, from: 'name', reason });
    }
  }
  return against;
}

function declaredPieces({ declared }: Subject, words: readonly Piece[], w: Weights): Piece[] {
  const pieces = declared.flatMap(({ format, values }) => {
    const { types } = readDeclared(format, values);
    const groups = new Set(types.map(groupOf));
    const isNear = ({ type, weight }: Piece): boolean =>
      isFiledNear(type, groups) || (leavesOpen(types) && weight >= w.clear);
    const near = new Set(words.filter(isNear).map(({ type }) => groupOf(type)));
    const key = [format, ...values, 'near', ...near].join('\n');
    return worked(w, key, () => piecesOfDeclaration(format, values, near, w));
  });
  return declared.length < 2 ? pieces : once(pieces);
}

/** What one copy's declaration says of each group; none against those `near` by. */
function piecesOfDeclaration(
  format: Format,
  values: readonly string[],
  near: ReadonlySet<string>,
  w: Weights,
): Piece[] {
  const { types, kind, among = [] } = readDeclared(format, values);
  const groups = new Set([...types, ...among].map(groupOf));
  const from = 'declared';
  const says = (what: string): string => `its ${format} copy declares ${what}`;
  const pieces = types.map(
    (type): Piece => ({ type, weight: w.declared, from, reason: says(typeName(type)) }),
  );
  const saysTypes = says(types.map(typeName).join(' and '));
  const saysOneOf = says(`one of ${among.map(typeName).join(', ')}`);
  const saysKind = says(kindWords[kind].one);
  for (const { id } of typeGroups.filter((group) => !groups.has(group.id))) {
    if (types.length > 0 && !near.has(id)) {
      pieces.push({ type: id, weight: -w.notDeclared, from, reason: saysTypes });
    }
    if (among.length > 0) {
      pieces.push({ type: id, weight: -w.notDeclared / 2, from, reason: saysOneOf });
    }
    if (kind !== 'unknown' && kindOfType(id) !== kind && !isTool(kind, kindOfType(id))) {
      pieces.push({ type: id, weight: -w.otherKind, from, reason: saysKind });
    }
  }
  return pieces;
}

/** Pieces that many plugins have alike, by the weights they were weighed with. */
const workedBefore = new WeakMap<Weights, Map<string | PortReading, readonly Piece[]>>();
/** More than most catalogs have; what is kept stays bounded. */
const mostWorked = 2_000;

/** Pieces that were worked out before under this key, or now. */
function worked(
  w: Weights,
  key: string | PortReading,
  work: () => readonly Piece[],
): readonly Piece[] {
  const before = workedBefore.get(w) ?? new Map<string | PortReading, readonly Piece[]>();
  workedBefore.set(w, before);
  return memoizeIn(before, mostWorked, key, work);
}

/** Two copies that say the same count once. */
function once(pieces: readonly Piece[]): Piece[] {
  const seen = new Set<string>();
  return pieces.filter(({ type, weight }) => {
    const key = `${type} ${weight}`;
    return seen.has(key) ? false : (seen.add(key), true);
  });
}

/** Formats call a tool an effect, so that is no contradiction. */
const isTool = (a: Kind, b: Kind): boolean =>
  (a === 'effect' && b === 'tool') || (a === 'tool' && b === 'effect');
/** What goes in and out, in words, and which groups that speaks for and against (kept: common practice). */
export interface PortReading {
  readonly says: string;
  readonly groups: Readonly<Record<string, number>>;
  readonly kinds: Partial<Readonly<Record<Kind, number>>>;
}

const ofKind = (kind: Kind, weight: number): Record<string, number> =>
  Object.fromEntries(typeGroups.filter((g) => g.kind === kind).map((g) => [g.id, weight]));

type Ports = Pick<Subject, 'audioIn' | 'audioOut' | 'notesIn' | 'notesOut'>;

/** Few plugins have ports like no other: what was read once is kept. */
const readings = new Map<string, PortReading | null>();
const mostReadings = 2_000;

/** What the ports tell of the kind. */
export function readPorts(ports: Ports): PortReading | null {
  const { audioIn, audioOut, notesIn, notesOut } = ports;
  const key = `${audioIn} ${audioOut} ${notesIn} ${notesOut}`;
  return memoizeIn(readings, mostReadings, key, () => readNewPorts(ports));
}

function readNewPorts({ audioIn, audioOut, notesIn, notesOut }: Ports): PortReading | null {
  if (audioIn === null || audioOut === null) {
    return null;
  }
  if (audioIn === 0 && audioOut === 0) {
    if (notesIn === true || notesOut === true) {
      return {
        says: 'only notes go in and out',
        groups: { notes: 4.5, ...ofKind('effect', -8), ...ofKind('instrument', -6) },
        kinds: { 'note-effect': 5 },
      };
    }
    return {
      says: 'no audio goes in or out',
      groups: {
        utility: 2.2,
        notes: notesIn === null && notesOut === null ? 0.5 : -8,
        ...ofKind('effect', -8),
        ...ofKind('instrument', -6),
      },
      kinds: { tool: 2 },
    };
  }
  if (audioIn === 0 && notesIn === true) {
    return {
      says: 'notes go in, audio comes out',
      groups: {
        ...ofKind('instrument', 1.8),
        ...ofKind('effect', -4),
        utility: -3,
        meter: -3,
        notes: -2,
      },
      kinds: { instrument: 5 },
    };
  }
  if (audioIn === 0) {
    return {
      says: 'audio comes out, nothing goes in',
      groups: { utility: 3.2, ...ofKind('effect', -2.5), ...ofKind('instrument', 0.5), meter: -2 },
      kinds: { instrument: 1, tool: 2.5 },
    };
  }
  if (audioOut === 0 && notesOut === true) {
    return {
      says: 'audio goes in, notes come out',
      groups: { utility: 2, notes: 1.5, meter: 1, pitch: 1, ...ofKind('instrument', -3) },
      kinds: { tool: 2.5, 'note-effect': 1 },
    };
  }
  if (audioOut === 0) {
    return {
      says: 'audio goes in, none comes out',
      groups: { meter: 4.5, ...ofKind('effect', -2.5), ...ofKind('instrument', -3) },
      kinds: { tool: 4.5 },
    };
  }
  // What lets audio through and no notes out works on audio.
  const through = { ...ofKind('instrument', -2.5), notes: notesOut === false ? -6 : -2.5 };
  if (audioIn > 2 && audioOut < audioIn) {
    return {
      says: `${audioIn} audio inputs become ${audioOut}`,
      groups: { ...through, utility: 1.6, spatial: 0.4, dynamics: 0.4 },
      kinds: { effect: 1.5, tool: 1.5 },
    };
  }
  if (audioIn === 2 && audioOut === 1) {
    return {
      says: 'two audio inputs become one',
      groups: { ...through, utility: 0.5, modulation: 0.5, dynamics: 0.5 },
      kinds: { effect: 2 },
    };
  }
  if (audioOut === 2 && audioIn === 1) {
    return {
      says: 'one audio input becomes two',
      groups: { ...through, reverb: 0.6, spatial: 0.6, delay: 0.2, utility: 0.3 },
      kinds: { effect: 2 },
    };
  }
  if (audioOut > 2) {
    return {
      says: `audio comes out of ${audioOut} channels`,
      groups: { ...through, utility: 0.8, spatial: 0.8, filter: 0.2 },
      kinds: { effect: 1.5, tool: 1 },
    };
  }
  // Some instruments let audio through as well, and some effects take notes.
  if (notesIn === true && notesOut !== true) {
    return {
      says: 'audio goes through, and notes go in',
      groups: { ...through, ...ofKind('instrument', -1.2) },
      kinds: { effect: 0.5 },
    };
  }
  return { says: 'audio goes through', groups: through, kinds: { effect: 2.5, tool: 0.5 } };
}

function portPieces(subject: Subject, w: Weights): readonly Piece[] {
  const reading = readPorts(subject);
  if (!reading) {
    return [];
  }
  const { says, groups } = reading;
  return worked(w, reading, () =>
    Object.entries(groups).map(
      ([type, weight]): Piece => ({ type, weight: weight * w.ports, from: 'ports', reason: says }),
    ),
  );
}

const declaresInstrument = (declared: Subject['declared']): boolean =>
  declared.some(({ format, values }) => readDeclared(format, values).kind === 'instrument');

/** What the names of its controls say, the strongest first; what says less about a group adds nothing. */
function controlPieces(
  { controls, declared, audioIn, notesIn }: Subject,
  { isOpen, share }: Heard,
  w: Weights,
): Piece[] {
  const isPlayed = notesIn === true && (audioIn === 0 || declaresInstrument(declared));
  const read = readControls(controls ?? [], isPlayed).filter(({ type }) => isOpen(type));
  const best = new Map<string, Piece>();
  for (const { type, weight, words } of read) {
    const group = groupOf(type);
    const weighed = share * w.controls * weight;
    if (weighed > (best.get(group)?.weight ?? 0)) {
      const said = words.map((word) => `“${word}”`).join(' and ');
      const reason = `its controls ${said} say ${typeName(type)}`;
      best.set(group, { type, weight: weighed, from: 'controls', reason });
    }
  }
  return [...best.values()];
}

/**
 * A series counts by the share of it that is of one type; with two others it counts half as much as
 * with many.
 */
function seriesPieces({ series }: Subject, w: Weights): Piece[] {
  return series.flatMap(({ word, type, count, of, taught }) => {
    const share = count / of;
    const certainty = of / (of + 2);
    if (share < 0.34) {
      return [];
    }
    const weight = Math.max(
      w.series * share * certainty,
      taught > 0 ? w.taught * (taught / of) * (0.5 + certainty / 2) : 0,
    );
    return [
      {
        type,
        weight,
        from: 'series' as const,
        reason: `${count} of ${of} others called “${word}” by this vendor are ${typeName(type)}${taught > 0 ? ' (you said so)' : ''}`,
      },
    ];
  });
}
