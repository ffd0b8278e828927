/**
 * How much each sort of evidence counts, in log-odds (natural logarithm).
 * Fitted by `npm run fit` (bench/src/fit.ts) on Debian's swh-lv2 and swh-plugins; what is marked "kept" is common practice and was not fitted,
 * because those packages say too little about it.
 */
export interface Weights {
  /** Before anything is known: the log-odds of a group that is neither common nor rare, and what the common and rare ones differ by. */
  readonly base: number;
  readonly common: Readonly<Record<string, number>>;
  /** A word of the name, by how clearly it speaks. */
  readonly clear: number;
  readonly hint: number;
  readonly faint: number;
  /** Factors: a word inside a longer one; a word that describes and does not name. */
  readonly part: number;
  readonly describing: number;
  /** Factor on how much clearer another group is spoken for: counts against. */
  readonly rival: number;
  /** A declared type, and being passed over by a declaration. */
  readonly declared: number;
  readonly notDeclared: number;
  /** Factor on the table of ports in evidence.ts. */
  readonly ports: number;
  /** A group that belongs to another kind than the declared one (against). */
  readonly otherKind: number;
  /** Others of the same series, at most; and the user's answers in it, at most. */
  readonly series: number;
  readonly taught: number;
  /** Of no type of the group in particular, against one of its types without evidence at 0. */
  readonly unspecific: number;
}

// Written by `npm run fit`:
/** The fitted weights. Log-odds. */
export const weights: Weights = {
  base: -2.52,
  common: {
    dynamics: 0.36,
    eq: 0.12,
    filter: 0.35,
    distortion: 0.39,
    reverb: -0.03,
    delay: 0.36,
    modulation: 0.24,
    pitch: 0.06,
    spatial: -0.24,
    restoration: -0.24,
    texture: 0,
    strip: -0.24,
    meter: -0.07,
    utility: 0.42,
    synth: -0.24,
    sampler: -0.24,
    drums: -0.24,
    keys: -0.24,
    acoustic: -0.24,
    notes: -0.24,
  },
  clear: 4.28,
  hint: 2.9,
  faint: 1.93,
  part: 0.98,
  describing: 0.42,
  rival: 0.69,
  declared: 6.03,
  notDeclared: 2.86,
  ports: 1,
  otherKind: 2,
  series: 1.6,
  taught: 5,
  unspecific: 1.2,
};
